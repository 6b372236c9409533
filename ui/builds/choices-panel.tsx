"use client";

// A build's choices: what is open and by when, and other choices in mid-build with what they would change before they are taken.

import { useState } from "react";
import { conflictsOf } from "@/core/library/conflicts";
import { OPTION_KEYS, type Options } from "@/core/library/options";
import type { OptionPreview } from "@/core/workshop/builds/previews";
import { CHANGE_CAUSES, type ChangeCause } from "@/core/workshop/records/kinds/decision";
import { sayHours, sayMinutes } from "@/core/workshop/state/say";
import { Button } from "../kit/button";
import { cx } from "../kit/cx";
import { Dialog } from "../kit/dialog";
import { Field, Select } from "../kit/field";
import { send } from "../kit/send";
import { StageBadge } from "../kit/stage";
import { time } from "../kit/time";
import { useAct } from "../kit/use-act";
import { useForm } from "../kit/use-form";
import { Choices } from "./choices";
import { DateLines } from "./planning/date-lines";
import { RecordList } from "./records/list";
import type { BuildView } from "./view";

export function ChoicesPanel({ view }: { view: BuildView }) {
  const [options, setOptions] = useState<Options>(view.options);
  const [open, setOpen] = useState(view.openKeys);
  const [preview, setPreview] = useState<OptionPreview>();
  const [kind, setKind] = useState<"option" | "school">("option");
  const act = useAct();
  const changed = OPTION_KEYS.filter((k) => options[k] !== view.options[k]);
  const openChanged = open.join() !== view.openKeys.join();
  const conflicts = conflictsOf(options, view.van.geometry);
  const look = () => act.run(async () => setPreview(await send<OptionPreview>("POST", `builds/${view.id}/options/try`, { options })));
  return (
    <div>
      {view.openChoices.length > 0 && (
        <section aria-label="Not decided" className="mb-5 rounded-md border border-amber bg-amber-soft px-4 py-3">
          <h2 className="text-[0.9375rem]">Still to be decided</h2>
          <ul className="mt-1 flex flex-col gap-1">
            {view.openChoices.map((c) => (
              <li key={c.key}>
                <b>{c.label}</b>, {c.owner} decides; planned as {c.assumed}:{" "}
                {c.by === null ? "no job that hangs on it is planned" : `by ${time(view.zone, c.by)}`}
                {c.holds.length > 0 && <span className="text-muted"> · hangs on it: {c.holds.map((h) => h.name).join(", ")}</span>}
                {c.passed.length > 0 && <span className="text-signal-text"> · already started: {c.passed.join(", ")}</span>}
              </li>
            ))}
          </ul>
          <div className="mt-3">
            <RecordList view={view} kind="decider" />
          </div>
        </section>
      )}
      <p className="mb-3 text-muted">
        Made with library version {view.library.version ?? "from before versions were kept"}
        {view.library.version !== null && view.library.version !== view.library.newest && `; version ${view.library.newest} is in use now`}.
        A change here works the jobs out again with that version. You see what it would do before you take it.
      </p>
      <div role="radiogroup" aria-label="Which choices" className="mb-4 inline-flex overflow-hidden rounded-md border">
        {(
          [
            ["option", "What it gets"],
            ["school", "How it is built"],
          ] as const
        ).map(([k, label]) => (
          <label
            key={k}
            className={cx("cursor-pointer px-3 py-1.5 has-focus-visible:outline-2", kind === k ? "bg-pine text-on-pine" : "bg-card")}
          >
            <input type="radio" name="kind" checked={kind === k} onChange={() => setKind(k)} className="sr-only" />
            {label}
          </label>
        ))}
      </div>
      <Choices
        kind={kind}
        options={options}
        onChange={setOptions}
        open={open}
        onOpen={setOpen}
        conflicts={conflicts}
        house={view.house}
        {...(kind === "option" ? { van: view.van } : {})}
      />
      {(changed.length > 0 || openChanged) && (
        <div className="sticky bottom-0 mt-5 flex flex-wrap items-center gap-3 border-t bg-paper py-3">
          <Button kind="main" disabled={act.busy || conflicts.some((c) => c.level === "stop")} onClick={() => void look()}>
            {act.busy ? "Working it out …" : changed.length ? "What would it change?" : "Keep what is open"}
          </Button>
          <Button
            onClick={() => {
              setOptions(view.options);
              setOpen(view.openKeys);
            }}
          >
            As it was
          </Button>
          <span className="text-muted">
            {changed.length} {changed.length === 1 ? "choice is" : "choices are"} otherwise.
          </span>
        </div>
      )}
      <Dialog open={!!preview} onOpenChange={(o) => !o && setPreview(undefined)} title="What it would change" wide>
        {preview && (
          <Preview
            preview={preview}
            view={view}
            onTaken={() => setPreview(undefined)}
            take={(who, why, cause, version) =>
              send("POST", `builds/${view.id}/options`, { version, options, openChoices: open, who, why, cause })
            }
          />
        )}
      </Dialog>
    </div>
  );
}

const signed = (n: number, text: string) => (n > 0 ? `+${text}` : n < 0 ? `−${text.replace(/^-/, "")}` : "no");

