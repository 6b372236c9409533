import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { checkPlan } from "../plan/check/check";
import { InputError } from "../plan/fault";
import type { Problem } from "../plan/model";
import { makePlan } from "../plan/planner";
import { readPlan, readProblem } from "../plan/read";
import { library, readLibrary } from "./library";
import { buildNetwork } from "./network";
import { type Options, STAGES } from "./schema";
import strip from "./stages/strip.json";

const full: Options = { windows: 3, fan: true, solar: true, swivels: true, gas: true, heater: true, firstFix: "services-first" };
const bare: Options = { windows: 0, fan: false, solar: false, swivels: false, gas: false, heater: false, firstFix: "insulation-first" };
const options = fc.record({
  windows: fc.integer({ min: 0, max: 4 }),
  fan: fc.boolean(),
  solar: fc.boolean(),
  swivels: fc.boolean(),
  gas: fc.boolean(),
  heater: fc.boolean(),
  firstFix: fc.constantFrom("services-first" as const, "insulation-first" as const),
});

describe("the library", () => {
  it("covers all seven stages, every job with steps and cautions", () => {
    expect(new Set(library.map((j) => j.stage))).toEqual(new Set(STAGES));
    for (const j of library) expect(j.steps.length, j.code).toBeGreaterThanOrEqual(4);
  });
  it("names a wrong reference and a wrong field", () => {
    const broken = structuredClone(strip) as { jobs: { after: unknown[]; code: string }[] };
    broken.jobs[1].after = [{ job: "XX-99", reason: "none" }];
    expect(() => readLibrary([broken])).toThrow(/ST-03: names XX-99/);
    expect(() => readLibrary([{ stage: "strip", jobs: [{ code: "ST-01" }] }])).toThrow(InputError);
  });
});

/** All jobs that must be over before this one. */
function ancestors(jobs: ReturnType<typeof buildNetwork>, code: string): Set<string> {
  const by = new Map(jobs.map((j) => [j.code, j]));
  const out = new Set<string>();
  const walk = (c: string) => {
    for (const a of by.get(c)!.after)
      if (!out.has(a.job)) {
        out.add(a.job);
        walk(a.job);
      }
  };
  walk(code);
  return out;
}

describe("buildNetwork", () => {
  it("gives each window its own job on alternating sides", () => {
    const w = buildNetwork(full).filter((j) => j.code.startsWith("OP-06"));
    expect(w.map((j) => [j.code, j.zones[0]])).toEqual([
      ["OP-06a", "left"],
      ["OP-06b", "right"],
      ["OP-06c", "left"],
    ]);
  });
  it("keeps the order rules whatever is chosen", () => {
    fc.assert(
      fc.property(options, (o) => {
        const jobs = buildNetwork(o);
        const codes = new Set(jobs.map((j) => j.code));
        for (const j of jobs) {
          for (const a of [...j.after.map((x) => x.job), ...j.covers]) expect(codes.has(a)).toBe(true);
          expect(ancestors(jobs, j.code).has(j.code)).toBe(false);
          for (const c of j.covers) expect(ancestors(jobs, j.code).has(c), `${j.code} covers ${c}`).toBe(true);
        }
        // Skin before lining, first fix before lining, ceiling before walls before floor, wall before base units.
        const order: [string, string][] = [
          ["OP-13", "IN-07"],
          ["OP-13", "PA-04"],
          ["SV-01", "PA-04"],
          ["SV-02", "PA-04"],
          ["PA-03", "PA-04"],
          ["PA-04", "PA-10"],
          ["FU-05", "FU-06"],
          ["FU-04", "FU-05"],
          ["FR-04", "PA-04"],
        ];
        for (const [first, then] of order) expect(ancestors(jobs, then).has(first), `${first} before ${then}`).toBe(true);
      }),
      { numRuns: 200 },
    );
  });
  it("swaps first fix and insulation by school", () => {
    expect(ancestors(buildNetwork(full), "IN-07").has("SV-01")).toBe(true);
    expect(ancestors(buildNetwork(full), "SV-01").has("IN-07")).toBe(false);
    expect(ancestors(buildNetwork({ ...full, firstFix: "insulation-first" }), "SV-01").has("IN-07")).toBe(true);
  });
  it("keeps the soak test behind the swarf when nothing is cut", () => {
    expect(ancestors(buildNetwork(bare), "OP-13").has("OP-12")).toBe(true);
  });
  it("plans a full and a bare build that pass the checker", () => {
    for (const o of [full, bare]) {
      const problem = readProblem(shop(o));
      const plan = makePlan(problem, { iterations: 0 });
      expect(plan.unplaced).toEqual([]);
      expect(checkPlan(problem, readPlan(plan))).toEqual([]);
    }
  });
});

function shop(o: Options): Problem {
  return {
    format: "wide-lane/problem@1",
    zone: "Europe/Lisbon",
    now: "2027-03-01T07:30",
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
    bays: [{ id: "b1", name: "Long bay", has: ["indoor", "heated", "lit", "lift", "roof-access", "scales"], tempC: 18 }],
    yard: { places: 2, has: ["wash"], work: true },
    fitters: ["a", "b"].map((id) => ({
      id,
      name: id,
      calendar: "shop",
      skills: { body: 3, trim: 3, electric: 3, joinery: 3, plumbing: 3, paint: 3, gas: 3 },
      tickets: [{ id: "gas" }],
    })),
    shuntMinutes: 20,
    builds: [
      {
        id: "k",
        name: "Test",
        arrives: "2027-03-01T08:00",
        due: "2027-05-01T17:00",
        weight: 1,
        heightMm: 2530,
        lengthMm: 5990,
        insideCrew: 3,
        jobs: buildNetwork(o).map((j) => ({
          id: `k.${j.code}`,
          stage: j.stage,
          name: j.name,
          minutes: j.minutes,
          place: j.place,
          yardOk: j.yardOk,
          bay: j.bay,
          zones: j.zones,
          crew: j.crew,
          needs: j.needs,
          hold: j.hold,
          after: j.after.map((a) => ({ job: `k.${a.job}`, ignoreHold: a.ignoreHold })),
          covers: j.covers.map((c) => `k.${c}`),
          proofApproved: j.proof?.some((p) => p.beforeCloseUp) ? false : undefined,
          state: "todo" as const,
        })),
      },
    ],
  };
}
