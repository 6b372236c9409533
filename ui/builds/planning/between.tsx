"use client";
// Two at once, and from hand to hand: which jobs of a build don't meet, and what lies between two people.

import type { Between } from "@/core/workshop/planning/hand-to-hand";
import type { Side } from "@/core/workshop/planning/side-by-side";
import { Button } from "../../kit/button";
import { send } from "../../kit/send";
import { near } from "../../kit/time";
import { useAct } from "../../kit/use-act";
import type { BuildView } from "../view";

const Job = ({ side, onOpen }: { side: Side; onOpen(job: string): void }) => (
  <>
    <button type="button" onClick={() => onOpen(side.jobId)} className="text-left font-semibold hover:underline">
      {side.name}
    </button>
    <span className="text-[0.75rem] text-muted">
      {" "}
      {side.underWay ? "under way, " : ""}
      {side.crew}, {side.where}
    </span>
  </>
);

export function SideBySide({ view, onOpen }: { view: BuildView; onOpen(job: string): void }) {
  if (!view.beside.length) return null;
  return (
    <section aria-label="Side by side" className="rounded-md border bg-card px-3 py-2">
      <h2 className="text-[0.9375rem]">Side by side</h2>
      <p className="text-[0.75rem] text-muted">Could both be in work as things stand: they don't meet, and there are people for both.</p>
      <ol>
        {view.beside.map((p) => (
          <li key={`${p.one.jobId} ${p.other.jobId}`} className="border-b py-1.5 last:border-0">
            <Job side={p.one} onOpen={onOpen} />
            <span className="block pl-3">
              and <Job side={p.other} onOpen={onOpen} />
            </span>
            {p.chained && <b className="text-[0.75rem] text-pine">its date hangs on one of them</b>}
          </li>
        ))}
      </ol>
    </section>
  );
}

export function HandToHand({ view, onOpen }: { view: BuildView; onOpen(job: string): void }) {
  const act = useAct();
  if (!view.between.length) return null;
  const lies = (b: Between) =>
    [
      b.state === "making" ? "being made" : b.until === null ? "ready" : `drying until ${near(view.zone, b.until, view.now)}`,
      b.pieces && `${b.pieces.ready} of ${b.pieces.of} ${b.pieces.name}${b.pieces.of === 1 ? "" : "s"}`,
      b.maker,
    ]
      .filter(Boolean)
      .join(" · ");
  return (
    <section aria-label="Hand to hand" className="rounded-md border bg-card px-3 py-2">
      <h2 className="text-[0.9375rem]">Hand to hand</h2>
      <ol>
        {view.between.map((b) => (
          <li key={b.jobId} className="flex items-start gap-3 border-b py-1.5 last:border-0">
            <div className="min-w-0 flex-1">
              <button type="button" onClick={() => onOpen(b.jobId)} className="text-left font-semibold hover:underline">
                {b.name}
              </button>
              <span className="block text-[0.75rem] text-muted">{lies(b)}</span>
              <span className="block text-[0.75rem] text-muted">
                then <b className="text-ink">{b.next.name}</b>, {b.next.crewNames}
                {b.neededBy !== null && (
                  <>
                    , needed by <b className={b.late ? "text-signal-text" : "text-ink"}>{near(view.zone, b.neededBy, view.now)}</b>
                  </>
                )}
              </span>
              {b.state !== "making" && b.next.stop && <span className="block text-[0.75rem] text-amber-text">not yet: {b.next.stop}</span>}
            </div>
            {b.state !== "making" && b.next.stop === null && (
              <Button
                disabled={act.busy}
                onClick={() =>
                  void act.run(
                    () => send("POST", `jobs/${b.next.jobId}/act`, { act: "start" }),
                    `${b.name} is handed on: ${b.next.name} is under way`,
                    () => send("POST", `jobs/${b.next.jobId}/act`, { act: "undo" }),
                  )
                }
              >
                Hand on
              </Button>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}
