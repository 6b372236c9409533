// How to gain a day for one build: candidate measures, each tested by a replan. Nothing is proposed that was not tried.

import { openHours, WEEKDAYS } from "../time/calendar";
import { minutesOf } from "../time/clock";
import { type Zone, zoneOf } from "../time/zone";
import { type Chances, chances } from "./chance";
import { apart, type Measure, measures } from "./measures";
import type { Plan, Problem } from "./model";
import { makePlan } from "./planner";
import { readProblem } from "./read";
import { type Variant, variantMeasures } from "./variants";

export interface Gain {
  kind: Measure["kind"];
  text: string;
  price: string;
  hours: number;
  /** What it costs in money, with the shunts it adds; null where nobody but a supplier knows. */
  money: number | null;
  /** Working days by which the build ends earlier; may be 0 or negative. */
  days: number;
  finish: string | null;
  /** Starts that move by it. */
  moved: number;
  /** Where the build's chain of reasons spends most of its time then: what a gain would have to come from next. */
  through: string | null;
  /**
   * The same at the chance that the house promises by: working days by which that date is earlier, and the chance of the deadline before
   * and after. Null where it was not played through.
   */
  sure: { days: number; before: number; after: number } | null;
  /** Builds whose end moves by half a working day or more: days later (negative: earlier), with the chance of their deadlines. */
  others: { build: string; days: number; chance?: { before: number; after: number } }[];
}

/** Days by which a measure is judged: at the chance that is promised by where it was played through, else as planned. */
export const daysOf = (g: Pick<Gain, "days" | "sure">): number => g.sure?.days ?? g.days;

/** A chance that moves by so much is told of other builds too, whatever their planned end does. */
const CHANCE_MOVES = 0.1;
/** Times that a plan is played through for each measure: the same draws for all, so that what differs is the measure's. */
const TIMES = 40;

const STEPS = 24;
/** An hour outside usual hours is paid so many times. */
const OVERTIME = 1.5;

/** Two measures together are tried for the best so many. */
const PAIRED = 3;
const PAIRS = 6;

/**
 * The best first: what gains, by the money for each day gained (what nobody can price last, the more days the sooner); then what
 * gains nothing.
 */
export function byValue(x: Gain, y: Gain): number {
  const group = (g: Gain) => (daysOf(g) <= 0 ? 2 : g.money === null ? 1 : 0);
  const perDay = (g: Gain) => (g.money ?? 0) / Math.max(daysOf(g), 0.25);
  if (group(x) !== group(y)) return group(x) - group(y);
  if (group(x) === 0) return perDay(x) - perDay(y) || daysOf(y) - daysOf(x);
  return daysOf(y) - daysOf(x) || x.hours - y.hours;
}

/**
 * Tries the measures for a build, then pairs of the best, and returns them, best first (`byValue`). `rate` is what an hour of
 * work costs: overtime counts one and a half times, a shunt its minutes. `plan` is the plan at hand. The plain problem is searched just as long as each measure, so that a
 * gain is due to the measure. With `chance`, each plan is played through as well, and days count at that share. `variants` are the build as it could be. `tell` is called after each; returning false stops.
 */
export function gains(
  problem: Problem,
  plan: Plan,
  buildId: string,
  tell?: (gain: Gain, done: number, all: number) => boolean | undefined,
  rate = 0,
  variants: readonly Variant[] = [],
  chance?: { share: number },
): Gain[] {
  const zone = zoneOf(problem.zone);
  const plain = { ...problem, published: undefined };
  const base = makePlan(plain, { iterations: STEPS, start: plan });
  const list = [...measures(problem, base, buildId, zone), ...variantMeasures(variants)];
  const out: { measure: Measure; gain: Gain }[] = [];
  const rank = (x: { gain: Gain }, y: { gain: Gain }) => daysOf(y.gain) - daysOf(x.gain) || x.gain.hours - y.gain.hours;
  const play = (of: Problem, at: Plan): Chances | undefined => chance && chances(of, at, { times: TIMES, share: chance.share });
  const played = play(plain, base);
  const go = (m: Measure, all: number): boolean => {
    const changed = structuredClone(plain) as Problem;
    m.take(changed);
    const tried = readProblem(changed);
    const next = makePlan(tried, { iterations: STEPS, start: base });
    const gain: Gain = {
      kind: m.kind,
      text: m.text,
      price: m.price,
      hours: m.hours,
      money: moneyOf(m, rate, ((shuntsOf(next) - shuntsOf(base)) * problem.shuntMinutes) / 60),
      ...compare(problem, zone, base, next, buildId, played, play(tried, next)),
      moved: movedBy(base, next),
      through: through(problem, next, buildId),
    };
    out.push({ measure: m, gain });
    return tell?.(gain, out.length, all) !== false;
  };
  let on = true;
  for (const m of list) if (on) on = go(m, list.length);
  const helps = out
    .filter((x) => daysOf(x.gain) > 0)
    .sort(rank)
    .slice(0, PAIRED);
  // What gains nothing alone may gain with another: a part that comes sooner, or a bay, when the other was the next to wait for.
  const idle = out.filter((x) => daysOf(x.gain) <= 0 && (x.gain.kind === "part" || x.gain.kind === "bay")).slice(0, 2);
  const best = [...helps, ...idle];
  const pairs = best.flatMap((x, i) => best.slice(i + 1).map((y) => pair(x.measure, y.measure))).slice(0, PAIRS);
  for (const m of pairs) if (on) on = go(m, list.length + pairs.length);
  return out.map((x) => x.gain).sort(byValue);
}

