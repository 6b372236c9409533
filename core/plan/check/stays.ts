// Checks where vans stand: gapless stays, shunts, bays with one van, yard places, still holds, and work where the van is.

import type { Case, Row } from "./check";
import { meet, type Span } from "./hours";

interface Stay {
  place: string;
  from: number;
  to: number;
  /** Later readings of from and to, where the wall time occurs twice. */
  fromLate: number;
  toLate: number;
  text: string;
}

export function checkStays(x: Case): void {
  const repeated = x.zone.repeated(x.now - 1440, x.now + 1600 * 1440);
  const late = (t: number) => {
    const r = repeated.find(([a, b]) => t >= a && t < (a + b) / 2);
    return r ? t + (r[1] - r[0]) / 2 : t;
  };
  const all = new Map<string, Stay[]>();
  for (const s of x.plan.stays) {
    const from = x.zone.parse(s.from);
    const to = x.zone.parse(s.to);
    if (!x.problem.builds.some((b) => b.id === s.build)) x.breach("stay", `a stay names ${s.build}, which is no build`);
    if (s.place !== "yard" && !x.problem.bays.some((b) => b.id === s.place))
      x.breach("stay", `${s.build} stays in ${s.place}, which is no place for a van`, { build: s.build });
    if (to <= from && late(to) <= from) x.breach("stay", `a stay of ${s.build} runs from ${s.from} to ${s.to}`, { build: s.build });
    const stay = { place: s.place, from, to, fromLate: late(from), toLate: late(to), text: `${s.place} ${s.from} to ${s.to}` };
    all.set(s.build, [...(all.get(s.build) ?? []), stay]);
  }
  for (const b of x.problem.builds) buildStays(x, b.id, all.get(b.id) ?? []);
  shared(x, all);
}

function buildStays(x: Case, id: string, stays: readonly Stay[]): void {
  const at = { build: id };
  const build = x.problem.builds.find((b) => b.id === id)!;
  const rows = [...x.rows.values()].filter((r) => r.build.id === id && r.van);
  const live = rows.filter((r) => !r.done);
  const still = rows.filter((r) => r.job.hold?.still && r.holdEnd > r.end && (!r.done || r.holdEnd > x.now));
  const shunt = x.problem.shuntMinutes;
  const first = stays[0];
  if (!first) {
    if (live.length || still.length) x.breach("stay", `${id} has work or a hold, but stands nowhere`, at);
    return;
  }
  if (build.at !== undefined) {
    const begins = first.place === build.at ? x.now : x.now + shunt;
    if (first.from !== begins && first.fromLate !== begins)
      x.breach("stay", `${id} stands in ${build.at} now; its first stay is ${first.text}`, at);
    if (first.place !== build.at) moves(x, id, [x.now, begins], live, still);
  } else {
    if (first.from < x.zone.parse(build.arrives)) x.breach("stay", `${id} comes in before it arrives`, at);
    if (first.from < x.now) x.breach("stay", `${id} comes in before now`, at);
  }
  for (let i = 1; i < stays.length; i++) {
    const a = stays[i - 1];
    const b = stays[i];
    if (a.place === b.place) x.breach("stay", `${id} moves from ${a.place} to ${a.place}`, at);
    const ok = [a.to, a.toLate].some((t) => t + shunt === b.from || t + shunt === b.fromLate);
    if (!ok) x.breach("stay", `${id} takes other than ${shunt} min from ${a.text} to ${b.text}`, at);
    moves(x, id, [a.to, b.from], live, still);
  }
  for (const r of live)
    if (!stays.some((s) => s.place === r.plan.place && s.from <= r.from && r.end <= s.toLate))
      x.breach("bay", `${r.job.id} is in ${r.plan.place} while the van is elsewhere`, { job: r.job.id, build: id });
  const last = stays.at(-1)!;
  for (const r of still)
    if (last.toLate < r.holdEnd) x.breach("stay", `${id} leaves before the hold of ${r.job.id} is over`, { job: r.job.id, build: id });
  for (const r of live) holdWarm(x, r, stays);
}

function moves(x: Case, id: string, span: Span, live: readonly Row[], still: readonly Row[]): void {
  const work = live.find((r) => meet([r.from, r.end], span));
  if (work) x.breach("stay", `${id} is moved during ${work.job.id}`, { job: work.job.id, build: id });
  const hold = still.find((r) => meet([r.end, r.holdEnd], span));
  if (hold) x.breach("stay", `${id} is moved during the hold of ${hold.job.id}`, { job: hold.job.id, build: id });
}

/** The low of each date a hold touches, at the place where the van then stands (outdoors while moved or away). */
function holdWarm(x: Case, r: Row, stays: readonly Stay[]): void {
  const least = r.job.hold?.minTempC;
  if (least === undefined || r.holdEnd <= r.end) return;
  for (let day = x.zone.dayOf(r.end); day <= x.zone.dayOf(r.holdEnd - 1); day++) {
    const span: Span = [Math.max(r.end, x.zone.dayStart(day)), Math.min(r.holdEnd, x.zone.dayStart(day + 1))];
    let covered = 0;
    const places: { place: string | undefined; from: number; to: number }[] = [];
    for (const s of stays) {
      const [from, to] = [Math.max(s.from, span[0]), Math.min(s.toLate, span[1])];
      if (to <= from) continue;
      covered += to - from;
      places.push({ place: s.place, from, to });
    }
    if (covered < span[1] - span[0]) places.push({ place: undefined, from: span[0], to: span[1] });
    for (const { place, from, to } of places) {
      const t = x.hours.temperature(place, day, "low");
      const kept = x.hours.kept(place) !== undefined;
      const needed = least + (kept ? 0 : x.hours.lag(r.job));
      if (t !== undefined && t < needed && (kept || x.hours.unheated(place, from, to, needed).length))
        return x.breach("conditions", `the hold of ${r.job.id} needs ${least} °C, has ${t}`, { job: r.job.id });
    }
  }
}

function shared(x: Case, all: Map<string, Stay[]>): void {
  const list = [...all].flatMap(([build, stays]) => stays.map((s) => ({ build, ...s })));
  list.sort((a, b) => a.from - b.from);
  const open = new Map<string, (typeof list)[number]>();
  for (const s of list) {
    if (s.place === "yard") {
      const there = list.filter((o) => o.place === "yard" && o.from <= s.from && s.from < o.to).length;
      if (there > x.problem.yard.places)
        x.breach("stay", `${there} vans in the yard, which has ${x.problem.yard.places} places`, { build: s.build });
      continue;
    }
    const before = open.get(s.place);
    if (before && s.from < before.to) x.breach("bay", `${before.build} and ${s.build} are both in ${s.place}`, { build: s.build });
    if (!before || before.to < s.to) open.set(s.place, s);
  }
}
