import { describe, expect, it } from "vitest";
import { drawVan } from "../van/drawing";
import { vans } from "../van/model";
import { layoutOf } from "./layout";
import { DEFAULT_OPTIONS, type Options } from "./options";
import { BARE, FULL, PODS } from "./testing";

const v = vans[1];
const of = (o: Partial<Options>) => layoutOf({ ...DEFAULT_OPTIONS, ...o }, v);
const keys = (o: Partial<Options>, view?: string) =>
  of(o)
    .filter((i) => !view || i.view === view)
    .map((i) => i.key);

describe("the sketch of what is chosen", () => {
  it("draws what there is and nothing else", () => {
    expect(keys({ windows: 3 }, "left")).toEqual(["windows", "windows", "garageMm"]);
    expect(keys({ windows: 3 }, "right").filter((k) => k === "windows")).toHaveLength(1);
    expect(keys({ fan: false, solar: 3, skylight: true }, "roof")).toEqual(["skylight", "solar", "solar", "solar"]);
    expect(layoutOf(BARE, v).map((i) => i.key)).toEqual(["bed"]);
  });
  it("puts the kitchen on its side and the tall things on the other", () => {
    const y = (o: Partial<Options>, key: string) => of({ ...o, wetRoom: "tiled" }).find((i) => i.key === key)!.box.y;
    expect(y({ kitchen: "left" }, "kitchen")).toBeGreaterThan(y({ kitchen: "right" }, "kitchen"));
    expect(y({ kitchen: "left" }, "wetRoom")).toBeLessThan(y({ kitchen: "right" }, "wetRoom"));
  });
  it("keeps every unit inside the load bay of every van", () => {
    for (const van of vans)
      for (const o of [DEFAULT_OPTIONS, FULL, PODS])
        for (const i of layoutOf(o, van)) {
          if (i.view !== "plan" || i.key === "pods" || i.key === "swivels") continue;
          const bay = drawVan(van, "plan").parts.find((p) => p.kind === "box" && p.role === "bay")!;
          const b = (bay as { box: { x: number; y: number; w: number; h: number } }).box;
          expect(i.box.x, `${van.name} ${i.key}`).toBeGreaterThanOrEqual(b.x - 1);
          expect(i.box.x + i.box.w, `${van.name} ${i.key}`).toBeLessThanOrEqual(b.x + b.w + 1);
          expect(i.box.y + i.box.h, `${van.name} ${i.key}`).toBeLessThanOrEqual(b.y + b.h + 1);
        }
  });
});
