// Covering what is finished before dirty work, and cleaning up behind it.

import { describe, expect, it } from "vitest";
import { askedJobs } from "../builds/asked-work";
import type { JobRow } from "../state/model";
import { NOW, testShop } from "../testing/shop";
import { dirtOf, finishedAround, protection } from "./protect";

/** A build of two: one finished, one to come, in the same place unless said otherwise. */
function house(next: Partial<JobRow> = {}, finished: Partial<JobRow> = {}) {
  const shop = testShop();
  const build = shop.builds[0];
  const [a, b, c] = build.jobs;
  Object.assign(a, { name: "Wall lined", stage: "panels", place: "van", zones: ["left"], state: "done", endedAt: NOW - 60, ...finished });
  Object.assign(b, {
    name: "Cabinets scribed",
    stage: "furniture",
    place: "van",
    zones: ["left", "floor"],
    tags: ["dust"],
    tools: [],
    state: "todo",
    after: [],
    ...next,
  });
  Object.assign(c, { state: "todo", after: [{ job: b.id, lag: 0, working: false, ignoreHold: false }] });
  build.jobs = [a, b, c];
  build.records = [];
  return { shop, build, a, b, c };
}

describe("what a job leaves", () => {
  const of = (more: Partial<JobRow>) => dirtOf({ place: "van", tags: [], tools: [], ...more });
  it("is dust, sparks or water by its tags and tools; on the bench nothing that lands in a van", () => {
    expect([of({ tags: ["dust"] }), of({ tags: ["water"] }), of({ tools: ["grinder"], tags: ["dust"] }), of({})]).toEqual([
      "dust",
      "water",
      "sparks",
      undefined,
    ]);
    expect(of({ place: "bench", tags: ["dust"] })).toBeUndefined();
  });
});

describe("what is finished where it comes", () => {
  it("is covered before it and cleaned behind it, by name, in minutes", () => {
    const { build, b, c } = house();
    const [cover, clean] = protection(build);
    expect(cover).toMatchObject({
      key: `protect:${b.id}`,
      why: "Cabinets scribed makes dust where Wall lined is finished",
      minutes: { likely: 15 },
      zones: ["left", "floor"],
      before: [b.id],
      after: [],
    });
    expect(cover.steps[0]).toBe("Cover: Wall lined");
    expect(cover.steps.at(-1)).toMatch(/temporary things/);
    expect(clean).toMatchObject({ key: `clean:${b.id}`, after: [b.id], before: [c.id], minutes: { likely: 15 } });
  });
  it("has its own ways for sparks and water", () => {
    const steps = (next: Partial<JobRow>) =>
      protection(house(next).build)
        .flatMap((a) => a.steps)
        .join();
    expect(steps({ tools: ["grinder"] })).toMatch(/extinguisher.*magnet/);
    expect(steps({ tags: ["water"] })).toMatch(/bucket.*dry/);
  });
  it("is what has been done in the van, to be seen, where it works", () => {
    for (const finished of [{ state: "todo" }, { stage: "insulation" }, { zones: ["roof"] }, { place: "bench" }] as Partial<JobRow>[])
      expect(protection(house({}, finished).build), JSON.stringify(finished)).toEqual([]);
    const { build, b } = house({ zones: ["all"] }, { zones: ["roof"] });
    expect(finishedAround(build, b).map((j) => j.name)).toEqual(["Wall lined"]);
  });
  it("is asked for when the dirty work is next, not weeks before, nor where a sheet lies already", () => {
    const { build, b, c } = house();
    b.after = [{ job: c.id, lag: 0, working: false, ignoreHold: false }] as never;
    expect(protection(build)).toEqual([]);
    const covered = house();
    covered.build.records = [
      {
        id: "r",
        kind: "temporary",
        title: "sheet",
        data: { what: "sheet", zone: "left", owner: "Ines", before: "furniture" },
        closedAt: null,
      },
    ] as never;
    // What lies there is to be cleaned behind all the same, and still is while the dirty work is under way.
    expect(protection(covered.build).map((a) => a.key)).toEqual([`clean:${covered.b.id}`]);
    const begun = house({ state: "started" });
    expect(protection(begun.build).map((a) => a.key)).toEqual([`clean:${begun.b.id}`]);
    expect(protection(house({ state: "done" }).build)).toEqual([]);
  });
  it("stands among what asks for jobs until it is taken on", () => {
    const { shop, build, b, c } = house();
    const keys = () => askedJobs(shop, build, NOW).map((a) => a.key);
    expect(keys()).toEqual([`protect:${b.id}`, `clean:${b.id}`]);
    // Taken on, the dirty work waits for it; the cleaning is asked for all the same.
    c.extra = `protect:${b.id}`;
    c.after = [];
    b.after = [{ job: c.id, lag: 0, working: false, ignoreHold: false }] as never;
    expect(keys()).toEqual([`clean:${b.id}`]);
  });
});
