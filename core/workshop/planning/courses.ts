// What could be done with a job that has outrun its time box, each as a problem of its own to be planned.

import type { Problem } from "../../plan/model";
import { openHours } from "../../time/calendar";
import { type Minute, zoneOf } from "../../time/zone";
import { calendarData } from "../builds/left";
import type { CalendarRow } from "../state/model";

export const TRIED = ["go on", "second person", "park"] as const;
export type Tried = (typeof TRIED)[number];

/** When the shop opens next on another day than that of `now`; a day later where it never does. */
export function nextMorning(timezone: string, calendar: CalendarRow | undefined, now: Minute): Minute {
  const zone = zoneOf(timezone);
  const tomorrow = zone.dayOf(now) + 1;
  const at = calendar ? openHours(zone, calendarData(calendar), tomorrow, tomorrow + 30).open.next(zone.dayStart(tomorrow)) : NEVER;
  return Number.isFinite(at) ? at : zone.dayStart(tomorrow);
}

const NEVER = Number.POSITIVE_INFINITY;

/** The problem with a job left for the morning; undefined where it is not there, or begun. */
export function withMorning(problem: Problem, jobId: string, morning: string): Problem | undefined {
  const p = structuredClone(problem);
  const job = p.builds.flatMap((b) => b.jobs).find((j) => j.id === jobId);
  if (job?.state !== "todo") return undefined;
  job.notBefore = [job.notBefore ?? morning, morning].sort()[1];
  if (job.pin?.start !== undefined) delete job.pin.start;
  return p;
}

/**
 * The problem with a job going on by one of the courses. `left`: minutes that one still needs alone, or whoever is on it; two are
 * taken to need half of that. Parked, it goes on from `morning` at the soonest, and its people are free till then. Undefined when
 * the job is not there or not begun.
 */
export function withCourse(problem: Problem, jobId: string, course: Tried, left: number, morning: string): Problem | undefined {
  const p = structuredClone(problem);
  const job = p.builds.flatMap((b) => b.jobs).find((j) => j.id === jobId);
  if (!job || (typeof job.state === "object" && "done" in job.state)) return undefined;
  const minutes = Math.max(1, Math.ceil(course === "second person" ? left / 2 : left));
  job.minutes = minutes;
  if (course === "second person")
    job.crew.push({ skill: "any", ...(typeof job.state === "object" ? { during: { from: 0, to: minutes } } : {}) });
  if (course === "park") {
    job.state = "todo";
    job.notBefore = [job.notBefore ?? morning, morning].sort()[1];
    delete job.pin;
  } else if (typeof job.state === "object" && "started" in job.state) job.state.started.leftMinutes = minutes;
  return p;
}

/** The problem with something else in place of a job's late part: here by then, with more (or less) work. Undefined where it is begun. */
export function withSubstitute(problem: Problem, jobId: string, here: string, moreMinutes: number): Problem | undefined {
  const p = structuredClone(problem);
  const job = p.builds.flatMap((b) => b.jobs).find((j) => j.id === jobId);
  if (job?.state !== "todo") return undefined;
  job.partsFrom = here;
  const m = job.minutes;
  const more = (n: number) => Math.max(5, Math.round(n + moreMinutes));
  job.minutes = typeof m === "number" ? more(m) : { best: more(m.best), likely: more(m.likely), worst: more(m.worst) };
  return p;
}
