import * as fc from "fast-check";
import { describe, expect, it } from "vitest";
import { checkPlan } from "../plan/check/check";
import { makePlan } from "../plan/planner";
import { readPlan, readProblem } from "../plan/read";
import { vans } from "../van/model";
import { ancestors, checkNetwork, cycleIn } from "./check-network";
import { conflictsOf } from "./conflicts";
import { library } from "./library";
import { buildNetwork, type NetworkJob } from "./network";
import { DEFAULT_OPTIONS, type Options } from "./options";
import { quantitiesOf } from "./quantities";
import { anyOptions, anyVan, BARE, FULL, PODS, shopOf } from "./testing";

const g = vans[1].geometry;
const of = (o: Partial<Options>) => buildNetwork({ ...DEFAULT_OPTIONS, ...o }, g);
const job = (jobs: readonly NetworkJob[], code: string) => jobs.find((j) => j.code === code)!;
/** Whether the first has to be over before the second may start. */
const precedes = (jobs: readonly NetworkJob[], first: string, then: string) => ancestors(jobs).get(then)!.has(first);

const starting = (codes: readonly string[], ...heads: string[]) => codes.filter((c) => heads.some((h) => c.startsWith(h)));
const CUTS = ["OP-04", "OP-05", "OP-06", "OP-07", "OP-08", "OP-09"];
const PIERCING = [...CUTS, "OP-10", "OP-11", "IN-03", "SV-03"];
const LINING = ["PA-03", "PA-04", "PA-05", "PA-06", "PA-10"];
const INSULATION = ["IN-01", "IN-07", "IN-08"];
const BONDS = ["OP-04", "OP-05", "OP-06", "OP-07", "OP-08", "OP-11", "PA-09"];

describe("the order rules, whatever is chosen", () => {
  it("holds every one of them in 2,500 networks of all vans", () => {
    fc.assert(
      fc.property(anyOptions, anyVan, (o, van) => {
        const jobs = buildNetwork(o, van.geometry);
        expect(checkNetwork(jobs)).toEqual([]);
        const all = ancestors(jobs);
        const codes = jobs.map((j) => j.code);
        const first = (a: string[], b: string[], why: string) => {
          for (const then of starting(codes, ...b))
            for (const f of starting(codes, ...a)) if (f !== then && !all.get(then)!.has(f)) throw new Error(`${f} before ${then}: ${why}`);
        };
        first(PIERCING, LINING, "all that pierces the skin before anything is lined");
        first(["OP-02"], [...CUTS, "OP-10", "OP-11"], "a hole only when the unit is here, complete and tried");
        first([...CUTS, "OP-10", "OP-11", "OP-12"], ["OP-13"], "soak test after the last seal");
        first(["OP-13"], INSULATION, "soak test before insulation");
        first(["IN-03", "SV-03"], ["IN-06"], "what goes through the floor before the floor is fixed");
        first(["IN-05"], ["IN-06"], "hatches are cut before the floor is screwed down");
        first(["IN-01"], ["IN-07", "IN-08"], "damping before insulation");
        first([...CUTS], ["IN-01"], "no mats on panels that will be cut");
        first(["SV-01", "SV-02", "SV-03"], ["PA-04"], "first fix before lining");
        first(["SV-01"], ["PA-03"], "first fix before lining");
        first(["SV-02"], ["PA-08"], "water under pressure before tanking");
        first(["PA-08"], ["PA-09"], "tanking before tiling");
        first(["FR-04"], ["PA-04"], "backing before lining");
        first(["PA-02"], ["PA-03", "PA-04"], "boards are coated before they go up");
        first(["FU-04"], ["FU-05", "FU-06", "FU-08", "FU-11"], "drawers are finished before runners go on");
        first(["PA-03"], ["PA-04"], "ceiling before walls");
        first(["PA-04"], ["PA-10"], "walls before floor finish");
        first(["FU-05"], ["FU-06"], "wall units before base units");
        first(["PA-04"], ["FU-05", "FU-06", "FU-08", "FU-09", "FU-10"], "wall panel before the unit that stands against it");
        first(["PA-03"], ["PA-07"], "trims after the ceiling");
        first(["FU-06"], ["FU-07"], "worktop cut-outs after the dry fit");
        first(["FU-05", "FU-06", "FU-07", "FU-08", "FU-09", "FU-10", "FU-11", "FU-12"], ["SV-12"], "weigh after furniture");
        first(["SV-06", "SV-10"], ["SV-14"], "certificates before handover");
        first(["ST-02"], ["ST-04"], "weighed before anything leaves");
        for (const j of jobs) {
          if (j.steps.length < 5 || j.steps.length > 12) throw new Error(`${j.code} has ${j.steps.length} steps`);
          if (CUTS.some((c) => j.code.startsWith(c))) {
            const does = j.steps.map((s) => s.does);
            expect(does.indexOf("edge"), `${j.code} protects the edge`).toBeGreaterThan(does.indexOf("cut"));
            expect(does.lastIndexOf("set"), `${j.code}: edge before the unit`).toBeGreaterThan(does.lastIndexOf("edge"));
            expect(does, `${j.code} clears its swarf`).toContain("swarf");
            expect(j.needs, j.code).toMatchObject({ dry: true, daylight: true, sameDay: true });
            expect(
              j.proof.some((p) => p.beforeCloseUp && /[Ee]dge/.test(p.text)),
              `${j.code} edge photo`,
            ).toBe(true);
          }
          if (BONDS.some((c) => j.code.startsWith(c))) expect(j.hold?.still, `${j.code} cures in peace`).toBe(true);
        }
        if (codes.includes("OP-12")) expect(job(jobs, "OP-12").needs?.sameDay).toBe(true);
      }),
      { numRuns: 2500, seed: 20_261_126 },
    );
  }, 120_000);
  it("waits for the bond to have cured before the soak, but clears swarf while it cures", () => {
    const jobs = of({});
    expect(job(jobs, "OP-13").after.find((a) => a.job === "OP-06a")?.ignoreHold).toBeUndefined();
    expect(job(jobs, "OP-12").after.find((a) => a.job === "OP-06a")?.ignoreHold).toBe(true);
  });
  it("uses every job of the library for some choice", () => {
    const used = new Set<string>();
    for (const o of [FULL, PODS, BARE, DEFAULT_OPTIONS, { ...FULL, partition: true }])
      for (const j of buildNetwork(o, g)) used.add(j.code.slice(0, 5));
    expect(library.filter((j) => !used.has(j.code)).map((j) => j.code)).toEqual([]);
  });
});

