// What a roof or a wall asks for beside the unit, and what lies behind its cut.

import { describe, expect, it } from "vitest";
import { vans } from "../../van/model";
import { entry } from "../testing/entry";
import { job, PLAIN, testBuild, testShop } from "../testing/shop";
import { behindCut, ribsIn } from "./behind-cut";
import { boxesToCount, contentsBefore } from "./box-contents";
import { ringDepth, sayPenetration } from "./holes";
import { roofBow, unitExtras, wallBow } from "./unit-extras";

const van = vans[1];
const g = van.geometry;

describe("extras by the van", () => {
  it("a roof bows by the square of the width, a wall by the parabola through its three widths", () => {
    expect(roofBow(g, 700)).toBeCloseTo(38 * (700 / 1540) ** 2, 6);
    expect(roofBow(g, 400)).toBeCloseTo(2.56, 2);
    expect(wallBow(g, 500)).toBeCloseTo(7.17, 1);
    expect(wallBow({ ...g, inside: { ...g.inside, widthFloorMm: 1800, widthWaistMm: 1800, widthRoofMm: 1800 } }, 500)).toBe(0);
  });
  it("asks for an adapter under a wide roof unit and a curved frame for a framed window, by the house's figure", () => {
    const skylight = { roles: ["skylight"] as const };
    const of = (name: string, more: object = {}, roles: object = skylight) =>
      unitExtras({ options: PLAIN, ...more }, van, roles as never, { name });
    expect(of("Skylight 400 × 700 with template")).toEqual(["adapter: the roof bows 7.9 mm in 700"]);
    expect(of("Skylight 400 × 400 with template")).toEqual([]);
    expect(of("Skylight 400 × 700 with template", { figures: { flangeFollows: 8 } })).toEqual([]);
    expect(of("Edge primer", {})).toEqual([]);
    const side = { roles: ["side-window"] };
    expect(of("Side window 700 × 500 with template", {}, side)).toEqual([]);
    expect(of("Side window 700 × 500 with template", { options: { ...PLAIN, windowKind: "framed" } }, side)).toEqual([
      "frame curved to the wall: it bows 7.2 mm in 500",
    ]);
    expect(unitExtras({ options: PLAIN }, undefined, skylight as never, { name: "Skylight 400 × 700" })).toEqual([]);
  });
  it("stand in the box's list, and the cut waits for them", () => {
    const shop = testShop([testBuild("a", { ...PLAIN, skylight: true })]);
    const [b] = shop.builds;
    const cut = job(shop, "OP-05");
    const unit = cut.parts.find((p) => /Skylight/.test(p.name))!;
    Object.assign(unit, { name: "Skylight 400 × 700 with template", state: "checked", contents: ["ring"] });
    const box = boxesToCount(b, van).find((x) => x.jobId === cut.id)!;
    expect(box.items.map((i) => i.name)).toEqual(["ring", "adapter: the roof bows 7.9 mm in 700"]);
    b.records.push(entry("contents", unit.name, { items: [{ name: "ring", state: "there" }] }, { jobId: cut.id }));
    expect(contentsBefore(b, cut, van)[0]).toMatch(/adapter: the roof bows 7.9 mm in 700 not looked at/);
    expect(contentsBefore(b, cut)).toEqual([]);
  });
});

describe("behind a cut", () => {
  it("ribs that its stretch meets are told by number and place", () => {
    const [first, second] = g.sideRibs;
    expect(ribsIn(g, "left", first.atMm, second.atMm).map((r) => r.no)).toEqual([1, 2]);
    expect(ribsIn(g, "left", first.atMm + first.widthMm / 2, second.atMm - second.widthMm / 2)).toEqual([]);
    expect(ribsIn(g, "rear", 0, 9000)).toEqual([]);
  });
  it("says what is not set out, and what of harness and circuits lies on that side", () => {
    const shop = testShop();
    const [b] = shop.builds;
    const window = job(shop, "OP-06a");
    expect(behindCut(b, van, window)).toEqual(["Behind the cut: its place is not set out, so nobody knows which ribs lie there"]);
    b.records.push(
      entry("trap", "Harness along the gutter", { what: "harness", zone: "left", under: "cut", step: "leave" }),
      entry("trap", "Clips", { what: "clip", zone: "right", under: "cut", step: "leave" }),
      entry("circuit", "Alarm", { side: "left", volts: 0, end: "cut", insulated: true }),
    );
    expect(behindCut(b, van, window).slice(1)).toEqual([
      "Behind this side: Harness along the gutter",
      "Behind this side: Alarm, dead, 0 V measured",
    ]);
    expect(behindCut(b, van, { ...window, state: "done" })).toEqual([]);
    expect(behindCut(b, van, job(shop, "ST-04"))).toEqual([]);
  });
});

describe("the depth for the ring", () => {
  it("is skin, batten and lining together, once all are known", () => {
    expect(ringDepth({ skinMm: 0.8, battenMm: 16, liningMm: 6.5 })).toBe(23.3);
    expect(ringDepth({ skinMm: 0.8, battenMm: 16 })).toBeUndefined();
    const hole = { side: "roof", place: "bay 2", by: "us", state: "cut", cover: "board", skinMm: 1, battenMm: 16, liningMm: 6 } as const;
    expect(sayPenetration(hole)).toBe("cut · covered: board · ring 23 mm deep");
  });
});
