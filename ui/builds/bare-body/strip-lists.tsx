"use client";

// While the van is stripped: how it was held, what that will take, and what later work would trap.

import { jobWith } from "@/core/library/roles";
import { Button } from "../../kit/button";
import { send } from "../../kit/send";
import { useAct } from "../../kit/use-act";
import { RecordList } from "../records/list";
import type { BuildView } from "../view";

export function StripLists({ view }: { view: BuildView }) {
  const act = useAct();
  const { fixings: f, places } = view.papers;
  const looked = (label: string) => send("POST", `builds/${view.id}/records`, { kind: "looked", title: label, data: { found: "nothing" } });
  const job = jobWith(view.jobs, "strip-out");
  return (
    <div className="mt-6 flex flex-col gap-6">
      <RecordList view={view} kind="fixing">
        {f && (
          <div className="mb-2 rounded-md border bg-card px-3 py-2">
            <div className="flex flex-wrap items-center justify-between gap-3">
              <p>
                <b>{Math.round(f.minutes)} min</b> to take out by what holds it:{" "}
                {f.rows.map((r) => `${r.count} × ${r.what} at ${r.each.toFixed(1)}${r.taught ? " (this type's own)" : ""}`).join(", ")}.
              </p>
              {job?.state === "todo" && (
                <Button
                  disabled={act.busy}
                  onClick={() =>
                    void act.run(
                      () => send("POST", `builds/${view.id}/fixings-planned`, {}),
                      `${job.name} is planned with ${Math.round(f.minutes)} min`,
                    )
                  }
                >
                  Plan its minutes by this
                </Button>
              )}
            </div>
            {(f.beneath.length > 0 || f.tools.length > 0) && (
              <p className="text-[0.75rem] text-muted">
                {[f.tools.length && `Tools: ${f.tools.join(", ")}`, f.beneath.length && `usually beneath: ${f.beneath.join(", ")}`]
                  .filter(Boolean)
                  .join("; ")}
                .
              </p>
            )}
          </div>
        )}
      </RecordList>
      <RecordList
        view={view}
        kind="trap"
        preset={places.length ? { data: { zone: places[0].zone, rib: places[0].rib, under: places[0].under } } : undefined}
      >
        {places.length > 0 && (
          <div className="mb-2">
            <p className="text-amber-text">By the set-outs these will be covered; look them over while one can:</p>
            <ul aria-label="To be looked over" className="overflow-hidden rounded-md border bg-card">
              {places.map((p) => (
                <li key={p.label} className="flex flex-wrap items-center justify-between gap-3 border-b px-3 py-1.5 last:border-0">
                  {p.label}
                  <Button disabled={act.busy} onClick={() => void act.run(() => looked(p.label), "Looked over: nothing there")}>
                    Nothing there
                  </Button>
                </li>
              ))}
            </ul>
          </div>
        )}
      </RecordList>
      {view.records.some((r) => r.kind === "looked") && <RecordList view={view} kind="looked" />}
    </div>
  );
}
