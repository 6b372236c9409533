// The checker's own reading of calendars, weather and conditions. Shares nothing with the planner but the zone.

import { DAY, type Minute, parseClock, parseDate, weekdayOf, type Zone } from "../../time/zone";
import type { Problem, ProblemBay, ProblemFitter, ProblemJob } from "../model";

export type Span = [Minute, Minute];

const WEEK = ["mon", "tue", "wed", "thu", "fri", "sat", "sun"] as const;

/** Sorts and joins touching spans. */
export function joined(spans: readonly Span[]): Span[] {
  const out: Span[] = [];
  for (const [a, b] of [...spans].filter(([x, y]) => x < y).sort((x, y) => x[0] - y[0])) {
    const last = out.at(-1);
    if (last && last[1] >= a) last[1] = Math.max(last[1], b);
    else out.push([a, b]);
  }
  return out;
}

/** What two lists of joined spans have in common. */
export function common(x: readonly Span[], y: readonly Span[]): Span[] {
  const out: Span[] = [];
  for (const [a, b] of x) for (const [c, d] of y) if (Math.max(a, c) < Math.min(b, d)) out.push([Math.max(a, c), Math.min(b, d)]);
  return joined(out);
}

export const meet = (x: Span, y: Span): boolean => x[0] < y[1] && y[0] < x[1];

export const lengthOf = (spans: readonly Span[]): number => spans.reduce((n, [a, b]) => n + b - a, 0);

const clockSpans = (zone: Zone, day: number, list: readonly (readonly string[])[]): Span[] =>
  list.map(([a, b]) => [zone.toUtc(day * DAY + parseClock(a)), zone.toUtc(day * DAY + parseClock(b))]);

export class Hours {
  readonly zone: Zone;
  private readonly p: Problem;
  constructor(p: Problem, zone: Zone) {
    this.p = p;
    this.zone = zone;
  }

  private days(a: Minute, b: Minute): number[] {
    const out: number[] = [];
    for (let d = this.zone.dayOf(a); d <= this.zone.dayOf(Math.max(a, b - 1)); d++) out.push(d);
    return out;
  }

  private clip(spans: Span[], a: Minute, b: Minute): Span[] {
    return common(joined(spans), [[a, b]]);
  }

  /** Open spans of a calendar in [a, b); overtime only, where asked. */
  calendar(id: string, a: Minute, b: Minute, overtimeOnly = false): Span[] {
    const c = this.p.calendars.find((x) => x.id === id)!;
    const spans = this.days(a, b).flatMap((day) => {
      const extras = (c.extra ?? []).filter((e) => parseDate(e.date) === day);
      if (extras.length) return extras.filter((e) => !overtimeOnly || e.overtime).flatMap((e) => clockSpans(this.zone, day, e.windows));
      if (overtimeOnly || (c.closed ?? []).some((d) => parseDate(d) === day)) return [];
      return clockSpans(this.zone, day, c.week[WEEK[weekdayOf(day)]] ?? []);
    });
    return this.clip(spans, a, b);
  }

  private minus(spans: Span[], holes: readonly (readonly string[])[] | undefined): Span[] {
    let out = spans;
    for (const [x, y] of holes ?? []) {
      const from = this.zone.parse(x);
      const to = this.zone.parse(y);
      out = out.flatMap(([a, b]): Span[] =>
        to <= a || from >= b || from >= to
          ? [[a, b]]
          : ([
              [a, from],
              [to, b],
            ].filter(([u, v]) => u < v) as Span[]),
      );
    }
    return out;
  }

  fitter(f: ProblemFitter, a: Minute, b: Minute): Span[] {
    return this.minus(this.calendar(f.calendar, a, b), f.away);
  }

  bay(bay: ProblemBay, a: Minute, b: Minute): Span[] {
    return this.minus(bay.calendar ? this.calendar(bay.calendar, a, b) : [[a, b]], bay.closed);
  }

  weatherOn(day: number) {
    const w = this.p.weather;
    return w?.days?.find((d) => parseDate(d.date) === day) ?? w?.default;
  }

  private byDay(a: Minute, b: Minute, windows: (day: number) => readonly (readonly string[])[] | undefined): Span[] {
    return this.clip(
      this.days(a, b).flatMap((day) => {
        const w = windows(day);
        return w ? clockSpans(this.zone, day, w) : ([[this.zone.dayStart(day), this.zone.dayStart(day + 1)]] as Span[]);
      }),
      a,
      b,
    );
  }

