import { describe, expect, it } from "vitest";
import { leftMinutes, overTimeBox } from "./left";
import { job, NOW, testShop } from "./testing/shop";

describe("what is left of a job under way", () => {
  const running = (worked: number, done?: number) => {
    const shop = testShop();
    const j = job(shop, "FR-03");
    Object.assign(j, { state: "started", startedAt: NOW - 10_000, runningSince: null, workedMinutes: worked });
    if (done !== undefined) j.pieces = { name: "batten", count: 20, done };
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
    expect(leftMinutes(shop, { ...j, pieces: { name: "batten", count: 20, done: 20 } }, NOW)).toBe(15);
  });
  it("tells when the time box is passed, and by how much", () => {
    const { shop, j } = running(0);
    const box = j.minutes.likely * j.timeBox;
    expect(overTimeBox(shop, { ...j, workedMinutes: box }, NOW)).toBeUndefined();
    expect(overTimeBox(shop, { ...j, workedMinutes: box + 30 }, NOW)).toBe(30);
    expect(overTimeBox(shop, { ...j, workedMinutes: box + 30, state: "done" }, NOW)).toBeUndefined();
  });
});
