import { describe, expect, it } from "vitest";
import { checkPlan } from "../../plan/check/check";
import { makePlan } from "../../plan/planner";
import { readPlan, readProblem } from "../../plan/read";
import { toProblem } from "../state/problem";
import { entry } from "../testing/entry";
import { job, NOW, testShop } from "../testing/shop";
import { reachBefore, reachOrder } from "./reach";

const shop = testShop();
const build = shop.builds[0];
const [base, wall] = [job(shop, "FU-06"), job(shop, "PA-06")];
const write = (data: object, title = "Base units", more = {}) => entry("reach", title, data, more);

describe("order from reach", () => {
  it("makes what a unit hides, and what it is fastened to, come first", () => {
    build.records = [write({ code: "fu-06", fixedTo: "FR-04", hides: [{ code: "PA-06", what: "screws of the last trim" }] })];
    const { links, wrong } = reachOrder(build);
    expect(wrong).toEqual([]);
    expect(links).toEqual([
      { job: base.id, after: job(shop, "FR-04").id, reason: "Base units is fastened to it" },
      { job: base.id, after: wall.id, reason: "Base units hides it: screws of the last trim" },
    ]);
    expect(reachBefore(build, base)).toContain(`${wall.name} first: Base units hides it: screws of the last trim`);
    wall.state = "done";
    expect(reachBefore(build, base).some((t) => t.startsWith(wall.name))).toBe(false);
    wall.state = "todo";
    build.records = [write({ code: "FU-06", fixedTo: "FR-04" }, "Base units", { closedAt: NOW })];
    expect(reachOrder(build).links).toEqual([]);
  });

  it("is kept by the plan", () => {
    build.records = [write({ code: "FU-06", hides: [{ code: "PA-06" }] })];
    const p = readProblem(toProblem(shop, NOW));
    const plan = makePlan(p, { iterations: 0 });
    expect(checkPlan(p, readPlan(plan))).toEqual([]);
    const at = (id: string) => plan.jobs.find((j) => j.id === id)!;
    expect(at(base.id).start >= at(wall.id).end).toBe(true);
  });

  it("tells codes that are no job, and what contradicts itself or the order there is; the rest still counts", () => {
    const later = build.jobs.find((j) => j.after.some((a) => a.job === base.id))!;
    build.records = [
      write({ code: "ZZ-01", fixedTo: "FR-04" }, "Odd"),
      write({ code: "FU-06", fixedTo: "ZZ-02", hides: [{ code: later.code }] }),
      write({ code: "PA-06", hides: [{ code: "FU-06" }] }, "Trim"),
      write({ code: "FU-06", hides: [{ code: "PA-06" }] }, "Base again"),
    ];
    const { links, wrong } = reachOrder(build);
    expect(wrong).toEqual([
      "Odd: ZZ-01 is no job of this build",
      "Base units: ZZ-02 is no job of this build",
      `Base units: ${base.name} would have to come after ${later.name}, which waits for it`,
      `Base again: ${base.name} would have to come after ${wall.name}, which waits for it`,
    ]);
    expect(links.map((l) => [l.job, l.after])).toEqual([[wall.id, base.id]]);
    expect(() => readProblem(toProblem(shop, NOW))).not.toThrow();
  });

  it("takes the side that is in reach now and hidden later; what ends its reach, and what hides it, waits for the unit", () => {
    const bed = job(shop, "FU-08");
    build.records = [
      write({
        code: "FU-06",
        sides: [{ side: "the aisle" }, { side: "inside the locker", until: "FU-08", covered: "PA-06" }, { side: "below", until: "FU-08" }],
      }),
    ];
    const { links, sides, wrong } = reachOrder(build);
    expect(wrong).toEqual([]);
    expect(sides).toEqual([`Base units is fastened from inside the locker: in reach until ${bed.name}, hidden by ${wall.name}`]);
    expect(links.map((l) => [l.job, l.after])).toEqual([
      [bed.id, base.id],
      [wall.id, base.id],
    ]);
    expect(reachBefore(build, bed).some((t) => t.startsWith(`${base.name} first`))).toBe(true);
    const p = readProblem(toProblem(shop, NOW));
    const plan = makePlan(p, { iterations: 0 });
    expect(checkPlan(p, readPlan(plan))).toEqual([]);
    const at = (id: string) => plan.jobs.find((j) => j.id === id)!;
    expect(at(bed.id).start >= at(base.id).end && at(wall.id).start >= at(base.id).end).toBe(true);
  });

  it("falls back on a side that stays in sight, and stops the unit where no side is in reach any more", () => {
    const bed = job(shop, "FU-08");
    const sides = [
      { side: "inside the locker", until: "FU-08", covered: "PA-06" },
      { side: "the aisle", until: "PA-06" },
    ];
    build.records = [write({ code: "FU-06", sides })];
    bed.state = "started";
    expect(reachOrder(build).sides).toEqual([`Base units is fastened from the aisle: in reach until ${wall.name}, and it stays in sight`]);
    wall.state = "done";
    const text = `Base units can't be fastened from any side any more (inside the locker: ${bed.name}; the aisle: ${wall.name})`;
    expect(reachBefore(build, base)).toContain(text);
    expect(reachOrder(build).lost).toEqual([{ job: base.id, text }]);
    build.records = [write({ code: "FU-06", sides: [{ side: "the aisle", until: "ZZ-09" }] })];
    expect(reachOrder(build).wrong).toEqual(["Base units: ZZ-09 is no job of this build"]);
    [bed.state, wall.state] = ["todo", "todo"];
  });
});
