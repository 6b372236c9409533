import { describe, expect, it } from "vitest";
import { checkPlan } from "../../plan/check/check";
import { makePlan } from "../../plan/planner";
import { readPlan, readProblem } from "../../plan/read";
import { isExtra } from "../builds/extra-work";
import { toProblem } from "../state/problem";
import { NOW, testShop } from "../testing/shop";
import { rejoined, type Split, splitFaults, splitOf, withSplit } from "./split";

const shop = testShop();
const build = shop.builds[0];
const job = build.jobs.find((j) => j.state === "todo" && j.place === "van" && j.zones.length > 2 && j.minutes.likely >= 120)!;
const split = (more: Partial<Split> = {}): Split => ({ kind: "prepare", minutes: 60, bench: true, zones: [], after: [], ...more });
const beside = (zones: string[], more: Partial<Split> = {}) => split({ kind: "beside", bench: false, zones, ...more });
const plannedWith = (b: typeof build) => {
  const p = readProblem(toProblem({ ...shop, builds: [b] }, NOW));
  const plan = makePlan(p, { iterations: 0 });
  expect(checkPlan(p, readPlan(plan))).toEqual([]);
  return plan;
};

describe("a job split in two", () => {
  it("names by its field what can't be", () => {
    const path = (s: Split, j = job) => splitFaults(j, s)[0]?.path;
    expect(path(split())).toBeUndefined();
    expect(path(split({ minutes: 14 }))).toBe("minutes");
    expect(path(split({ minutes: job.minutes.likely - 14 }))).toBe("minutes");
    expect(path(split({ after: ["nothing"] }))).toBe("after");
    expect(path(beside([]))).toBe("zones");
    expect(path(beside(["nowhere"]))).toBe("zones");
    expect(path(beside(job.zones))).toBe("zones");
    expect(path(split(), { ...job, state: "started" })).toBe("minutes");
  });

  it("prepares a part on the bench, labelled and stored, with a second setting-up; the rest waits for it", () => {
    const made = withSplit(build, job, split({ minutes: 60 }));
    expect(isExtra(made.part)).toBe(true);
    expect(made.part).toMatchObject({ place: "bench", zones: [], name: `${job.name}: prepared` });
    expect(made.part.minutes.likely).toBe(60 + 18);
    expect(made.part.steps.map((s) => s.text)).toEqual([
      "Each piece labelled with its job and its place",
      "Stored, and the place written down",
    ]);
    expect(made.rest.minutes.likely).toBe(job.minutes.likely - 60);
    expect(made.rest.after.at(-1)!.job).toBe(made.part.id);
    expect(made.links).toEqual([{ ...made.rest, covers: [], after: [made.rest.after.at(-1)] }]);
    const plan = plannedWith(made.build);
    const at = (id: string) => plan.jobs.find((j) => j.id === id)!;
    expect(at(made.rest.id).start >= at(made.part.id).end).toBe(true);
    // Without its predecessors the part can be done long before the van is ready for the job.
    expect(at(made.part.id).start < at(job.id).start).toBe(true);
  });

  it("lets two work side by side where their places differ; what follows waits for both", () => {
    const zones = [job.zones[0]];
    const made = withSplit(build, job, beside(zones, { after: job.after.map((a) => a.job) }));
    expect(made.part.zones).toEqual(zones);
    expect(made.rest.zones).toEqual(job.zones.slice(1));
    expect(made.part.minutes.likely).toBe(60);
    const followers = build.jobs.filter((j) => j.state === "todo" && j.after.some((a) => a.job === job.id));
    expect(made.links.map((l) => l.id)).toEqual(followers.map((f) => f.id));
    const plan = plannedWith(made.build);
    const end = plan.jobs.find((j) => j.id === made.part.id)!.end;
    for (const f of followers) expect(plan.jobs.find((j) => j.id === f.id)!.start >= end).toBe(true);
  });

  it("knows what it was split off, and gives minutes and places back", () => {
    const made = withSplit(build, job, beside([job.zones[0]]));
    expect(splitOf(made.part)).toEqual({ kind: "beside", jobId: job.id, minutes: 60 });
    expect(splitOf(job)).toBeUndefined();
    const back = rejoined(made.build, made.part)!;
    expect(back.minutes.likely).toBe(job.minutes.likely);
    expect([...back.zones].sort()).toEqual([...job.zones].sort());
    const begun = { ...made.build, jobs: made.build.jobs.map((j) => (j.id === job.id ? { ...j, state: "started" as const } : j)) };
    expect(rejoined(begun, made.part)).toBeUndefined();
  });
});
