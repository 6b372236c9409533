"use client";
// Pieces that the tabs of the workshop share: head with an add button, rows, retire.

import { Plus } from "lucide-react";
import { Button } from "../kit/button";
import { cx } from "../kit/cx";
import { StaleNote } from "../kit/field";
import { send } from "../kit/send";
import { useAct } from "../kit/use-act";
import type { FormState } from "../kit/use-form";

export function Head({ about, add, onAdd }: { about: string; add: string; onAdd(): void }) {
  return (
    <div className="mb-3 flex items-center justify-between gap-4">
      <p className="text-muted">{about}</p>
      <Button kind="main" onClick={onAdd}>
        <Plus size={15} /> {add}
      </Button>
    </div>
  );
}

export function Rows({ empty, children }: { empty: string; children: React.ReactNode[] }) {
  if (!children.length) return <p className="py-4 text-muted">{empty}</p>;
  return <ul className="overflow-hidden rounded-md border bg-card">{children}</ul>;
}

export function Row({
  title,
  retired,
  children,
  actions,
}: {
  title: string;
  retired?: boolean;
  children: React.ReactNode;
  actions: React.ReactNode;
}) {
  return (
    <li className="grid items-center gap-x-4 gap-y-1.5 border-b px-4 py-2.5 last:border-0 sm:grid-cols-[190px_minmax(0,1fr)_auto]">
      <p className={cx("wide truncate text-[0.875rem]", retired && "text-muted line-through")} title={title}>
        {title}
      </p>
      <div className={cx("min-w-0", retired && "text-muted")}>{children}</div>
      <div className="flex gap-1.5">{actions}</div>
    </li>
  );
}

/** Retires a row, or brings it back; it stays for what it did. */
export function Retire({ path, name, version, retired }: { path: string; name: string; version: number; retired: boolean }) {
  const act = useAct();
  const set = (v: number, to: boolean) => send("POST", `${path}/retire`, { version: v, retired: to });
  return (
    <Button
      kind="quiet"
      disabled={act.busy}
      onClick={() =>
        void act.run(
          () => set(version, !retired),
          retired ? `${name} is back` : `${name} is retired; what it did is kept`,
          () => set(version + 1, retired),
        )
      }
    >
      {retired ? "Bring back" : "Retire"}
    </Button>
  );
}

/** What stands below the fields of every form here. */
export function FormEnd({ form, labels, onTakeMine }: { form: FormState; labels: Record<string, string>; onTakeMine(): void }) {
  return (
    <div className="flex flex-col gap-3">
      {form.general && (
        <p role="alert" className="text-signal-text">
          {form.general}
        </p>
      )}
      {form.stale && <StaleNote stale={form.stale} labels={labels} onTakeMine={onTakeMine} />}
      <Button kind="main" type="submit" disabled={form.busy}>
        Save
      </Button>
    </div>
  );
}
