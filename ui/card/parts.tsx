"use client";
// Parts of the bench card: questions before what can't be undone, pieces, a step left out, what a job leaves to finish.

import { Check, Minus, Plus } from "lucide-react";
import { useState } from "react";
import { Button } from "../kit/button";
import { cx } from "../kit/cx";
import { inputClass } from "../kit/field";
import { send } from "../kit/send";
import type { Act } from "../kit/use-act";
import type { CardJob } from "./view";

interface Props {
  job: CardJob;
  act: Act;
}

/** Each has to be answered with yes before the job starts; once it has, they fold up and leave the card to the steps. */
export function Questions({ job, act }: Props) {
  if (!job.questions.length || job.state === "done") return null;
  const list = (
    <ul className="mt-1 overflow-hidden rounded-md border border-signal bg-card">
      {job.questions.map((q) => (
        <li key={q.n} className="border-b last:border-0">
          <button
            type="button"
            aria-pressed={q.yes}
            disabled={act.busy || job.state !== "todo" || (q.mine && !q.yes)}
            onClick={() => void act.run(() => send("POST", `jobs/${job.id}/answer`, { n: q.n, yes: !q.yes }))}
            className="flex min-h-13 w-full items-center gap-3 px-3 py-2 text-left"
          >
            <span
              className={cx(
                "grid size-[34px] shrink-0 place-items-center rounded-[5px] border-2 text-[0.875rem] font-bold",
                q.yes ? "border-green bg-green text-white" : "border-signal text-signal-text",
              )}
            >
              {q.yes ? <Check size={18} strokeWidth={3} /> : "yes?"}
            </span>
            <span className={cx("flex-1", q.yes && "text-muted")}>
              {q.text}
              {q.unsure && !q.yes && (
                <b className="block text-amber-text">
                  {q.mine ? "You are" : `${q.unsure} is`} not sure: somebody else has to check and answer.
                </b>
              )}
            </span>
          </button>
          {!q.yes && !q.unsure && job.state === "todo" && (
            <button
              type="button"
              aria-label={`Not sure: ${q.text}`}
              disabled={act.busy}
              onClick={() =>
                void act.run(
                  () => send("POST", `jobs/${job.id}/answer`, { n: q.n, yes: false, unsure: true }),
                  "Somebody else is asked to look",
                )
              }
              className="min-h-11 w-full px-3 pb-2 pl-[58px] text-left text-[0.9375rem] text-muted underline underline-offset-2"
            >
              not sure
            </button>
          )}
        </li>
      ))}
    </ul>
  );
  const name = `Before you ${job.deed}`;
  if (job.state !== "todo" && job.questions.every((q) => q.yes))
    return (
      <details className="mt-3">
        <summary className="flex min-h-11 items-center gap-2 rounded-md border bg-card px-3 text-[0.9375rem]">
          <Check size={18} strokeWidth={3} className="text-green" />
          {name}: {job.questions.length === 1 ? "answered" : `all ${job.questions.length} answered`}
          <span className="ml-auto text-muted underline underline-offset-2">show</span>
        </summary>
        {list}
      </details>
    );
  return (
    <section aria-label={name} className="mt-3">
      <h3 className="text-[1.0625rem]">{name}</h3>
      {list}
    </section>
  );
}

/** A second name before what can't be undone: whoever is the lead or a deputy gives it, here on the phone too. */
export function Release({ job, lead, act }: Props & { lead: boolean }) {
  const { release } = job;
  if (!release) return null;
  const tell = (yes: boolean) =>
    void act.run(() => send("POST", `jobs/${job.id}/release`, { yes }), yes ? "Released, with your name" : undefined);
  return (
    <section aria-label="Release" className="mt-3 flex min-h-13 flex-wrap items-center gap-3 rounded-md border bg-card px-3 py-2">
      {release.by !== null ? (
        <span className="min-w-0 flex-1">
          <Check size={18} strokeWidth={3} className="mr-1 inline text-green" />
          Released to {job.deed}, by {release.by}
        </span>
      ) : (
        <span className="min-w-0 flex-1">{(lead && release.why) || `Not released to ${job.deed} yet: the lead or a deputy does.`}</span>
      )}
      {lead && release.by !== null && job.state === "todo" && (
        <Button size="touch" disabled={act.busy} onClick={() => tell(false)}>
          Hold back again
        </Button>
      )}
      {release.by === null && release.may && (
        <Button kind="main" size="touch" disabled={act.busy} onClick={() => tell(true)}>
          Release
        </Button>
      )}
    </section>
  );
}

