"use client";

// One job on the sheet: a line, and behind it steps, parts, photos, reasons.

import { Camera, Check, ChevronDown, Package, TriangleAlert } from "lucide-react";
import Link from "next/link";
import { useState } from "react";
import { findCalculator } from "@/core/setout/calculators";
import { Button, buttonClass } from "../kit/button";
import { cx } from "../kit/cx";
import { Dialog } from "../kit/dialog";
import { send } from "../kit/send";
import { StageBadge } from "../kit/stage";
import { Tick } from "../kit/tick";
import { near, time } from "../kit/time";
import { useAct } from "../kit/use-act";
import { Courses } from "./planning/courses";
import { SplitJob } from "./planning/split";
import { RecordForm } from "./records/records-panel";
import type { BuildView, SheetJob, ShotView } from "./view";

const STATE = { todo: "to do", started: "under way", paused: "paused", done: "done" };

export function JobRow({ job, view, open, onToggle }: { job: SheetJob; view: BuildView; open: boolean; onToggle(): void }) {
  const missingParts = job.parts.filter((p) => !p.here).length;
  const openShots = job.shots.filter((s) => s.required && s.state !== "approved").length;
  return (
    <li id={`job-${job.id}`} className="border-b last:border-0">
      <button
        type="button"
        aria-expanded={open}
        onClick={onToggle}
        className={cx(
          "grid w-full grid-cols-[66px_minmax(0,1fr)_20px] items-center gap-x-3 gap-y-0.5 px-3 py-2 text-left hover:bg-sunk xl:grid-cols-[66px_minmax(0,1fr)_92px_150px_minmax(0,120px)_96px_20px]",
          open && "bg-sunk",
        )}
      >
        <span className="flex items-center gap-1.5 text-[0.75rem] text-muted">
          <StageBadge stage={job.stage} />
          {job.code.slice(3)}
        </span>
        <span className={cx("xl:truncate", job.state === "done" ? "text-muted" : "font-semibold")} title={job.name}>
          {job.name}
        </span>
        {/* Under the name where there is no room beside it. */}
        <span className="col-start-2 flex min-w-0 flex-wrap gap-x-3 text-[0.75rem] xl:contents xl:text-[0.8125rem]">
          <span
            className={cx(
              job.state === "started" && "font-bold text-green-text",
              job.state === "paused" && "font-bold text-amber-text",
              job.state === "done" && "text-muted",
            )}
          >
            {job.state === "done" && <Check size={13} className="mr-1 inline" />}
            {STATE[job.state]}
          </span>
          <span className="truncate text-muted">{job.from === null ? "no place in the plan" : time(view.zone, job.from)}</span>
          <span className="truncate text-muted" title={job.who}>
            {job.who}
          </span>
          <span className="flex items-center gap-2.5 text-[0.75rem]">
            {missingParts > 0 && (
              <span className="flex items-center gap-1 text-amber-text" title={`${missingParts} parts not here`}>
                <Package size={13} /> {missingParts}
              </span>
            )}
            {openShots > 0 && (
              <span className="flex items-center gap-1" title={`${openShots} photos before close-up`}>
                <Camera size={13} /> {openShots}
              </span>
            )}
            {job.remarks.length > 0 && <TriangleAlert size={13} className="text-signal-text" aria-label="something is wrong" />}
          </span>
        </span>
        <ChevronDown
          size={15}
          className={cx("col-start-3 row-start-1 text-muted xl:col-auto xl:row-auto", open && "rotate-180")}
          aria-hidden="true"
        />
      </button>
      {open && <JobDetail job={job} view={view} />}
    </li>
  );
}

