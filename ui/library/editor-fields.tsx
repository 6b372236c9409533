// The parts of the library's editor: what a job asks of place and weather, its rules, crew, order and parts.

import { Plus, X } from "lucide-react";
import { faultOf as formulaFault } from "@/core/library/formula";
import type { Entry } from "@/core/library/library";
import { QUANTITY_NAMES } from "@/core/library/quantities";
import { mayShare, ROLE_NAMES, ROLES } from "@/core/library/roles";
import { TAGS } from "@/core/library/schema";
import { TAG_WORDS } from "@/core/workshop/starts/tags";
import { cx } from "../kit/cx";
import { Check, inputClass } from "../kit/field";
import type { LibraryView } from "./view";

export type Draft = Omit<Entry, "stage">;

export interface Part {
  draft: Draft;
  set(more: Partial<Draft>): void;
}

export function Conditions({ draft, set }: Part) {
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

export function Crew({ draft, set }: Part) {
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

export function Order({ draft, set, view, code }: Part & { view: LibraryView; code: string }) {
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

export function Parts({ draft, set, suppliers }: Part & { suppliers: string[] }) {
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

/** The roles of a job, each with the rule that needs it. Most roles are for one job only. */
export function Roles({ draft, set, view, code }: Part & { view: LibraryView; code: string }) {
  const own = draft.roles ?? [];
  return (
    <details className="rounded-md border bg-card px-3 py-2">
      <summary className="cursor-pointer font-semibold">Rules that depend on this job{own.length > 0 && `: ${own.length}`}</summary>
      <ul className="mt-2 grid gap-x-6 gap-y-1 md:grid-cols-2">
        {ROLE_NAMES.map((r) => {
          const other = mayShare(r) ? undefined : view.jobs.find((j) => j.code !== code && j.roles?.includes(r));
          return (
            <li key={r}>
              <Check
                label={`It ${ROLES[r].what}`}
                disabled={other !== undefined && !own.includes(r)}
                checked={own.includes(r)}
                onChange={(e) => set({ roles: ROLE_NAMES.filter((x) => (x === r ? e.target.checked : own.includes(x))) })}
              />
              <span className="block pl-6 text-[0.75rem] text-muted">
                {ROLES[r].rule}
                {other && `; that is ${other.name} now`}
              </span>
            </li>
          );
        })}
      </ul>
    </details>
  );
}
