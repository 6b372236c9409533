// Worked cases of plan and people, and what these calculators refuse.

import { describe, expect, it } from "vitest";
import { InputError } from "../plan/fault";
import { random } from "../rng";
import { findCalculator } from "./calculators";
import type { Outcome } from "./engine/outcome";

type Results = Record<string, number | string | boolean | null>;
const run = (name: string, input: object) => findCalculator(name)!.run(input) as Outcome<Results>;
const level = (o: Outcome<Results>) => (["stop", "warn", "ok"] as const).find((l) => o.findings.some((f) => f.level === l));
const said = (o: Outcome<Results>) => o.findings.map((f) => f.text).join("; ");
const refused = (name: string, input: object): string[] => {
  try {
    run(name, input);
  } catch (e) {
    if (e instanceof InputError) return e.faults.map((f) => f.path);
    throw e;
  }
  return [];
};

describe("go or no-go", () => {
  const steps = [
    ...[35, 15, 10, 30, 25, 15].map((minutes, i) => ({ name: `step ${i}`, minutes })),
    ...[40, 20].map((minutes, i) => ({ name: `dry ${i}`, minutes, drying: true })),
  ];
  it("worked case: rain binds at 14:35; likely from 11:25, with caution from 10:33 at the latest", () => {
    const o = run("go-no-go", { steps, sunset: "16:48", rain: "15:20" });
    expect(o.results).toEqual({
      limit: "14:35",
      binds: "rain",
      likelyMinutes: 190,
      carefulMinutes: 242,
      likelyStart: "11:25",
      latestStart: "10:33",
    });
    expect(run("go-no-go", { steps, sunset: "16:48" }).results).toMatchObject({ limit: "16:18", binds: "dusk", latestStart: "12:16" });
  });
  it("stops once the moment is over, or where the day is too short, and lets the end of the shift bind", () => {
    const at = (now: string) => run("go-no-go", { steps, sunset: "16:48", rain: "15:20", now });
    expect(level(at("10:33"))).toBe("warn");
    expect(said(at("10:33"))).toMatch(/go until 10:33/);
    expect(level(at("10:34"))).toBe("stop");
    expect(said(at("10:34"))).toMatch(/had to begin by 10:33/);
    expect(run("go-no-go", { steps, sunset: "16:48", shiftEnd: "16:00" }).results.binds).toBe("the end of the shift");
    const short = run("go-no-go", { steps, sunset: "16:48", rain: "04:00" });
    expect(short.results.latestStart).toBeNull();
    expect(level(short)).toBe("stop");
  });
  it("never hurries what dries", () => {
    const dry = run("go-no-go", { steps: [{ name: "coat", minutes: 100, drying: true }], sunset: "17:00", caution: 3 });
    expect(dry.results).toMatchObject({ likelyMinutes: 100, carefulMinutes: 100 });
    expect(refused("go-no-go", { steps, sunset: "25:00" })).toEqual(["sunset"]);
    expect(refused("go-no-go", { steps: [], sunset: "17:00" })).toEqual(["steps"]);
    expect(refused("go-no-go", { steps, sunset: "17:00", caution: 0.5 })).toEqual(["caution"]);
  });
});