export function Preview({
  preview: p,
  view,
  take,
  onTaken,
}: {
  preview: OptionPreview;
  view: BuildView;
  take(who: string, why: string, cause: ChangeCause, version: number): Promise<unknown>;
  onTaken(): void;
}) {
  const form = useForm();
  const [who, setWho] = useState(view.client);
  const [why, setWhy] = useState("");
  const [cause, setCause] = useState<ChangeCause>("client");
  const nothing = !p.chosen.length;
  return (
    <div className="flex flex-col gap-4">
      {p.chosen.map((c) => (
        <p key={c} className="text-[0.9375rem]">
          {c}
        </p>
      ))}
      {!nothing && (
        <p>
          <b>{signed(p.minutes, sayHours(Math.abs(p.minutes)))}</b> work ·{" "}
          <b>{signed(p.cost, `${Math.abs(p.cost).toLocaleString("en-GB")} ${view.money.currency}`)}</b> parts · about{" "}
          <b>{signed(p.kg, `${Math.abs(p.kg)} kg`)}</b>
          {p.left && (
            <>
              , which leaves <b className={p.left.after < 0 ? "text-signal-text" : ""}>{p.left.after} kg</b> for people and luggage (
              {p.left.now} kg now)
            </>
          )}
          {p.wasted > 0 && (
            <>
              {" "}
              ·{" "}
              <b className="text-signal-text">
                {p.wasted.toLocaleString("en-GB")} {view.money.currency}
              </b>{" "}
              in parts already ordered or here falls away
            </>
          )}
        </p>
      )}
      <DateLines dates={p.dates} />
      {p.reopened.length > 0 && (
        <section className="rounded-md border border-signal bg-signal-soft px-3 py-2">
          <h3 className="text-[0.8125rem]">Finished work it would open again</h3>
          <ul>
            {p.reopened.map((r) => (
              <li key={r.name} className="flex items-baseline gap-2">
                <StageBadge stage={r.stage} /> {r.name}{" "}
                <span className="text-muted">
                  {sayMinutes(r.minutes)}, for {r.because.join(", ")}
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
      {p.lost.length > 0 && (
        <section className="rounded-md border border-signal bg-signal-soft px-3 py-2">
          <h3 className="text-[0.8125rem]">Done or started, but no longer wanted</h3>
          <p>{p.lost.map((l) => l.name).join(", ")}: it stays as it is until somebody takes it back by hand.</p>
        </section>
      )}
      <Lines title="Comes" list={p.added} />
      <Lines title="Goes" list={p.dropped} />
      <Lines title="Becomes another" list={p.changed} sign />
      {p.moved.length > 0 && (
        <section>
          <h3 className="text-[0.8125rem]">Waits for others than before</h3>
          <ul>
            {p.moved.map((m) => (
              <li key={m.name}>
                {m.name}{" "}
                <span className="text-muted">
                  {m.waitsFor.length > 0 && `now after ${m.waitsFor.join(", ")}`}
                  {m.noLonger.length > 0 && `${m.waitsFor.length ? "; " : ""}no longer after ${m.noLonger.join(", ")}`}
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
      {nothing && <p>No choice changes; what the client has still to decide is kept with the build.</p>}
      <form
        className="flex items-end gap-3 border-t pt-4"
        onSubmit={(e) => {
          e.preventDefault();
          void form
            .submit((v) => take(who, why, cause, v), view.version, nothing ? "Kept" : "Taken. Replan to give its jobs their places.")
            .then((ok) => ok && onTaken());
        }}
      >
        <Field
          label="Who decided"
          name="who"
          faults={form.faults}
          value={who}
          onChange={(e) => setWho(e.target.value)}
          required
          className="flex-1"
        />
        <Field
          label="Why"
          name="why"
          faults={form.faults}
          value={why}
          onChange={(e) => setWhy(e.target.value)}
          maxLength={500}
          className="flex-1"
        />
        {!nothing && (
          <Select
            label="It came from"
            name="cause"
            faults={form.faults}
            value={cause}
            onChange={(e) => setCause(e.target.value as ChangeCause)}
            options={Object.entries(CHANGE_CAUSES)}
          />
        )}
        <Button kind="main" type="submit" disabled={form.busy}>
          {nothing ? "Keep it" : "Take it"}
        </Button>
      </form>
      {(form.general || form.stale) && (
        <p role="alert" className="text-signal-text">
          {form.general ?? "The build was changed by somebody else meanwhile. Close this and look again."}
        </p>
      )}
    </div>
  );
}

function Lines({ title, list, sign }: { title: string; list: OptionPreview["added"]; sign?: boolean }) {
  if (!list.length) return null;
  return (
    <section>
      <h3 className="text-[0.8125rem]">{title}</h3>
      <ul>
        {list.map((l) => (
          <li key={l.name} className="flex items-baseline gap-2">
            <StageBadge stage={l.stage} /> <span className="min-w-0 flex-1">{l.name}</span>
            <span className="text-muted">{sign ? signed(l.minutes, sayMinutes(Math.abs(l.minutes))) : sayMinutes(l.minutes)}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
