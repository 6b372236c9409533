import { describe, expect, it } from "vitest";
import { shipped } from "../../library/testing";
import { InputError } from "../../plan/fault";
import { calculator, findCalculator } from "../../setout/calculators";
import { FATES, type Item } from "../records/kinds/item";
import { readRecord } from "../records/kinds/kinds";
import type { BuildRecord } from "../records/records";
import { job, NOW, testShop } from "../testing/shop";
import { foundOnBody } from "./marks";
import { cameOutWords, inventoryOf, itemFaults, itemRows, stillServes, stripOpen, templatesFor } from "./removed-items";

let n = 0;
const record = (title: string, data: Item, closedAt: number | null = null): BuildRecord => ({
  id: `i${++n}`,
  kind: "item",
  jobId: null,
  title,
  data,
  saidBy: "u",
  saidAt: n,
  closedAt,
  version: 1,
  photos: [],
});
const item = (more: Partial<Item> = {}): Item => ({ from: "floor", kg: 10, fate: "store", place: "loft", ...more });
const floor = item({ fate: "template", serves: ["IN-05", "PA-10"] });
const paths = (list: { path: string }[]) => list.map((f) => f.path);

const stripPrefill = (records: Parameters<typeof foundOnBody>[0]) =>
  calculator("strip-list").prefill!({ known: { found: () => foundOnBody(records) } } as never);

describe("an item that came out", () => {
  const shop = testShop();
  const build = shop.builds[0];
  const ask = (was: Item | undefined, next: Item, closed = false, why = "asked for") => itemFaults(build, was, next, closed, why);

  it("says where it was, what it weighs and a fate out of the list", () => {
    expect(readRecord("item", item()).faults).toEqual([]);
    for (const bad of [
      { kg: -1 },
      { fate: "lost" },
      { from: " " },
      { serves: ["IN-05", "IN-05"] },
      { edges: { top: "worn" } },
      { history: [] },
    ])
      expect(() => readRecord("item", { ...item(), ...bad })).toThrow(InputError);
  });
  it("asks why when a decided fate changes, and not for the first decision", () => {
    expect(ask(item({ fate: "undecided" }), item(), false, "")).toEqual([]);
    expect(paths(ask(item(), item({ fate: "sell" }), false, " "))).toEqual(["why"]);
    expect(ask(item(), item({ fate: "sell" }))).toEqual([]);
    expect(paths(ask(item({ fate: "undecided" }), item({ fate: "undecided" }), true))).toEqual(["fate"]);
  });
  it("is locked as a template until every job cut by it is done", () => {
    expect(paths(ask(undefined, item({ fate: "template" })))).toEqual(["serves"]);
    for (const fate of FATES.filter((f) => f !== "template")) expect(paths(ask(floor, item({ fate })))).toEqual(["fate"]);
    expect(ask(floor, item({ fate: "scrap" }))[0].message).toBe(
      "is refused: it is still the template of Floor boards cut and dry-fitted, Finished floor",
    );
    // Neither gone, nor short of a job it serves; another place or a further job is all right.
    expect(paths(ask(floor, floor, true))).toEqual(["closed"]);
    expect(paths(ask(floor, { ...floor, serves: ["IN-05"] }))).toEqual(["serves"]);
    expect(ask(floor, { ...floor, place: "rack", serves: ["PA-10", "IN-05", "PA-01"] })).toEqual([]);
    const later = testShop();
    const then = later.builds[0];
    job(later, "IN-05").state = "done";
    expect(stillServes(then, floor).map((j) => j.code)).toEqual(["PA-10"]);
    job(later, "PA-10").state = "done";
    expect(itemFaults(then, floor, item({ fate: "scrap" }), true, "used up")).toEqual([]);
  });
});

describe("the end of stripping", () => {
  it("waits for what is undecided or lies nowhere", () => {
    const build = {
      jobs: [],
      records: [
        record("rails", item({ fate: "undecided" })),
        record("eyes", item({ fate: "keep", place: " " })),
        record("mat", item({ fate: "scrap", place: "" })),
        record("gone", item({ fate: "store", place: "" }), NOW),
        record("floor", floor),
      ],
    };
    const open = ["rails: what becomes of it is not decided", "eyes: kept, goes back in, but nobody wrote down where it lies"];
    expect(stripOpen(build, { ...shipped("ST-07") })).toEqual(open);
    expect(stripOpen(build, { ...shipped("ST-06") })).toEqual([]);
    expect(cameOutWords(build, { ...shipped("ST-07"), state: "started" })).toHaveLength(2);
    expect(cameOutWords(build, { ...shipped("ST-07"), state: "done" })).toEqual([]);
  });
  it("hands the templates on to the jobs cut by them, with the edges not to trust", () => {
    const records = [
      record("old floor", { ...floor, edges: { rear: "worn", left: "trusted", front: "missing" } }),
      record("released", floor, NOW),
      record("lining", item({ fate: "template", serves: ["PA-01"], place: undefined as never })),
    ];
    expect(templatesFor({ records }, "IN-05")).toEqual(["old floor, loft; not by its rear edge (worn), front edge (missing)"]);
    expect(templatesFor({ records }, "PA-01")).toEqual(["lining, place not written down"]);
  });
});

describe("the sums", () => {
  const records = [
    record("stays", item({ fate: "stays on", kg: 50 })),
    record("keep", item({ fate: "keep", kg: 2.4 })),
    record("racking", item({ fate: "sell", kg: 42.35, credit: 180 })),
    record("rails", item({ fate: "sell", kg: 14, credit: 60.5 }), NOW),
    record("mat", item({ fate: "scrap", kg: 12, credit: 99 })),
    record("what", item({ fate: "undecided", kg: 1 })),
  ];
  it("tell what has left, what goes back, what sales bring", () => {
    // 2.4 + 42.35 + 14 + 12 + 1 = 71.75
    expect(inventoryOf(records)).toEqual({ items: 6, undecided: 1, kgOut: 71.8, kgBack: 2.4, sold: 60.5, toSell: 180 });
    expect(inventoryOf([])).toEqual({ items: 0, undecided: 0, kgOut: 0, kgBack: 0, sold: 0, toSell: 0 });
  });
  it("go into the strip list, which weighs the same but for what is undecided", () => {
    expect(itemRows(records)).toHaveLength(5);
    const { draft, basis } = stripPrefill(records)!;
    expect(basis["kg removed"]).toBe(71.8);
    const input = {
      holes: [],
      rust: [],
      items: (draft.items as { name: string; kg: string; fate: string }[]).map((i) => ({ ...i, kg: Number(i.kg) })),
    };
    expect(findCalculator("strip-list")!.run(input).results).toMatchObject({
      massRemovedKg: 70.75,
      sell: ["racking", "rails"],
      scrap: ["mat"],
    });
  });
});
