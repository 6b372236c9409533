import { describe, expect, it } from "vitest";
import type { BuildRecord } from "../records/records";
import { entry } from "../testing/entry";
import { done, NOW, testShop, zone } from "../testing/shop";
import { handoverStops } from "./handover";

const finished = () => {
  const shop = testShop();
  done(
    shop,
    shop.builds[0].jobs.map((j) => j.code),
    NOW - 600,
  );
  const b = shop.builds[0];
  for (const j of b.jobs) for (const q of j.questions) Object.assign(q, { answeredAt: NOW, answeredBy: "teo" });
  return b;
};
const mark = (data: object, closedAt: number | null = null): BuildRecord =>
  ({ ...entry("looked", "By the step", {}), kind: "mark", closedAt, data: { view: "left", x: 1, y: 1, ...data } }) as never;

describe("what keeps a van from being handed over", () => {
  it("is nothing once all is done, treated, signed and answered", () => expect(handoverStops(finished(), NOW, zone)).toEqual([]));
  it("is rust and holes that are marked and not treated", () => {
    const b = finished();
    b.records = [mark({ what: "rust", grade: 1, areaDm2: 1 }), mark({ what: "hole", dMm: 8, count: 2, fate: "close" })];
    expect(handoverStops(b, NOW, zone)).toEqual([
      expect.stringMatching(/^Holes and rust that nobody has treated: By the step, rust.*; By the step, 2 holes/),
    ]);
    b.records = [mark({ what: "rust", grade: 1, areaDm2: 1 }, NOW), mark({ what: "hole", dMm: 8, fate: "keep" }), mark({ what: "damage" })];
    expect(handoverStops(b, NOW, zone)).toEqual([]);
  });
  it("is what a job left behind, whether it holds another job or none", () => {
    const b = finished();
    b.jobs[0].remainders = [
      { id: "r", jobId: b.jobs[0].id, text: "tips below not sealed", before: null, owner: null, saidBy: "teo", saidAt: NOW },
    ];
    expect(handoverStops(b, NOW, zone)).toEqual([`Left to be done: ${b.jobs[0].name}: tips below not sealed`]);
  });
  it("is a consent that nobody signed, and a question that nobody answered", () => {
    const b = finished();
    b.records = [
      entry("consent", "Roof fan", { touches: "skin" } as never),
      entry("consent", "Windows", { touches: "skin", signedBy: "Dr. Quill" } as never),
    ];
    expect(handoverStops(b, NOW, zone)).toEqual(["Consents that nobody has signed: Roof fan"]);
    b.records = [];
    const asked = b.jobs.find((j) => j.questions.length)!;
    Object.assign(asked.questions[0], { answeredAt: null });
    expect(handoverStops(b, NOW, zone)).toEqual([`Questions without an answer: ${asked.name}: ${asked.questions[0].text}`]);
    // What others had done before the van came was never asked.
    asked.byOthers = "the client";
    expect(handoverStops(b, NOW, zone)).toEqual([]);
  });
  it("says it all at once, a line for each kind", () => {
    const b = finished();
    Object.assign(b.jobs.find((j) => j.questions.length)!.questions[0], { answeredAt: null });
    b.records = [mark({ what: "rust", grade: 3, areaDm2: 2 }), entry("consent", "Roof fan", { touches: "skin" } as never)];
    expect(handoverStops(b, NOW, zone)).toHaveLength(3);
  });
});
