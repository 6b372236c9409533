"use client";
// Something is wrong: what, in words, and whether the work can go on.

import { useState } from "react";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { Area } from "../kit/field";
import { send } from "../kit/send";
import { useForm } from "../kit/use-form";
import type { CardJob } from "./view";

const KINDS = [
  ["short", "Something is missing"],
  ["wrong", "The wrong thing"],
  ["damaged", "Damaged"],
  ["delay", "Takes longer"],
  ["other", "Something else"],
] as const;

export function Wrong({ job, open, onOpenChange }: { job: CardJob; open: boolean; onOpenChange(open: boolean): void }) {
  const form = useForm();
  const [kind, setKind] = useState<string>("short");
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title="Something's wrong"
      about={`${job.name}, ${job.build}. The lead sees it at once.`}
    >
      <form
        data-busy
        className="flex flex-col gap-4 text-[1.0625rem]"
        onSubmit={async (e) => {
          e.preventDefault();
          const d = new FormData(e.currentTarget);
          if (
            await form.submit(
              () => send("POST", `jobs/${job.id}/remark`, { kind, text: String(d.get("text") ?? ""), stopsWork: d.get("stops") === "on" }),
              1,
              "The lead knows",
            )
          )
            onOpenChange(false);
        }}
      >
        <div role="radiogroup" aria-label="What kind" className="grid grid-cols-2 gap-2">
          {KINDS.map(([value, label]) => (
            <label
              key={value}
              className="flex min-h-12 cursor-pointer items-center justify-center rounded-md border px-2 text-center text-[1rem] has-checked:border-pine has-checked:bg-pine-soft has-checked:font-bold has-focus-visible:outline-2"
            >
              <input type="radio" name="kind" value={value} checked={kind === value} onChange={() => setKind(value)} className="sr-only" />
              {label}
            </label>
          ))}
        </div>
        <Area label="In your words" name="text" faults={form.faults} required maxLength={500} rows={3} />
        <label className="flex min-h-12 items-center gap-3">
          <input type="checkbox" name="stops" className="size-6 accent-pine" />
          The work can't go on
        </label>
        {form.general && (
          <p role="alert" className="text-signal-text">
            {form.general}
          </p>
        )}
        <Button kind="main" size="touch" type="submit" disabled={form.busy}>
          Tell the lead
        </Button>
      </form>
    </Dialog>
  );
}
