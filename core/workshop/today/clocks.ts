// How the clocks at the bench stand: running, soon over, over, and what to do then.

import { curedAfter, RELEASES } from "../builds/releases";
import { CLOCKS, type ClockName, opens } from "../records/kinds/clock";
import { entriesOf } from "../records/kinds/of";
import { figure, type House } from "../state/house-figures";
import type { BuildRow } from "../state/model";
import { sayMinutes } from "../state/say";

export interface RunningClock {
  id: string;
  version: number;
  jobId: string | null;
  title: string;
  what: ClockName;
  minutes: number;
  /** When it is over, as an instant. */
  until: number;
  tone: "ok" | "warn" | "stop";
  says: string;
}

export function clockState(
  house: House,
  what: ClockName,
  from: number,
  minutes: number,
  now: number,
): { tone: RunningClock["tone"]; left: number } {
  const left = from + minutes - now;
  // A bond that is left alone goes well: it only says when it lets something begin.
  if (opens(what)) return { left, tone: "ok" };
  return { left, tone: left <= 0 ? "stop" : now - from >= (figure(house, "clockWarns") / 100) * minutes ? "warn" : "ok" };
}

/** How long it still runs, or since when it is over and what that means. */
export const sayClockLeft = (what: ClockName, minutes: number, left: number): string =>
  left <= 0
    ? `${opens(what) ? "since" : "over for"} ${sayMinutes(-left)}: ${CLOCKS[what].over}`
    : minutes < 120
      ? `${left} of ${minutes} min left`
      : `${sayMinutes(left)} of ${sayMinutes(minutes)} left`;

/** The four times of a bond that a job's kept sheet works out, as clocks to run; those that run already are left out. */
export function bondClocks(build: Pick<BuildRow, "sheets" | "records">, jobId: string): { what: ClockName; minutes: number }[] {
  const minutes = curedAfter(build, jobId);
  const running = new Set(
    entriesOf(build.records, "clock")
      .filter((c) => c.jobId === jobId)
      .map((c) => c.data.what),
  );
  return RELEASES.flatMap((what) => (minutes[what] === undefined || running.has(what) ? [] : [{ what, minutes: minutes[what] }]));
}

/** Clocks of a build that nobody has tapped off, the next to end first. */
export const runningClocks = (build: Pick<BuildRow, "records" | "figures">, now: number): RunningClock[] =>
  entriesOf(build.records, "clock")
    .filter((r) => r.closedAt === null)
    .map((r) => {
      const { what, minutes } = r.data;
      const { tone, left } = clockState(build, what, r.saidAt, minutes, now);
      const says = sayClockLeft(what, minutes, left);
      return { id: r.id, version: r.version, jobId: r.jobId, title: r.title, what, minutes, until: r.saidAt + minutes, tone, says };
    })
    .sort((a, b) => a.until - b.until);
