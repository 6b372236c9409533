import { describe, expect, it } from "vitest";
import type { HotWork } from "../records/kinds/hot-work";
import { isOver } from "../records/kinds/kinds";
import { entry } from "../testing/entry";
import { job, NOW, testShop, zone } from "../testing/shop";
import { hotWorkOpen, hotWorkStop, stamped, tapedBefore, throwsChips, watchUntil } from "./hot-work";

const cut: HotWork = { tool: "jigsaw" };
const stamp = (s: HotWork, name: "last" | "clean" | "look", now: number) => stamped({}, s, name, "Teo", now, zone);
const must = (s: HotWork | string): HotWork => {
  if (typeof s === "string") throw new Error(s);
  return s;
};

describe("sparks and swarf", () => {
  it("the swarf is off, then looked at again half an hour later, not before", () => {
    expect(stamp(cut, "look", NOW)).toBe("the swarf has to be off first");
    const clean = must(stamp(cut, "clean", NOW));
    expect(hotWorkOpen({}, clean, NOW, zone)).toEqual(["no second look yet, from 10:30"]);
    expect(stamp(clean, "look", NOW + 29)).toMatch(/look again from 10:30/);
    const looked = must(stamp(clean, "look", NOW + 30));
    expect(hotWorkOpen({}, looked, NOW + 30, zone)).toEqual([]);
    expect(isOver("sparks", { ...looked }, false)).toBe(true);
  });
  it("a new spark takes back what was cleaned before it", () => {
    const looked = must(stamp(must(stamp(cut, "clean", NOW)), "look", NOW + 40));
    const again = must(stamp(looked, "last", NOW + 60));
    expect(hotWorkOpen({}, again, NOW + 60, zone)).toEqual(["its swarf is not off"]);
    expect(isOver("sparks", { ...again }, false)).toBe(false);
  });
  it("a grinder is watched for half an hour after the last spark", () => {
    const grind = must(stamp({ tool: "grinder", masked: "glass", extinguisher: true }, "last", NOW));
    expect(watchUntil({}, grind)).toBe(NOW + 30);
    expect(hotWorkOpen({}, grind, NOW + 10, zone)[0]).toBe("fire watch until 10:30");
    expect(hotWorkOpen({}, grind, NOW + 30, zone)).toEqual(["its swarf is not off"]);
    expect(watchUntil({}, must(stamp(cut, "last", NOW)))).toBeUndefined();
  });
  it("keeps the van where it stands, and insulation out while cavities are taped", () => {
    const shop = testShop();
    const [b] = shop.builds;
    b.records = [entry("sparks", "Roof fan", { ...cut, taped: 4, untaped: 1 })];
    expect(hotWorkStop(shop, b, NOW)).toEqual(["Roof fan: its swarf is not off"]);
    expect(tapedBefore(b, { stage: "insulation" })).toEqual(["3 cavities are still taped shut from Roof fan"]);
    expect(tapedBefore(b, { stage: "framing" })).toEqual([]);
    b.records = [entry("sparks", "Roof fan", { ...cut, taped: 4, untaped: 4 })];
    expect(tapedBefore(b, { stage: "insulation" })).toEqual([]);
  });
  it("is not over while a cavity is taped, whatever is stamped", () => {
    const done = {
      ...cut,
      taped: 2,
      untaped: 1,
      stamps: { last: { by: "a", at: 1 }, clean: { by: "a", at: 1 }, look: { by: "b", at: 40 } },
    };
    expect(isOver("sparks", done, true)).toBe(false);
    expect(isOver("sparks", { ...done, untaped: 2 }, false)).toBe(true);
  });
  it("opens by itself with each cut of the van", () => {
    const shop = testShop();
    expect(throwsChips(job(shop, "OP-04"))).toBe(true);
    expect(throwsChips(job(shop, "OP-02"))).toBe(false);
  });
});