describe("a hold that was disturbed", () => {
  const hold = { holdH: 20, refC: 20 };
  it("worked case: 22.97 h at 18 °C; six hours of it, then 8 °C, 33.95 h more", () => {
    expect(run("disturbed-hold", { ...hold, stretches: [{ tempC: 18 }] }).results.inAllH).toBeCloseTo(22.97, 2);
    const o = run("disturbed-hold", { ...hold, stretches: [{ hours: 6, tempC: 18 }, { tempC: 8 }] });
    expect(o.results.earnedH).toBeCloseTo(5.22, 2);
    expect(o.results.moreH).toBeCloseTo(33.95, 2);
    expect(o.results.inAllH).toBeCloseTo(39.95, 2);
    expect(o.holdMinutes).toBe(Math.ceil(39.95 * 60) - 0);
  });
  it("worked case: never below the minimum, with a warning from hour 6", () => {
    const o = run("disturbed-hold", { ...hold, minC: 10, stretches: [{ hours: 6, tempC: 18 }, { tempC: 8 }] });
    expect(o.results).toMatchObject({ moreH: null, inAllH: null });
    expect(o.holdMinutes).toBeNull();
    expect(said(o)).toMatch(/from hour 6 at 8 °C nothing cures/);
    expect(level(o)).toBe("warn");
  });
  it("is over where it earned enough on the way, and stops when the van was moved", () => {
    const o = run("disturbed-hold", { ...hold, stretches: [{ hours: 30, tempC: 20 }, { tempC: 5 }] });
    expect(o.results).toMatchObject({ earnedH: 20, moreH: 0, inAllH: 20 });
    expect(level(run("disturbed-hold", { ...hold, moved: true, stretches: [{ tempC: 20 }] }))).toBe("stop");
    expect(refused("disturbed-hold", { ...hold, stretches: [{ tempC: 20 }, { tempC: 5 }] })).toEqual(["stretches[0].hours"]);
    expect(refused("disturbed-hold", { holdH: 0, refC: 20, stretches: [{ tempC: 20 }] })).toEqual(["holdH"]);
  });
  it("takes as long in two stretches of one warmth as in one, on 200 holds", () => {
    const r = random(5);
    for (let k = 0; k < 200; k++) {
      const tempC = Math.round(r() * 30);
      const q = 1 + Math.round(r() * 20) / 10;
      const h = { holdH: 1 + Math.round(r() * 40), refC: 20, q };
      const one = run("disturbed-hold", { ...h, stretches: [{ tempC }] }).results.inAllH as number;
      const two = run("disturbed-hold", { ...h, stretches: [{ hours: Math.round(r() * one), tempC }, { tempC }] }).results.inAllH as number;
      expect(two).toBeCloseTo(one, 1);
      // Warmer is never slower.
      expect(run("disturbed-hold", { ...h, stretches: [{ tempC: tempC + 5 }] }).results.inAllH as number).toBeLessThanOrEqual(one);
    }
  });
});

describe("the run in passes", () => {
  it("takes the longest of work, first hold and last hold", () => {
    expect(run("passes", { pieces: 6, first: 20, hold: 90, second: 15 }).results).toEqual({
      minutes: 225,
      oneByOne: 750,
      binds: "the last piece's hold",
    });
    expect(run("passes", { pieces: 6, first: 15, hold: 90, second: 20 }).results).toMatchObject({
      minutes: 225,
      binds: "the first piece's hold",
    });
    expect(run("passes", { pieces: 10, first: 20, hold: 30, second: 20 }).results).toMatchObject({
      minutes: 400,
      binds: "the work itself",
    });
    expect(run("passes", { pieces: 1, first: 5, hold: 60, second: 5 }).results.minutes).toBe(70);
    expect(refused("passes", { pieces: 0, first: 1, hold: 1, second: 1 })).toEqual(["pieces"]);
  });
  it("is what a crew that always takes the earliest needs, on 300 runs", () => {
    const r = random(9);
    for (let k = 0; k < 300; k++) {
      const n = 1 + Math.floor(r() * 9);
      const [a, h, b] = [1 + Math.floor(r() * 40), Math.floor(r() * 200), 1 + Math.floor(r() * 40)];
      // All first passes, then each second one as soon as its hold is over.
      let t = n * a;
      for (let i = 0; i < n; i++) t = Math.max(t, (i + 1) * a + h) + b;
      expect(run("passes", { pieces: n, first: a, hold: h, second: b }).results.minutes, `${n} ${a} ${h} ${b}`).toBe(t);
    }
  });
});

describe("a second pair of hands", () => {
  const input = {
    from: "08:30",
    before: 70,
    pair: 25,
    after: 40,
    helper: [
      { from: "09:00", to: "09:20" },
      { from: "10:15", to: "11:30" },
    ],
  };
  it("worked case: ready 09:40 and waits 35; from 09:05 nobody waits, done 11:20", () => {
    expect(run("second-hands", input).results).toEqual({
      readyAt: "09:40",
      waits: 35,
      pairFrom: "10:15",
      pairTo: "10:40",
      startAt: "09:05",
      doneAt: "11:20",
      helperMinutes: 25,
      insteadOf: 135,
    });
    const later = run("second-hands", { ...input, from: "09:05" });
    expect(later.results.waits).toBe(0);
    expect(level(later)).toBe("ok");
  });
  it("without anybody: a prop or twice the time, but never alone with glass or what is heavy", () => {
    const alone = { ...input, helper: [{ from: "12:00", to: "12:10" }] };
    expect(run("second-hands", alone).results.doneAt).toBe("11:10");
    expect(run("second-hands", { ...alone, propMinutes: 12 }).results.doneAt).toBe("10:57");
    expect(level(run("second-hands", alone))).toBe("warn");
    for (const two of [{ glass: true }, { kg: 15.5 }]) {
      expect(level(run("second-hands", { ...alone, ...two }))).toBe("stop");
      expect(run("second-hands", { ...alone, ...two }).results.doneAt).toBeNull();
    }
    expect(level(run("second-hands", { ...alone, kg: 15 }))).toBe("warn");
    expect(refused("second-hands", { ...input, helper: [{ from: "10:00", to: "09:00" }] })).toEqual(["helper[0].to"]);
  });
});

