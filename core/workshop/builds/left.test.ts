import { describe, expect, it } from "vitest";
import { job, NOW, testShop } from "../testing/shop";
import { askedByTimeBox, leftMinutes, overTimeBox, timeBoxAsks } from "./left";

describe("what is left of a job under way", () => {
  const running = (worked: number, done?: number) => {
    const shop = testShop();
    const j = job(shop, "FR-03");
    Object.assign(j, { state: "started", startedAt: NOW - 10_000, runningSince: null, workedMinutes: worked });
    if (done !== undefined) j.pieces = { name: "batten", count: 20, done, first: false };
    return { shop, j };
  };
  it("is the expected time less what was worked, without pieces", () => {
    const { shop, j } = running(60, 0);
    expect(leftMinutes(shop, j, NOW)).toBeGreaterThan(j.minutes.likely - 60 - 1);
    expect(leftMinutes(shop, { ...j, workedMinutes: 5000 }, NOW)).toBe(15);
  });
  it("follows the pace of the pieces done", () => {
    // 5 of 20 in 100 minutes: 20 a piece, 15 left
    const { shop, j } = running(100, 5);
    expect(leftMinutes(shop, j, NOW)).toBe(300);
    expect(leftMinutes(shop, { ...j, pieces: { name: "batten", count: 20, done: 20, first: false } }, NOW)).toBe(15);
  });
  it("asks at twice the likely time and at each further one; a lone fitter first at one and a half times", () => {
    // Likely 110, twice: 220, 330, 440; alone 165 first. 385 minutes are 3.5 times as long.
    expect(timeBoxAsks(110, 2, 385, false)).toEqual([220, 330]);
    expect(timeBoxAsks(110, 2, 385, true)).toEqual([165, 220, 330]);
    expect(timeBoxAsks(110, 2, 440, false)).toEqual([220, 330, 440]);
    expect(timeBoxAsks(110, 2, 164, true)).toEqual([]);
    expect(timeBoxAsks(110, 1.2, 140, true)).toEqual([132]);
    expect(timeBoxAsks(0, 2, 50, true)).toEqual([]);
  });
  it("a decision answers what was asked by then, and the next time is asked again", () => {
    const { shop, j } = running(0);
    const crew = { ...j, timeBox: 2, fitters: ["a", "b"] };
    const likely = crew.minutes.likely;
    const decision = (workedMinutes?: number) => ({
      records: [
        {
          id: "r",
          kind: "decision" as const,
          jobId: j.id,
          title: "goes on",
          data: { who: "Mara", timeBox: true, ...(workedMinutes === undefined ? {} : { workedMinutes }) },
          saidBy: "u",
          saidAt: NOW,
          closedAt: null,
          photos: [],
          version: 1,
        },
      ],
    });
    const at = (worked: number, decided?: number) => askedByTimeBox(shop, decision(decided), { ...crew, workedMinutes: worked }, NOW);
    expect(at(likely * 2 + 20, likely * 2 + 5)).toBeUndefined();
    expect(at(likely * 3 + 20, likely * 2 + 5)).toBe(20);
    // One written down before its minutes were kept answers for good.
    expect(at(likely * 5)).toBeUndefined();
  });
  it("tells when the time box is passed, and by how much", () => {
    const { shop, j } = running(0);
    const box = j.minutes.likely * j.timeBox;
    expect(overTimeBox(shop, { ...j, workedMinutes: box }, NOW)).toBeUndefined();
    expect(overTimeBox(shop, { ...j, workedMinutes: box + 30 }, NOW)).toBe(30);
    expect(overTimeBox(shop, { ...j, workedMinutes: box + 30, state: "done" }, NOW)).toBeUndefined();
  });
});
