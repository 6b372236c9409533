import { beforeAll, describe, expect, it } from "vitest";
import { zoneOf } from "../time/zone";
import { checkPlan } from "./check/check";
import type { Plan, Problem, ProblemJob } from "./model";
import { obstacle, tryPin } from "./pinned";
import { makePlan } from "./planner";
import { readPlan, readProblem } from "./read";
import { workshop } from "./testing/workshop";

const problem = readProblem(workshop({ seed: 21, builds: 3, jobsPerBuild: 20, calm: true, fitters: 6, bays: 3 }));
const zone = zoneOf(problem.zone);
let plan: Plan;
beforeAll(() => {
  plan = makePlan(problem, { iterations: 40 });
});

const todo = (test: (j: ProblemJob) => boolean) =>
  problem.builds.flatMap((b) => b.jobs.map((j) => ({ b, j }))).find(({ j }) => j.state === "todo" && test(j))!;
const planned = (id: string) => plan.jobs.find((j) => j.id === id)!;

describe("obstacle", () => {
  it("names the skill that a fitter lacks, and who has it", () => {
    const { j } = todo((x) => x.crew.length === 1 && x.crew[0].skill === "electric" && !x.crew[0].ticket);
    const lacking = problem.fitters.find((f) => (f.skills.electric ?? 0) < (j.crew[0].level ?? 1))!;
    const said = obstacle(problem, j.id, { fitters: [lacking.id] })!;
    expect(said.rule).toBe("crew");
    expect(said.text).toContain(`${lacking.name} has electric at level ${lacking.skills.electric ?? 0}`);
    const able = problem.fitters.find((f) => (f.skills.electric ?? 0) >= (j.crew[0].level ?? 1))!;
    expect(said.text).toContain(able.name);
    expect(obstacle(problem, j.id, { fitters: [able.id] })).toBeUndefined();
  });

  it("names a ticket that is missing or has run out", () => {
    const p = structuredClone(problem) as Problem;
    const { j } = todo((x) => x.crew.length === 1);
    const job = p.builds.flatMap((b) => b.jobs).find((x) => x.id === j.id)!;
    job.crew = [{ skill: "any", ticket: "gas" }];
    p.fitters[0].tickets = [];
    p.fitters[1].tickets = [{ id: "gas", until: "2026-12-31" }];
    expect(obstacle(p, j.id, { fitters: [p.fitters[0].id] })!.text).toContain("has no gas ticket");
    expect(obstacle(p, j.id, { fitters: [p.fitters[1].id] })!.text).toContain("ran out on Thu 31 Dec");
  });

  it("names what a place lacks: height, a property, warmth, the van itself", () => {
    const p = structuredClone(problem) as Problem;
    const { b, j } = todo((x) => x.place === "van" && !x.bay?.length && !x.yardOk);
    p.bays[0].maxHeightMm = 2000;
    expect(obstacle(p, j.id, { bay: p.bays[0].id })!.text).toContain(`takes 2000 mm of height, ${b.name} has ${b.heightMm}`);
    expect(obstacle(p, j.id, { bay: "bench" })!.text).toContain("is done on the van");
    expect(obstacle(p, j.id, { bay: "yard" })!.text).toContain("is not done in the yard");
    const lift = p.builds.flatMap((x) => x.jobs).find((x) => x.id === j.id)!;
    lift.bay = ["spray"];
    expect(obstacle(p, j.id, { bay: p.bays[1].id })!.text).toContain("has no spray; no place would do");
    const bench = todo((x) => x.place === "bench");
    expect(obstacle(p, bench.j.id, { bay: p.bays[1].id })!.text).toContain("is bench work");
  });
});

