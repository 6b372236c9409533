import { existsSync } from "node:fs";
import path from "node:path";
import { describe, expect, it } from "vitest";
import { STAGES } from "@/core/setout/engine/define";
import add, { template } from "./new";
import { docsAreCurrent, reference } from "./setout-docs";
import { folders, registryIsCurrent } from "./setout-registry";

describe("what is made out of the calculators' folders", () => {
  it("is current: ./wide-lane new setout makes it again", () => {
    expect(registryIsCurrent(), "core/setout/registry.ts").toBe(true);
    expect(docsAreCurrent(), "docs/setout.md").toBe(true);
  });
  it("tells of every calculator, its inputs with their usual values, and its results", () => {
    const text = reference();
    for (const f of folders()) expect(text).toContain(`### ${f.name}\n`);
    expect(text).toContain(
      "| `slack` ? | Added to the way | 0 to 1; usually 0.1. As a share: 0.1 is one metre in ten, for bends and ends. |",
    );
    expect(text).toContain("`ml` sealant (ml)");
  });
});

describe("a new calculator", () => {
  it("gets a folder with a definition and a test, and no line anywhere else", () => {
    const files = template("openings", "plug-count");
    expect(Object.keys(files)).toEqual(["plug-count.ts", "plug-count.test.ts"]);
    expect(files["plug-count.ts"]).toContain("export const plugCount = defineCalculator({");
    expect(files["plug-count.test.ts"]).toContain('from "./plug-count"');
  });
  it("is refused without a stage of ours, with a name that is none, or one that is taken", async () => {
    await expect(add(["setout", "roofing", "plug-count-2"])).rejects.toThrow("there is no stage roofing");
    await expect(add(["setout", "strip", "Plug Count"])).rejects.toThrow("is no name");
    await expect(add(["setout", "time", "cable"])).rejects.toThrow("core/setout/openings/cable is there already");
    await expect(add(["job"])).rejects.toThrow("Usage");
    for (const s of STAGES) expect(existsSync(path.resolve("core/setout", s, "plug-count-2"))).toBe(false);
  });
});