describe("each pair of schools changes what it says", () => {
  const pairs: [name: string, a: Partial<Options>, b: Partial<Options>, inA: [string, string][], inB: [string, string][]][] = [
    [
      "first fix against insulation",
      { firstFix: "metal-side" },
      { firstFix: "warm-side" },
      [
        ["SV-01", "IN-07"],
        ["SV-02", "IN-07"],
      ],
      [
        ["IN-07", "SV-01"],
        ["IN-07", "SV-02"],
      ],
    ],
    [
      "frame against insulation",
      { framing: "frame-first" },
      { framing: "insulate-first" },
      [
        ["FR-02", "IN-07"],
        ["FR-03", "IN-07"],
      ],
      [
        ["IN-07", "FR-02"],
        ["IN-07", "FR-03"],
      ],
    ],
    [
      "finished floor against furniture",
      { floorFinish: "whole-floor" },
      { floorFinish: "round-furniture" },
      [["PA-10", "FU-06"]],
      [["FU-06", "PA-10"]],
    ],
    ["flat walls against the metal's shape", { walls: "follow" }, { walls: "plane" }, [["FR-01", "FU-01"]], []],
  ];
  it.each(pairs)("%s", (_, a, b, inA, inB) => {
    const [x, y] = [of(a), of(b)];
    for (const [f, t] of inA) {
      expect(precedes(x, f, t), `${f} before ${t}`).toBe(true);
      expect(precedes(y, f, t), `not ${f} before ${t}`).toBe(false);
    }
    for (const [f, t] of inB) {
      expect(precedes(y, f, t), `${f} before ${t}`).toBe(true);
      expect(precedes(x, f, t), `not ${f} before ${t}`).toBe(false);
    }
  });
  it("coats before or after a trial stand", () => {
    const trial = of({ coats: "trial-first" });
    expect(precedes(trial, "FU-13", "FU-04") && precedes(trial, "PA-04", "FU-13")).toBe(true);
    expect(precedes(of({}), "PA-04", "FU-04")).toBe(false);
  });
  it("cutting time of insulation between frames", () => {
    expect(job(of({ framing: "frame-first" }), "IN-07").minutes.likely).toBeGreaterThan(job(of({}), "IN-07").minutes.likely * 1.15);
  });
  it("insulation systems: who does it, when, how warm, what waits", () => {
    const spray = of({ insulation: "spray", framing: "frame-first" });
    expect(job(spray, "IN-07")).toBeUndefined();
    expect(job(spray, "IN-08")).toMatchObject({ needs: { minTempC: 15 }, hold: { minutes: 1440 } });
    expect(job(spray, "IN-08").parts.some((p) => p.supplier === "trades")).toBe(true);
    for (const c of ["FR-03", "FR-04", "FR-05", "SV-01"]) expect(precedes(spray, c, "IN-08"), c).toBe(true);
    const names = (o: Partial<Options>) =>
      job(of(o), "IN-07")
        .parts.map((p) => p.name)
        .join();
    expect(names({ insulation: "fibre" })).toMatch(/Fibre/);
    expect(names({ insulation: "board" })).toMatch(/Rigid board/);
    expect(names({ insulation: "mixed" })).toMatch(/Fibre.*Rigid board/);
    expect(job(of({ insulation: "board" }), "IN-07").minutes.likely).toBeGreaterThan(job(of({}), "IN-07").minutes.likely);
  });
  it("vapour control: a membrane is a job, taped after the tails on the metal side, before them on the warm side", () => {
    expect(job(of({}), "IN-09")).toBeUndefined();
    expect(job(of({ vapour: "foam", insulation: "board" }), "IN-09")).toBeUndefined();
    expect(precedes(of({ vapour: "membrane" }), "SV-01", "IN-09")).toBe(true);
    expect(precedes(of({ vapour: "membrane", firstFix: "warm-side" }), "IN-09", "SV-01")).toBe(true);
  });
  it("floor: battens and their hold, or bonded under weights; boards may be cut before the tank comes", () => {
    const battens = of({ floor: "battens", water: "under-floor" });
    const bonded = of({ floor: "bonded", water: "under-floor" });
    expect(precedes(battens, "IN-04", "IN-05")).toBe(true);
    expect(job(bonded, "IN-04")).toBeUndefined();
    expect(job(bonded, "IN-06").hold!.minutes).toBeGreaterThan(job(battens, "IN-06").hold!.minutes);
    expect(precedes(bonded, "IN-03", "IN-05")).toBe(false);
    expect(precedes(bonded, "IN-03", "IN-06")).toBe(true);
  });
  it("fixing to metal: hours, holds and what is bought", () => {
    const [s, i, a] = (["screws", "inserts", "adhesive"] as const).map((fixing) => job(of({ fixing }), "FR-03"));
    expect(i.minutes.likely).toBeGreaterThan(s.minutes.likely);
    expect(a.hold).toMatchObject({ minutes: 720, minTempC: 10 });
    expect(s.hold).toBeUndefined();
    expect([s, i, a].map((j) => j.parts[1].name)).toEqual([
      "Self-drilling screws 4.2 × 32",
      "Threaded inserts and bolts M6",
      "Construction adhesive",
    ]);
  });
  it("walls packed to a plane cost framing, following the shape costs furniture", () => {
    const [p, f] = [of({ walls: "plane" }), of({ walls: "follow" })];
    expect(job(p, "FR-03").minutes.likely).toBeGreaterThan(job(f, "FR-03").minutes.likely);
    expect(job(p, "FU-06").minutes.likely).toBeLessThan(job(f, "FU-06").minutes.likely);
  });
  it("roof units bolted may be moved sooner, at the price of hours", () => {
    const [b, bb] = [job(of({ roofUnits: "bond" }), "OP-04"), job(of({ roofUnits: "bond-and-bolt" }), "OP-04")];
    expect(bb.hold!.minutes).toBeLessThan(b.hold!.minutes);
    expect(bb.minutes.likely).toBeGreaterThan(b.minutes.likely);
  });
  it("cutting side: masking time and the sentence that says it", () => {
    const [o, i] = [job(of({ cutFrom: "outside" }), "OP-06a"), job(of({ cutFrom: "inside" }), "OP-06a")];
    expect(o.minutes.likely).toBeGreaterThan(i.minutes.likely);
    expect(i.means.join()).toMatch(/scratches stay hidden/);
  });
  it("edges in one coat or two: the second one is a step, and the skin is open for longer", () => {
    const [a, b] = [of({ edges: "one-coat" }), of({ edges: "two-coats" })];
    for (const code of ["OP-04", "OP-06a", "OP-09"]) {
      const texts = (n: NetworkJob[]) => job(n, code).steps.map((s) => s.text);
      expect(texts(a).some((t) => /Second coat on the edge/.test(t))).toBe(false);
      expect(texts(b).findIndex((t) => /Second coat on the edge/.test(t))).toBe(job(b, code).steps.findIndex((s) => s.does === "edge") + 1);
      expect(job(b, code).minutes.likely).toBeGreaterThan(job(a, code).minutes.likely);
    }
  });
  it("a wet bead or butyl under roof units, one of them only", () => {
    const seals = (o: Partial<Options>) => job(of(o), "OP-04").steps.flatMap((s) => (/^(Bead|Butyl)/.test(s.text) ? [s.text] : []));
    expect(seals({ sealing: "wet" })).toEqual([expect.stringMatching(/^Bead 6 mm/)]);
    expect(seals({ sealing: "butyl", roofUnits: "bond-and-bolt" })).toEqual([expect.stringMatching(/^Butyl tape/)]);
    const said = (o: Partial<Options>) =>
      conflictsOf({ ...DEFAULT_OPTIONS, ...o })
        .map((c) => c.text)
        .join();
    expect(said({ sealing: "butyl", roofUnits: "bond" })).toMatch(/does not hold/);
    expect(said({ sealing: "butyl", roofUnits: "bond-and-bolt" })).not.toMatch(/does not hold/);
  });
  it("mats in part or in full", () => {
    expect(job(of({ damping: "full" }), "IN-01").minutes.likely).toBeGreaterThan(job(of({}), "IN-01").minutes.likely * 1.7);
  });
  it("shower drain straight or on elbows: steps, questions, plinth", () => {
    const [s, e] = [of({ wetRoom: "tiled", drain: "straight" }), of({ wetRoom: "tiled", drain: "elbows" })];
    expect(job(s, "IN-03").steps.some((x) => /straight down/.test(x.text))).toBe(true);
    expect(job(e, "IN-03").steps.some((x) => /elbows/.test(x.text))).toBe(true);
    expect(job(e, "FR-08").minutes.likely).toBeGreaterThan(job(s, "FR-08").minutes.likely);
  });
  it("kinds of bed change frame and fitting", () => {
    const minutes = (["across", "lengthways", "fold", "slats", "lift"] as const).map((bed) => {
      const jobs = of({ bed });
      return job(jobs, "FR-06").minutes.likely + job(jobs, "FU-08").minutes.likely;
    });
    expect(new Set(minutes).size).toBe(5);
    expect(Math.max(...minutes)).toBe(minutes[4]);
  });
});

