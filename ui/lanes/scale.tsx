"use client";
// The head of the lanes: weeks or days, and now.

import type { Axis, ZoomName } from "@/core/lanes/axis";
import { clock, day } from "../kit/time";
import { LABEL_PX } from "./lane";
import type { LanesView } from "./view";

export function Scale({ view, axis, zoom }: { view: LanesView; axis: Axis; zoom: ZoomName }) {
  const kept = view.frozenUntil === null ? "" : `Until ${day(view.zone, view.frozenUntil - 1)} a replan moves as little as it can`;
  const alone = view.frozenUntil === null ? 0 : Math.max(0, axis.x(view.frozenUntil) - axis.x(view.now));
  return (
    <div className="sticky top-0 z-30 h-[42px] border-b bg-paper">
      <div className="sticky left-0 z-10 float-left h-full bg-paper" style={{ width: LABEL_PX }} />
      {view.days.map((d, i) => {
        const monday = d.weekday === "M" && new Date(d.at * 60_000).getUTCDay() !== 0 && (i === 0 || view.days[i - 1].weekday === "S");
        return (
          <div key={d.at} className="absolute top-0 h-full" style={{ left: LABEL_PX + axis.lefts[i], width: axis.widths[i] }}>
            {zoom !== "days" ? (
              <>
                {monday && (
                  <span className="wide absolute top-1 left-1 text-[0.75rem] whitespace-nowrap">
                    {d.date} {i === 0 || d.date <= 7 ? d.month : ""}
                  </span>
                )}
                <span className="absolute inset-x-0 bottom-0.5 text-center text-[0.6875rem] text-muted">
                  {axis.widths[i] > 18 ? d.weekday : ""}
                </span>
              </>
            ) : (
              <>
                <span className="wide absolute top-1 left-1 text-[0.75rem] whitespace-nowrap">
                  {axis.widths[i] > 60 ? d.label : d.date}
                </span>
                {d.open && (
                  <span className="absolute inset-x-0 bottom-0.5 flex justify-between px-1 text-[0.6875rem] text-muted">
                    <span>7</span>
                    <span>10</span>
                    <span>13</span>
                    <span>16</span>
                    <span />
                  </span>
                )}
              </>
            )}
          </div>
        );
      })}
      {view.frozenUntil !== null && view.mayChange && (
        <span
          role="img"
          aria-label={kept}
          title={kept}
          className="absolute bottom-0 h-[3px] bg-ink"
          style={{ left: LABEL_PX + axis.x(view.now), width: alone }}
        >
          {zoom === "weeks" && alone > 76 && (
            <span className="absolute right-0 bottom-[18px] text-[0.6875rem] whitespace-nowrap text-muted">left alone</span>
          )}
        </span>
      )}
      <span
        className="absolute top-[13px] -translate-x-1/2 rounded-[3px] bg-signal px-1 text-[0.6875rem] font-bold text-white"
        style={{ left: LABEL_PX + axis.x(view.now) }}
        suppressHydrationWarning
      >
        {clock(view.zone, view.now)}
      </span>
    </div>
  );
}
