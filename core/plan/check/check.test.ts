// The checker bites: a valid plan, damaged in one way, fails with the rule named.

import { describe, expect, it } from "vitest";
import type { Plan, Problem } from "../model";
import { makePlan } from "../planner";
import { readPlan, readProblem } from "../read";
import { workshop } from "../testing/workshop";
import { checkPlan, type RuleName } from "./check";

/** One bay, a yard, two fitters, one van: small enough to damage on purpose. */
function small(): Problem {
  const job = (id: string, more: object) => ({
    id: `k.${id}`,
    stage: "strip",
    name: id,
    minutes: 120,
    place: "van",
    zones: ["floor"],
    crew: [{ skill: "body", level: 2 }],
    state: "todo",
    ...more,
  });
  return readProblem({
    format: "wide-lane/problem@1",
    zone: "Europe/Lisbon",
    now: "2027-03-01T07:30",
    horizonDays: 60,
    calendars: [
      {
        id: "shop",
        week: Object.fromEntries(
          ["mon", "tue", "wed", "thu", "fri"].map((d) => [
            d,
            [
              ["08:00", "12:00"],
              ["12:45", "17:00"],
            ],
          ]),
        ),
      },
    ],
    noiseHours: ["09:00", "17:00"],
    weather: {
      days: [],
      default: { sunrise: "07:00", sunset: "18:30", dry: [["08:00", "13:00"]], tempC: [4, 10] },
    },
    bays: [
      { id: "b1", name: "Long bay", has: ["indoor", "heated", "lit", "lift"], tempC: 18 },
      { id: "b2", name: "Low bay", has: ["indoor"], maxHeightMm: 2400 },
      { id: "b3", name: "Wet bay", has: ["wash"] },
    ],
    yard: { places: 1, has: ["roof-access"], work: true },
    fitters: [
      { id: "f1", name: "Ines", calendar: "shop", skills: { body: 3 }, tickets: [{ id: "gas", until: "2027-12-31" }] },
      { id: "f2", name: "Teo", calendar: "shop", skills: { body: 2, joinery: 2 } },
    ],
    shuntMinutes: 20,
    builds: [
      {
        id: "k",
        name: "Field vet",
        arrives: "2027-03-01T08:00",
        due: "2027-03-12T17:00",
        weight: 1,
        heightMm: 2800,
        lengthMm: 6000,
        insideCrew: 2,
        at: "b1",
        jobs: [
          job("a", { hold: { minutes: 960, still: true, keepOff: ["roof"] } }),
          job("b", { after: [{ job: "k.a", lag: 30 }], needs: { noisy: true } }),
          job("roof", { zones: ["roof"], needs: { dry: true, daylight: true }, bay: ["wash"] }),
          job("warm", { zones: ["rear"], needs: { minTempC: 12 }, partsFrom: "2027-03-02T10:00" }),
          job("gas", { zones: ["left"], crew: [{ skill: "body", level: 2, ticket: "gas" }], proofApproved: false }),
          job("close", { zones: ["left"], covers: ["k.gas"], crew: [{ skill: "body" }, { skill: "any" }] }),
          job("day", { zones: ["nose"], minutes: 300, needs: { sameDay: true }, pin: { fitters: ["f2"] } }),
          job("cut", { place: "bench", zones: [], crew: [{ skill: "joinery" }] }),
        ],
      },
      {
        id: "m",
        name: "Beekeepers",
        arrives: "2027-03-01T08:00",
        due: "2027-03-12T17:00",
        weight: 1,
        heightMm: 2500,
        lengthMm: 6000,
        insideCrew: 2,
        jobs: [{ ...job("only", {}), id: "m.only", bay: ["lift"] }],
      },
    ],
  });
}

type Damage = [string, RuleName, (plan: Plan, problem: Problem) => void];

const at = (plan: Plan, id: string) => plan.jobs.find((j) => j.id === id)!;
const set = (plan: Plan, id: string, start: string, end: string) =>
  Object.assign(at(plan, id), { start, end, work: [[start, end]], holdUntil: undefined });

