"use client";
// Everything that pierces the skin: how far each opening is, its unit, its mark-out, and go or no-go for the day.

import Link from "next/link";
import type { Opening, OpeningState } from "@/core/workshop/openings/openings";
import { cx } from "../../kit/cx";
import { near } from "../../kit/time";
import type { BuildView } from "../view";

const STEPS: OpeningState[] = ["wanted", "set out", "cut", "closed", "tested"];
const SHEET: Record<Opening["sheet"], string> = { none: "no sheet", kept: "kept", locked: "locked", contradicted: "contradicted" };

export function OpeningsPanel({ view }: { view: BuildView }) {
  if (!view.openings.length) return <p className="text-muted">Nothing pierces the skin of this van.</p>;
  return (
    <div>
      <p className="mb-3 text-muted">
        Today by the forecast, the light, the shop's hours and what is still in the way; the maker's sheet and local rules come first.{" "}
        {view.norms}.
      </p>
      <ul className="flex flex-col gap-2">
        {view.openings.map((o) => (
          <li
            key={o.jobId}
            className={cx(
              "rounded-md border border-l-[5px] bg-card px-4 py-3",
              o.today === null ? "!border-l-line" : o.today.go ? "!border-l-green" : "!border-l-signal",
            )}
          >
            <div className="flex flex-wrap items-baseline justify-between gap-x-6 gap-y-1">
              <Link href={`/builds/${view.id}?job=${encodeURIComponent(o.jobId)}`} className="text-[0.9375rem] font-bold hover:underline">
                {o.name}
                {o.pieces > 1 && `, ${o.pieces}`}
              </Link>
              <ol className="flex gap-1 text-[0.75rem]" aria-label={`${o.name} is ${o.state}`}>
                {STEPS.map((s) => (
                  <li
                    key={s}
                    className={cx(
                      "rounded-[3px] px-1.5",
                      s === o.state
                        ? "bg-pine font-bold text-on-pine"
                        : STEPS.indexOf(s) < STEPS.indexOf(o.state)
                          ? "bg-pine-soft"
                          : "border text-muted",
                    )}
                  >
                    {s}
                  </li>
                ))}
              </ol>
            </div>
            <p className="mt-1">
              {o.today && (
                <b className={o.today.go ? "text-green-text" : "text-signal-text"}>
                  {o.today.says}
                  {!o.today.go && o.today.otherDay ? `; the whole of it fits on ${o.today.otherDay}` : ""}.{" "}
                </b>
              )}
              {o.planned !== null && o.today && <>planned {near(view.zone, o.planned, view.now)} · </>}
              {o.units.length
                ? o.units
                    .map(
                      (u) =>
                        `${u.name}: ${u.here ? "here, checked" : u.state}${u.cutOut ? `, hole ${u.cutOut.w} × ${u.cutOut.h}` : u.here ? ", hole not measured" : ""}`,
                    )
                    .join(" · ")
                : "nothing to be bought for it"}{" "}
              · mark-out{" "}
              <Link
                href={`/set-out?job=${encodeURIComponent(o.jobId)}`}
                className={cx(
                  "underline underline-offset-2",
                  o.sheet === "contradicted" && "text-signal-text",
                  o.sheet === "locked" && "text-green-text",
                )}
              >
                {SHEET[o.sheet]}
              </Link>
            </p>
            {o.today && o.today.reasons.length > 0 && (
              <ul className="mt-1 list-disc pl-5 text-muted">
                {o.today.reasons.map((r) => (
                  <li key={r}>{r}</li>
                ))}
              </ul>
            )}
          </li>
        ))}
      </ul>
    </div>
  );
}
