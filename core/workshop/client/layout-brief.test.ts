// The layout that is chosen against the order: berths, the tallest sleeper, animals.

import { describe, expect, it } from "vitest";
import { bedLengthMm } from "../../library/layout";
import { vans } from "../../van/model";
import { entry } from "../testing/entry";
import { PLAIN } from "../testing/shop";
import { layoutFindings } from "./layout-brief";

const van = vans[1];
const of = (owner: object, more: object = {}) =>
  layoutFindings(
    { records: [entry("owner", "Ada Quill", { payer: "a", user: "b", ...owner })], options: { ...PLAIN, bed: "across" }, ...more } as never,
    van,
  );

describe("the layout that is chosen against the order", () => {
  it("asks nothing while nobody wrote an order down, or where it gives all", () => {
    expect(layoutFindings({ records: [], options: PLAIN }, van)).toEqual([]);
    expect(of({ berths: 2, tallMm: 1500 })).toEqual([]);
  });
  it("names berths that the bed does not give; how many it sleeps is the house's figure", () => {
    expect(of({ berths: 4 })).toEqual(["The bed that is chosen sleeps 2, 4 berths were ordered"]);
    expect(of({ berths: 4 }, { figures: { bedBerths: 4 } })).toEqual([]);
  });
  it("wants the bed as long as the tallest sleeper and the house's room on top, to the mm", () => {
    const bed = bedLengthMm({ bed: "across" }, van);
    expect(bed).toBe(van.geometry.inside.widthFloorMm - 40);
    expect(of({ tallMm: bed - 50 })).toEqual([]);
    expect(of({ tallMm: bed - 49 })).toEqual([
      `The bed across the van is ${bed} mm long; the tallest sleeper, ${bed - 49} mm, needs ${bed + 1}`,
    ]);
    expect(of({ sleepers: [{ name: "Ada", mm: 1900 }] }, { options: { ...PLAIN, bed: "lengthways" } })).toEqual([]);
    expect(of({ sleepers: [{ name: "Ada", mm: 1950 }] }, { options: { ...PLAIN, bed: "lengthways" } })[0]).toMatch(
      /^The bed along the van/,
    );
  });
  it("asks how large the animals' place is", () => {
    expect(of({ animals: "one dog" })[0]).toMatch(/^Animals \(one dog\): write down how large/);
    expect(of({ animals: "one dog", things: [{ name: "crate", l: 900, w: 600, h: 700 }] })).toEqual([]);
  });
});
