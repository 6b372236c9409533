"use client";
// One job of the library: the usual fields as a form, everything as JSON; saving makes a new version.

import { useState } from "react";
import type { JobDiff } from "@/core/library/check-library";
import { faultOf as formulaFault } from "@/core/library/formula";
import type { Entry } from "@/core/library/library";
import { QUANTITIES, QUANTITY_NAMES } from "@/core/library/quantities";
import { mayShare } from "@/core/library/roles";
import { Button } from "../kit/button";
import { cx } from "../kit/cx";
import { Area, Field, inputClass } from "../kit/field";
import { send } from "../kit/send";
import { StageBadge } from "../kit/stage";
import { useAct } from "../kit/use-act";
import { useForm } from "../kit/use-form";
import { Conditions, Crew, type Draft, Order, Parts, Roles } from "./editor-fields";
import { Fields } from "./fields";
import type { LibraryView } from "./view";

const plain = ({ stage: _s, ...j }: Entry): Draft => structuredClone(j);
const lines = (t: string) =>
  t
    .split("\n")
    .map((x) => x.trim())
    .filter(Boolean);

/** Of a job's roles those that a copy may have too. */
const sharedRoles = (j: Entry) => (j.roles ? { roles: j.roles.filter(mayShare) } : {});

/** Lists of texts that may carry more than their text: kept where the text stays the same. */
function keepBy<T extends { text: string }>(old: readonly T[] | undefined, texts: string[], fresh: (text: string) => T): T[] {
  const by = new Map((old ?? []).map((o) => [o.text, o]));
  return texts.map((t) => by.get(t) ?? fresh(t));
}

