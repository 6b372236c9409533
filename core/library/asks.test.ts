// Questions that keep a job shut until somebody answers them by name, asked only where they matter.

import { describe, expect, it } from "vitest";
import { obstacles } from "../workshop/starts/ready";
import { job, NOW, PLAIN, testBuild, testShop } from "../workshop/testing/shop";
import type { Options } from "./options";

const shopWith = (o: Partial<Options>) => testShop([testBuild("a", { ...PLAIN, ...o })]);
const asked = (o: Partial<Options>, code: string, words: RegExp) => {
  const shop = shopWith(o);
  return { shop, question: job(shop, code).questions.find((q) => words.test(q.text)) };
};

describe("questions before a job", () => {
  it.each(["OP-05", "OP-06a", "OP-07"])("%s waits until the colour behind the glass is agreed", (code) => {
    const { shop, question } = asked({ skylight: true, rearWindows: true }, code, /Colour of the edge behind the glass/);
    const open = () => obstacles(shop, job(shop, code), NOW).some((o) => o.text.includes("Colour of the edge behind the glass"));
    expect(open()).toBe(false);
    Object.assign(question!, { answeredAt: null, answeredBy: null });
    expect(open()).toBe(true);
  });
  it("pipes behind the insulation are asked for frost and reach, by the order of the first fix and where there is water", () => {
    const words = /kept from frost, and each joint still within reach/;
    const { shop, question } = asked({ firstFix: "metal-side", water: "inside" }, "IN-07", words);
    Object.assign(question!, { answeredAt: null, answeredBy: null });
    expect(obstacles(shop, job(shop, "IN-07"), NOW).some((o) => words.test(o.text))).toBe(true);
    expect(asked({ firstFix: "warm-side", water: "inside" }, "IN-07", words).question).toBeUndefined();
    expect(asked({ firstFix: "metal-side", water: "none" }, "IN-07", words).question).toBeUndefined();
  });
});
