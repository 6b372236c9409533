// How the clocks at the bench stand: running, soon over, over, and what to do then.

import { CLOCKS, type ClockName } from "./docket/clock";
import { entriesOf } from "./docket/of";
import type { BuildRow } from "./model";

/** Warned from this share of its time on. A house figure. */
const WARN = 0.7;

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

export function clockState(from: number, minutes: number, now: number): { tone: RunningClock["tone"]; left: number } {
  const left = from + minutes - now;
  return { left, tone: left <= 0 ? "stop" : now - from >= WARN * minutes ? "warn" : "ok" };
}

/** Clocks of a build that nobody has tapped off, the next to end first. */
export const runningClocks = (build: Pick<BuildRow, "records">, now: number): RunningClock[] =>
  entriesOf(build.records, "clock")
    .filter((r) => r.closedAt === null)
    .map((r) => {
      const { what, minutes } = r.data;
      const { tone, left } = clockState(r.saidAt, minutes, now);
      const says = tone === "stop" ? `over for ${-left} min: ${CLOCKS[what].over}` : `${left} of ${minutes} min left`;
      return { id: r.id, version: r.version, jobId: r.jobId, title: r.title, what, minutes, until: r.saidAt + minutes, tone, says };
    })
    .sort((a, b) => a.until - b.until);
