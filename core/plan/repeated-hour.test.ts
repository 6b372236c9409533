// Nothing in a plan stands at a time that clocks show twice, and everything in it reads back to the instant that was meant.

import { describe, expect, it } from "vitest";
import { between, random } from "../rng";
import { zoneOf } from "../time/zone";
import { checkPlan } from "./check/check";
import { plannedMinutes } from "./model";
import { makePlan } from "./planner";
import { readProblem } from "./read";

const ZONES = ["Europe/Lisbon", "Europe/Berlin", "America/New_York", "Australia/Lord_Howe", "America/Santiago"];

/** The days on which clocks go back and forward in a zone and year, as local dates. */
function changesOf(id: string, year: number): string[] {
  const zone = zoneOf(id);
  const out: string[] = [];
  for (let d = Date.UTC(year, 0, 2) / 86_400_000; d < Date.UTC(year, 11, 30) / 86_400_000; d++)
    if (zone.dayStart(d + 1) - zone.dayStart(d) !== 1440) out.push(new Date(d * 86_400_000).toISOString().slice(0, 10));
  return out;
}

const NIGHT = { mon: [], tue: [], wed: [], thu: [], fri: [], sat: [], sun: [] } as Record<string, [string, string][]>;
for (const day of Object.keys(NIGHT)) NIGHT[day] = [["00:00", "24:00"]];

/** A shop that works through the night on which clocks change, with jobs, holds and links of odd lengths. */
function night(zone: string, date: string, seed: number) {
  const r = random(seed);
  const before = new Date(Date.parse(`${date}T00:00Z`) - 86_400_000).toISOString().slice(0, 10);
  const minutes = () => between(r, 17, 190);
  const job = (i: number) => ({
    id: `j${i}`,
    name: `Job ${i}`,
    stage: "strip",
    minutes: { best: 10, likely: minutes(), worst: 400 },
    place: i % 3 === 0 ? "bench" : "van",
    zones: ["left"],
    state: "todo",
    crew: [{ skill: "any" }],
    after: i > 1 && i % 2 ? [{ job: `j${i - 1}` }] : [],
    ...(i % 2 ? { hold: { minutes: between(r, 20, 300), ...(i % 4 === 1 ? { still: true } : {}) } } : {}),
  });
  return {
    format: "wide-lane/problem@1",
    zone,
    now: `${before}T20:00`,
    calendars: [{ id: "shop", week: NIGHT }],
    bays: [{ id: "b1", name: "Bay", has: ["indoor", "lit"], calendar: "shop" }],
    yard: { places: 2, has: [] },
    shuntMinutes: 15,
    fitters: ["ana", "rui"].map((id) => ({ id, name: id, calendar: "shop", skills: { body: 3 } })),
    builds: [
      {
        id: "van",
        name: "Van",
        lengthMm: 5000,
        heightMm: 2500,
        insideCrew: 2,
        arrives: `${before}T18:00`,
        due: `${date}T23:00`,
        weight: 1,
        at: "b1",
        jobs: Array.from({ length: 12 }, (_, i) => job(i + 1)),
      },
    ],
  };
}

const cases = ZONES.flatMap((zone) => [2026, 2027, 2031].flatMap((year) => changesOf(zone, year).map((date) => [zone, date] as const)));

describe("the night on which clocks change", () => {
  it("is there in every zone that changes them", () => expect(cases.length).toBeGreaterThanOrEqual(28));
  it.each(cases)("%s, %s: no start, pause, end, hold or stay at a time that exists twice", (id, date) => {
    const zone = zoneOf(id);
    for (let seed = 1; seed <= 4; seed++) {
      const problem = readProblem(night(id, date, seed));
      const plan = makePlan(problem, { iterations: 15, seed });
      expect(plan.unplaced).toEqual([]);
      const times = [
        ...plan.jobs.flatMap((j) => [j.start, j.end, ...(j.holdUntil ? [j.holdUntil] : []), ...(j.work ?? []).flat()]),
        ...plan.stays.flatMap((s) => [s.from, s.to]),
        ...plan.builds.flatMap((b) => (b.finish ? [b.finish] : [])),
        ...plan.jobs.flatMap((j) => (j.why ?? []).flatMap((w) => w.until ?? [])),
      ];
      for (const text of times) {
        const t = zone.parse(text);
        expect([text, zone.show(t)]).toEqual([text, text]);
        expect([text, zone.repeated(t, t + 1).some(([a, b]) => a <= t && t < b)]).toEqual([text, false]);
      }
      // Work is as long as it was meant: an hour that is there twice is not lost or counted twice.
      for (const j of plan.jobs) {
        const asked = plannedMinutes(problem.builds[0].jobs.find((x) => x.id === j.id)!.minutes);
        const done = (j.work ?? []).reduce((n, [a, b]) => n + zone.parse(b) - zone.parse(a), 0);
        expect([j.id, done]).toEqual([j.id, asked]);
      }
      expect(checkPlan(problem, plan)).toEqual([]);
    }
  });
});

describe("sayable", () => {
  it("moves an instant of the repeated hour to its end, and leaves every other where it is", () => {
    const lisbon = zoneOf("Europe/Lisbon");
    const first = lisbon.parse("2027-10-31T01:00");
    for (const t of [first, first + 59, first + 60, first + 119]) expect(lisbon.show(lisbon.sayable(t))).toBe("2027-10-31T02:00");
    for (const t of [first - 1, first + 120, first + 121]) expect(lisbon.sayable(t)).toBe(t);
  });
});
