// The end of a fitter's day: what runs on overnight, what is open, and whether tomorrow's first job can begin.

import type { Plan } from "../../plan/model";
import { sayClock, sayTime } from "../../plan/words";
import { zoneOf } from "../../time/zone";
import { isOpen, penetrationsIn } from "../openings/holes";
import { hotWorkOpen } from "../openings/hot-work";
import { entriesOf } from "../records/kinds/of";
import { obstacles } from "../starts/ready";
import type { Shop } from "../state/model";
import { count } from "../state/say";
import { kitLines, kitOpen } from "../stores/kit";
import { runningClocks } from "./clocks";
import { halfBuilt, sayHalfBuilt } from "./half-built";
import { leftOutToday } from "./left-out";

export interface DayEnd {
  /** What was done today. */
  done: string[];
  /** What is still open of it, or runs on. */
  open: string[];
  /** Tomorrow's first job, and what it lacks. */
  next: { name: string; at: string; lacks: string[] } | null;
}

/** A fitter's day from the jobs' own times and the plan that is worked to. */
export function dayEnd(shop: Shop, plan: Plan | undefined, fitter: string, now: number): DayEnd {
  const zone = zoneOf(shop.workshop.zone);
  const today = zone.dayOf(now);
  const mine = shop.builds.flatMap((b) => b.jobs.filter((j) => j.fitters.includes(fitter) && !j.byOthers).map((j) => ({ b, j })));
  const done = mine
    .filter(({ j }) => j.state === "done" && zone.dayOf(j.endedAt!) === today)
    .map(({ b, j }) => `${j.name}, ${b.name}${j.pieces ? `: ${count(j.pieces.done, "piece")}` : ""}`);
  const open: string[] = [];
  for (const { b, j } of mine) {
    if (j.state === "started") open.push(`${j.name} is under way: ${count(j.steps.filter((s) => s.doneAt === null).length, "step")} open`);
    const half = halfBuilt(shop, b, j, now);
    if (half) open.push(sayHalfBuilt(half));
    if (j.state === "done" && j.hold.minutes && j.endedAt! + j.hold.minutes > now)
      open.push(`${j.name} holds until ${sayTime(zone, j.endedAt! + j.hold.minutes)}`);
    for (const s of leftOutToday({ jobs: [j] }, now, zone)) open.push(`${j.name}, left out: ${s.step} (${s.why})`);
    for (const r of j.remainders) open.push(`${j.name} still has something to finish: ${r.text}`);
    for (const r of j.remarks) if (zone.dayOf(r.saidAt) === today) open.push(`said today: ${r.text}`);
    for (const s of entriesOf(b.records, "sparks"))
      if (s.jobId === j.id && s.data.stamps?.last) for (const w of hotWorkOpen(b, s.data, now, zone)) open.push(`${s.title}: ${w}`);
    for (const h of penetrationsIn(b.records))
      if (h.jobId === j.id && isOpen(h.data))
        open.push(`hole ${h.no}, ${h.title}: ${h.data.cover ? `covered, ${h.data.cover}` : "no cover"}`);
    for (const c of runningClocks(b, now)) if (c.jobId === j.id) open.push(`${c.what} of ${c.title}: ${c.says}`);
  }
  return { done, open, next: tomorrow(shop, plan, fitter, now) };
}

function tomorrow(shop: Shop, plan: Plan | undefined, fitter: string, now: number): DayEnd["next"] {
  const zone = zoneOf(shop.workshop.zone);
  const night = zone.dayStart(zone.dayOf(now) + 1);
  const first = (plan?.jobs ?? [])
    .filter((p) => p.fitters.includes(fitter) && zone.parse(p.start) >= night)
    .sort((a, b) => a.start.localeCompare(b.start))[0];
  const at = first && shop.builds.flatMap((b) => b.jobs.map((j) => ({ b, j }))).find(({ j }) => j.id === first.id);
  if (!first || !at) return null;
  const start = zone.parse(first.start);
  const short = kitOpen(kitLines(shop, at.b, at.j, now)).filter((l) => l.short !== null);
  return {
    name: `${at.j.name}, ${at.b.name}`,
    at: zone.dayOf(start) === zone.dayOf(night) ? sayClock(zone, start) : sayTime(zone, start),
    // What its predecessors still have time for is no lack.
    lacks: [
      ...obstacles(shop, at.j, start)
        .filter((o) => o.kind !== "predecessor" && o.kind !== "part" && o.kind !== "question")
        .map((o) => o.text),
      ...short.map((l) => `${l.what}: ${l.short}`),
    ],
  };
}
