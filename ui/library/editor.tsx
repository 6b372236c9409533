"use client";
// One job of the library: the usual fields as a form, everything as JSON; saving makes a new version.

import { Plus, X } from "lucide-react";
import { useState } from "react";
import type { JobDiff } from "@/core/library/check-library";
import { faultOf as formulaFault } from "@/core/library/formula";
import type { Entry } from "@/core/library/library";
import { QUANTITIES, QUANTITY_NAMES } from "@/core/library/quantities";
import { TAGS } from "@/core/library/schema";
import { TAG_WORDS } from "@/core/shop/tags";
import { Button } from "../kit/button";
import { cx } from "../kit/cx";
import { Area, Check, Field, inputClass } from "../kit/field";
import { send } from "../kit/send";
import { StageBadge } from "../kit/stage";
import { useAct } from "../kit/use-act";
import { useForm } from "../kit/use-form";
import { Fields } from "./library";
import type { LibraryView } from "./view";

type Draft = Omit<Entry, "stage">;

const plain = ({ stage: _s, ...j }: Entry): Draft => structuredClone(j);
const lines = (t: string) =>
  t
    .split("\n")
    .map((x) => x.trim())
    .filter(Boolean);

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
                    job: { ...plain(job), code, name: `${job.name}, own` },
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

interface Part {
  draft: Draft;
  set(more: Partial<Draft>): void;
}

function Conditions({ draft, set }: Part) {
  const needs = draft.needs ?? {};
  const flag = (key: "dry" | "daylight" | "noisy" | "sameDay" | "metal", label: string) => (
    <Check key={key} label={label} checked={needs[key] ?? false} onChange={(e) => set({ needs: { ...needs, [key]: e.target.checked } })} />
  );
  return (
    <fieldset className="flex flex-wrap items-center gap-x-6 gap-y-1 rounded-md border bg-card px-3 py-2">
      <legend className="sr-only">Conditions</legend>
      {flag("dry", "dry")}
      {flag("daylight", "light")}
      {flag("noisy", "noisy")}
      {flag("sameDay", "finished on the day it starts")}
      <label className="flex items-center gap-2 whitespace-nowrap">
        wind at most
        <input
          type="number"
          aria-label="Most wind outdoors, m/s"
          min={1}
          value={needs.maxWindMs ?? ""}
          onChange={(e) => {
            const { maxWindMs: _old, ...rest } = needs;
            set({ needs: e.target.value === "" ? rest : { ...rest, maxWindMs: Number(e.target.value) } });
          }}
          className={cx(inputClass, "!w-18")}
        />
        m/s, outdoors
      </label>
      {TAGS.map((t) => (
        <Check
          key={t}
          label={TAG_WORDS[t]}
          checked={draft.tags?.includes(t) ?? false}
          onChange={(e) => set({ tags: TAGS.filter((x) => (x === t ? e.target.checked : draft.tags?.includes(x))) })}
        />
      ))}
      {flag("metal", "on metal, colder than the air where a bay is not kept warm")}
      {draft.place === "van" && (
        <Check label="yard will do" checked={draft.yardOk ?? false} onChange={(e) => set({ yardOk: e.target.checked })} />
      )}
      <label className="flex items-center gap-2 whitespace-nowrap">
        at least
        <input
          type="number"
          aria-label="Lowest temperature, °C"
          value={needs.minTempC ?? ""}
          onChange={(e) => {
            const { minTempC: _old, ...rest } = needs;
            set({ needs: e.target.value === "" ? rest : { ...rest, minTempC: Number(e.target.value) } });
          }}
          className={cx(inputClass, "!w-18")}
        />
        °C, at most
        <input
          type="number"
          aria-label="Highest temperature, °C"
          value={needs.maxTempC ?? ""}
          onChange={(e) => {
            const { maxTempC: _old, ...rest } = needs;
            set({ needs: e.target.value === "" ? rest : { ...rest, maxTempC: Number(e.target.value) } });
          }}
          className={cx(inputClass, "!w-18")}
        />
        °C
      </label>
    </fieldset>
  );
}

function Crew({ draft, set }: Part) {
  const change = (i: number, more: Partial<Draft["crew"][number]>) =>
    set({ crew: draft.crew.map((c, k) => (k === i ? { ...c, ...more } : c)) });
  return (
    <fieldset className="rounded-md border bg-card px-3 py-2">
      <legend className="px-1 font-semibold">Crew</legend>
      {draft.crew.map((c, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: rows without an identity of their own
        <div key={i} className="mb-1.5 grid grid-cols-[70px_1fr_90px_1fr_32px] items-center gap-2">
          <input
            aria-label={`People ${i + 1}`}
            type="number"
            min={1}
            value={c.count ?? 1}
            onChange={(e) => change(i, { count: Number(e.target.value) })}
            className={inputClass}
          />
          <input
            aria-label={`Skill ${i + 1}`}
            value={c.skill}
            onChange={(e) => change(i, { skill: e.target.value })}
            className={inputClass}
          />
          <select
            aria-label={`Level ${i + 1}`}
            value={c.level ?? 1}
            onChange={(e) => change(i, { level: Number(e.target.value) })}
            className={inputClass}
          >
            {[1, 2, 3].map((l) => (
              <option key={l} value={l}>
                level {l}
              </option>
            ))}
          </select>
          <input
            aria-label={`Ticket ${i + 1}`}
            placeholder="no ticket"
            value={c.ticket ?? ""}
            onChange={(e) => {
              const { ticket: _old, ...rest } = c;
              set({ crew: draft.crew.map((x, k) => (k === i ? (e.target.value ? { ...rest, ticket: e.target.value } : rest) : x)) });
            }}
            className={inputClass}
          />
          {draft.crew.length > 1 && (
            <Remove label={`Take row ${i + 1} of the crew out`} onClick={() => set({ crew: draft.crew.filter((_, k) => k !== i) })} />
          )}
        </div>
      ))}
      <Add label="Another" onClick={() => set({ crew: [...draft.crew, { skill: "any", level: 1, count: 1 }] })} />
    </fieldset>
  );
}

