"use client";
// What the working plan moves against the published one: handovers first, then jobs, with the reason of each.

import { StageBadge } from "../kit/stage";
import { day, time } from "../kit/time";
import type { LanesView } from "./view";

export function Moves({ view, onShow }: { view: LanesView; onShow(id: string): void }) {
  if (!view.moves.length && !view.handovers.length) return <p>Nothing moves: the plan on the wall still holds.</p>;
  return (
    <div className="flex flex-col gap-5">
      <section>
        <h3 className="mb-1 text-[15px]">Handovers</h3>
        {view.handovers.length === 0 && <p className="text-muted">No date moves.</p>}
        <table className="w-full text-left">
          <tbody>
            {view.handovers.map((h) => (
              <tr key={h.build} className="border-b last:border-0">
                <td className="py-1.5 pr-3 font-bold">{h.build}</td>
                <td className="pr-3">
                  {h.from === null ? "not planned" : time(view.zone, h.from)} → {h.to === null ? "does not fit" : time(view.zone, h.to)}
                </td>
                <td className={h.days > 0 ? "text-signal-text" : "text-green-text"}>
                  {h.days === 0
                    ? "same day"
                    : `${h.days > 0 ? "+" : "−"}${Math.abs(h.days)} working ${Math.abs(h.days) === 1 ? "day" : "days"}`}
                </td>
                <td className="text-right text-muted">due {day(view.zone, h.due)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <section>
        <h3 className="mb-1 text-[15px]">Jobs</h3>
        <ul>
          {view.moves.map((m) => (
            <li key={m.jobId} className="border-b last:border-0">
              <button type="button" onClick={() => onShow(m.jobId)} className="flex w-full items-start gap-3 py-2 text-left hover:bg-sunk">
                <StageBadge stage={m.stage} className="mt-0.5" />
                <span className="min-w-0">
                  <b>
                    {m.build}, {m.name}
                  </b>
                  <span className="block">
                    {m.from === null ? "new" : time(view.zone, m.from)} → {m.to === null ? "no place" : time(view.zone, m.to)}
                    {m.place && ` · ${m.place}`}
                    {m.who && ` · ${m.who}`}
                  </span>
                  <span className="block text-[12px] text-muted">{m.why}</span>
                </span>
              </button>
            </li>
          ))}
        </ul>
      </section>
    </div>
  );
}