/** Pieces counted: their pace gives the new finish. The first is checked and signed before the rest. */
export function Pieces({ job, act }: Props) {
  const { pieces, firstPiece } = job;
  if (!pieces || job.state !== "started") return null;
  const locked = firstPiece !== null && firstPiece.by === null;
  const to = (done: number) => void act.run(() => send("POST", `jobs/${job.id}/pieces`, { done }));
  return (
    <section aria-label="Pieces" className="mt-3 flex flex-col gap-2 rounded-md border bg-card px-3 py-2">
      <div className="flex items-center gap-3">
        <span className="min-w-0 flex-1">
          <b>
            {pieces.done} of {pieces.count}
          </b>{" "}
          done, counted by {pieces.name}
        </span>
        <Button size="touch" aria-label="One less" disabled={act.busy || pieces.done === 0} onClick={() => to(pieces.done - 1)}>
          <Minus size={20} />
        </Button>
        <Button
          size="touch"
          aria-label="One more"
          disabled={act.busy || pieces.done >= pieces.count || (locked && pieces.done >= 1)}
          onClick={() => to(pieces.done + 1)}
        >
          <Plus size={20} />
        </Button>
      </div>
      {firstPiece && <FirstPiece job={job} act={act} />}
    </section>
  );
}

function FirstPiece({ job, act }: Props) {
  const [read, setRead] = useState("");
  const { firstPiece: first, pieces } = job;
  if (!first || !pieces) return null;
  if (first.by !== null)
    return (
      <p className="text-[0.9375rem] text-muted">
        First piece signed by {first.by}: {first.read}
      </p>
    );
  if (pieces.done === 0) return <p className="text-[0.9375rem] text-muted">Make one piece first. Its check releases the rest.</p>;
  if (!first.maySign)
    return (
      <p className="text-[0.9375rem] font-semibold text-amber-text">
        The rest waits: the lead, or somebody with the skill at level 3, checks and signs the first piece.
      </p>
    );
  return (
    <form
      className="flex flex-wrap items-end gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        void act.run(
          () => send("POST", `jobs/${job.id}/first-piece`, { read }),
          "The first piece is signed: go on with the rest",
          () => send("DELETE", `jobs/${job.id}/first-piece`, {}),
        );
      }}
    >
      <label className="flex min-w-0 flex-1 flex-col text-[0.9375rem] font-semibold">
        Measured on the first piece
        <input
          value={read}
          onChange={(e) => setRead(e.target.value)}
          maxLength={300}
          className={cx(inputClass, "!h-12 text-[1.0625rem]")}
        />
      </label>
      <Button type="submit" kind="main" size="touch" disabled={act.busy || !read.trim()}>
        Sign it
      </Button>
    </form>
  );
}

/** A step is left out by name and with a reason; one that guards what comes after it only by the lead. */
export function LeaveOut({ job, n, act }: Props & { n: number }) {
  const [asking, setAsking] = useState(false);
  const [why, setWhy] = useState("");
  if (!asking)
    return (
      <button type="button" onClick={() => setAsking(true)} className="min-h-11 px-3 pb-2 text-[0.875rem] underline underline-offset-4">
        Leave this step out
      </button>
    );
  return (
    <form
      className="flex gap-2 px-3 pb-3"
      onSubmit={(e) => {
        e.preventDefault();
        void act
          .run(() => send("POST", `jobs/${job.id}/waive`, { n, why }), "Left out, with your name")
          .then((ok) => ok && setAsking(false));
      }}
    >
      <input
        aria-label="Why is it left out?"
        placeholder="why?"
        value={why}
        onChange={(e) => setWhy(e.target.value)}
        maxLength={300}
        className={cx(inputClass, "h-12")}
      />
      <Button type="submit" size="touch" disabled={act.busy || !why.trim()}>
        Leave out
      </Button>
    </form>
  );
}

/** What is left behind, and which job must not bury it. */
export function ButFor({ job, act }: Props) {
  const [open, setOpen] = useState(false);
  const [text, setText] = useState(job.leaves[0]?.text ?? "");
  const [before, setBefore] = useState(job.leaves[0]?.before ?? "");
  if (!open)
    return (
      <button type="button" onClick={() => setOpen(true)} className="mt-2 min-h-11 text-[0.9375rem] underline underline-offset-4">
        Something is left to finish
      </button>
    );
  return (
    <form
      className="mt-3 flex flex-col gap-2 rounded-md border bg-card p-3"
      onSubmit={(e) => {
        e.preventDefault();
        void act
          .run(() => send("POST", `jobs/${job.id}/remainders`, { text, ...(before ? { before } : {}) }), "Kept: nobody buries it unseen")
          .then((ok) => ok && setOpen(false));
      }}
    >
      <label className="flex flex-col gap-1">
        Still to finish
        <input
          value={text}
          onChange={(e) => setText(e.target.value)}
          maxLength={300}
          list={`leaves-${job.id}`}
          className={cx(inputClass, "h-12")}
        />
        <datalist id={`leaves-${job.id}`}>
          {job.leaves.map((l) => (
            <option key={l.text} value={l.text} />
          ))}
        </datalist>
      </label>
      <label className="flex flex-col gap-1">
        Has to be closed before
        <select value={before} onChange={(e) => setBefore(e.target.value)} className={cx(inputClass, "h-12")}>
          <option value="">the handover</option>
          {job.laterJobs.map((j) => (
            <option key={j.id} value={j.id}>
              {j.name}
            </option>
          ))}
        </select>
      </label>
      <Button type="submit" size="touch" disabled={act.busy || !text.trim()}>
        Keep it
      </Button>
    </form>
  );
}