function Order({ draft, set, view, code }: Part & { view: LibraryView; code: string }) {
  const change = (i: number, more: Partial<Draft["after"][number]>) =>
    set({ after: draft.after.map((a, k) => (k === i ? { ...a, ...more } : a)) });
  return (
    <fieldset className="rounded-md border bg-card px-3 py-2">
      <legend className="px-1 font-semibold">Comes after, and why</legend>
      {draft.after.map((a, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: one job may be named twice, under different conditions
        <div key={i} className="mb-1.5 grid grid-cols-[minmax(0,1fr)_minmax(0,1.4fr)_110px_32px] items-center gap-2">
          <select
            aria-label={`Job ${i + 1} it comes after`}
            value={a.job}
            onChange={(e) => change(i, { job: e.target.value })}
            className={inputClass}
          >
            {view.jobs
              .filter((j) => j.code !== code)
              .map((j) => (
                <option key={j.code} value={j.code}>
                  {j.code} {j.name}
                </option>
              ))}
          </select>
          <input
            aria-label={`Reason ${i + 1}`}
            value={a.reason}
            onChange={(e) => change(i, { reason: e.target.value })}
            className={inputClass}
          />
          <span className="truncate text-[0.75rem] text-muted" title={a.when ? JSON.stringify(a.when) : undefined}>
            {a.when ? `if ${JSON.stringify(a.when).replace(/[{}"[\]]/g, "")}` : "always"}
            {a.ignoreHold && ", hold aside"}
          </span>
          <Remove label={`Take ${a.job} out`} onClick={() => set({ after: draft.after.filter((_, k) => k !== i) })} />
        </div>
      ))}
      <Add label="Another job before it" onClick={() => set({ after: [...draft.after, { job: view.jobs[0].code, reason: "" }] })} />
    </fieldset>
  );
}

function Parts({ draft, set, suppliers }: Part & { suppliers: string[] }) {
  const parts = draft.parts ?? [];
  const change = (i: number, more: Partial<(typeof parts)[number]>) =>
    set({ parts: parts.map((p, k) => (k === i ? { ...p, ...more } : p)) });
  return (
    <fieldset className="rounded-md border bg-card px-3 py-2">
      <legend className="px-1 font-semibold">Parts; a quantity may be a formula</legend>
      {parts.map((p, i) => {
        const wrong = typeof p.quantity === "string" ? formulaFault(p.quantity, QUANTITY_NAMES) : undefined;
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: rows without an identity of their own
          <div key={i} className="mb-1.5">
            <div className="grid grid-cols-[minmax(0,1.4fr)_minmax(0,1fr)_64px_minmax(0,0.8fr)_80px_32px] items-center gap-2">
              <input
                aria-label={`Part ${i + 1}`}
                value={p.name}
                onChange={(e) => change(i, { name: e.target.value })}
                className={inputClass}
              />
              <input
                aria-label={`Quantity ${i + 1}`}
                value={String(p.quantity)}
                aria-invalid={wrong ? true : undefined}
                onChange={(e) => change(i, { quantity: /^\d+(\.\d+)?$/.test(e.target.value) ? Number(e.target.value) : e.target.value })}
                className={inputClass}
              />
              <input
                aria-label={`Unit ${i + 1}`}
                value={p.unit}
                onChange={(e) => change(i, { unit: e.target.value })}
                className={inputClass}
              />
              <select
                aria-label={`Supplier ${i + 1}`}
                value={p.supplier}
                onChange={(e) => change(i, { supplier: e.target.value })}
                className={inputClass}
              >
                {[...new Set([p.supplier, ...suppliers])].map((s) => (
                  <option key={s}>{s}</option>
                ))}
              </select>
              <input
                aria-label={`Price ${i + 1}`}
                type="number"
                min={0}
                step="any"
                value={p.price ?? 0}
                onChange={(e) => change(i, { price: Number(e.target.value) })}
                className={inputClass}
              />
              <Remove label={`Take ${p.name} out`} onClick={() => set({ parts: parts.filter((_, k) => k !== i) })} />
            </div>
            {wrong && (
              <p role="alert" className="text-signal-text">
                quantity: {wrong}
              </p>
            )}
          </div>
        );
      })}
      <Add
        label="Another part"
        onClick={() =>
          set({ parts: [...parts, { name: "New part", quantity: 1, unit: "pc", supplier: suppliers[0] ?? "fixings", price: 0 }] })
        }
      />
    </fieldset>
  );
}

const Remove = ({ label, onClick }: { label: string; onClick(): void }) => (
  <button
    type="button"
    aria-label={label}
    title={label}
    onClick={onClick}
    className="grid size-8 place-items-center rounded-md hover:bg-sunk"
  >
    <X size={15} />
  </button>
);

const Add = ({ label, onClick }: { label: string; onClick(): void }) => (
  <button type="button" onClick={onClick} className="inline-flex items-center gap-1 font-semibold underline-offset-2 hover:underline">
    <Plus size={14} /> {label}
  </button>
);
