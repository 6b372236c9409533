// Bays in which a van stands and nobody works: how long in open hours, and what each stretch waits for.

import type { Plan, Why } from "../plan/model";
import { OpenSet, type Stretch } from "../time/openset";
import type { Minute, Zone } from "../time/zone";

/** What a van waits for while it stands: told apart, for a bay lost to a cure is no bay lost to an absence. */
export type IdleCause = "cure" | "away" | "people" | "tools" | "parts" | "weather" | "photos" | "bench work" | "date";

export interface Idle {
  build: string;
  from: Minute;
  to: Minute;
  /** Open minutes of the bay. */
  minutes: number;
  cause: IdleCause;
  /** The planner's own words for the job that goes on then. */
  text: string;
}

/** Shorter ones are pauses, not idle time. */
const LEAST = 60;

/** Which of the planner's reasons is which cause. `fitters`: a closed hour of one of these is an absence. */
export function causeOf(why: Why | undefined, fitters: ReadonlySet<string>, bench: ReadonlySet<string>): IdleCause {
  switch (why?.kind) {
    case "hold":
      return "cure";
    case "calendar":
      return why.ref && fitters.has(why.ref) ? "away" : "date";
    case "fitter":
    case "inside-crew":
      return "people";
    case "tool":
      return "tools";
    case "part":
      return "parts";
    case "dry":
    case "daylight":
    case "noise":
    case "temperature":
    case "wind":
    case "same-day":
      return "weather";
    case "proof":
      return "photos";
    case "predecessor":
      return why.ref && bench.has(why.ref) ? "bench work" : "date";
    default:
      return "date";
  }
}

/**
 * The idle stretches of a place in the plan, from `from` to `to`. `open`: hours in which one could work there; a stretch counts by
 * them. The job that goes on behind it says why.
 */
export function idleAt(
  plan: Plan,
  place: string,
  open: OpenSet,
  zone: Zone,
  [from, to]: Stretch,
  known: { fitters: ReadonlySet<string>; bench: ReadonlySet<string>; buildOf: (job: string) => string | undefined },
): Idle[] {
  const out: Idle[] = [];
  const here = plan.jobs
    .filter((j) => j.place === place && j.work?.length)
    .map((j) => ({ j, build: known.buildOf(j.id), work: j.work!.map(([a, b]): Stretch => [zone.parse(a), zone.parse(b)]) }));
  for (const s of plan.stays) {
    if (s.place !== place) continue;
    const [a, z] = [Math.max(from, zone.parse(s.from)), Math.min(to, zone.parse(s.to))];
    if (a >= z) continue;
    const own = here.filter((h) => h.build === s.build);
    const stands = new OpenSet([[a, z]]).without(own.flatMap((h) => h.work));
    for (const [x, y] of stands.stretches()) {
      const minutes = open.minutes(x, y);
      if (minutes < LEAST) continue;
      // What goes on when the stretch ends.
      const next = own.filter((h) => h.work.some(([b]) => b === y)).sort((p, q) => p.j.id.localeCompare(q.j.id))[0];
      const began = next && next.work[0][0] === y;
      const why = began ? next.j.why?.[0] : undefined;
      // Gone on with in the middle of a job: its people were not there. Behind the last one the van waits to be moved.
      const cause: IdleCause = next ? (began ? causeOf(why, known.fitters, known.bench) : "away") : "cure";
      out.push({ build: s.build, from: x, to: y, minutes, cause, text: why?.text ?? "" });
    }
  }
  return out.sort((p, q) => p.from - q.from);
}

/** Open minutes by cause, the most first. */
export function idleByCause(idle: readonly Idle[]): { cause: IdleCause; minutes: number }[] {
  const sums = new Map<IdleCause, number>();
  for (const i of idle) sums.set(i.cause, (sums.get(i.cause) ?? 0) + i.minutes);
  return [...sums].map(([cause, minutes]) => ({ cause, minutes })).sort((a, b) => b.minutes - a.minutes);
}

/** Builds whose work waits for this place by the plan: who would take it, were it free. */
export function askedFor(plan: Plan, place: string, buildOf: (job: string) => string | undefined): string[] {
  const out = new Set<string>();
  for (const j of plan.jobs) {
    const build = buildOf(j.id);
    if (j.place === place && build && j.why?.slice(0, 2).some((w) => w.kind === "bay")) out.add(build);
  }
  return [...out];
}
