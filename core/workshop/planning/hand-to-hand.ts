// What lies between two people: pieces ready, what dries until when, when each is needed, and whether the next job can be begun with it.

import type { Plan } from "../../plan/model";
import { zoneOf } from "../../time/zone";
import { startObstacles } from "../starts/ready";
import type { BuildRow, JobRow, Shop } from "../state/model";
import { crewNames } from "../state/say";

export interface Between {
  /** The job that makes it. */
  jobId: string;
  name: string;
  /** Who made or makes it, by name. */
  maker: string;
  state: "ready" | "drying" | "making";
  /** Pieces ready of all, where they are counted. */
  pieces: { name: string; ready: number; of: number } | null;
  /** Untouched until; null: not drying. */
  until: number | null;
  /** When the first job that needs it is planned; null: not planned. */
  neededBy: number | null;
  /** It would be ready only after it is needed. */
  late: boolean;
  next: {
    jobId: string;
    name: string;
    crew: string[];
    crewNames: string;
    /** What keeps it from being begun with what is ready, in words; null: nothing. */
    stop: string | null;
  };
}

/** So many obstacles are named, the rest counted. */
const NAMED = 2;

const stopWords = (texts: readonly string[]): string =>
  texts.slice(0, NAMED).join("; ") + (texts.length > NAMED ? `; and ${texts.length - NAMED} more` : "");

/** Bench work of a build that is under way or over, while the first job that needs it is not begun. The soonest needed first. */
export function handToHand(shop: Shop, build: BuildRow, plan: Plan | undefined, now: number): Between[] {
  const zone = zoneOf(shop.workshop.zone);
  const planned = new Map((plan?.jobs ?? []).map((j) => [j.id, j]));
  const at = (j: JobRow) => (planned.has(j.id) ? zone.parse(planned.get(j.id)!.start) : null);
  const needs = new Map<string, JobRow[]>();
  for (const j of build.jobs)
    if (j.state === "todo")
      for (const a of j.after) {
        const list = needs.get(a.job) ?? [];
        list.push(j);
        needs.set(a.job, list);
      }
  const out: Between[] = [];
  for (const j of build.jobs) {
    const next = (needs.get(j.id) ?? []).sort((a, b) => (at(a) ?? Infinity) - (at(b) ?? Infinity) || a.seq - b.seq)[0];
    if (j.place !== "bench" || j.state === "todo" || j.byOthers !== null || !next) continue;
    const done = j.state === "done";
    const until = done && j.endedAt !== null && j.endedAt + j.hold.minutes > now ? j.endedAt + j.hold.minutes : null;
    const neededBy = at(next);
    const crew = planned.get(next.id)?.fitters ?? [];
    const place = next.place === "bench" ? "bench" : (build.at ?? "");
    const stops = done ? startObstacles(shop, next, crew, place, now) : [{ text: `${j.name} is not over` }];
    out.push({
      jobId: j.id,
      name: j.name,
      maker: j.fitters.length ? crewNames(shop, j.fitters) : "nobody",
      state: !done ? "making" : until === null ? "ready" : "drying",
      pieces: j.pieces && { name: j.pieces.name, ready: done ? j.pieces.count : j.pieces.done, of: j.pieces.count },
      until,
      neededBy,
      late: neededBy !== null && (until ?? now) > neededBy,
      next: {
        jobId: next.id,
        name: next.name,
        crew,
        crewNames: crew.length ? crewNames(shop, crew) : "nobody yet",
        stop: stops.length ? stopWords(stops.map((o) => o.text)) : null,
      },
    });
  }
  return out.sort((a, b) => (a.neededBy ?? Infinity) - (b.neededBy ?? Infinity));
}