function JobDetail({ job, view }: { job: SheetJob; view: BuildView }) {
  const act = useAct();
  const sheets = job.setOut.filter((k) => k === "check-in" || findCalculator(k));
  return (
    <div className="grid gap-x-8 gap-y-4 border-t px-4 py-4 md:grid-cols-2">
      <div className="md:col-span-2">
        <p>
          {job.from !== null && (
            <>
              {time(view.zone, job.from)}
              {job.to !== null && ` to ${near(view.zone, job.to, view.now)}`} · {job.place} ·{" "}
            </>
          )}
          {job.crew} · best, likely, worst {job.likely}
          {job.worked && ` · worked so far ${job.worked}`}
        </p>
        <p className="text-muted">
          {job.needs.join(" · ")}
          {job.hold && ` · ${job.hold}`}
        </p>
        {job.state !== "done" && job.state !== "started" && job.why && (
          <p className="mt-1">
            Not earlier because <b>{job.why}</b>.
          </p>
        )}
        {job.slips && <p className="mt-1 text-muted">It was {job.slips}.</p>}
        {job.obstacles.length > 0 && <p className="mt-1 text-amber-text">Not to be started yet: {job.obstacles.join("; ")}.</p>}
        {job.overBox && <OverBox job={job} view={view} />}
        {job.state === "todo" && !job.extra && job.likelyMinutes >= 30 && (
          <div className="mt-1.5">
            <SplitJob job={job} />
          </div>
        )}
        {job.pieces && (
          <p className="mt-1">
            {job.pieces.done} of {job.pieces.count} done, counted by {job.pieces.name}
          </p>
        )}
        {job.means.map((m) => (
          <p key={m} className="mt-1 text-muted">
            {m}
          </p>
        ))}
        {job.cameOut.map((t) => (
          <p key={t} className="mt-1">
            {t}
          </p>
        ))}
        {job.remarks.map((r) => (
          <p key={r.id} className="mt-2 flex items-center justify-between gap-3 rounded-md border border-signal bg-signal-soft px-3 py-2">
            <span>
              <b>{r.by}</b>: {r.text} <span className="text-muted">{near(view.zone, r.at, view.now)}</span>
              {r.stops && " · work has stopped"}
            </span>
            <button
              type="button"
              disabled={act.busy}
              className={buttonClass()}
              onClick={() => void act.run(() => send("POST", `remarks/${r.id}/settle`), "Solved")}
            >
              Solved
            </button>
          </p>
        ))}
      </div>
      <section>
        <h3 className="mb-1 text-[0.8125rem]">Steps</h3>
        <ol className="flex flex-col gap-1">
          {job.steps.map((s) => (
            <li key={s.n} className={cx("flex gap-2", s.done && "text-muted")}>
              <span className="w-5 shrink-0 text-right">{s.done ? <Tick /> : `${s.n}.`}</span>
              <span>
                {s.text}
                {s.waived && <span className="text-amber-text"> left out: {s.waived}</span>}
              </span>
            </li>
          ))}
        </ol>
        {job.questions.length > 0 && (
          <div className="mt-4">
            <h3 className="mb-1 text-[0.8125rem]">Before you {job.deed}</h3>
            <ul className="flex flex-col gap-1">
              {job.questions.map((q) => (
                <li key={q.n} className="flex gap-2">
                  <span className="w-5 shrink-0 text-right">{q.answered ? <Tick label="answered" /> : "?"}</span>
                  <span>
                    {q.text} {q.answered && <span className="text-muted">yes, {q.answered}</span>}
                    {q.unsure && (
                      <span className={q.answered ? "text-muted" : "font-semibold text-amber-text"}> {q.unsure} was not sure</span>
                    )}
                  </span>
                </li>
              ))}
            </ul>
          </div>
        )}
        <Leftovers job={job} view={view} />
        <Faults job={job} view={view} />
      </section>
      <section className="flex flex-col gap-4">
        <div>
          <h3 className="mb-1 text-[0.8125rem]">Cautions</h3>
          <ul className="list-disc pl-4">
            {job.cautions.map((c) => (
              <li key={c}>{c}</li>
            ))}
          </ul>
        </div>
        {sheets.length > 0 && (
          <div>
            <h3 className="mb-1 text-[0.8125rem]">Set-out</h3>
            <p className="flex flex-wrap gap-2">
              {sheets.map((k) =>
                k === "check-in" ? (
                  <Link key={k} href={`/builds/${view.id}?tab=van`} className={buttonClass()}>
                    Readings of the van
                  </Link>
                ) : (
                  <Link key={k} href={`/set-out?job=${encodeURIComponent(job.id)}&sheet=${k}`} className={buttonClass()}>
                    {findCalculator(k)!.title}
                    {job.sheets[k] && (
                      <span
                        className={cx(
                          "ml-1 text-[0.75rem] font-normal",
                          job.sheets[k].contradicted ? "text-signal-text" : job.sheets[k].locked ? "text-green-text" : "text-muted",
                        )}
                      >
                        {job.sheets[k].contradicted ? "contradicted" : job.sheets[k].locked ? "locked" : "kept"}
                      </span>
                    )}
                  </Link>
                ),
              )}
            </p>
          </div>
        )}
        {(job.kit.length > 0 || job.parts.length > 0 || job.tools.length > 0) && (
          <div>
            <h3 className="mb-1 text-[0.8125rem]">Kit</h3>
            <ul>
              {job.parts.map((p) => (
                <li key={p.id}>
                  <Link href={`/stores?part=${encodeURIComponent(p.id)}`} className="hover:underline">
                    {p.name}
                  </Link>{" "}
                  <span className="text-muted">
                    {p.quantity} · {p.state}
                  </span>
                </li>
              ))}
              {job.kit.map((k) => (
                <li key={k} className="text-muted">
                  {k}
                </li>
              ))}
              {job.tools.map((k) => (
                <li key={k} className="text-muted">
                  {k} <span className="text-[0.75rem]">(shared tool)</span>
                </li>
              ))}
              {job.machines.map((m) => (
                <li key={m}>{m}</li>
              ))}
            </ul>
          </div>
        )}
        {job.after.length > 0 && (
          <div>
            <h3 className="mb-1 text-[0.8125rem]">Comes after</h3>
            <ul>
              {job.after.map((a) => (
                <li key={a.name}>
                  {a.done && <Tick className="mr-1" />}
                  {a.name} <span className="text-muted">{a.reason}</span>
                </li>
              ))}
            </ul>
          </div>
        )}
        {job.covers.length > 0 && (
          <p>
            Closes up: <b>{job.covers.join(", ")}</b>
          </p>
        )}
        <p>
          <Link href={`/card?job=${encodeURIComponent(job.id)}`} className={buttonClass()}>
            Open its bench card
          </Link>
        </p>
      </section>
      {job.shots.length > 0 && (
        <section className="md:col-span-2">
          <h3 className="mb-1.5 text-[0.8125rem]">Proof</h3>
          <ul className="flex flex-wrap gap-3">
            {job.shots.map((s) => (
              <Shot key={s.id} shot={s} view={view} />
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}

/** The time box is passed: what now? The answer is kept as a decision. */
function OverBox({ job, view }: { job: SheetJob; view: BuildView }) {
  const [asking, setAsking] = useState(false);
  return (
    <p className="mt-2 flex flex-wrap items-center justify-between gap-3 rounded-md border border-amber bg-amber-soft px-3 py-2">
      <span>
        <b>{job.overBox}.</b> A second person, park it and pull another forward, or call the supplier?
      </span>
      <Button onClick={() => setAsking(true)}>Decide</Button>
      <Dialog open={asking} onOpenChange={setAsking} title={`${job.name} takes longer than its box`}>
        <Courses job={job} likely={job.likelyMinutes} />
        <RecordForm
          kind="decision"
          view={view}
          start={{ jobId: job.id, title: "Add a second person", data: { timeBox: true, course: "second person" } }}
          onDone={() => setAsking(false)}
        />
      </Dialog>
    </p>
  );
}

/** What it has left to finish, and what it usually leaves. */
function Leftovers({ job, view }: { job: SheetJob; view: BuildView }) {
  const act = useAct();
  if (!job.remainders.length && !job.leaves.length) return null;
  return (
    <div className="mt-4">
      <h3 className="mb-1 text-[0.8125rem]">Still to finish</h3>
      <ul className="flex flex-col gap-1.5">
        {job.remainders.map((r) => (
          <li key={r.id} className="flex items-center justify-between gap-2">
            <span>
              <b>{r.text}</b>{" "}
              <span className="text-muted">
                {r.before ? `blocks ${r.before}` : "before the handover"}, owner {r.owner}, {near(view.zone, r.at, view.now)}
              </span>
            </span>
            <Button disabled={act.busy} onClick={() => void act.run(() => send("POST", `remainders/${r.id}/close`), "Closed")}>
              Closed
            </Button>
          </li>
        ))}
        {job.leaves
          .filter((l) => !job.remainders.some((r) => r.text === l.text))
          .map((l) => (
            <li key={l.text} className="flex items-center justify-between gap-2 text-muted">
              <span>
                may leave: {l.text}, before {l.beforeName}
              </span>
              {job.state !== "todo" && (
                <Button
                  disabled={act.busy}
                  onClick={() =>
                    void act.run(
                      () => send("POST", `jobs/${job.id}/remainders`, { text: l.text, before: l.before }),
                      `Kept: ${l.beforeName} waits for it`,
                    )
                  }
                >
                  It is left
                </Button>
              )}
            </li>
          ))}
      </ul>
    </div>
  );
}

/** Faults that this job is known for; a card opens with its causes and tests filled in. */
function Faults({ job, view }: { job: SheetJob; view: BuildView }) {
  const [card, setCard] = useState<SheetJob["faults"][number]>();
  if (!job.faults.length) return null;
  return (
    <div className="mt-4">
      <h3 className="mb-1 text-[0.8125rem]">If it goes wrong</h3>
      <ul className="flex flex-col gap-1">
        {job.faults.map((f) => (
          <li key={f.sign} className="flex items-center justify-between gap-2">
            <span>
              {f.sign} <span className="text-muted">{f.causes.length} causes, each with its test</span>
            </span>
            <Button onClick={() => setCard(f)}>Open a card</Button>
          </li>
        ))}
      </ul>
      <Dialog open={!!card} onOpenChange={(o) => !o && setCard(undefined)} title="Open a fault card" wide>
        {card && (
          <RecordForm
            kind="fault"
            view={view}
            start={{
              jobId: job.id,
              title: card.sign,
              data: { causes: card.causes.map((c) => ({ ...c, result: "open" })), calls: [] },
            }}
            onDone={() => setCard(undefined)}
          />
        )}
      </Dialog>
    </div>
  );
}

const SHOT = { missing: "to be taken", waiting: "waits for you", again: "to be taken again", approved: "approved" };

function Shot({ shot, view }: { shot: ShotView; view: BuildView }) {
  const last = shot.photos.at(-1);
  return (
    <li className="w-[168px]">
      {last ? (
        <a href={`/api/photos/${last.sha}`} target="_blank" rel="noreferrer">
          {/* biome-ignore lint/performance/noImgElement: served small by our own route, kept by content hash */}
          <img
            src={`/api/photos/${last.sha}?small`}
            alt={`${shot.text}, taken by ${last.by}`}
            loading="lazy"
            className="h-[118px] w-full rounded-md border object-cover"
          />
        </a>
      ) : (
        <div className="grid h-[118px] place-items-center rounded-md border border-dashed text-muted">no photo yet</div>
      )}
      <p className="mt-1 leading-tight">{shot.text}</p>
      <p
        className={cx(
          "text-[0.75rem]",
          shot.state === "approved" ? "text-green-text" : shot.state === "again" ? "text-signal-text" : "text-muted",
        )}
      >
        {SHOT[shot.state]}
        {shot.required ? "" : ", not required"}
        {last && ` · ${last.by}, ${near(view.zone, last.at, view.now)}`}
      </p>
      {shot.state === "again" && shot.reason && <p className="text-[0.75rem]">{shot.reason}</p>}
    </li>
  );
}
