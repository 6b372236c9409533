import { describe, expect, it } from "vitest";
import { findCalculator } from "../calculators";
import { toDxf } from "./dxf";
import { mirrored, rounded } from "./shapes";
import { bounds, toSvg } from "./svg";

const { drawing } = findCalculator("opening")!.run({
  field: { left: 1320, right: 2630, bottom: 640, top: 1305 },
  cut: { w: 1120, h: 520, r: 60 },
  minLand: 50,
  place: { along: "centre", up: { fromBottom: 55 } },
  skin: "single",
});

describe("shapes", () => {
  it("mirrored twice are the same", () => {
    const shapes = rounded("cut", 10, 20, 110, 80, 15);
    expect(mirrored(mirrored(shapes, 500), 500)).toEqual(shapes);
    const b = bounds(mirrored(shapes, 500));
    expect([b.left, b.right]).toEqual([390, 490]);
  });
});

describe("SVG", () => {
  it("is well formed, in millimetres, with the words escaped", () => {
    const svg = toSvg({ ...drawing!, title: 'a < b & "c"' });
    expect(svg).toContain("<title>a &lt; b &amp; &quot;c&quot;</title>");
    expect(svg).toMatch(/width="[\d.]+mm"/);
    const open = [...svg.matchAll(/<([a-z]+)(?:\s[^>]*[^/])?>/g)].map((m) => m[1]).sort();
    const close = [...svg.matchAll(/<\/([a-z]+)>/g)].map((m) => m[1]).sort();
    expect(open).toEqual(close);
    expect(svg).not.toMatch(/NaN|undefined/);
  });
});

describe("DXF", () => {
  const dxf = toDxf(drawing!);
  const lines = dxf.trimEnd().split("\n");
  it("comes in pairs of code and value, from SECTION to EOF, with the layers of a drawing", () => {
    expect(lines.length % 2).toBe(0);
    for (let i = 0; i < lines.length; i += 2) expect(lines[i]).toMatch(/^\d+$/);
    expect(lines.slice(-2)).toEqual(["0", "EOF"]);
    for (const layer of ["OUTLINE", "CUT", "CENTRE", "DIMENSION", "TEXT"]) expect(lines).toContain(layer);
    expect(lines.filter((l) => l === "SECTION").length).toBe(lines.filter((l) => l === "ENDSEC").length);
  });
  it("holds every shape, and only ASCII", () => {
    const kinds = lines.filter((_, i) => i > 0 && lines[i - 1] === "0");
    expect(kinds.filter((k) => ["LINE", "CIRCLE", "ARC", "TEXT"].includes(k)).length).toBe(drawing!.shapes.length);
    expect(dxf).toMatch(/^[\x20-\x7e\n]*$/);
    expect(dxf).not.toMatch(/NaN|undefined/);
  });
});
