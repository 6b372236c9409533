import { describe, expect, it } from "vitest";
import { entry } from "../testing/entry";
import { job, NO_MACHINE, NOW, testShop } from "../testing/shop";
import { byStep, kitLines, kitOpen, stepFor } from "./kit";

const shop = testShop();
const [b] = shop.builds;
const fan = job(shop, "OP-04");

describe("a kit that is carried up once", () => {
  it("lists units, templates, tools, the rest and a cover for what opens the skin", () => {
    const lines = kitLines(shop, b, fan, NOW).map((l) => l.what);
    expect(lines.filter((l) => /cover/.test(l))).toHaveLength(1);
    expect(new Set(lines.map((l) => l.toLowerCase())).size).toBe(lines.length);
    for (const p of fan.parts) expect(lines).toContain(`${p.name}, ${p.quantity} ${p.unit}`);
    for (const k of fan.kit) expect(lines.map((l) => l.toLowerCase())).toContain(k.toLowerCase());
    for (const t of fan.tools) expect(lines).toContain(t);
    expect(kitLines(shop, b, job(shop, "OP-02"), NOW).some((l) => /cover/.test(l.what))).toBe(false);
  });
  it("is short where a part is not checked or a tool is not sound", () => {
    const s = testShop();
    const j = job(s, "OP-04");
    j.parts[0].state = "arrived";
    j.tools = ["jigsaw"];
    s.tools = [{ id: "t", name: "jigsaw", pieces: 1, state: "blunt", held: false, note: "blades on Friday", version: 1, ...NO_MACHINE }];
    const short = kitLines(s, s.builds[0], j, NOW).filter((l) => l.short);
    expect(short.map((l) => l.short)).toEqual(["here, not checked", "blunt: blades on Friday"]);
  });
  it("a count holds for a day", () => {
    const what = fan.kit[0];
    const counted = { ...b, records: [entry("kit", "k", { have: { [what]: { by: "Teo", at: NOW } } }, { jobId: fan.id })] };
    const line = (now: number) => kitLines(shop, counted, fan, now).find((l) => l.what === what)!;
    expect(line(NOW + 24 * 60).have).toEqual({ by: "Teo", at: NOW });
    expect(line(NOW + 24 * 60 + 1).have).toBeNull();
    expect(kitOpen(kitLines(shop, counted, fan, NOW)).map((l) => l.what)).not.toContain(what);
  });
  it("goes step by step: each thing with the first step that takes it", () => {
    const steps = ["Boards on the roof, both sides masked, sheet below", "Cut, two tabs left", "Edge primed", "Bead 6 mm unbroken"];
    const list = steps.map((text, i) => ({ n: i + 1, text }));
    expect(stepFor("jigsaw", list)?.n).toBe(2);
    expect(stepFor("cover for the open hole", list)?.n).toBe(1);
    expect(stepFor("Edge primer, 1 tin", list)?.n).toBe(3);
    expect(stepFor("Roof sealant cartridge, 2 pc", list)?.n).toBe(4);
    // Named by the step itself.
    expect(stepFor("boards for the roof", list)?.n).toBe(1);
    expect(stepFor("radio", list)).toBeNull();
    const lines = byStep(kitLines(shop, b, fan, NOW));
    expect(lines.map((l) => l.step?.n ?? 0)).toEqual(lines.map((l) => l.step?.n ?? 0).sort((x, y) => x - y));
    expect(lines.filter((l) => l.step).length).toBeGreaterThan(lines.length / 2);
  });
});

it("names the gear that its tools and materials ask for: what is not there is short", () => {
  const lines = kitLines(shop, b, fan, NOW);
  expect(lines.filter((l) => l.where === "gear").map((l) => l.what)).toContain("eye protection");
  expect(kitOpen(lines).map((l) => l.what)).toContain("eye protection");
});
