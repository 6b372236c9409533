import { describe, expect, it } from "vitest";
import { InputError } from "../plan/fault";
import { diffLibraries, libraryFaults, readWholeLibrary } from "./check-library";
import { dropJob, putJob } from "./edit-library";
import { type Entry, library, libraryFile, readLibraryFile } from "./library";

const edited = (change: (jobs: Entry[]) => void): Entry[] => {
  const jobs = structuredClone(library) as Entry[];
  change(jobs);
  return jobs;
};
const at = (jobs: Entry[], code: string) => jobs.find((j) => j.code === code)!;

describe("an edited library", () => {
  it("is tried with many choices; the shipped one has no fault", () => {
    expect(libraryFaults(library)).toEqual([]);
    expect(readWholeLibrary(JSON.parse(JSON.stringify(libraryFile(library)))).length).toBe(library.length);
  });
  it("tells a round of precedences, with the choice that shows it", () => {
    const jobs = edited((l) => at(l, "FR-02").after.push({ job: "PA-09", reason: "a mistake for a test" }));
    expect(() => readWholeLibrary(libraryFile(jobs))).toThrow(InputError);
    expect(libraryFaults(jobs)[0].message).toMatch(/waits for itself: .*PA-09.*\(with wetRoom tiled\)|waits for itself/);
  });
  it("tells a job that would never be waited for, and a formula without value", () => {
    const loose = edited((l) => {
      for (const j of l) j.after = j.after.filter((a) => a.job !== "FR-07");
    });
    expect(libraryFaults(loose)).toEqual([{ path: "FR-07", message: "leads nowhere: SV-14 does not wait for it" }]);
    const broken = edited((l) => (at(l, "OP-06").scale = "1 / (windows - windows)"));
    expect(libraryFaults(broken)[0]).toEqual({ path: "OP-06.scale", message: expect.stringMatching(/has no value/) });
  });
});

describe("difference to shipped", () => {
  it("is nothing for the same", () => {
    expect(diffLibraries(library, structuredClone(library) as Entry[])).toEqual([]);
  });
  it("names jobs that came and went, and fields with both values", () => {
    const own = edited((l) => {
      l.splice(
        l.findIndex((j) => j.code === "ST-05"),
        1,
      );
      at(l, "IN-01").minutes.likely = 360;
      at(l, "IN-01").steps[0].text = "Another first step";
      l.push({ ...structuredClone(at(l, "PA-07")), code: "PA-20", name: "Own job" });
      const s = at(l, "FU-08").steps;
      [s[0], s[1]] = [s[1], s[0]];
    });
    const d = diffLibraries(library, own);
    expect(d.map((x) => [x.code, x.kind])).toEqual([
      ["FU-08", "changed"],
      ["IN-01", "changed"],
      ["PA-20", "added"],
      ["ST-05", "removed"],
    ]);
    expect(d[0].fields).toEqual([{ field: "steps", shipped: "this order", own: "another order" }]);
    expect(d[1].fields).toEqual([
      { field: "minutes", shipped: expect.stringContaining("300"), own: expect.stringContaining("360") },
      { field: "steps", shipped: expect.stringMatching(/clean and dry/), own: "Another first step" },
    ]);
  });
});

describe("edits of the whole", () => {
  it("put a job in like another, behind the last of its stage", () => {
    const own = { ...at(structuredClone(library) as Entry[], "PA-07"), code: "PA-20" };
    const next = putJob(library, own, "PA-07");
    expect(next.findIndex((j) => j.code === "PA-20")).toBe(next.findLastIndex((j) => j.stage === "panels"));
    const waits = (code: string) => next.filter((j) => j.after.some((a) => a.job === code)).map((j) => j.code);
    expect(waits("PA-20")).toEqual(waits("PA-07"));
    expect(libraryFaults(next)).toEqual([]);
  });
  it("take any job but the last out and still make networks that can be worked", () => {
    for (const j of library.slice(0, -1)) {
      const left = dropJob(library, j.code);
      expect(left).toHaveLength(library.length - 1);
      expect(() => readLibraryFile(libraryFile(left)), j.code).not.toThrow();
    }
    for (const code of ["OP-12", "IN-01", "PA-04", "FU-05", "SV-11"]) expect(libraryFaults(dropJob(library, code)), code).toEqual([]);
  });
});