const shuntsOf = (p: Plan): number => p.stays.length - new Set(p.stays.map((s) => s.build)).size;

/** Hours at their rate, and the shunts that come on top; null where the price is somebody else's to say. */
function moneyOf(m: Measure, rate: number, shuntHours: number): number | null {
  if (m.pay === "asked") return null;
  return Math.round(m.hours * rate * (m.pay === "hired" ? 1 : OVERTIME) + Math.max(0, shuntHours) * rate + (m.money ?? 0));
}

function movedBy(base: Plan, next: Plan): number {
  const starts = new Map(base.jobs.map((j) => [j.id, j.start]));
  return next.jobs.filter((j) => starts.get(j.id) !== j.start).length;
}

function through(problem: Problem, next: Plan, buildId: string): string | null {
  const chain = next.builds.find((b) => b.id === buildId)?.chain ?? [];
  const longest = chain.toSorted((a, b) => b.minutes - a.minutes)[0];
  const job = problem.builds.flatMap((b) => b.jobs).find((j) => j.id === longest?.job);
  return job ? job.name : null;
}

const pair = (a: Measure, b: Measure): Measure => ({
  kind: "pair",
  text: `${a.text}, and ${b.text}`,
  price: `${a.price}, and ${b.price}`,
  hours: a.hours + b.hours,
  money: (a.money ?? 0) + (b.money ?? 0),
  pay: a.pay === "asked" || b.pay === "asked" ? "asked" : a.pay === "hired" && b.pay === "hired" ? "hired" : "overtime",
  take: (p) => {
    a.take(p);
    b.take(p);
  },
});

function compare(
  problem: Problem,
  zone: Zone,
  base: Plan,
  next: Plan,
  buildId: string,
  before?: Chances,
  after?: Chances,
): Pick<Gain, "days" | "finish" | "others" | "sure"> {
  const shop = problem.calendars.find((c) => c.id === "shop")!;
  const finish = (p: Plan, id: string) => {
    // A measure may have set the build's bench work apart.
    const ends = p.builds.flatMap((b) => ((b.id === id || b.id === apart(id)) && b.finish ? [zone.parse(b.finish)] : []));
    return ends.length ? Math.max(...ends) : undefined;
  };
  const all = [
    ...[base, next].flatMap((p) => p.builds.flatMap((b) => (b.finish ? [zone.parse(b.finish)] : []))),
    ...[before, after].flatMap((c) => c?.builds.map((b) => zone.parse(b.at)) ?? []),
  ];
  const from = zone.dayOf(Math.min(...all));
  const to = zone.dayOf(Math.max(...all)) + 1;
  const { open } = openHours(zone, { week: shop.week, closed: shop.closed }, from, to);
  const day = dayMinutes(shop.week);
  /** Working days from a to b of usual hours, to a quarter. */
  const days = (a: number | undefined, b: number | undefined) => {
    if (a === undefined || b === undefined) return 0;
    const m = a <= b ? open.minutes(a, b) : -open.minutes(b, a);
    return Math.round((4 * m) / day) / 4;
  };
  /** Of a build and its bench work where that was set apart: the later of the two, and the lower of the two chances. */
  const sureOf = (c: Chances | undefined, id: string) => {
    const list = c?.builds.filter((b) => b.build === id || b.build === apart(id)) ?? [];
    return list.length ? { at: Math.max(...list.map((b) => zone.parse(b.at))), byDue: Math.min(...list.map((b) => b.byDue)) } : undefined;
  };
  const [own, then] = [sureOf(before, buildId), sureOf(after, buildId)];
  return {
    days: days(finish(next, buildId), finish(base, buildId)),
    sure: own && then ? { days: days(then.at, own.at), before: own.byDue, after: then.byDue } : null,
    finish: next.builds.find((b) => b.id === buildId)?.finish ?? null,
    others: problem.builds
      .filter((b) => b.id !== buildId)
      .map((b) => {
        const [was, is] = [sureOf(before, b.id), sureOf(after, b.id)];
        const chance = was && is ? { chance: { before: was.byDue, after: is.byDue } } : {};
        return { build: b.id, days: days(finish(base, b.id), finish(next, b.id)), ...chance };
      })
      .filter((o) => Math.abs(o.days) >= 0.5 || (o.chance && Math.abs(o.chance.after - o.chance.before) >= CHANCE_MOVES)),
  };
}

function dayMinutes(week: Problem["calendars"][number]["week"]): number {
  const sums = WEEKDAYS.map((d) => (week[d] ?? []).reduce((n, [a, b]) => n + minutesOf(b) - minutesOf(a), 0));
  return Math.max(1, ...sums);
}
