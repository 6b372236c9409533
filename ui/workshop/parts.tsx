"use client";
// Pieces that the tabs of the workshop share: head with an add button, rows, retire.

import { Plus } from "lucide-react";
import { useState } from "react";
import { Button } from "../kit/button";
import { cx } from "../kit/cx";
import { Dialog } from "../kit/dialog";
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

/** Retires a row, or brings it back; it stays for what it did. What hangs on it is said before. */
export function Retire({ path, name, version, retired }: { path: string; name: string; version: number; retired: boolean }) {
  const act = useAct();
  const [hangs, setHangs] = useState<string[]>();
  const set = (v: number, to: boolean, anyway: boolean) =>
    send("POST", `${path}/retire`, { version: v, retired: to, ...(anyway ? { anyway } : {}) });
  const go = (anyway: boolean) =>
    act
      .run(
        () => set(version, !retired, anyway),
        retired ? `${name} is back` : `${name} is retired; what it did is kept`,
        () => set(version + 1, retired, true),
        (e) => {
          if (e.hangs.length) setHangs(e.hangs);
          return e.hangs.length > 0;
        },
      )
      .then((ok) => ok && setHangs(undefined));
  return (
    <>
      <Button kind="quiet" disabled={act.busy} onClick={() => void go(false)}>
        {retired ? "Bring back" : "Retire"}
      </Button>
      <Dialog open={!!hangs} onOpenChange={(o) => !o && setHangs(undefined)} title={`Retire ${name}?`}>
        <p>{name} is still needed:</p>
        <ul className="mt-1 list-disc pl-5">
          {(hangs ?? []).map((h) => (
            <li key={h}>{h}</li>
          ))}
        </ul>
        <p className="mt-3 flex flex-wrap gap-2">
          <Button kind="danger" disabled={act.busy} onClick={() => void go(true)}>
            Retire {name} and plan without
          </Button>
          <Button disabled={act.busy} onClick={() => setHangs(undefined)}>
            Keep
          </Button>
        </p>
      </Dialog>
    </>
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
