"use client";
// On the fitter's phone: clocks that count from a tap, and the end of the day.

import { useState } from "react";
import { CLOCKS, type ClockName } from "@/core/workshop/records/kinds/clock";
import type { RunningClock } from "@/core/workshop/today/clocks";
import { clockState, sayClockLeft } from "@/core/workshop/today/clocks";
import { Button } from "../kit/button";
import { cx } from "../kit/cx";
import { inputClass } from "../kit/field";
import { send } from "../kit/send";
import type { Act } from "../kit/use-act";
import type { CardJob, CardView } from "./view";

const NAMES = Object.keys(CLOCKS) as ClockName[];
const TONE = { ok: "text-green-text", warn: "font-bold text-amber-text", stop: "font-bold text-signal-text" } as const;

export function CardClocks({ job, act, now }: { job: CardJob; act: Act; now: number }) {
  const [what, setWhat] = useState<ClockName>("open time");
  const [minutes, setMinutes] = useState<string>(String(CLOCKS["open time"].minutes));
  const post = (data: { what: ClockName; minutes: number }) =>
    send("POST", `builds/${job.buildId}/records`, { kind: "clock", title: job.name, jobId: job.id, data });
  const start = () => void act.run(() => post({ what, minutes: Number(minutes.replace(",", ".")) }), `${what} runs`);
  const runBond = () =>
    void act.run(async () => {
      for (const c of job.bond) await post(c);
    }, "The clocks of the bond run");
  return (
    <section aria-label="Clocks" className="mt-3">
      <h3 className="text-[1.0625rem]">Clocks</h3>
      <ul className="mt-1 overflow-hidden rounded-md border bg-card empty:hidden">
        {job.clocks.map((c) => (
          <li key={c.id} className="flex items-center gap-3 border-b px-3 py-2 last:border-0">
            <span className="min-w-0 flex-1 text-[1rem]">
              <b>{c.what}</b> <span className="text-muted">{c.title}</span>
              <span
                className={cx("block", TONE[toneOf(job, c, now)])}
                role={toneOf(job, c, now) === "stop" ? "alert" : undefined}
                suppressHydrationWarning
              >
                {saysOf(job, c, now)}
              </span>
            </span>
            <Button
              size="touch"
              disabled={act.busy}
              onClick={() =>
                void act.run(() =>
                  send("PATCH", `records/${c.id}`, {
                    version: c.version,
                    title: c.title,
                    data: { what: c.what, minutes: c.minutes },
                    closed: true,
                  }),
                )
              }
            >
              Done
            </Button>
          </li>
        ))}
      </ul>
      {job.bond.length > 0 && job.state !== "todo" && (
        <Button size="touch" className="mt-2 w-full" disabled={act.busy} onClick={runBond}>
          It is bonded: run its {job.bond.length === 1 ? "clock" : `${job.bond.length} clocks`}
        </Button>
      )}
      {job.state === "started" && (
        <div className="mt-2 grid grid-cols-[1fr_84px_auto] gap-2">
          <select
            aria-label="Which clock"
            value={what}
            onChange={(e) => {
              setWhat(e.target.value as ClockName);
              setMinutes(String(CLOCKS[e.target.value as ClockName].minutes));
            }}
            className={cx(inputClass, "!h-12 text-[1rem]")}
          >
            {NAMES.map((n) => (
              <option key={n}>{n}</option>
            ))}
          </select>
          <input
            aria-label="Minutes of the clock"
            inputMode="numeric"
            value={minutes}
            onChange={(e) => setMinutes(e.target.value)}
            className={cx(inputClass, "!h-12 text-[1rem]")}
          />
          <Button size="touch" disabled={act.busy} onClick={start}>
            Run
          </Button>
        </div>
      )}
    </section>
  );
}

// The page is drawn once, the clock goes on: what is left is counted here.
const stateOf = (job: CardJob, c: RunningClock, now: number) => clockState(job, c.what, c.until - c.minutes, c.minutes, now);
const toneOf = (job: CardJob, c: RunningClock, now: number) => stateOf(job, c, now).tone;
const saysOf = (job: CardJob, c: RunningClock, now: number): string => sayClockLeft(c.what, c.minutes, stateOf(job, c, now).left);

export function CardDayEnd({ end }: { end: NonNullable<CardView["dayEnd"]> }) {
  const list = (items: readonly string[], none: string) =>
    items.length ? (
      <ul className="list-disc pl-5 text-[1rem]">
        {items.map((t) => (
          <li key={t}>{t}</li>
        ))}
      </ul>
    ) : (
      <p className="text-[1rem] text-muted">{none}</p>
    );
  return (
    <section aria-label="The end of the day" className="mx-[18px] mt-4 rounded-md border bg-card px-3 py-3">
      <h3 className="text-[1.0625rem]">The end of the day</h3>
      <h4 className="mt-1 text-[0.9375rem] font-semibold">Done</h4>
      {list(end.done, "Nothing was finished today.")}
      <h4 className="mt-2 text-[0.9375rem] font-semibold">Open, or running on</h4>
      {list(end.open, "Nothing: all is put away.")}
      <h4 className="mt-2 text-[0.9375rem] font-semibold">Tomorrow first</h4>
      {end.next ? (
        <>
          <p className="text-[1rem]">
            {end.next.at} {end.next.name}
          </p>
          {list(end.next.lacks, "It can begin.")}
        </>
      ) : (
        <p className="text-[1rem] text-muted">Nothing is published for you.</p>
      )}
    </section>
  );
}
