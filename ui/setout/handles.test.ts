import { describe, expect, test } from "vitest";
import { asResult, type CalculatorName, calculator } from "@/core/setout/calculators";
import { blankDraft, type Draft, toDraft, toInput } from "@/core/setout/engine/form";
import { handlesOf, moved } from "@/core/setout/engine/handles";
import type { Outcome } from "@/core/setout/engine/outcome";
import { marksOf, numbered } from "./marks";

const startOf = (name: CalculatorName): Draft => {
  const c = calculator(name);
  return { ...blankDraft(c.fields), ...toDraft(c.inputs, c.example) };
};
function run(name: CalculatorName, draft: Draft): Outcome {
  const { input, faults } = toInput(calculator(name).inputs, draft);
  expect(faults).toEqual([]);
  return calculator(name).run(input);
}
const drag = (name: CalculatorName, draft: Draft, id: string, dx: number, dy: number) =>
  moved(calculator(name), draft, run(name, draft), id, dx, dy);

describe("the cut of an opening", () => {
  const start: Draft = {
    ...startOf("opening"),
    "field.left": "100",
    "field.right": "1100",
    "field.bottom": "900",
    "field.top": "1500",
    "cut.w": "600",
    "cut.h": "300",
    "place.along.mode": "centre",
    "place.along.by": "",
    "place.up.mode": "fromTop",
    "place.up.by": "100",
    keepOuts: [],
  };
  const edges = (d: Draft) => run("opening", d).results.edges as { left: number; bottom: number };

  test("comes to lie where it is dragged to, whole millimetres from the side it was measured from", () => {
    const d = drag("opening", start, "cut", 30.4, -19.6);
    // Centred it began at 100 + (1000 − 600) ÷ 2 = 300; from the top at 1500 − 100 − 300 = 1100.
    expect(edges(d)).toMatchObject({ left: 330, bottom: 1080 });
    expect(d).toMatchObject({ "place.along.mode": "fromLeft", "place.along.by": "230", "place.up.mode": "fromTop", "place.up.by": "120" });
  });
  test("stays in its field", () => {
    expect(edges(drag("opening", start, "cut", -5000, 5000))).toMatchObject({ left: 100, bottom: 1200 });
    expect(edges(drag("opening", start, "cut", 5000, -5000))).toMatchObject({ left: 500, bottom: 900 });
  });
  test("a move along leaves the height as it was typed", () => {
    const d = drag("opening", { ...start, "place.up.mode": "centre" }, "cut", 12, 0.3);
    expect(d["place.up.mode"]).toBe("centre");
    expect(edges(d).left).toBe(312);
  });
  test("there and back is where it was, whichever side it is measured from", () => {
    for (const mode of ["fromLeft", "fromRight"]) {
      const at = { ...start, "place.along.mode": mode, "place.along.by": "150" };
      expect(drag("opening", drag("opening", at, "cut", 40, 25), "cut", -40, -25)).toEqual(at);
    }
  });
});

describe("units on a roof", () => {
  const start: Draft = {
    "roof.length": "3000",
    "roof.width": "1600",
    "roof.crown": "0",
    "margins.rib": "20",
    "margins.item": "50",
    "margins.edge": "50",
    items: [
      { name: "fan", "overall.length": "400", "overall.width": "400", "cut.length": "", "cut.width": "", height: "" },
      { name: "solar", "overall.length": "1000", "overall.width": "600", "cut.length": "", "cut.width": "", height: "" },
    ],
    ribs: [],
    bars: [],
  };
  test("one moved becomes a wish on the grid, and the search takes it there", () => {
    const fan = handlesOf(calculator("roof-plan"), start, run("roof-plan", start)).find((h) => h.id === "fan")!;
    const d = drag("roof-plan", start, "fan", 1500 - fan.at[0] + 3, 400 - fan.at[1]);
    expect((d.items as Draft[])[0]).toMatchObject({ "wish.at": "1500", "wish.across": "400" });
    expect((run("roof-plan", d).results.placed as object[])[0]).toMatchObject({ name: "fan", at: 1500, across: 400 });
    expect((d.items as Draft[])[1]).toEqual((start.items as Draft[])[1]);
  });
});

describe("holes in the floor", () => {
  const start: Draft = {
    "floor.length": `10'`,
    "floor.width": "1700",
    holes: [
      { name: "drain", along: "1000", across: "500", d: "40" },
      { name: "drain", along: "2000", across: "500", d: "40" },
    ],
    zones: [],
    battens: [],
  };
  test("down the drawing is along the van; two of one name are told apart; feet are read", () => {
    const hs = handlesOf(calculator("under-floor"), start, run("under-floor", start));
    expect(hs[1].at).toEqual([500, 3048 - 2000]);
    const d = drag("under-floor", start, "1", 25, -60);
    expect((d.holes as Draft[]).map((h) => [h.along, h.across])).toEqual([
      ["1000", "500"],
      ["2060", "525"],
    ]);
  });
  test("a hole can't leave the floor", () => {
    expect((drag("under-floor", start, "0", 9999, 9999).holes as Draft[])[0]).toMatchObject({ along: "0", across: "1700" });
  });
});

test("a sheet without a drawing has no handles, and an unknown one moves nothing", () => {
  const start = startOf("cure");
  const o = run("cure", start);
  expect(handlesOf(calculator("cure"), start, o)).toEqual([]);
  expect(moved(calculator("cure"), start, o, "cut", 5, 5)).toBe(start);
});

describe("findings that point into the drawing", () => {
  const draft: Draft = {
    ...startOf("opening"),
    "field.left": "0",
    "field.right": "1000",
    "field.bottom": "0",
    "field.top": "500",
    "cut.w": "800",
    "cut.h": "300",
    "place.along.mode": "fromLeft",
    "place.along.by": "20",
    "place.up.mode": "centre",
    minLand: "40",
    flange: "0",
    keepOuts: [{ name: "bed box", left: "900", right: "1000", bottom: "0", top: "100", gap: "200" }],
  };
  test("a small land at its middle, a keep-out at its own, numbered with the worst first", () => {
    const { findings } = run("opening", draft);
    // Land at the left from 0 to 20, the cut from 100 to 400 high; the box's middle is 950, 50.
    expect(marksOf(findings)).toEqual([
      { n: 1, level: "stop", at: [10, 250] },
      { n: 2, level: "stop", at: [950, 50] },
    ]);
    const list = numbered(findings);
    expect(list.map((f) => f.level)).toEqual([...list.map((f) => f.level)].sort((a, b) => (a === "ok" ? 1 : 0) - (b === "ok" ? 1 : 0)));
    expect(list.filter((f) => f.level === "ok").every((f) => f.n === undefined)).toBe(true);
  });
  test("the place is not in the result that leaves", () => {
    const r = asResult("opening", run("opening", draft)) as { findings: object[] };
    expect(r.findings.length).toBeGreaterThan(1);
    for (const f of r.findings) expect(Object.keys(f).sort()).toEqual(["about", "level", "text"]);
  });
});
