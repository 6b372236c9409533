// Work that opens the skin is sealed within one dry stretch.

import { describe, expect, it } from "vitest";
import { checkPlan } from "./check/check";
import { makePlan } from "./planner";
import { readPlan, readProblem } from "./read";

const day = ["08:00", "17:00"];
const shop = (has: string[], needs: Record<string, unknown>, dry: string[][]) =>
  readProblem({
    format: "wide-lane/problem@1",
    zone: "Europe/Lisbon",
    now: "2027-03-01T07:30",
    calendars: [{ id: "shop", week: { mon: [day], tue: [day], wed: [day], thu: [day], fri: [day] } }],
    weather: {
      days: [
        { date: "2027-03-01", sunrise: "07:00", sunset: "18:30", dry, tempC: [10, 16] },
        { date: "2027-03-02", sunrise: "07:00", sunset: "18:30", dry: [["07:00", "15:00"]], tempC: [10, 16] },
      ],
    },
    bays: [{ id: "b", name: "Wet bay", has }],
    yard: { places: 2 },
    fitters: [{ id: "i", name: "Ines", calendar: "shop", skills: { body: 2 } }],
    shuntMinutes: 20,
    builds: [
      {
        id: "k",
        name: "Field vet",
        arrives: "2027-03-01T07:30",
        due: "2027-03-09T17:00",
        weight: 1,
        heightMm: 2500,
        lengthMm: 6000,
        insideCrew: 2,
        at: "b",
        jobs: [
          {
            id: "k.fan",
            name: "Roof fan",
            stage: "openings",
            minutes: { best: 240, likely: 240, worst: 240 },
            place: "van",
            zones: ["roof"],
            crew: [{ skill: "body" }],
            needs,
            after: [],
            state: "todo",
          },
        ],
      },
    ],
  });

const SHOWER = [
  ["08:00", "10:00"],
  ["11:00", "17:00"],
];
const start = (p: ReturnType<typeof shop>) => {
  const plan = makePlan(p, { iterations: 0 });
  expect(checkPlan(p, readPlan(plan))).toEqual([]);
  return plan.jobs[0];
};

describe("an open skin and a shower", () => {
  it("begins behind the shower rather than before it", () => {
    const j = start(shop([], { dry: true, sameDay: true }, SHOWER));
    expect(j.start).toBe("2027-03-01T11:00");
    expect(j.why?.some((w) => w.kind === "dry")).toBe(true);
  });
  it("goes to the next day where neither stretch is long enough", () => {
    const dry = [
      ["08:00", "10:00"],
      ["13:00", "16:00"],
    ];
    expect(start(shop([], { dry: true, sameDay: true }, dry)).start).toBe("2027-03-02T08:00");
  });
  it("is of no matter indoors, or for work that may be left", () => {
    expect(start(shop(["indoor"], { dry: true, sameDay: true }, SHOWER)).start).toBe("2027-03-01T08:00");
    const left = start(shop([], { dry: true }, SHOWER));
    expect([left.start, left.work?.length]).toEqual(["2027-03-01T08:00", 2]);
  });
  it("is told by the checker when a plan works over it", () => {
    const p = shop([], { dry: true, sameDay: true }, SHOWER);
    const plan = makePlan(p, { iterations: 0 });
    Object.assign(plan.jobs[0], {
      start: "2027-03-01T08:00",
      end: "2027-03-01T13:00",
      work: [
        ["2027-03-01T08:00", "2027-03-01T10:00"],
        ["2027-03-01T11:00", "2027-03-01T13:00"],
      ],
    });
    expect(checkPlan(p, readPlan(plan)).map((b) => b.text)).toContainEqual(expect.stringMatching(/not sealed within one dry stretch/));
  });
});