describe("hands against the date", () => {
  const people = [
    { name: "A", days: 12, sure: true },
    { name: "B", days: 4, sure: false },
  ];
  it("worked case: 76.5 h sure, 11.5 short; 102 h with B, 14 over; 13.8 crew-days", () => {
    const o = run("hands-date", { hoursLeft: 88, hoursADay: 7.5, people });
    expect(o.results).toEqual({ sureHours: 76.5, allHours: 102, sureOver: -11.5, allOver: 14, crewDays: 13.8 });
    expect(level(o)).toBe("warn");
    expect(said(o)).toBe("only with B: sure days are 11.5 hours short");
  });
  it("is well on sure days, and stops when even hope is too little", () => {
    expect(level(run("hands-date", { hoursLeft: 76, hoursADay: 7.5, people }))).toBe("ok");
    expect(level(run("hands-date", { hoursLeft: 103, hoursADay: 7.5, people }))).toBe("stop");
    expect(refused("hands-date", { hoursLeft: 1, hoursADay: 0, people })).toEqual(["hoursADay"]);
    expect(refused("hands-date", { hoursLeft: 1, hoursADay: 8, people, share: 1.2 })).toEqual(["share"]);
  });
});

describe("mixes by open time", () => {
  const job = { pieces: 12, pieceMinutes: 6, openMinutes: 20, mixMinutes: 8 };
  it("splits what takes longer than it stays open: three on a mix, four mixes, 104 minutes; by two six on a mix, 52", () => {
    const o = run("mixes", job);
    expect(o.results).toEqual({ serves: 3, mixes: 4, minutes: 104, minutesByTwo: 52, mixesByTwo: 2 });
    expect(level(o)).toBe("warn");
    expect(said(o)).toBe(
      "all of them take longer than it stays open: 4 mixes of up to 3, 104 min; with a second pair of hands 2 mixes of up to 6, 52 min",
    );
    expect(o.minutes).toMatchObject({ best: 72, likely: 104, worst: 136, covers: "part", held: 72 });
    expect(run("mixes", { ...job, pair: true }).results).toMatchObject({ serves: 6, mixes: 2, minutes: 52 });
  });
  it("is one mix where it stays open long enough, exactly at the limit too, and never where one piece is too slow", () => {
    expect(level(run("mixes", { ...job, openMinutes: 72 }))).toBe("ok");
    expect(level(run("mixes", { ...job, openMinutes: 71 }))).toBe("warn");
    const slow = run("mixes", { ...job, openMinutes: 5 });
    expect([level(slow), said(slow)]).toEqual([
      "stop",
      "one piece alone takes longer than it stays open: only with a second pair of hands (12 mixes of up to 1, 132 min)",
    ]);
    expect(slow.minutes).toBeNull();
    expect(said(run("mixes", { ...job, openMinutes: 2 }))).toMatch(/for two as well/);
    expect(refused("mixes", { ...job, pieces: 0, openMinutes: 0 })).toEqual(["pieces", "openMinutes"]);
  });
  it("lays what a simulated hand sets, mix by mix, for 300 tubs", () => {
    const r = random(7);
    for (let k = 0; k < 300; k++) {
      const [pieces, each, mix] = [1 + Math.floor(r() * 30), 1 + Math.floor(r() * 9), Math.floor(r() * 10)];
      const openMinutes = each + Math.floor(r() * 60);
      let [t, count, left] = [0, 0, pieces];
      while (left) {
        count++;
        t += mix;
        for (let open = openMinutes; left && open >= each; open -= each, left--) t += each;
      }
      expect(run("mixes", { pieces, pieceMinutes: each, openMinutes, mixMinutes: mix }).results).toMatchObject({
        mixes: count,
        minutes: t,
      });
    }
  });
});

