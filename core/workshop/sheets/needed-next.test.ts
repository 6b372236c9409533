import { describe, expect, it } from "vitest";
import { hasRole } from "../../library/roles";
import type { Plan } from "../../plan/model";
import type { SheetRow } from "../state/model";
import { at, done, NOW, testBuild, testShop } from "../testing/shop";
import { numbersNeeded, soonestBuild } from "./needed-next";
import { sheetPrefill } from "./sheets";

const shop = () => testShop([testBuild("a"), { ...testBuild("b"), at: "yard" }]);
const planOf = (...starts: [id: string, start: string, fitter?: string][]): Plan =>
  ({ jobs: starts.map(([id, start, f]) => ({ id, start, fitters: f ? [f] : [] })) }) as unknown as Plan;
const sheet = (jobId: string | null, calculator: string, more: Partial<SheetRow> = {}): SheetRow =>
  ({ id: `${jobId} ${calculator}`, jobId, calculator, input: {}, basis: {}, worst: "ok", lockedAt: null, ...more }) as SheetRow;

describe("numbers needed next", () => {
  it("are those of jobs that are not done, by their planned start, with who does them", () => {
    const s = shop();
    const b = s.builds[0];
    const [fan, mark] = [b.jobs.find((j) => hasRole(j, "roof-fan"))!, b.jobs.find((j) => hasRole(j, "mark-out"))!];
    const list = numbersNeeded(s, b, planOf([fan.id, "2027-03-08T08:00", "ines"], [mark.id, "2027-03-05T08:00"]), NOW);
    expect(list.slice(0, 2).map((n) => [n.job.id, n.start, n.people])).toEqual([
      [mark.id, at("2027-03-05T08:00"), []],
      [fan.id, at("2027-03-08T08:00"), ["Ines"]],
    ]);
    // What the plan has no place for comes last, in the order of the work.
    expect(list.slice(2).every((n) => n.start === null)).toBe(true);
    done(s, [mark.code], NOW - 60);
    expect(numbersNeeded(s, b, undefined, NOW).some((n) => n.job.id === mark.id)).toBe(false);
  });
  it("have what is under way first, and say how far each sheet is", () => {
    const s = shop();
    const b = s.builds[0];
    const fan = b.jobs.find((j) => hasRole(j, "roof-fan"))!;
    Object.assign(fan, { state: "started", startedAt: NOW - 60, fitters: ["teo"] });
    const [first, second, third] = fan.setOut;
    const asFilled = (jobId: string | null, name: string) => ({ basis: sheetPrefill(s, b, name, jobId, undefined, NOW)?.basis ?? {} });
    b.sheets = [
      sheet(fan.id, first, { lockedAt: NOW - 30, ...asFilled(fan.id, first) }),
      sheet(fan.id, second, { worst: "stop", ...asFilled(fan.id, second) }),
      sheet(null, third, asFilled(null, third)),
    ];
    const [next] = numbersNeeded(s, b, undefined, NOW);
    expect([next.job.id, next.people, next.start]).toEqual([fan.id, ["Teo"], null]);
    const states = new Map(next.sheets.map((x) => [x.calculator, x.state]));
    expect([states.get(first), states.get(second), states.get(third)]).toEqual(["locked", "says stop", "filled, not locked"]);
    // What is settled stands behind what is not.
    expect(next.sheets.at(-1)!.calculator).toBe(first);
  });
  it("are none of a job whose sheets are all locked", () => {
    const s = shop();
    const b = s.builds[0];
    const job = b.jobs.find((j) => j.setOut.length === 1)!;
    b.sheets = [sheet(job.id, job.setOut[0], { lockedAt: NOW })];
    expect(numbersNeeded(s, b, undefined, NOW).some((n) => n.job.id === job.id)).toBe(false);
  });
});

it("what is only asked when something went wrong is needed by nobody", () => {
  const s = shop();
  const named = numbersNeeded(s, s.builds[0], undefined, NOW).flatMap((n) => n.sheets.map((x) => x.calculator));
  expect(s.builds[0].jobs.some((j) => j.setOut.includes("disturbed-hold"))).toBe(true);
  expect(named).not.toContain("disturbed-hold");
});

describe("the build that needs numbers soonest", () => {
  it("is the one whose first job with a sheet begins first", () => {
    const s = shop();
    const mark = (k: number) => s.builds[k].jobs.find((j) => hasRole(j, "mark-out"))!;
    expect(soonestBuild(s, planOf([mark(0).id, "2027-03-09T08:00"], [mark(1).id, "2027-03-05T08:00"]), NOW)?.id).toBe("b");
    expect(soonestBuild({ ...s, builds: [] }, undefined, NOW)).toBeUndefined();
  });
});