describe("tryPin", () => {
  it("keeps a pin to where the job stands, and moves nothing", () => {
    const { j } = todo((x) => planned(x.id) !== undefined && planned(x.id).start > "2027-03-04");
    const at = planned(j.id);
    const verdict = tryPin(problem, plan, j.id, { start: at.start, bay: at.place, fitters: at.fitters });
    expect(verdict.kept).toBe(true);
    expect(verdict.moves).toEqual([]);
  });

  it("says by which rule a start is too early, and when it could be", () => {
    const { j } = todo((x) => (x.after?.length ?? 0) > 0 && planned(x.id).start > "2027-03-05");
    const verdict = tryPin(problem, plan, j.id, { start: problem.now });
    expect(verdict.kept).toBe(false);
    expect(verdict.rule).toBeDefined();
    expect(verdict.text).toMatch(/it could start/);
    expect(verdict.could!.start > problem.now).toBe(true);
    expect(tryPin(problem, plan, j.id, { start: "2027-02-01T08:00" }).rule).toBe("now");
  });

  it("flows round a later start: what it moves makes a valid plan with the pin kept", () => {
    const { b, j } = todo((x) => x.place === "van" && planned(x.id).start > "2027-03-03");
    const start = zone.show(zone.parse(planned(j.id).start) + 7 * 1440);
    const verdict = tryPin(problem, plan, j.id, { start });
    expect(verdict.kept).toBe(true);
    expect(verdict.moves.map((m) => m.job)).toContain(j.id);
    const next = structuredClone(problem) as Problem;
    next.published = plan;
    next.builds.find((x) => x.id === b.id)!.jobs.find((x) => x.id === j.id)!.pin = { start };
    const real = makePlan(readProblem(next), { iterations: 0, local: true });
    expect(checkPlan(next, readPlan(real))).toEqual([]);
    expect(real.jobs.find((x) => x.id === j.id)!.start).toBe(start);
  });

  /** Two jobs of one build of which the second waits for the first, both planned, the first with nothing that holds it up. */
  const pair = () => {
    const { b, j } = todo((x) => {
      const l = x.after?.length === 1 ? x.after[0] : undefined;
      const before = l && problem.builds.flatMap((y) => y.jobs).find((y) => y.id === l.job);
      return before?.state === "todo" && !before.hold && !l?.lag && planned(x.id)?.start > "2027-03-03";
    });
    return { build: b.id, first: j.after![0].job, second: j.id };
  };
  const change = (at: Plan, edit: (job: (id: string) => ProblemJob, p: Problem) => void) => {
    const next = structuredClone(problem) as Problem;
    next.published = structuredClone(at);
    edit((id) => next.builds.flatMap((x) => x.jobs).find((x) => x.id === id)!, next);
    return readProblem(next);
  };

  it("brings forward what stands too late for a pin, where it could be sooner", () => {
    const { first, second } = pair();
    // Published a fortnight late, with all that waits for it.
    const late = zone.show(zone.parse(planned(first).start) + 14 * 1440);
    const published = makePlan(
      change(plan, (job) => void (job(first).pin = { start: late })),
      { iterations: 0, local: true },
    );
    expect(published.jobs.find((x) => x.id === first)!.start).toBe(late);
    const wish = zone.show(zone.parse(planned(second).start) + 7 * 1440);
    const next = change(published, (job) => void (job(second).pin = { start: wish }));
    const real = makePlan(next, { iterations: 0, local: true });
    expect(real.pinsBroken).toEqual([]);
    expect(real.jobs.find((x) => x.id === second)!.start).toBe(wish);
    expect(real.jobs.find((x) => x.id === first)!.end <= wish).toBe(true);
    expect(checkPlan(next, readPlan(real))).toEqual([]);
    expect(tryPin(problem, published, second, { start: wish }).kept).toBe(true);
  });

  it("starts as near behind a pin as can be where it can't be kept, and names the pin and what is in the way", () => {
    const { second } = pair();
    const wish = zone.show(zone.parse(planned(second).start) + 7 * 1440);
    const day = wish.slice(0, 10);
    const next = change(plan, (job, p) => {
      job(second).pin = { start: wish };
      for (const c of p.calendars) c.closed = [...(c.closed ?? []), day];
    });
    const real = makePlan(next, { iterations: 0, local: true });
    expect(real.pinsBroken.map((x) => x.job)).toContain(second);
    const here = real.jobs.find((x) => x.id === second)!;
    expect(here.start > wish).toBe(true);
    expect(zone.parse(here.start) - zone.parse(wish)).toBeLessThan(7 * 1440);
    expect(here.why?.map((w) => w.kind)).toContain("pin");
    expect(checkPlan(next, readPlan(real))).toEqual([]);
  });

  it("hands work to another fitter who can do it", () => {
    const { j } = todo((x) => x.crew.length === 1 && x.crew[0].skill === "any" && (x.crew[0].count ?? 1) === 1 && !x.crew[0].ticket);
    const other = problem.fitters.find(
      (f) => f.calendar === "shop" && !planned(j.id).fitters.includes(f.id) && Object.values(f.skills).some((l) => l >= 3),
    )!;
    const verdict = tryPin(problem, plan, j.id, { fitters: [other.id] });
    expect(verdict.kept).toBe(true);
    expect(verdict.could!.fitters).toContain(other.id);
  });
});