const damages: Damage[] = [
  ["a job left out", "complete", (p) => p.jobs.splice(0, 1)],
  ["a job planned twice", "complete", (p) => p.jobs.push(structuredClone(p.jobs[0]))],
  ["a job from nowhere", "complete", (p) => void (p.jobs[0].id = "k.nowhere")],
  [
    "a follower of an unplaced job",
    "complete",
    (p) => {
      p.jobs = p.jobs.filter((j) => j.id !== "k.a");
      p.unplaced.push({ job: "k.a", reason: "nobody" });
    },
  ],
  ["a start before the predecessor's hold is over", "precedence", (p) => set(p, "k.b", "2027-03-01T10:30", "2027-03-01T12:30")],
  ["a start without the parts", "parts", (p) => set(p, "k.warm", "2027-03-02T08:00", "2027-03-02T10:00")],
  [
    "a fitter on two jobs",
    "crew",
    (p) => {
      const [from] = at(p, "k.day").work![0];
      const to = `${from.slice(0, 11)}${String(+from.slice(11, 13) + 2).padStart(2, "0")}${from.slice(13)}`;
      set(p, "k.cut", from, to);
      at(p, "k.cut").fitters = at(p, "k.day").fitters;
    },
  ],
  ["a crew without the ticket", "crew", (p) => void (at(p, "k.gas").fitters = ["f2"])],
  ["a helper missing", "crew", (p) => void at(p, "k.close").fitters.pop()],
  ["somebody unskilled", "crew", (p) => void (at(p, "k.cut").fitters = ["f1"])],
  ["a start at night", "calendar", (p) => set(p, "k.cut", "2027-03-20T02:00", "2027-03-20T04:00")],
  ["an hour too little", "calendar", (p) => void (at(p, "k.cut").work = [[at(p, "k.cut").start, at(p, "k.cut").start]])],
  [
    "a one-day job over two days",
    "calendar",
    (p) => {
      Object.assign(at(p, "k.day"), {
        start: "2027-03-08T15:00",
        end: "2027-03-09T11:00",
        work: [
          ["2027-03-08T15:00", "2027-03-08T17:00"],
          ["2027-03-09T08:00", "2027-03-09T11:00"],
        ],
      });
    },
  ],
  ["noise before the hours", "conditions", (p) => set(p, "k.b", "2027-03-08T08:00", "2027-03-08T10:00")],
  ["a wet roof", "conditions", (p) => set(p, "k.roof", "2027-03-08T14:00", "2027-03-08T16:00")],
  ["work in a cold bay", "conditions", (p) => void (at(p, "k.warm").place = "b3")],
  ["a bay without the wash", "bay", (p) => void (at(p, "k.roof").place = "b1")],
  ["a bay too low", "bay", (p) => void (at(p, "k.a").place = "b2")],
  ["bench work in a bay", "bay", (p) => void (at(p, "k.cut").place = "b1")],
  [
    "two vans in a bay",
    "bay",
    (p) => {
      const m = p.stays.find((s) => s.build === "m")!;
      m.from = "2027-03-01T08:00";
      m.to = "2027-03-20T08:00";
    },
  ],
  [
    "a move during a still hold",
    "stay",
    (p) => {
      p.stays = p.stays.filter((s) => s.build !== "k");
      p.stays.push(
        { build: "k", place: "b1", from: "2027-03-01T07:30", to: "2027-03-01T10:00" },
        { build: "k", place: "b3", from: "2027-03-01T10:20", to: "2027-03-12T10:00" },
      );
    },
  ],
  [
    "a shunt too short",
    "stay",
    (p) => {
      const mine = p.stays.filter((s) => s.build === "k");
      mine[1].from = mine[0].to;
    },
  ],
  ["a van that stands elsewhere now", "stay", (_p, problem) => void (problem.builds[0].at = "b3")],
  [
    "two in one zone",
    "zone",
    (p) => {
      const g = at(p, "k.gas");
      set(p, "k.close", g.start, g.end);
    },
  ],
  ["work under a hold that keeps off", "zone", (p) => set(p, "k.roof", "2027-03-01T10:30", "2027-03-01T12:30")],
  ["too many inside", "zone", (_p, problem) => void (problem.builds[0].insideCrew = 1)],
  ["a cover before its proof job ends", "proof", (p) => set(p, "k.close", "2027-03-01T08:00", "2027-03-01T10:00")],
  ["a cover that does not say so", "proof", (p) => void (at(p, "k.close").why = [])],
  ["a start before now", "facts", (p) => set(p, "k.cut", "2027-02-26T08:00", "2027-02-26T10:00")],
  ["a pin broken in silence", "facts", (p) => void (at(p, "k.day").fitters = ["f1"])],
  ["a kept pin reported as broken", "facts", (p) => void p.pinsBroken.push({ job: "k.day", reason: "no" })],
  ["a finish that is not", "report", (p) => void (p.builds[0].finish = "2027-03-02T08:00")],
  ["a chain that does not add up", "report", (p) => void p.builds[0].chain!.pop()],
];

describe("checkPlan", () => {
  it("passes the plan that is to be damaged", () => {
    const problem = small();
    expect(checkPlan(problem, readPlan(makePlan(problem, { iterations: 0 })))).toEqual([]);
  });

  for (const [what, rule, damage] of damages)
    it(`names ${rule} for ${what}`, () => {
      const problem = small();
      const plan = readPlan(structuredClone(makePlan(problem, { iterations: 0 })));
      damage(plan, problem);
      expect(checkPlan(problem, plan).map((b) => b.rule)).toContain(rule);
    });

  it("finds every fitter swap that breaks a crew in generated plans", () => {
    let bitten = 0;
    for (let seed = 1; seed <= 20; seed++) {
      const problem = readProblem(workshop({ seed, builds: 2, jobsPerBuild: 12 }));
      const plan = makePlan(problem, { iterations: 0 });
      const job = plan.jobs.find((j) => j.fitters.length > 0);
      if (!job) continue;
      const clash = plan.jobs.find((j) => j !== job && j.fitters.length && j.work?.[0]?.[0] === job.work?.[0]?.[0]);
      if (!clash) continue;
      job.fitters = clash.fitters;
      expect(checkPlan(problem, readPlan(plan)).some((b) => b.rule === "crew")).toBe(true);
      bitten++;
    }
    expect(bitten).toBeGreaterThan(3);
  });
});
