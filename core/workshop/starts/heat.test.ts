import { describe, expect, it } from "vitest";
import type { Plan } from "../../plan/model";
import { makePlan } from "../../plan/planner";
import { readProblem } from "../../plan/read";
import { zoneOf } from "../../time/zone";
import { bayCost, holdKeeps, yardWillDo } from "../builds/hold-keeps";
import type { Shop } from "../state/model";
import { toProblem } from "../state/problem";
import { at, job, testShop } from "../testing/shop";
import { airAt, airNeeded, atLimit, heatCost, heatDuties, heatOf, heatUsers, keptAt } from "./heat";
import { noiseHours, noiseOn, noiseWords, readNoiseWeek, sayNoiseWeek } from "./noise";
import { startObstacles } from "./ready";
import { windWords } from "./wind";

const zone = zoneOf("Europe/Lisbon");
const day = { lowC: 4, highC: 12 };
const heated = (from: string, to: string): Shop => {
  const shop = testShop();
  shop.bays[1].heats = [{ id: "h", from: at(from), to: at(to), reason: "" }];
  return shop;
};

describe("warmth of a place", () => {
  const shop = heated("2027-03-02T08:00", "2027-03-02T16:00");
  const [long, wet] = shop.bays;
  const job = structuredClone(shop.builds[0].jobs.find((j) => j.place === "van")!);

  it("is the bay's own, its heating by the hour, or the day's mean", () => {
    expect(keptAt(long)).toBe(18);
    expect(airAt(long, day, at("2027-03-02T09:00"))).toEqual({ tempC: 18, highC: 18, kept: true });
    expect(airAt(wet, day, at("2027-03-02T09:00"))).toEqual({ tempC: 16, highC: 16, kept: false });
    expect(airAt(wet, day, at("2027-03-02T16:00"))).toEqual({ tempC: 8, highC: 12, kept: false });
    expect(airAt(undefined, day, at("2027-03-02T09:00")).tempC).toBe(8);
  });

  it("asks more of the air for metal where nothing is kept warm, and tells the very limit", () => {
    job.needs = { ...job.needs, minTempC: 5, metal: true };
    expect(airNeeded(job, 5, false, 3)).toBe(8);
    expect(airNeeded(job, 5, true, 3)).toBe(5);
    expect(atLimit(job, airAt(undefined, day, 0), 3)).toBe("just warm enough: 8 °C, not a degree to spare");
    expect(atLimit(job, airAt(undefined, { lowC: 4, highC: 13 }, 0), 3)).toBeUndefined();
    job.needs = { ...job.needs, minTempC: null, maxTempC: 12 };
    expect(atLimit(job, airAt(undefined, day, 0), 3)).toMatch(/just not too warm/);
  });

  it("goes to the planner as hours of heat, but not of a bay that is warm anyway", () => {
    expect(heatOf(wet, zone)).toEqual({
      heat: { tempC: 16, hourCost: 4 },
      warm: [{ from: "2027-03-02T08:00", to: "2027-03-02T16:00", tempC: 16 }],
    });
    expect(heatOf({ ...long, heatTempC: 20 }, zone)).toEqual({});
    const problem = readProblem(toProblem(shop, at("2027-03-01T08:00")));
    expect(problem.bays[1].warm).toHaveLength(1);
    expect(problem.skinBelowC).toBe(3);
  });

  it("costs its hours and the warming up, and asks somebody to switch it on in time, and off", () => {
    // 8 h and 90 min at 4 an hour.
    expect(heatCost(wet, wet.heats[0])).toBe(38);
    const say = (t: string) => heatDuties(shop, at(t), zone).map((d) => d.text);
    expect(say("2027-03-01T15:00")).toEqual(["heat on by Tue 2 Mar 06:30, for 16 °C at 08:00"]);
    expect(say("2027-03-02T10:00")).toEqual(["heated until Tue 2 Mar 16:00, then off"]);
    expect(say("2027-02-27T10:00")).toEqual([]);
    expect(say("2027-03-02T17:00")).toEqual([]);
  });

  it("names the planned work that would be hit without it", () => {
    const b = shop.builds[0];
    const plan: Plan = {
      ...makePlan(readProblem(toProblem(shop, at("2027-03-01T08:00"))), { iterations: 0 }),
      jobs: [{ id: b.jobs[0].id, start: "2027-03-02T10:00", end: "2027-03-02T11:00", place: "b2", fitters: [] }],
    };
    b.jobs[0].needs = { ...b.jobs[0].needs, minTempC: 8 };
    b.jobs[0].state = "todo";
    expect(heatUsers(shop, plan, "b2", wet.heats[0], zone).map((j) => j.id)).toEqual([b.jobs[0].id]);
    expect(heatUsers(shop, plan, "b2", { from: at("2027-03-02T11:00"), to: at("2027-03-02T12:00") }, zone)).toEqual([]);
    expect(heatUsers(shop, plan, "b1", wet.heats[0], zone)).toEqual([]);
  });

  it("stops a start where the metal is too cold, in words that say so", () => {
    const cold = testShop();
    const b = cold.builds[0];
    const j = b.jobs.find((x) => x.place === "van" && x.state === "todo")!;
    cold.weather = [{ date: "2027-03-02", sunrise: "07:00", sunset: "18:30", dry: [["00:00", "24:00"]], lowC: 4, highC: 12, windMs: null }];
    j.needs = { ...j.needs, minTempC: 6, metal: true };
    const say = (place: string) =>
      startObstacles(cold, j, [], place, at("2027-03-02T10:00"))
        .filter((o) => o.kind === "conditions")
        .map((o) => o.text);
    expect(say("b2")).toContain("too cold: 8 °C where 9 are needed, 6 for the metal, which is colder than the air");
    expect(say("b1").some((t) => t.startsWith("too cold"))).toBe(false);
  });
});