describe("sizes and counts", () => {
  it("scales hours, kits and pieces with the van and what is chosen", () => {
    const short = buildNetwork(DEFAULT_OPTIONS, vans[0].geometry);
    const long = of({});
    expect(job(short, "FR-03").minutes.likely).toBeLessThan(job(long, "FR-03").minutes.likely);
    expect(job(short, "IN-01").parts[0].quantity).toBeLessThan(job(long, "IN-01").parts[0].quantity);
    expect(job(of({ windows: 4 }), "FR-05").pieces).toEqual({ name: "frame", count: 5, first: true });
    expect(job(of({ windows: 0 }), "FR-05").pieces).toBeNull();
    expect(job(of({ solar: 4 }), "OP-11").parts.find((p) => p.name.startsWith("Solar"))?.quantity).toBe(4);
  });
  it("works the sizes of a long high van out from its panels", () => {
    const q = quantitiesOf(DEFAULT_OPTIONS, g);
    expect(q.insideM).toBe(3.7);
    expect(q.roofM2).toBeCloseTo(5.7, 1);
    // 5.7 m² of roof and 10 m² of wall without two windows
    expect(q.liningM2).toBeCloseTo(15.7, 0);
    // inlet, water fill, flue, gland, fridge vent
    expect(q.smallHoles).toBe(5);
    expect(q.openings).toBe(2 + 1 + 5);
  });
  it("gives each window its own job on alternating sides and puts the kitchen where it was chosen", () => {
    const jobs = of({ windows: 3, kitchen: "right" });
    expect(jobs.filter((j) => j.code.startsWith("OP-06")).map((j) => [j.code, j.zones[0]])).toEqual([
      ["OP-06a", "left"],
      ["OP-06b", "right"],
      ["OP-06c", "left"],
    ]);
    expect(job(jobs, "FU-06").zones).toContain("right");
  });
});

