"use client";
// Form fields with a label, a hint and the server's fault beside them.

import { useId } from "react";
import { cx } from "./cx";
import type { Fault } from "./send";

export const inputClass = "h-9 w-full rounded-md border bg-card px-2.5 text-ink aria-invalid:border-signal";

/** The fault that belongs to a field: its own path, or one inside it. */
export const faultOf = (faults: readonly Fault[], name: string): string | undefined =>
  faults.find((f) => f.path === name || f.path.startsWith(`${name}.`) || f.path.startsWith(`${name}[`))?.message;

interface Common {
  label: string;
  name: string;
  hint?: string;
  faults?: readonly Fault[];
  className?: string;
}

function Frame({
  id,
  label,
  hint,
  fault,
  className,
  children,
}: {
  id: string;
  label: string;
  hint?: string;
  fault?: string;
  className?: string;
  children: React.ReactNode;
}) {
  return (
    <div className={cx("flex min-w-0 flex-col gap-1", className)}>
      <label htmlFor={id} className="font-semibold">
        {label}
      </label>
      {children}
      {fault ? (
        <p id={`${id}-fault`} role="alert" className="text-signal-text">
          {label} {fault}
        </p>
      ) : (
        hint && (
          <p id={`${id}-hint`} className="text-[0.75rem] text-muted">
            {hint}
          </p>
        )
      )}
    </div>
  );
}

export function Field({ label, name, hint, faults = [], className, ...rest }: Common & React.ComponentProps<"input">) {
  const id = useId();
  const fault = faultOf(faults, name);
  return (
    <Frame id={id} label={label} hint={hint} fault={fault} className={className}>
      <input
        id={id}
        name={name}
        className={inputClass}
        aria-invalid={fault ? true : undefined}
        aria-describedby={fault ? `${id}-fault` : hint ? `${id}-hint` : undefined}
        {...rest}
      />
    </Frame>
  );
}

export function Area({ label, name, hint, faults = [], className, ...rest }: Common & React.ComponentProps<"textarea">) {
  const id = useId();
  const fault = faultOf(faults, name);
  return (
    <Frame id={id} label={label} hint={hint} fault={fault} className={className}>
      <textarea
        id={id}
        name={name}
        className={cx(inputClass, "h-auto min-h-20 py-2")}
        aria-invalid={fault ? true : undefined}
        aria-describedby={fault ? `${id}-fault` : hint ? `${id}-hint` : undefined}
        {...rest}
      />
    </Frame>
  );
}

export function Select({
  label,
  name,
  hint,
  faults = [],
  className,
  options,
  ...rest
}: Common & Omit<React.ComponentProps<"select">, "children"> & { options: readonly (readonly [string, string])[] }) {
  const id = useId();
  const fault = faultOf(faults, name);
  return (
    <Frame id={id} label={label} hint={hint} fault={fault} className={className}>
      <select
        id={id}
        name={name}
        className={inputClass}
        aria-invalid={fault ? true : undefined}
        aria-describedby={fault ? `${id}-fault` : hint ? `${id}-hint` : undefined}
        {...rest}
      >
        {options.map(([value, text]) => (
          <option key={value} value={value}>
            {text}
          </option>
        ))}
      </select>
    </Frame>
  );
}

export function Check({ label, hint, ...rest }: { label: string; hint?: string } & React.ComponentProps<"input">) {
  return (
    <label className="flex items-start gap-2.5 py-1">
      <input type="checkbox" className="mt-0.5 size-4 accent-pine" {...rest} />
      <span>
        <span className="font-semibold">{label}</span>
        {hint && <span className="block text-[0.75rem] text-muted">{hint}</span>}
      </span>
    </label>
  );
}

/** Somebody else was faster: both values, side by side, and nothing typed is lost. */
export function StaleNote({
  stale,
  labels,
  onTakeMine,
}: {
  stale: { mine: Record<string, unknown>; theirs: Record<string, unknown> };
  labels: Record<string, string>;
  onTakeMine(): void;
}) {
  const show = (v: unknown) => (v === null || v === "" ? "nothing" : Array.isArray(v) ? v.join(", ") : String(v).replace("T", " "));
  const keys = Object.keys(stale.mine);
  return (
    <div role="alert" className="rounded-md border border-amber bg-amber-soft p-3">
      <p className="font-semibold">Somebody else changed this meanwhile. Nothing of yours was saved yet.</p>
      {keys.length > 0 && (
        <table className="mt-2 w-full text-left">
          <thead className="text-muted">
            <tr>
              <th className="font-normal">field</th>
              <th className="font-normal">yours</th>
              <th className="font-normal">theirs, now stored</th>
            </tr>
          </thead>
          <tbody>
            {keys.map((k) => (
              <tr key={k}>
                <td className="pr-3">{labels[k] ?? k}</td>
                <td className="pr-3 font-semibold">{show(stale.mine[k])}</td>
                <td className="font-semibold">{show(stale.theirs[k])}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <button type="button" onClick={onTakeMine} className="mt-2 font-semibold underline underline-offset-2">
        Save mine over theirs
      </button>
    </div>
  );
}