export function JobEditor({ job, view, diff, onCode }: { job: Entry; view: LibraryView; diff?: JobDiff; onCode(code: string): void }) {
  const form = useForm();
  const act = useAct();
  const [draft, setDraft] = useState<Draft>(() => plain(job));
  const [raw, setRaw] = useState<string>();
  const [note, setNote] = useState("");
  const set = (more: Partial<Draft>) => setDraft((d) => ({ ...d, ...more }));
  const changed = JSON.stringify(draft) !== JSON.stringify(plain(job)) || raw !== undefined;
  const scaleFault = typeof draft.scale === "string" && draft.scale.trim() ? formulaFault(draft.scale, QUANTITY_NAMES) : undefined;
  const save = () => {
    let body: unknown = draft;
    if (raw !== undefined)
      try {
        body = JSON.parse(raw);
      } catch (e) {
        form.reset();
        setRawFault(`is no JSON: ${(e as Error).message}`);
        return;
      }
    setRawFault(undefined);
    void form.submit(
      () => send("POST", "library/jobs", { base: view.number, job: body, ...(note.trim() ? { note } : {}) }),
      1,
      `Kept as version ${view.number + 1}`,
    );
  };
  const [rawFault, setRawFault] = useState<string>();
  const minutes = (key: "best" | "likely" | "worst") => (
    <Field
      label={`${key}, min`}
      name={`minutes.${key}`}
      type="number"
      min={1}
      faults={form.faults}
      value={draft.minutes[key]}
      onChange={(e) => set({ minutes: { ...draft.minutes, [key]: Number(e.target.value) } })}
    />
  );
  return (
    <form
      data-busy
      className="flex flex-col gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        save();
      }}
    >
      <div className="flex flex-wrap items-center gap-3">
        <StageBadge stage={job.stage} />
        <h2 className="mr-auto text-[1.1875rem]">
          {job.code.slice(3)} {job.name}
        </h2>
        {diff && (
          <Button
            disabled={act.busy}
            onClick={() =>
              void act.run(() => send("POST", "library/restore", { base: view.number, code: job.code }), `${job.name} as shipped`)
            }
          >
            Back to shipped
          </Button>
        )}
        <Button
          disabled={act.busy}
          onClick={() => {
            const used = new Set(view.jobs.map((j) => j.code));
            const letters = job.code.slice(0, 2);
            let n = 20;
            while (used.has(`${letters}-${n}`)) n++;
            const code = `${letters}-${n}`;
            void act
              .run(
                () =>
                  send("POST", "library/jobs", {
                    base: view.number,
                    like: job.code,
                    job: { ...plain(job), ...sharedRoles(job), code, name: `${job.name}, own` },
                  }),
                `${code} added as a copy`,
              )
              .then((ok) => ok && onCode(code));
          }}
        >
          Copy as a new job
        </Button>
        <Button
          kind="danger"
          disabled={act.busy}
          onClick={() =>
            void act.run(
              () => send("POST", "library/remove", { base: view.number, code: job.code }),
              `${job.name} taken out of the library; builds keep theirs`,
              () => send("POST", "library/restore", { base: view.number + 1, version: view.number }),
            )
          }
        >
          Take out
        </Button>
      </div>
      {diff && (
        <details className="rounded-md border bg-amber-soft px-3 py-2">
          <summary className="cursor-pointer font-semibold">Changed from the supplied library</summary>
          <Fields fields={diff.fields} />
        </details>
      )}
      {raw === undefined ? (
        <>
          <div className="grid grid-cols-2 gap-3 md:grid-cols-[2fr_1fr_1fr_1fr]">
            <Field label="Name" name="name" faults={form.faults} value={draft.name} onChange={(e) => set({ name: e.target.value })} />
            {minutes("best")}
            {minutes("likely")}
            {minutes("worst")}
          </div>
          <div className="grid gap-3 md:grid-cols-[2fr_1fr_1fr]">
            <Field
              label="Hours scale by"
              name="scale"
              faults={scaleFault ? [{ path: "scale", message: scaleFault }] : form.faults}
              value={draft.scale === undefined ? "" : String(draft.scale)}
              onChange={(e) => {
                const { scale: _old, ...rest } = draft;
                setDraft(e.target.value.trim() ? { ...rest, scale: e.target.value } : rest);
              }}
              hint="a formula; 1 is the long van of the list"
              placeholder="1"
            />
            <Field
              label="Hold, h"
              name="hold.minutes"
              type="number"
              min={0}
              step={0.5}
              faults={form.faults}
              value={draft.hold ? draft.hold.minutes / 60 : 0}
              onChange={(e) => {
                const { hold, ...rest } = draft;
                const m = Math.round(Number(e.target.value) * 60);
                setDraft(m > 0 ? { ...rest, hold: { ...hold, minutes: m } } : rest);
              }}
            />
            <Field
              label="Time box, × likely"
              name="timeBox"
              type="number"
              min={1}
              max={5}
              step={0.1}
              faults={form.faults}
              value={draft.timeBox ?? 2}
              onChange={(e) => set({ timeBox: Number(e.target.value) })}
            />
          </div>
          <Conditions draft={draft} set={set} />
          <Crew draft={draft} set={set} />
          <div className="grid gap-3 md:grid-cols-2">
            <Area
              label="Steps, one a line"
              name="steps"
              rows={Math.max(6, draft.steps.length)}
              faults={form.faults}
              defaultValue={draft.steps.map((s) => s.text).join("\n")}
              onChange={(e) => set({ steps: keepBy(draft.steps, lines(e.target.value), (text) => ({ text })) })}
              hint="what a step guards (edge, swarf, seal …) stays with it while its words stay"
            />
            <div className="flex flex-col gap-3">
              <Area
                label="Cautions, one a line"
                name="cautions"
                faults={form.faults}
                defaultValue={draft.cautions.join("\n")}
                onChange={(e) => set({ cautions: lines(e.target.value) })}
              />
              <Area
                label="Before you do, one question a line"
                name="ask"
                faults={form.faults}
                defaultValue={(draft.ask ?? []).map((a) => a.text).join("\n")}
                onChange={(e) => set({ ask: keepBy(draft.ask, lines(e.target.value), (text) => ({ text })) })}
              />
            </div>
          </div>
          <div className="grid gap-3 md:grid-cols-2">
            <Area
              label="Photos, one a line; end with ! where close-up waits for it"
              name="proof"
              faults={form.faults}
              defaultValue={(draft.proof ?? []).map((p) => p.text + (p.beforeCloseUp ? " !" : "")).join("\n")}
              onChange={(e) =>
                set({
                  proof: lines(e.target.value).map((l) => {
                    const text = l.replace(/\s*!$/, "");
                    const old = draft.proof?.find((p) => p.text === text);
                    return { ...old, text, beforeCloseUp: l.endsWith("!") };
                  }),
                })
              }
            />
            <Area
              label="Kit without a part line, one a line"
              name="kit"
              faults={form.faults}
              defaultValue={(draft.kit ?? []).join("\n")}
              onChange={(e) => set({ kit: lines(e.target.value) })}
            />
          </div>
          <Order draft={draft} set={set} view={view} code={job.code} />
          <Parts draft={draft} set={set} suppliers={view.suppliers} />
          <Roles draft={draft} set={set} view={view} code={job.code} />
        </>
      ) : (
        <Area
          label="The whole entry as JSON"
          name="raw"
          rows={28}
          spellCheck={false}
          className="font-mono"
          faults={rawFault ? [{ path: "raw", message: rawFault }] : []}
          value={raw}
          onChange={(e) => setRaw(e.target.value)}
        />
      )}
      {form.faults.length > 0 && (
        <ul role="alert" className="rounded-md border border-signal bg-signal-soft px-3 py-2">
          {form.faults.map((f) => (
            <li key={`${f.path}${f.message}`}>
              <code className="break-all">{f.path}</code>: {f.message}
            </li>
          ))}
        </ul>
      )}
      {form.general && (
        <p role="alert" className="text-signal-text">
          {form.general}
        </p>
      )}
      <div className="sticky bottom-0 flex flex-wrap items-center gap-3 border-t bg-paper py-3">
        <Button kind="main" type="submit" disabled={!changed || form.busy}>
          Keep as version {view.number + 1}
        </Button>
        <Button
          disabled={!changed}
          onClick={() => {
            setDraft(plain(job));
            setRaw(undefined);
            form.reset();
          }}
        >
          As it was
        </Button>
        <Button onClick={() => setRaw(raw === undefined ? JSON.stringify(draft, null, 2) : undefined)}>
          {raw === undefined ? "As JSON" : "As a form"}
        </Button>
        <input
          aria-label="Why"
          placeholder="why (kept with the version)"
          value={note}
          onChange={(e) => setNote(e.target.value)}
          maxLength={300}
          className={cx(inputClass, "!w-64")}
        />
        <details className="text-[0.75rem] text-muted">
          <summary className="cursor-pointer">quantities for formulas</summary>
          <ul className="grid grid-cols-2 gap-x-4">
            {Object.entries(QUANTITIES).map(([k, v]) => (
              <li key={k}>
                <code className="break-all">{k}</code> {v}
              </li>
            ))}
          </ul>
        </details>
      </div>
    </form>
  );
}