describe("checkNetwork", () => {
  it("tells a round of precedences, an unproven cover and a loose end", () => {
    const jobs = structuredClone(of({}));
    job(jobs, "ST-01").after.push({ job: "ST-04", reason: "test" });
    expect(cycleIn(jobs)).toContain("ST-04");
    expect(checkNetwork(jobs)[0].message).toMatch(/waits for itself: .*ST-01/);
    const loose = structuredClone(of({}));
    job(loose, "SV-14").covers.push("ST-04");
    job(loose, "SV-05").covers = job(loose, "SV-05").covers.filter((c) => c !== "PA-03");
    for (const j of loose) j.after = j.after.filter((a) => a.job !== "FR-07");
    expect(checkNetwork(loose).map((f) => f.message)).toEqual([
      "covers ST-04, which has no photo to be taken before",
      "asks for a photo before close-up, but nothing closes it up",
      "leads nowhere: SV-14 does not wait for it",
    ]);
  });
});

describe("planned", () => {
  it.each([
    ["full", FULL],
    ["full with pods and sprayed foam", PODS],
    ["bare", BARE],
  ])("a %s build plans and passes the checker", (_, o) => {
    const problem = readProblem(shopOf(o));
    const plan = makePlan(problem, { iterations: 0 });
    expect(plan.unplaced).toEqual([]);
    expect(checkPlan(problem, readPlan(plan))).toEqual([]);
  });
});