  /** Whether rain does not reach a place. */
  indoor(placeId: string): boolean {
    return (this.p.bays.find((x) => x.id === placeId)?.has ?? this.p.yard.has ?? []).includes("indoor");
  }

  dry(a: Minute, b: Minute): Span[] {
    return this.byDay(a, b, (d) => this.weatherOn(d)?.dry);
  }

  light(a: Minute, b: Minute): Span[] {
    return this.byDay(a, b, (d) => {
      const w = this.weatherOn(d);
      return w && [[w.sunrise, w.sunset]];
    });
  }

  noise(a: Minute, b: Minute): Span[] {
    return this.byDay(a, b, (d) => this.p.noiseWeek?.[WEEK[weekdayOf(d)]] ?? (this.p.noiseHours ? [this.p.noiseHours] : undefined));
  }

  /** When a shared tool can be worked with. */
  private tool(id: string, a: Minute, b: Minute): Span[] {
    const tool = this.p.tools?.find((t) => t.id === id);
    return this.minus(
      this.byDay(a, b, () => tool?.hours && [tool.hours]),
      tool?.closed,
    );
  }

  /** All that has to be open for the job to work there with that crew, in [a, b). */
  ofJob(job: ProblemJob, placeId: string, crew: readonly ProblemFitter[], a: Minute, b: Minute): Span[] {
    let open: Span[] = crew.length ? [[a, b]] : this.calendar("shop", a, b);
    for (const f of crew) open = common(open, this.fitter(f, a, b));
    if (job.needs?.noisy) open = common(open, this.noise(a, b));
    for (const t of job.tools ?? []) open = common(open, this.tool(t.id, a, b));
    if (job.place === "bench") return open;
    const bay = this.p.bays.find((x) => x.id === placeId);
    if (bay) open = common(open, this.bay(bay, a, b));
    const has = bay ? bay.has : (this.p.yard.has ?? []);
    if (job.needs?.dry && !has.includes("indoor")) open = common(open, this.dry(a, b));
    if (job.needs?.daylight && !has.includes("lit")) open = common(open, this.light(a, b));
    return open;
  }

  /** The temperature at which a heated place is kept; undefined where the sky rules. */
  kept(placeId: string | undefined): number | undefined {
    const bay = this.p.bays.find((x) => x.id === placeId);
    return bay?.has.includes("heated") ? bay.tempC : undefined;
  }

  /** What of [a, b) a place is not heated to a temperature by its own hours of heating. */
  unheated(placeId: string | undefined, a: Minute, b: Minute, least: number): Span[] {
    const slots = this.p.bays.find((x) => x.id === placeId)?.warm ?? [];
    return this.minus(
      [[a, b]],
      slots.filter((s) => s.tempC >= least).map((s) => [s.from, s.to]),
    );
  }

  /** The highest temperature a place is heated to within [a, b) by its own hours of heating. */
  heatedTo(placeId: string | undefined, a: Minute, b: Minute): number | undefined {
    const slots = this.p.bays.find((x) => x.id === placeId)?.warm ?? [];
    const over = slots.filter((s) => this.zone.parse(s.from) < b && this.zone.parse(s.to) > a).map((s) => s.tempC);
    return over.length ? Math.max(...over) : undefined;
  }

  /** By how much metal is colder than the air for a job, where nothing is heated throughout. */
  lag(job: ProblemJob): number {
    return job.needs?.metal && !(typeof job.state === "object" && "started" in job.state) ? (this.p.skinBelowC ?? 3) : 0;
  }

  /** The warmest a place gets within [a, b) of one date: a day is as warm as its high between ten and twenty, else as its mean. */
  warmest(placeId: string | undefined, day: number, a: Minute, b: Minute): number | undefined {
    const [ten, twenty] = [this.zone.toUtc(day * DAY + 600), this.zone.toUtc(day * DAY + 1200)];
    return this.temperature(placeId, day, a < twenty && b > ten ? "high" : "mean");
  }

  /** Temperature of a place on a date: the bay's own, or the day's (low or mean); undefined when nothing is known. */
  temperature(placeId: string | undefined, day: number, kind: "low" | "mean" | "high"): number | undefined {
    const kept = this.kept(placeId);
    if (kept !== undefined) return kept;
    const w = this.weatherOn(day);
    if (!w) return undefined;
    if (kind === "high") return w.tempC[1];
    return kind === "low" ? w.tempC[0] : (w.tempC[0] + w.tempC[1]) / 2;
  }
}