describe("a run in passes, locked with its job", () => {
  it("is as long in the plan as it is in passes, between the work itself and one by one", () => {
    expect(run("passes", { pieces: 6, first: 20, hold: 90, second: 15 }).minutes).toMatchObject({
      best: 210,
      likely: 225,
      worst: 750,
      covers: "part",
      held: 210,
    });
  });
});

describe("a chain of coats", () => {
  const coats = [
    { name: "prime", minutes: 60, holdH: 4 },
    { name: "first", minutes: 60, holdH: 16 },
    { name: "second", minutes: 60, holdH: 24 },
  ];
  const day = { weekday: "mon", from: "08:00", opens: "08:00", closes: "17:00", coats };
  it("worked by hand: prime 08 to 09, first 13 to 14, second Tuesday 08 to 09, dry Wednesday 09:00, a day in hand", () => {
    const o = run("coat-chain", { ...day, neededDay: 3, neededAt: "09:00" });
    expect(o.results).toEqual({ ready: "wed 09:00", readyH: 49, handsMinutes: 180, spareH: 24, latestStart: "tue 10:00", gapLeftMm: null });
    expect(o.findings.map((f) => f.text).slice(1)).toEqual([
      "prime: mon 08:00 to mon 09:00, dry mon 13:00; at the latest from tue 10:00",
      "first: mon 13:00 to mon 14:00, dry tue 06:00; at the latest from tue 15:00",
      "second: tue 08:00 to tue 09:00, dry wed 09:00; at the latest from wed 08:00",
    ]);
  });
  it("goes over the weekend only as a hold, never with hands", () => {
    expect(run("coat-chain", { ...day, weekday: "fri" }).results).toMatchObject({ ready: "tue 09:00" });
    const late = run("coat-chain", { ...day, weekday: "fri", neededDay: 3, neededAt: "08:00" });
    expect([level(late), late.results.spareH]).toEqual(["stop", -25]);
    // Needed on Monday morning: what has to hold over Sunday goes on on Friday, and what comes before it earlier still.
    // Second: dry from Sunday 08:00 back, so Friday 16:00; first: by Thursday midnight, so 16:00; prime: by noon, so 11:00.
    expect(late.results.latestStart).toBe("thu 11:00");
  });
  it("takes twice as long ten degrees below, and tells what the coats leave of a gap", () => {
    expect(run("coat-chain", { ...day, coats: coats.slice(0, 1), tempC: 10 }).results.ready).toBe("mon 17:00");
    expect(run("coat-chain", { ...day, filmMm: 0.2, gapMm: 3 }).results.gapLeftMm).toBe(1.8);
    expect(level(run("coat-chain", { ...day, filmMm: 0.2, gapMm: 2 }))).toBe("warn");
    expect(level(run("coat-chain", { ...day, filmMm: 0.5, gapMm: 3 }))).toBe("stop");
  });
  it("refuses a coat longer than the day, and a day that closes before it opens", () => {
    expect(refused("coat-chain", { ...day, coats: [{ name: "x", minutes: 600, holdH: 1 }] })).toEqual(["coats[0].minutes"]);
    expect(refused("coat-chain", { ...day, closes: "07:00" })).toEqual(["closes"]);
    expect(refused("coat-chain", { ...day, weekday: "holiday" })).toEqual(["weekday"]);
  });
  it("never begins later at the soonest than at the latest where it is dry in time, for 300 chains", () => {
    const r = random(3);
    for (let k = 0; k < 300; k++) {
      const some = Array.from({ length: 1 + Math.floor(r() * 4) }, (_, i) => ({
        name: `c${i}`,
        minutes: 20 + Math.floor(r() * 200),
        holdH: Math.floor(r() * 30),
      }));
      const o = run("coat-chain", { ...day, coats: some, neededDay: 7 + Math.floor(r() * 3) });
      if ((o.results.spareH as number) < 0) continue;
      const later = run("coat-chain", { ...day, coats: some });
      expect(later.results.readyH).toBe(o.results.readyH);
      expect(level(o)).not.toBe("stop");
    }
  });
});
