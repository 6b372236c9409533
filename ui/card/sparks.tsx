"use client";
// On the fitter's phone: what is worn, the swarf off and looked at twice, and the kit counted before it is carried up.

import { Check } from "lucide-react";
import { WORN } from "@/core/workshop/records/kinds/hot-work";
import { Button } from "../kit/button";
import { cx } from "../kit/cx";
import { send } from "../kit/send";
import type { Act } from "../kit/use-act";
import type { CardJob } from "./view";

type Entry = CardJob["sparks"][number];

const STAMPS = [
  ["last", "Last spark"],
  ["clean", "Swarf is off"],
  ["look", "Looked again"],
] as const;

export function CardHotWork({ job, act }: { job: CardJob; act: Act }) {
  return (
    <section aria-label="Hot work and swarf" className="mt-3">
      <h3 className="text-[1.0625rem]">Hot work and swarf</h3>
      <ul className="mt-1 overflow-hidden rounded-md border bg-card">
        {job.sparks.map((r) => (
          <One key={`${r.id} ${r.version}`} r={r} act={act} own={r.jobId === job.id} />
        ))}
      </ul>
    </section>
  );
}

function One({ r, act, own }: { r: Entry; act: Act; own: boolean }) {
  const worn = r.data.worn ?? [];
  const { stamps = {}, ...sendable } = r.data;
  const wear = (what: string) =>
    void act.run(() =>
      send("PATCH", `records/${r.id}`, {
        version: r.version,
        title: r.title,
        closed: false,
        data: { ...sendable, worn: worn.includes(what) ? worn.filter((w) => w !== what) : [...worn, what] },
      }),
    );
  return (
    <li className="border-b px-3 py-2 last:border-0">
      <p className="text-[0.9375rem]">
        <b>{r.title}</b> <span className={r.open.length ? "text-amber-text" : "text-green-text"}>{r.open.join("; ") || "clear"}</span>
      </p>
      {own && (
        <fieldset className="mt-1 flex flex-wrap gap-2">
          <legend className="text-[0.9375rem] text-muted">Worn</legend>
          {WORN.map(([what, words]) => (
            <button
              key={what}
              type="button"
              aria-pressed={worn.includes(what)}
              disabled={act.busy}
              onClick={() => wear(what)}
              className={cx(
                "flex min-h-12 items-center gap-1.5 rounded-md border px-3 text-[0.9375rem]",
                worn.includes(what) ? "border-green bg-green-soft text-green-text" : "border-muted",
              )}
            >
              {worn.includes(what) && <Check size={16} strokeWidth={3} />}
              {words}
            </button>
          ))}
        </fieldset>
      )}
      <div className="mt-2 grid grid-cols-3 gap-2">
        {STAMPS.map(([name, label]) => (
          <Button
            key={name}
            size="touch"
            disabled={act.busy}
            aria-pressed={stamps[name] !== undefined}
            className={cx("!px-1 !text-[0.9375rem]", stamps[name] && "!border-green !bg-green-soft !text-green-text")}
            onClick={() => void act.run(() => send("POST", `records/${r.id}/stamp`, { stamp: name }))}
          >
            {label}
          </Button>
        ))}
      </div>
    </li>
  );
}

/** The pick list of a job, counted line by line: carried up once. */
export function CardKit({ job, act }: { job: CardJob; act: Act }) {
  const open = job.pick.filter((l) => l.have === null).length;
  return (
    <section aria-label="Kit" className="mt-4">
      <h3 className="text-[1.0625rem]">
        Kit <span className="font-normal text-muted">{open ? `${open} of ${job.pick.length} not counted` : "all counted"}</span>
      </h3>
      <ul className="mt-1 overflow-hidden rounded-md border bg-card">
        {job.pick.map((l, k) => (
          <li key={l.what} className="border-b last:border-0">
            {(k === 0 || l.step?.n !== job.pick[k - 1].step?.n) && (
              <p className="line-clamp-1 bg-sunk px-3 py-0.5 text-[0.8125rem] text-muted">
                {l.step ? `${l.step.n}. ${l.step.text}` : "For all of it"}
              </p>
            )}
            <button
              type="button"
              aria-pressed={l.have !== null}
              disabled={act.busy || (l.short !== null && l.have === null)}
              onClick={() => void act.run(() => send("POST", `jobs/${job.id}/kit`, { what: l.what, have: l.have === null }))}
              className="flex min-h-12 w-full items-center gap-3 px-3 py-1.5 text-left text-[1rem] disabled:cursor-default"
            >
              <span
                className={cx(
                  "grid size-[24px] shrink-0 place-items-center rounded-[5px] border-2",
                  l.have ? "border-green bg-green text-white" : l.short ? "border-signal" : "border-muted",
                )}
              >
                {l.have && <Check size={15} strokeWidth={3} />}
              </span>
              <span className="min-w-0 flex-1">{l.what}</span>
              <span className={cx("text-[0.875rem]", l.short ? "font-semibold text-signal-text" : "text-muted")}>
                {l.short ?? (l.have ? l.have.by : l.where)}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
