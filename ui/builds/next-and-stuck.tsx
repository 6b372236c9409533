"use client";
// What comes next in a build, and what is stuck: by what, who can free it, and what it costs.

import { useState } from "react";
import { near } from "../kit/time";
import { HandToHand, SideBySide } from "./planning/between";
import type { BuildView } from "./view";

/** So many stuck jobs are shown at first. */
const SHOWN = 4;

export function NextAndStuck({ view, onOpen }: { view: BuildView; onOpen(job: string): void }) {
  const [all, setAll] = useState(false);
  if (!view.next.length && !view.stuck.length && !view.between.length) return null;
  const open = (job: string) => {
    onOpen(job);
    document.getElementById(`job-${job}`)?.scrollIntoView({ block: "center" });
  };
  return (
    <div className="mb-5 grid items-start gap-4 md:grid-cols-2">
      <div className="flex flex-col gap-4">
        <section aria-label="Next" className="rounded-md border bg-card px-3 py-2">
          <h2 className="text-[0.9375rem]">Next</h2>
          {!view.next.length && <p className="text-muted">Nothing can start right now.</p>}
          <ol>
            {view.next.map((n) => (
              <li key={n.jobId} className="border-b py-1.5 last:border-0">
                <button type="button" onClick={() => open(n.jobId)} className="text-left font-semibold hover:underline">
                  {n.name}
                </button>
                <span className="block text-[0.75rem] text-muted">
                  {n.why}
                  {n.at !== null && ` · planned ${near(view.zone, n.at, view.now)}`}
                </span>
              </li>
            ))}
          </ol>
        </section>
        <HandToHand view={view} onOpen={open} />
      </div>
      <div className="flex flex-col gap-4">
        <section aria-label="Stuck" className="rounded-md border bg-card px-3 py-2">
          <h2 className="text-[0.9375rem]">Stuck</h2>
          {!view.stuck.length && <p className="text-green-text">Nothing waits for anybody.</p>}
          <ol>
            {view.stuck.slice(0, all ? undefined : SHOWN).map((s) => (
              <li key={s.jobId} className="border-b py-1.5 last:border-0">
                <button type="button" onClick={() => open(s.jobId)} className="text-left font-semibold hover:underline">
                  {s.name}
                </button>
                {s.days > 0 && (
                  <b className="text-signal-text">
                    {" "}
                    · {s.days} {s.days === 1 ? "day" : "days"} of its date
                  </b>
                )}
                {s.prepare && (
                  <button
                    type="button"
                    onClick={() => open(s.jobId)}
                    className="float-right text-[0.75rem] underline underline-offset-2"
                    title="A part of it prepared while the rest waits; tried on the plan before it is done"
                  >
                    prepare a part?
                  </button>
                )}
                <span className="block text-[0.75rem] text-muted">
                  {s.by} · <b className="text-ink">{s.who}</b> can free it
                  {s.since !== null && ` · It has waited only for this since ${near(view.zone, s.since, view.now)}.`}
                </span>
              </li>
            ))}
          </ol>
          {view.stuck.length > SHOWN && (
            <button type="button" onClick={() => setAll(!all)} className="py-1 font-semibold underline underline-offset-2">
              {all ? "Only the first" : `${view.stuck.length - SHOWN} more`}
            </button>
          )}
        </section>
        <SideBySide view={view} onOpen={open} />
      </div>
    </div>
  );
}
