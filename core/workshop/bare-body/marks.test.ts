import { describe, expect, test } from "vitest";
import { InputError } from "../../plan/fault";
import { calculator, findCalculator } from "../../setout/calculators";
import { contradictions } from "../../setout/engine/facts";
import { readRecord } from "../records/kinds/kinds";
import type { Mark } from "../records/kinds/mark";
import type { BuildRecord } from "../records/records";
import { foundOnBody, openHoles, rustByCause, sayMark, toTreat } from "./marks";
import { shellStates } from "./zones";

const stripPrefill = (records: Parameters<typeof foundOnBody>[0]) =>
  calculator("strip-list").prefill!({ known: { found: () => foundOnBody(records) } } as never);

let n = 0;
const mark = (data: Mark, closedAt: number | null = null): BuildRecord => ({
  id: `m${++n}`,
  kind: "mark",
  jobId: null,
  title: "somewhere",
  data,
  saidBy: "u",
  saidAt: n,
  closedAt,
  version: 1,
  photos: [],
});
const hole = (more: Partial<Mark>): Mark => ({ what: "hole", view: "left", x: 1, y: 1, dMm: 8, fate: "close", ...more });
const rust: Mark = { what: "rust", view: "roof", x: 1, y: 1, areaDm2: 1.2, grade: 2 };

describe("marks", () => {
  test("a hole asks for size and fate, rust for area and grade, damage for neither", () => {
    const paths = (data: object) => readRecord("mark", data).faults.map((f) => f.path);
    expect(paths({ what: "hole", view: "left", x: 0, y: 0 })).toEqual(["dMm", "fate"]);
    expect(paths({ what: "rust", view: "left", x: 0, y: 0 })).toEqual(["areaDm2", "grade"]);
    expect(paths({ what: "damage", view: "left", x: 0, y: 0 })).toEqual([]);
    for (const bad of [{ view: "inside" }, { x: -1 }, { what: "crack" }, { grade: 4 }])
      expect(() => readRecord("mark", { ...rust, ...bad })).toThrow(InputError);
  });
  test("are said in words", () => {
    expect(sayMark(hole({ count: 3, throughSkin: true }))).toBe("3 holes of 8, through the skin, to be closed");
    expect(sayMark(hole({ fate: "keep" }))).toBe("hole of 8, in the inner skin, kept");
    expect(sayMark(hole({ fate: "close", madeBy: "before" }))).toBe(
      "hole of 8, in the inner skin, to be closed, made by whoever had the van before",
    );
    expect(readRecord("mark", { ...rust, view: "left", x: 1, y: 1, madeBy: "us" }).faults).toContainEqual({
      path: "madeBy",
      message: "is for a hole",
    });
    expect(sayMark({ ...rust, grade: 3 })).toBe("rust, grade 3, 1.2 dm²: stop, for a body shop");
  });
});

describe("rust by its cause, and what becomes of it", () => {
  const faults = (data: object) => readRecord("mark", { ...rust, ...data }).faults.map((f) => f.path);
  test("light bloom may be accepted, what is pitted may not; swarf names the job that left it", () => {
    expect(faults({ grade: 1, accepted: "Mara" })).toEqual([]);
    expect(faults({ grade: 2, accepted: "Mara" })).toEqual(["accepted"]);
    expect(faults({ cause: "swarf", causeJob: "a.OP-04" })).toEqual([]);
    expect(faults({ cause: "scratch", causeJob: "a.OP-04" })).toEqual(["causeJob"]);
    expect(sayMark({ ...rust, grade: 1, cause: "trapped water", accepted: "Mara" })).toBe(
      "rust, grade 1, 1.2 dm², from trapped water, accepted as it is by Mara",
    );
  });
  test("what is accepted holds nothing and takes no minutes; what is treated or open does", () => {
    const bloom = mark({ ...rust, grade: 1, accepted: "Mara" });
    expect([mark(rust), bloom, mark(rust, 5)].map((m) => toTreat(m as never))).toEqual([true, false, false]);
    expect(foundOnBody([bloom, mark(rust)])!.rust).toHaveLength(1);
    expect(shellStates({ records: [bloom] }, 10).find((z) => z.zone === "roof")!.rust).toBe(0);
    expect(shellStates({ records: [mark(rust)] }, 10).find((z) => z.zone === "roof")!.rust).toBe(1);
  });
  test("adds up by cause, with the jobs that left swarf; open holes inside and from below apart", () => {
    const jobs = [{ id: "j1", name: "Roof fan" }];
    const records = [
      mark({ ...rust, cause: "swarf", causeJob: "j1" }),
      mark({ ...rust, areaDm2: 0.35, cause: "swarf" }),
      mark({ ...rust, cause: "scratch" }),
      mark(rust),
      mark(hole({ count: 4 })),
      mark(hole({ count: 2, view: "under" })),
      mark(hole({ view: "under" }), 9),
      mark(hole({ fate: "keep" })),
    ];
    expect(rustByCause({ records, jobs })).toEqual([
      { cause: "swarf", dm2: 1.55, jobs: ["Roof fan"] },
      { cause: "a scratch", dm2: 1.2, jobs: [] },
    ]);
    expect(openHoles(records)).toEqual({ inside: 4, below: 2 });
  });
});

describe("the sheet for holes and rust", () => {
  const records = [
    mark(hole({ count: 4 })),
    mark(hole({ count: 2, view: "right" }), 99),
    mark(hole({ dMm: 6, view: "roof", throughSkin: true })),
    mark(hole({ fate: "keep", dMm: 16 })),
    mark(rust),
    mark({ what: "damage", view: "rear", x: 1, y: 1 }),
  ];
  test("has the holes to be closed by size, place and depth, treated or not, and rust patch by patch", () => {
    const p = stripPrefill(records)!;
    expect(p.draft.holes).toEqual([
      { d: "6", count: "1", place: "roof", throughSkin: true },
      { d: "8", count: "6", place: "wall", throughSkin: false },
    ]);
    expect(p.draft.rust).toEqual([{ areaDm2: "1.2", grade: "2" }]);
    expect(p.basis).toEqual({ "holes to be closed": 7, "dm² of rust": 1.2 });
  });
  test("is one that its calculator takes: a plug for each of seven", () => {
    const holes = (stripPrefill(records)!.draft.holes as { d: string; count: string }[]).map((h) => ({
      ...h,
      d: Number(h.d),
      count: Number(h.count),
    }));
    const o = findCalculator("strip-list")!.run({ holes, rust: [{ areaDm2: 1.2, grade: 2 }], items: [] });
    const total = (o.results.plugs as { count: number }[]).reduce((m, x) => m + x.count, 0);
    expect(total).toBe(7);
  });
  test("what is treated contradicts nothing; a further hole does", () => {
    const then = stripPrefill(records)!.basis;
    const treated = records.map((r) => ({ ...r, closedAt: 5 }) as BuildRecord);
    expect(contradictions(then, stripPrefill(treated)!.basis)).toEqual([]);
    expect(contradictions(then, stripPrefill([...records, mark(hole({}))])!.basis)).toEqual(["holes to be closed is 8 now, was 7"]);
  });
  test("there is none where nothing is to be closed", () => {
    expect(stripPrefill([mark({ what: "damage", view: "rear", x: 1, y: 1 }), mark(hole({ fate: "keep" }))])).toBeUndefined();
  });
});