describe("what a hold keeps", () => {
  const shop = testShop();
  shop.bays[0].dayCost = 60;
  const job = structuredClone(shop.builds[0].jobs.find((j) => j.place === "van")!);
  it("is never hands; a bay, with its money, only where the van may not move or needs the warmth", () => {
    job.hold = { minutes: 720, still: true, keepOff: ["left"], minTempC: null };
    expect(holdKeeps(shop, job, "b1")).toBe(
      `keeps nobody's hands; keeps Long bay (30 ${shop.workshop.currency}); left kept clear; the van may not move`,
    );
    job.hold = { minutes: 720, still: false, keepOff: null, minTempC: null };
    expect(yardWillDo(job)).toBe(true);
    expect(holdKeeps(shop, job, "b1")).toMatch(/may be left in the yard: Long bay is free for another van \(a day in it saved is 60/);
    expect(holdKeeps(shop, job, "yard")).toBe("keeps nobody's hands");
    expect(bayCost({ dayCost: null }, 600)).toBeNull();
  });
});

describe("noise hours by weekday", () => {
  const shop = testShop();
  shop.workshop.noiseWeek = {
    sat: [],
    wed: [
      ["09:00", "12:00"],
      ["14:00", "16:00"],
    ],
  };
  it("are the weekday's own, in words and as a countdown", () => {
    expect(noiseOn(shop.workshop, "mon")).toEqual([["08:30", "17:30"]]);
    expect(noiseHours(shop.workshop)).toBe("08:30 to 17:30, wed 09:00 to 12:00 and 14:00 to 16:00, sat quiet");
    const say = (t: string) => noiseWords(shop, at(t));
    expect(say("2027-03-03T11:20")).toBe("last noise in 40 min");
    expect(say("2027-03-03T12:30")).toBe("noise from 14:00, in 1 h 30");
    expect(say("2027-03-03T16:00")).toBe("quiet since 16:00");
    expect(say("2027-03-06T10:00")).toBe("no noise today");
  });
});

describe("wind", () => {
  const shop = testShop();
  const b = shop.builds[0];
  const j = b.jobs.find((x) => x.place === "van" && x.state === "todo")!;
  it("stops a start outdoors, not under a roof, and says what it asks for in the yard", () => {
    shop.weather = [
      { date: "2027-03-02", sunrise: "07:00", sunset: "18:30", dry: [["00:00", "24:00"]], lowC: 9, highC: 15, windMs: 9 },
      { date: "2027-03-03", sunrise: "07:00", sunset: "18:30", dry: [["00:00", "24:00"]], lowC: 9, highC: 15, windMs: 8 },
    ];
    j.needs = { ...j.needs, maxWindMs: 6 };
    const say = (place: string) =>
      startObstacles(shop, j, [], place, at("2027-03-02T10:00"))
        .map((o) => o.text)
        .join("; ");
    expect(say("b2")).toMatch(/too windy outdoors: up to 9 m\/s where 6 are the most/);
    expect(say("b1")).not.toMatch(/windy/);
    const cut = job(shop, "FU-02");
    const cutting = { jobs: [{ id: cut.id, start: "2027-03-02T08:00", end: "2027-03-02T12:00", place: "bench", fitters: [] }] };
    expect(windWords(shop, "2027-03-02", "2027-03-03", cutting)).toEqual([
      `up to 9 m/s: no full sheets outdoors, ${cut.name} from under the roof`,
    ]);
    cut.state = "done";
    expect(windWords(shop, "2027-03-02", "2027-03-03", cutting)).toEqual(["up to 9 m/s: no full sheets outdoors"]);
    cut.state = "todo";
    expect(windWords(shop, "2027-03-02", "2027-03-03")).toEqual(["up to 9 m/s: no full sheets outdoors"]);
    expect(windWords(shop, "2027-03-01", "2027-03-02")).toEqual(["up to 9 m/s tomorrow: tie loose sheets down this evening"]);
    expect(windWords(shop, "2027-03-03", "2027-03-04")).toEqual([]);
  });
});

describe("noise hours as they are typed", () => {
  it("go there and back, and say what is wrong with them", () => {
    for (const text of ["sat 09:00-13:00, sun quiet", "wed 09:00-12:00 14:00-16:00", ""]) {
      const week = readNoiseWeek(text);
      expect(typeof week === "string" ? week : sayNoiseWeek(week)).toBe(text);
    }
    expect(readNoiseWeek("Saturday quiet")).toEqual({ sat: [] });
    expect(readNoiseWeek("holiday quiet")).toMatch(/is no weekday/);
    expect(readNoiseWeek("sat nine to noon")).toBe('sat nine to noon: say "sat quiet" or "sat 09:00-13:00"');
    expect(readNoiseWeek("sat")).toMatch(/say "sat quiet"/);
  });
});
