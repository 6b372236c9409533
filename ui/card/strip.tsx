"use client";
// The job as a short stretch of road: work, tape, stop line, and where now is.

import { stageOf } from "../kit/stage";
import type { CardJob } from "./view";

export function Strip({ job, now }: { job: CardJob; now: number }) {
  if (job.from === null || job.to === null) return null;
  const end = job.holdUntil ?? job.to;
  // Work and hold are given room by their square root: a night's hold must not squeeze the work away.
  const work = Math.sqrt(Math.max(1, job.to - job.from));
  const hold = Math.sqrt(end - job.to);
  const share = (100 * work) / (work + hold) - (job.stops.length ? 3 : 0);
  const passed =
    job.state === "started" || job.state === "done" ? Math.min(1, Math.max(0, (now - job.from) / Math.max(1, job.to - job.from))) : 0;
  return (
    <div aria-hidden="true" className="relative my-2 flex h-[29px] items-stretch border-y bg-road py-1 pr-2 pl-1">
      <div className="relative overflow-hidden rounded-[3px]" style={{ width: `${share}%`, background: stageOf(job.stage).colour }}>
        <div className="absolute inset-y-0 left-0 bg-black/25" style={{ width: `${100 * passed}%` }} />
      </div>
      {hold > 0 && <div className="tape ml-1 flex-1 rounded-[2px]" />}
      {job.stops.length > 0 && <div className="-my-2 ml-1.5 w-1 bg-ink" />}
    </div>
  );
}
