"use client";
// The page of a build for a fitter who works on it: to be looked at. Each job opens to its steps, its set-out and its kit.

import Link from "next/link";
import { useState } from "react";
import { cx } from "../kit/cx";
import { StageBadge, stageOf } from "../kit/stage";
import { Tick } from "../kit/tick";
import { day, near } from "../kit/time";
import type { FitterBuildView, FitterJob } from "./fitter-view";
import { StageLadder } from "./ladder";

const STATE: Record<FitterJob["state"], string> = { todo: "", started: "under way", paused: "paused", done: "done" };

export function FitterBuild({ view, open }: { view: FitterBuildView; open?: string }) {
  const [stage, setStage] = useState<string>();
  const stages = view.stages.map((s) => s.stage);
  const shown = view.jobs.filter((j) => stage === undefined || j.stage === stage);
  return (
    <div data-touch className="mx-auto w-full max-w-3xl p-4 text-[1.0625rem]">
      <h1 className="text-[1.5rem] leading-tight">{view.name}</h1>
      <p className="text-[0.9375rem] text-muted">{[view.purpose, view.vanName, view.where].filter(Boolean).join(" · ")}</p>
      <p className="mt-1 text-[0.9375rem]">
        Due <b>{day(view.zone, view.due)}</b>
        {view.finish !== null && (
          <>
            , planned to be done <b>{near(view.zone, view.finish, view.now)}</b>
          </>
        )}
      </p>
      <div className="mt-3 overflow-x-auto">
        <StageLadder stages={view.stages} />
      </div>
      <label className="mt-4 flex items-center gap-2 text-[0.9375rem]">
        Stage
        <select
          value={stage ?? ""}
          onChange={(e) => setStage(e.target.value || undefined)}
          className="h-11 min-w-0 flex-1 rounded-md border bg-card px-2 text-[1.0625rem]"
        >
          <option value="">all stages</option>
          {stages.map((s) => (
            <option key={s} value={s}>
              {stageOf(s).name}
            </option>
          ))}
        </select>
      </label>
      <ul className="mt-3 overflow-hidden rounded-md border bg-card">
        {shown.map((j) => (
          <li key={j.id} className="border-b last:border-0">
            <details open={j.id === open}>
              <summary className="flex min-h-12 cursor-pointer items-center gap-2.5 px-3 py-2">
                <StageBadge stage={j.stage} className="!h-6 !text-[0.8125rem]" />
                <span className={cx("min-w-0 flex-1", j.state === "done" && "text-muted")}>
                  {j.name}
                  <span className="block text-[0.9375rem] text-muted" suppressHydrationWarning>
                    {[
                      STATE[j.state] || (j.from === null ? "not planned yet" : near(view.zone, j.from, view.now)),
                      j.who,
                      j.state !== "done" && j.place,
                    ]
                      .filter(Boolean)
                      .join(" · ")}
                  </span>
                </span>
                {j.state === "done" && <Tick className="text-green" />}
              </summary>
              <Job j={j} buildId={view.id} />
            </details>
          </li>
        ))}
      </ul>
    </div>
  );
}

function Job({ j, buildId }: { j: FitterJob; buildId: string }) {
  const before = j.after.filter((a) => !a.done);
  return (
    <div className="flex flex-col gap-3 border-t px-3 py-3 text-[1rem]">
      <p>
        {j.likely}
        {j.hold && ` · ${j.hold}`}
      </p>
      {before.length > 0 && (
        <div>
          <h3 className="text-[0.9375rem]">Waits for</h3>
          <ul className="list-disc pl-5">
            {before.map((a) => (
              <li key={a.id}>
                {a.name}: {a.reason}
              </li>
            ))}
          </ul>
        </div>
      )}
      {j.sheets.length > 0 && (
        <div>
          <h3 className="text-[0.9375rem]">Set-out</h3>
          <ul>
            {j.sheets.map((s) => (
              <li key={s.calculator}>
                <Link
                  href={`/set-out?build=${encodeURIComponent(buildId)}&job=${encodeURIComponent(j.id)}&sheet=${encodeURIComponent(s.calculator)}`}
                  className="flex min-h-11 items-center gap-1.5 underline underline-offset-2"
                >
                  {s.title}
                  {s.locked ? ", locked" : ", not measured twice yet"}
                </Link>
              </li>
            ))}
          </ul>
        </div>
      )}
      <div>
        <h3 className="text-[0.9375rem]">Steps</h3>
        <ol className="list-decimal pl-6">
          {j.steps.map((s) => (
            <li key={s.n} className={cx(s.done && "text-muted")}>
              {s.text} {s.done && <Tick className="text-green" />}
            </li>
          ))}
        </ol>
      </div>
      {j.kit.length > 0 && (
        <div>
          <h3 className="text-[0.9375rem]">Kit</h3>
          <ul>
            {j.kit.map((l) => (
              <li key={`${l.what} ${l.where}`} className="flex flex-wrap gap-x-3 border-b py-1 last:border-0">
                <span className="min-w-0 flex-1">{l.what}</span>
                <span className="text-muted">{l.where}</span>
                {l.short && <b className="text-signal-text">{l.short}</b>}
              </li>
            ))}
          </ul>
        </div>
      )}
      {j.mine && (
        <Link
          href={`/card?job=${encodeURIComponent(j.id)}`}
          className="flex min-h-11 items-center font-semibold underline underline-offset-2"
        >
          Open its card
        </Link>
      )}
    </div>
  );
}
