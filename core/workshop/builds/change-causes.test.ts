// What changes came from, and prints that are old.

import { describe, expect, it } from "vitest";
import { readRecord } from "../records/kinds/kinds";
import { oldPrintWords, printsOf } from "../sheets/stale-prints";
import { entry } from "../testing/entry";
import { NOW } from "../testing/shop";
import { changesByCause } from "./change-causes";

const change = (cause: string | undefined, hours: number, cost = 0) =>
  entry("decision", "c", { who: "Ada", hours, cost, ...(cause ? { cause } : {}) });

describe("changes by cause", () => {
  it("sum hours and money, the most hours first; decisions that are no changes are left out", () => {
    expect(changesByCause([change("client", 6, 200), change("found", 9.5, 40), change("client", -1.5, 10), change(undefined, 80)])).toEqual(
      [
        { cause: "found", says: "found on the van", changes: 1, hours: 9.5, cost: 40 },
        { cause: "client", says: "the client's wish", changes: 2, hours: 4.5, cost: 210 },
      ],
    );
    expect(changesByCause([])).toEqual([]);
    expect(() => readRecord("decision", { who: "Ada", cause: "luck" })).toThrow(/cause/);
  });
});

describe("prints of a sheet", () => {
  const print = (version: number, at: number) => entry("printed", "Opening", { sheet: "s", version }, { saidAt: at });
  it("are old once a newer version was kept, or the van or the choices have changed", () => {
    const build = { records: [print(1, NOW - 100), print(2, NOW - 50), entry("printed", "x", { sheet: "other", version: 1 })] };
    expect(printsOf(build, { id: "s", version: 2 }, []).map((p) => [p.at, p.old])).toEqual([
      [NOW - 50, null],
      [NOW - 100, "a newer version of the sheet was kept"],
    ]);
    expect(printsOf(build, { id: "s", version: 2 }, ["the width: 1500, now 1510"])[0].old).toBe("the van or the choices have changed");
  });
  it("are told on the card of the job whose sheet has changed", () => {
    const sheet = { id: "s", jobId: "j", calculator: "opening", version: 2 };
    const build = { records: [print(1, NOW)], sheets: [sheet] } as never;
    expect(oldPrintWords(build, "j")[0]).toMatch(/^Throw away the print of .*: the sheet has changed since$/);
    expect(oldPrintWords(build, "k")).toEqual([]);
    expect(oldPrintWords({ records: [print(2, NOW)], sheets: [sheet] } as never, "j")).toEqual([]);
  });
});