const STANDS = { open: "", once: "read once more, from the other end", unlike: "the two differ: read again", agreed: "agreed" };

/** The real van, size by size, each read twice. */
export function Readings({ job, act }: Props) {
  const left = job.readings!.filter((r) => r.state !== "agreed").length;
  return (
    <details className="mt-4" open={job.state === "started"}>
      <summary className="min-h-11 cursor-pointer text-[1.0625rem] font-semibold">
        Sizes of the van{left ? `, ${left} to read` : ", all agreed"}
      </summary>
      <ul className="overflow-hidden rounded-md border bg-card">
        {job.readings!.map((r) => (
          <OneReading key={`${r.name}-${r.mm}-${r.againMm}`} r={r} build={job.buildId} act={act} />
        ))}
      </ul>
    </details>
  );
}

function OneReading({ r, build, act }: { r: NonNullable<CardJob["readings"]>[number]; build: string; act: Act }) {
  const [first, setFirst] = useState(r.mm === null ? "" : String(r.mm));
  const [again, setAgain] = useState(r.againMm === null ? "" : String(r.againMm));
  const mm = (t: string) => (/^\d{1,5}$/.test(t.trim()) ? Number(t) : undefined);
  const a = mm(first);
  const b = mm(again);
  const changed = a !== undefined && (a !== r.mm || (b ?? null) !== r.againMm);
  const input = (label: string, value: string, set: (v: string) => void) => (
    <input
      aria-label={`${r.label}, ${label}, mm`}
      inputMode="numeric"
      placeholder={label}
      value={value}
      onChange={(e) => set(e.target.value)}
      className={cx(inputClass, "!h-12 !w-24 text-[1.0625rem]")}
    />
  );
  return (
    <li className="border-b px-3 py-2 last:border-0">
      <p>
        <b>{r.label}</b> <span className="text-[0.9375rem] text-muted">{r.datum}</span>
      </p>
      <div className="mt-1 flex flex-wrap items-center gap-2">
        {input("first", first, setFirst)}
        {input("again", again, setAgain)}
        {changed ? (
          <Button
            size="touch"
            disabled={act.busy}
            onClick={() =>
              void act.run(() =>
                send("POST", `builds/${build}/readings`, { name: r.name, mm: a, ...(b === undefined ? {} : { againMm: b }) }),
              )
            }
          >
            Keep
          </Button>
        ) : (
          <span
            className={cx(
              "text-[0.9375rem]",
              r.state === "unlike" ? "text-signal-text" : r.state === "agreed" ? "text-green-text" : "text-muted",
            )}
          >
            {STANDS[r.state]}
            {r.offMm !== null && `, ${Math.abs(r.offMm)} mm ${r.offMm > 0 ? "over" : "under"} the template`}
          </span>
        )}
      </div>
    </li>
  );
}

/** The number of the template in hand, read off before anything is marked. */
export function TemplateInHand({ job, act }: Props) {
  const [number, setNumber] = useState("");
  const [fault, setFault] = useState<string>();
  const take = async () => {
    setFault(undefined);
    const ok = await act.run(
      () => send("POST", `jobs/${job.id}/template`, { number: number.trim() }),
      undefined,
      undefined,
      (e) => {
        setFault(e.message);
        return true;
      },
    );
    if (ok) setNumber("");
  };
  return (
    <form
      className="mt-3 flex flex-wrap items-end gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        void take();
      }}
    >
      <label className="flex flex-col text-[0.9375rem] font-semibold">
        Template in hand, its number
        <input
          value={number}
          onChange={(e) => setNumber(e.target.value)}
          maxLength={20}
          aria-invalid={fault ? true : undefined}
          className={cx(inputClass, "!h-12 !w-32 text-[1.0625rem]")}
        />
      </label>
      <Button size="touch" type="submit" disabled={act.busy || !number.trim()}>
        This one
      </Button>
      {fault && (
        <p role="alert" className="w-full text-[0.9375rem] text-signal-text">
          {fault}
        </p>
      )}
    </form>
  );
}
