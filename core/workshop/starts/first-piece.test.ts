// The batch after a first piece stays locked until the first is signed.

import { describe, expect, it } from "vitest";
import type { JobRow } from "../state/model";
import { batchLocked, countFault, maySign, signFault } from "./first-piece";

const batch = (more: Partial<JobRow> = {}): JobRow =>
  ({
    name: "Base units",
    state: "started",
    pieces: { name: "carcasses", count: 4, done: 1, first: true },
    firstPiece: null,
    ...more,
  }) as JobRow;
const signed = { by: "u-ines", at: 1, read: "600.2 x 720.0, square" };

describe("a batch", () => {
  it("takes one piece before the first is signed, and no more", () => {
    expect(countFault(batch(), 0)).toBeUndefined();
    expect(countFault(batch(), 1)).toBeUndefined();
    expect(countFault(batch(), 2)).toMatch(/not signed yet/);
    expect(countFault(batch({ firstPiece: signed }), 4)).toBeUndefined();
  });
  it("of a single piece, or of none, is never locked", () => {
    expect(batchLocked(batch({ pieces: null }))).toBe(false);
    expect(batchLocked(batch({ pieces: { name: "x", count: 1, done: 0, first: true } }))).toBe(false);
    expect(batchLocked(batch({ pieces: { name: "openings tested", count: 3, done: 0, first: false } }))).toBe(false);
    expect(batchLocked(batch())).toBe(true);
  });
  it("is signed once, on a piece that is there, while the job is under way", () => {
    expect(signFault(batch())).toBeUndefined();
    expect(signFault(batch({ state: "paused" }))).toBeUndefined();
    expect(signFault(batch({ state: "todo" }))).toMatch(/Start Base units first/);
    expect(signFault(batch({ pieces: { name: "carcasses", count: 4, done: 0, first: true } }))).toMatch(/Count the first piece/);
    expect(signFault(batch({ firstPiece: signed }))).toMatch(/already/);
    expect(signFault(batch({ pieces: null }))).toMatch(/no first piece/);
  });
  it("is signed by the lead, or by somebody with a skill of the job at level 3", () => {
    const shop = {
      fitters: [
        { id: "teo", skills: { joiner: 2 } },
        { id: "dora", skills: { joiner: 3 } },
      ],
    } as never;
    const crew = [{ skill: "joiner", level: 1, people: 1, ticket: null }];
    const by = (role: string, fitterId: string | null) => maySign(shop, { crew }, { role, fitterId });
    expect([by("lead", null), by("fitter", "dora"), by("fitter", "teo"), by("fitter", null)]).toEqual([true, true, false, false]);
    const any = { crew: [{ skill: "any", level: 1, people: 1, ticket: null }] };
    expect(maySign(shop, any, { role: "fitter", fitterId: "dora" })).toBe(true);
  });
});
