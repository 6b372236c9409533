// What Set-out writes is read by other programs: DXF by a Debian package, SVG by an XML reader.

import { execFileSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { afterAll, describe, expect, it } from "vitest";
import { DEFAULT_OPTIONS } from "@/core/library/options";
import { shipped } from "@/core/library/testing";
import { CALCULATORS } from "@/core/setout/calculators";
import { toDxf } from "@/core/setout/drawing/dxf";
import { toSvg } from "@/core/setout/drawing/svg";
import { factsOf } from "@/core/setout/engine/facts";
import { type Draft, toDraft, toInput } from "@/core/setout/engine/form";
import type { Drawing } from "@/core/setout/engine/outcome";
import { vans } from "@/core/van/model";

const folder = mkdtempSync(path.join(os.tmpdir(), "wide-lane-drawings-"));
afterAll(() => rmSync(folder, { recursive: true }));

const drawings = new Map<string, Drawing>();
for (const c of CALCULATORS) {
  const drafts: [string, Draft][] = [["start", toDraft(c.inputs, c.example)]];
  // The same sheet as every van fills it, for a window and for the roof.
  for (const van of vans)
    for (const code of ["OP-06a", "OP-04", "OP-01"]) {
      const p = c.prefill?.(factsOf(shipped(code), van.geometry, DEFAULT_OPTIONS));
      // What only a tape knows is left open in some: those are no sheets yet.
      if (p && !p.partial) drafts.push([`${van.id}-${code}`, p.draft]);
    }
  for (const [name, draft] of drafts) {
    const { input } = toInput(c.inputs, draft);
    const { drawing } = c.run(input);
    if (drawing) drawings.set(`${c.name}-${name}`, drawing);
  }
}

interface Read {
  errors: string[];
  layers: string[];
  kinds: Record<string, number>;
  box: [number, number, number, number] | null;
  tag: string;
  viewBox: string;
  width: string;
  elements: number;
}

const READER = "/usr/bin/python3";
let read: Record<string, Read> = {};

describe("drawings, read by other programs", () => {
  it("are read without a fault", () => {
    expect(drawings.size).toBeGreaterThan(30);
    for (const [name, d] of drawings) {
      writeFileSync(path.join(folder, `${name}.dxf`), toDxf(d), "latin1");
      writeFileSync(path.join(folder, `${name}.svg`), toSvg(d));
    }
    read = JSON.parse(execFileSync(READER, ["scripts/read-drawings.py", folder], { encoding: "utf8", maxBuffer: 1e8 }));
    for (const name of drawings.keys()) expect(read[`${name}.dxf`].errors, name).toEqual([]);
  });
  it("hold in DXF every line, circle, arc and word, in its layer and its place, in millimetres", () => {
    const KIND = { line: "LINE", circle: "CIRCLE", arc: "ARC", text: "TEXT" } as const;
    for (const [name, d] of drawings) {
      const r = read[`${name}.dxf`];
      const count: Record<string, number> = {};
      for (const s of d.shapes) count[KIND[s.kind]] = (count[KIND[s.kind]] ?? 0) + 1;
      for (const [kind, n] of Object.entries(count)) expect(r.kinds[kind], `${name} ${kind}`).toBeGreaterThanOrEqual(n);
      const layers = new Set(d.shapes.map((s) => s.layer.toUpperCase()));
      for (const l of layers) expect(r.layers, name).toContain(l);
      const xs = d.shapes.flatMap((s) => (s.kind === "line" ? [s.from[0], s.to[0]] : []));
      const ys = d.shapes.flatMap((s) => (s.kind === "line" ? [s.from[1], s.to[1]] : []));
      if (!xs.length) continue;
      expect(r.box![0], name).toBeCloseTo(Math.min(...xs), 1);
      expect(r.box![1], name).toBeCloseTo(Math.max(...xs), 1);
      expect(r.box![2], name).toBeCloseTo(Math.min(...ys), 1);
      expect(r.box![3], name).toBeCloseTo(Math.max(...ys), 1);
    }
  });
  it("are well-formed SVG with a view box and a size in millimetres", () => {
    for (const name of drawings.keys()) {
      const r = read[`${name}.svg`];
      expect(r.tag, name).toBe("{http://www.w3.org/2000/svg}svg");
      expect(r.viewBox.split(/[\s,]+/), name).toHaveLength(4);
      expect(r.width, name).toMatch(/mm$/);
      expect(r.elements, name).toBeGreaterThan(5);
    }
  });
});
