// The look-ups that the planner trusts: who meets whom, whose hours are alike, when it is dry, light and warm.

import { describe, expect, it } from "vitest";
import { OpenSet } from "../time/openset";
import { zoneOf } from "../time/zone";
import { Board } from "./board";
import { compile } from "./compile";
import type { Problem, ProblemJob } from "./model";
import { readProblem } from "./read";
import { weatherSets } from "./sky";
import { classes, fillMatrices } from "./tables";
import { workshop } from "./testing/workshop";

const job = (more: Partial<ProblemJob>): ProblemJob => ({
  id: "x",
  stage: "strip",
  name: "x",
  minutes: 60,
  place: "van",
  zones: [],
  crew: [],
  state: "todo",
  ...more,
});
const matrices = (jobs: ProblemJob[]) => {
  const m = { n: jobs.length, meets: new Uint8Array(jobs.length ** 2), keepsOff: new Uint8Array(jobs.length ** 2), near: [] };
  fillMatrices(m, jobs);
  return { meets: (a: number, b: number) => m.meets[a * m.n + b] === 1, off: (a: number, b: number) => m.keepsOff[a * m.n + b] === 1 };
};

describe("fillMatrices", () => {
  it("lets jobs meet where they share a zone, bench work nowhere", () => {
    const m = matrices([
      job({ zones: ["floor", "left"] }),
      job({ zones: ["left"] }),
      job({ zones: ["roof"] }),
      job({ place: "bench", zones: ["left"] }),
    ]);
    expect([m.meets(0, 1), m.meets(1, 0), m.meets(0, 2), m.meets(0, 3)]).toEqual([true, true, false, false]);
  });
  it("keeps off what a hold names; all means whatever has a zone", () => {
    const m = matrices([
      job({ zones: ["roof"], hold: { minutes: 60, keepOff: ["floor"] } }),
      job({ zones: ["floor"] }),
      job({ zones: [] }),
      job({ zones: ["nose"], hold: { minutes: 60, keepOff: "all" } }),
    ]);
    expect([m.off(0, 1), m.off(0, 2), m.off(0, 3)]).toEqual([true, false, false]);
    expect([m.off(3, 0), m.off(3, 1), m.off(3, 2)]).toEqual([true, true, false]);
  });
  it("tells more than thirty zones apart", () => {
    const jobs = Array.from({ length: 70 }, (_, i) => job({ zones: [`z${i}`] }));
    const m = matrices([...jobs, job({ zones: ["z3", "z64"] })]);
    for (let i = 0; i < 70; i++) expect(m.meets(70, i)).toBe(i === 3 || i === 64);
    expect(m.meets(0, 30)).toBe(false);
  });
});

describe("hours of crews", () => {
  const problem = readProblem(workshop({ seed: 3, builds: 3, jobsPerBuild: 12, wild: true }));
  const c = compile(problem);
  it("numbers equal sets alike", () => {
    const number = classes();
    const a = new OpenSet([[0, 10]]);
    expect([number(a), number(new OpenSet([[0, 10]])), number(new OpenSet([[0, 11]])), number(a)]).toEqual([0, 0, 1, 0]);
    for (const f of c.fitters)
      for (const g of c.fitters) expect(f.openClass === g.openClass).toBe(f.open.stretches().join() === g.open.stretches().join());
  });
  it("are the overlap of all its people's, the place's and the conditions' hours", () => {
    const b = new Board(c);
    for (const j of c.jobs.slice(0, 20))
      for (const place of j.van ? j.places : [-1])
        for (const crew of [[], [0], [1], [0, 1], [0, 1, 2]]) {
          const hours = b.hours(j, place, crew);
          let plain = crew.length ? c.fitters[crew[0]].open : c.shop;
          for (const f of crew) plain = plain.and(c.fitters[f].open);
          if (place >= 0) plain = plain.and(c.places[place].open);
          if (j.dry && place >= 0 && !c.places[place].indoor) plain = plain.and(c.dry);
          if (j.daylight && place >= 0 && !c.places[place].lit) plain = plain.and(c.light);
          if (j.noisy && c.noise) plain = plain.and(c.noise);
          plain = plain.and(new OpenSet([[c.now, c.horizon]]));
          expect(hours.stretches()).toEqual(plain.stretches());
        }
  });
});

describe("weatherSets", () => {
  const zone = zoneOf("Europe/Lisbon");
  const first = Date.parse("2027-03-01T00:00Z") / 86_400_000;
  const whole = new OpenSet([[zone.dayStart(first), zone.dayStart(first + 3)]]);
  const at = (t: string) => zone.parse(t);
  const sets = (weather: Problem["weather"], noiseHours?: [string, string]) =>
    weatherSets({ weather, noiseHours } as Problem, zone, first, first + 2, whole);
  it("takes a day's own forecast, the default for others, and dry, light and warm without either", () => {
    const days = [{ date: "2027-03-01", sunrise: "07:00", sunset: "18:00", dry: [["09:00", "12:00"]], tempC: [2, 8] }];
    const own = sets({ days });
    expect([own.dry.has(at("2027-03-01T10:00")), own.dry.has(at("2027-03-01T13:00")), own.dry.has(at("2027-03-02T13:00"))]).toEqual([
      true,
      false,
      true,
    ]);
    expect([own.light.has(at("2027-03-01T06:00")), own.light.has(at("2027-03-02T03:00"))]).toEqual([false, true]);
    expect([
      own.cold("mean", 6).has(at("2027-03-01T12:00")),
      own.cold("mean", 5).has(at("2027-03-01T12:00")),
      own.cold("low", 3).has(at("2027-03-01T12:00")),
      own.cold("low", 3).has(at("2027-03-02T12:00")),
    ]).toEqual([true, false, true, false]);
    const usual = sets({ days, default: { sunrise: "06:00", sunset: "19:00", dry: [], tempC: [10, 20] } });
    expect([usual.dry.has(at("2027-03-02T13:00")), usual.light.has(at("2027-03-02T18:30"))]).toEqual([false, true]);
  });
  it("has noise hours only where they are set", () => {
    expect(sets(undefined).noise).toBeUndefined();
    const noise = sets(undefined, ["09:00", "17:00"]).noise!;
    expect([noise.has(at("2027-03-02T08:59")), noise.has(at("2027-03-02T09:00")), noise.has(at("2027-03-02T17:00"))]).toEqual([
      false,
      true,
      false,
    ]);
  });
});
