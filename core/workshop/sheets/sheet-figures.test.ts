// Limits inside the calculators are figures of the house: bounded, kept where they differ, and what a sheet starts from.

import { describe, expect, it } from "vitest";
import { calculator } from "../../setout/calculators";
import { blankDraft, toDraft, toInput } from "../../setout/engine/form";
import { FIGURE_NAMES, figureFaults, ownFigures } from "../state/house-figures";
import { testShop } from "../testing/shop";
import { ALL_FIGURES, houseDraft, SHEET_FIGURES } from "./sheet-figures";
import { sheetNotices, sheetPrefill } from "./sheets";

describe("figures that sheets go by", () => {
  it("each have a usual value inside their range, a label with its sheet, and the page that shows them", () => {
    const all = Object.entries(SHEET_FIGURES);
    expect(all.length).toBeGreaterThan(55);
    for (const [key, f] of all) {
      expect(f.usual >= f.min && f.usual <= f.max, key).toBe(true);
      expect(f.label.includes(": ") && f.shows === "Set-out", key).toBe(true);
      expect(figureFaults({ [key]: f.usual }, ALL_FIGURES), key).toEqual([]);
      expect(figureFaults({ [key]: f.max + 1 }, ALL_FIGURES), key).toHaveLength(1);
    }
    expect(Object.keys(ALL_FIGURES)).toHaveLength(all.length + FIGURE_NAMES.length);
  });
  it("are kept where they differ, and only among the house's own", () => {
    expect(ownFigures({ "dew-point.marginK": 3, "cable.slack": 0.15 }, ALL_FIGURES)).toEqual({ "cable.slack": 0.15 });
    expect(figureFaults({ "cable.mood": 1 }, ALL_FIGURES)).toHaveLength(1);
  });
  it("change what every sheet works out, each of them", () => {
    for (const [key, f] of Object.entries(SHEET_FIGURES)) {
      const c = calculator(f.calculator as never);
      const typed = { ...blankDraft(c.fields), ...toDraft(c.inputs, c.example), [f.path]: String(f.min || f.usual / 2) };
      const { input, faults } = toInput(c.inputs, typed);
      expect(faults, key).toEqual([]);
      // It reaches the sums under its own path: the calculator takes it there.
      const at = f.path.split(".").reduce<unknown>((o, k) => (o as Record<string, unknown>)[k], input);
      expect(at, key).toBe(f.min || f.usual / 2);
    }
    const dry = (marginK?: number) =>
      calculator("dew-point").run({ airC: 20, humidity: 66, skinC: 17, ...(marginK === undefined ? {} : { marginK }) }).results.dryEnough;
    // 17 °C lies 3.5 K above the dew point of 13.5.
    expect([dry(), dry(3), dry(4)]).toEqual([true, true, false]);
  });
});

describe("a house with a figure of its own", () => {
  const shop = testShop();
  const build = shop.builds[0];
  it("finds it in a sheet that nothing else fills, and is told when it has changed since", () => {
    expect(sheetPrefill(shop, build, "flange-screw", null)).toBeUndefined();
    shop.workshop.figures = { "flange-screw.bite": 14 };
    const start = sheetPrefill(shop, build, "flange-screw", null)!;
    expect(start.draft).toEqual({ bite: "14" });
    const sheet = { calculator: "flange-screw" as const, jobId: null, basis: start.basis };
    expect(sheetNotices(shop, build, sheet)).toEqual([]);
    shop.workshop.figures = { "flange-screw.bite": 16 };
    expect(sheetNotices(shop, build, sheet)[0]).toMatch(/house figure, Screws of a flange: bite is 16 now, was 14/);
  });
  it("finds it beside what the van fills in", () => {
    shop.workshop.figures = { "damping.waste": 0.12 };
    expect(sheetPrefill(shop, build, "damping", null)!.draft).toMatchObject({ waste: "0.12", "sheet.w": expect.any(String) });
    expect(houseDraft(shop.workshop.figures, "cable")).toEqual({ draft: {}, basis: {} });
  });
});
