// Work whose product takes no more than so many degrees: the planner, the checker, the drop and the reason agree.

import { describe, expect, it } from "vitest";
import { checkPlan } from "./check/check";
import { gains } from "./gain";
import { tryPin } from "./pinned";
import { makePlan } from "./planner";
import { readPlan, readProblem } from "./read";

const day = ["08:00", "17:00"];
const DRY = [["00:00", "24:00"]];
const highs = (...list: number[]) =>
  list.map((high, i) => ({ date: `2027-07-0${i + 5}`, sunrise: "06:00", sunset: "21:00", dry: DRY, tempC: [15, high] }));

const shop = (maxTempC: number | undefined, days: number[], bay: { has: string[]; tempC?: number } = { has: [] }, minTempC?: number) =>
  readProblem({
    format: "wide-lane/problem@1",
    zone: "Europe/Lisbon",
    now: "2027-07-05T07:30",
    calendars: [{ id: "shop", week: { mon: [day], tue: [day], wed: [day], thu: [day], fri: [day] } }],
    weather: { days: highs(...days) },
    bays: [{ id: "b", name: "Wet bay", ...bay }],
    yard: { places: 2 },
    fitters: [{ id: "i", name: "Ines", calendar: "shop", skills: { body: 2 } }],
    shuntMinutes: 20,
    builds: [
      {
        id: "k",
        name: "Field vet",
        arrives: "2027-07-05T07:30",
        due: "2027-07-15T17:00",
        weight: 1,
        heightMm: 2500,
        lengthMm: 6000,
        insideCrew: 2,
        at: "b",
        jobs: [
          {
            id: "k.bond",
            name: "Window bonded",
            stage: "openings",
            minutes: { best: 240, likely: 240, worst: 240 },
            place: "van",
            zones: ["left"],
            crew: [{ skill: "body" }],
            needs: { ...(maxTempC === undefined ? {} : { maxTempC }), ...(minTempC === undefined ? {} : { minTempC }) },
            after: [],
            state: "todo",
          },
        ],
      },
    ],
  });

const planned = (p: ReturnType<typeof shop>) => {
  const plan = makePlan(p, { iterations: 0 });
  expect(checkPlan(p, readPlan(plan))).toEqual([]);
  return plan.jobs[0];
};

describe("too warm", () => {
  it.each([
    [undefined, [38, 38], "2027-07-05"],
    [35, [35, 38], "2027-07-05"],
    // A mean of 27: the morning is no warmer than that, but too short for four hours.
    [30, [39, 29], "2027-07-06"],
    [35, [36, 35.5, 34], "2027-07-07"],
    [30, [36, 29], "2027-07-06"],
  ] as [number | undefined, number[], string][])("at most %s °C, highs %j: on %s", (most, days, on) => {
    expect(planned(shop(most, days)).start.slice(0, 10)).toBe(on);
  });
  it("says why it waits", () => {
    expect(planned(shop(35, [36, 34])).why?.[0]).toMatchObject({ kind: "temperature", text: expect.stringMatching(/^too warm until/) });
    expect(planned(shop(35, [20, 34], { has: [] }, 20)).why?.[0]?.text).toMatch(/^too cold until/);
  });
  it("a heated bay counts as it is kept, whatever the sky does", () => {
    expect(planned(shop(35, [38, 38], { has: ["heated"], tempC: 18 })).start).toBe("2027-07-05T08:00");
    const hot = makePlan(shop(16, [20, 20], { has: ["heated"], tempC: 18 }), { iterations: 0 });
    expect(hot.unplaced.map((u) => u.job)).toEqual(["k.bond"]);
  });
  it("the checker finds a plan that does not keep it", () => {
    const free = makePlan(shop(undefined, [38, 20]), { iterations: 0 });
    const faults = checkPlan(shop(35, [38, 20]), readPlan(free));
    expect(faults.map((f) => f.rule)).toEqual(["conditions"]);
    expect(faults[0].text).toMatch(/takes no more than 35 °C, has 38/);
  });
  it("a drop into the heat is refused with the rule, and told when it could be", () => {
    const p = shop(35, [38, 20]);
    const verdict = tryPin(p, makePlan(p, { iterations: 0 }), "k.bond", { start: "2027-07-05T09:00" });
    expect(verdict.kept).toBe(false);
    expect(JSON.stringify(verdict)).toMatch(/too warm/);
  });
});

describe("the hours before a day gets warm", () => {
  const two = (minutes: number, days: number[]) => {
    const p = structuredClone(shop(30, days));
    p.builds[0].jobs[0].minutes = minutes;
    return readProblem(p);
  };
  it("are enough for short work, and none where the mean is too warm already", () => {
    // Low 15: a high of 38 has a mean of 26.5, one of 48 has 31.5.
    expect(planned(two(120, [38, 20])).start).toBe("2027-07-05T08:00");
    expect(planned(two(121, [38, 20])).start.slice(0, 10)).toBe("2027-07-06");
    expect(planned(two(60, [48, 20])).start.slice(0, 10)).toBe("2027-07-06");
    const late = readPlan(makePlan(two(120, [20, 20]), { iterations: 0 }));
    Object.assign(late.jobs[0], { start: "2027-07-05T08:30", end: "2027-07-05T10:30", work: [["2027-07-05T08:30", "2027-07-05T10:30"]] });
    expect(checkPlan(two(120, [38, 20]), late).map((f) => f.rule)).toContain("conditions");
  });
  it("are won by an early shift, tried like any measure, with its lamps", () => {
    const p = two(240, [38, 38, 38, 20]);
    const plan = makePlan(p, { iterations: 0 });
    expect(plan.jobs[0].start.slice(0, 10)).toBe("2027-07-08");
    const early = gains(p, plan, "k", undefined, 40).find((g) => g.kind === "early-shift")!;
    expect(early.text).toBe("Ines begins at 05:30 on Tue 6 Jul, for Window bonded, before it is too warm");
    expect(early.price).toMatch(/^2.5 extra hours, lamps until 06:00/);
    expect(early.days).toBeGreaterThan(1);
  });
});
