"use client";
// The last look before a build is added: its jobs with their reasons, its first dates, what it does to the others.

import { ChevronDown } from "lucide-react";
import { useState } from "react";
import type { Conflict } from "@/core/library/conflicts";
import type { NewBuildSums } from "@/core/workshop/builds/previews";
import { sayHours, sayMinutes } from "@/core/workshop/state/say";
import { Button } from "../kit/button";
import { cx } from "../kit/cx";
import { STAGE, StageBadge } from "../kit/stage";
import { wall } from "../kit/time";

const show = (t: string | null) => (t ? wall(t) : "no date");

export function Review({
  sums,
  conflicts,
  due,
  onDue,
}: {
  sums: NewBuildSums | undefined;
  conflicts: readonly Conflict[];
  due: string;
  onDue(due: string): void;
}) {
  const [opened, setOpened] = useState<string>();
  if (!sums) return <p role="status">Working it out …</p>;
  const { dates } = sums;
  return (
    <div className="flex flex-col gap-5">
      <section aria-label="First dates" className="rounded-md border bg-card p-4">
        {!dates ? (
          <p role="status">Planning it among the others …</p>
        ) : dates.finish ? (
          <>
            <p className="text-[0.9375rem]">
              Planned finish <b>{show(dates.finish)}</b>, due {show(due)}:{" "}
              <b className={dates.late ? "text-signal-text" : "text-green-text"}>{dates.late ? "too late" : "in time"}</b>
            </p>
            {dates.suggestedDue && dates.suggestedDue !== due && (
              <p className="mt-1 flex flex-wrap items-center gap-2 text-muted">
                A deadline with a week behind it would be {show(dates.suggestedDue)}.
                <Button onClick={() => onDue(dates.suggestedDue!)}>Take it</Button>
              </p>
            )}
          </>
        ) : (
          <div>
            <p className="text-signal-text">Not all of its jobs find a place:</p>
            <ul className="list-disc pl-5">
              {dates.inTheWay.slice(0, 5).map((t) => (
                <li key={t}>{t}</li>
              ))}
            </ul>
          </div>
        )}
        {dates && dates.others.length > 0 && (
          <p className="mt-2">
            It would move{" "}
            {dates.others.map((o, i) => (
              <span key={o.build}>
                {i > 0 && ", "}
                <b>{o.build}</b> from {show(o.before)} to {show(o.after)}
              </span>
            ))}
            .
          </p>
        )}
        {dates && dates.others.length === 0 && <p className="mt-2 text-muted">No other build's finish moves.</p>}
        {dates?.decide.map((d) => (
          <p key={d.label} className="mt-1 text-amber-text">
            {d.label}: the client decides by {d.by ? show(d.by) : "before its jobs are planned"}.
          </p>
        ))}
      </section>
      {conflicts.map((c) => (
        <p
          key={c.text}
          className={cx("rounded-md px-3 py-2", c.level === "stop" ? "bg-signal-soft text-signal-text" : "bg-amber-soft text-amber-text")}
        >
          {c.text}
        </p>
      ))}
      {sums.stages.map((s) => (
        <section key={s.stage} aria-label={STAGE[s.stage]?.name}>
          <h3 className="mb-1 flex items-center gap-2 text-[0.9375rem]">
            <StageBadge stage={s.stage} /> {STAGE[s.stage]?.name}
            <span className="text-[0.75rem] font-normal text-muted">
              {s.jobs.length} jobs, {sayHours(s.jobs.reduce((n, j) => n + j.minutes, 0))}
            </span>
          </h3>
          <ul className="overflow-hidden rounded-md border bg-card">
            {s.jobs.map((j) => (
              <li key={j.code} className="border-b last:border-0">
                <button
                  type="button"
                  aria-expanded={opened === j.code}
                  onClick={() => setOpened(opened === j.code ? undefined : j.code)}
                  className="flex w-full items-center gap-3 px-3 py-1.5 text-left hover:bg-sunk"
                >
                  <span className="min-w-0 flex-1 truncate">{j.name}</span>
                  {j.pieces && <span className="text-[0.75rem] text-muted">{j.pieces}</span>}
                  <span className="w-20 text-right text-muted">{sayMinutes(j.minutes)}</span>
                  <ChevronDown size={14} className={cx("text-muted", opened === j.code && "rotate-180")} aria-hidden="true" />
                </button>
                {opened === j.code && (
                  <div className="border-t bg-sunk px-3 py-2 text-[0.75rem]">
                    {j.means.map((m) => (
                      <p key={m}>{m}</p>
                    ))}
                    <ul className="list-disc pl-4 text-muted">
                      {j.after.map((a) => (
                        <li key={a}>after {a}</li>
                      ))}
                      {j.after.length === 0 && <li>waits for nothing but its parts</li>}
                    </ul>
                  </div>
                )}
              </li>
            ))}
          </ul>
        </section>
      ))}
    </div>
  );
}
