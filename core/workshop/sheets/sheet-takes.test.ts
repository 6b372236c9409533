import { describe, expect, it } from "vitest";
import { shipped } from "../../library/testing";
import { findCalculator } from "../../setout/calculators";
import { holdWith, minutesWith, sameMaterial, sayTakes, type Takes, takesOf } from "./sheet-takes";

const own = { best: 150, likely: 240, worst: 420 };
const run = (name: string, input: object) => findCalculator(name)!.run(input);
const takes = (minutes: Takes["minutes"], holdMinutes: number | null = null): Takes => ({ minutes, holdMinutes });

describe("minutesWith", () => {
  it("is the job's own where no sheet speaks", () => expect(minutesWith(own, [])).toEqual(own));
  it("takes a sheet of the whole job for all of it, the longest of several", () => {
    const whole = (likely: number) => takes({ best: likely - 10, likely, worst: likely + 50, covers: "whole", what: "holes" });
    expect(minutesWith(own, [whole(100)])).toEqual({ best: 90, likely: 100, worst: 150 });
    expect(minutesWith(own, [whole(100), whole(300)]).likely).toBe(300);
  });
  it("changes only the part that a sheet is about: 240 with 60 held and 75 said are 255", () => {
    const part = takes({ best: 60, likely: 75, worst: 90, covers: "part", what: "battens set", held: 60 });
    expect(minutesWith(own, [part])).toEqual({ best: 150, likely: 255, worst: 450 });
  });
  it("adds what comes on top, also to another sheet", () => {
    const more = takes({ best: 30, likely: 35, worst: 52.5, covers: "addition", what: "scribing" });
    expect(minutesWith(own, [more])).toEqual({ best: 180, likely: 275, worst: 473 });
    const whole = takes({ best: 100, likely: 100, worst: 100, covers: "whole", what: "all" });
    expect(minutesWith(own, [more, whole]).likely).toBe(135);
  });
  it("never holds more for a part than the job has, and never comes to nothing", () => {
    const part = takes({ best: 1, likely: 1, worst: 1, covers: "part", what: "x", held: 9999 });
    expect(minutesWith(own, [part])).toEqual({ best: 5, likely: 5, worst: 5 });
  });
});

describe("what each sheet covers", () => {
  it("scribing comes on top of the boards, and is nothing to those who strip", () => {
    const o = run("template-gap", { uncovered: [{ name: "by the wheel", m2: 1.4 }] });
    expect(minutesWith({ best: 180, likely: 300, worst: 540 }, [takesOf("template-gap", { ...shipped("IN-05") }, o)!]).likely).toBe(335);
    expect(takesOf("template-gap", { ...shipped("ST-04") }, o)).toBeNull();
  });
  it("the list of holes is the whole of treating them, and no minutes of taking out", () => {
    const o = run("strip-list", {
      items: [],
      holes: [{ d: 8, count: 6, place: "wall", throughSkin: false }],
      rust: [],
    });
    expect(takesOf("strip-list", { ...shipped("ST-07") }, o)!.minutes!.covers).toBe("whole");
    expect(takesOf("strip-list", { ...shipped("ST-04") }, o)).toBeNull();
  });
  it("a session over several openings is no minutes of the job that marks them out", () => {
    const o = run("session", { openings: [{ name: "fan", cut: 40, set: 30 }], drying: 60 });
    expect(o.minutes).toBeNull();
  });
  it("a run in passes adds only the wait for holds to the work that the job has already", () => {
    const o = run("passes", { pieces: 3, first: 10, hold: 45, second: 5 });
    // 45 min of work; the last piece's hold makes the run 80.
    expect(minutesWith(own, [takesOf("passes", { ...shipped("IN-04") }, o)!]).likely).toBe(240 + 35);
    const quick = run("passes", { pieces: 12, first: 10, hold: 20, second: 5 });
    expect(minutesWith(own, [takesOf("passes", { ...shipped("IN-04") }, quick)!]).likely).toBe(240);
  });
  it("says in words what it does", () => {
    const o = run("passes", { pieces: 3, first: 10, hold: 45, second: 5 });
    expect(sayTakes(takesOf("passes", { ...shipped("IN-04") }, o))).toMatch(/80 min instead of 45 min; the rest of the job stays/);
    expect(sayTakes(null)).toBeNull();
    expect(sayTakes(takes(null, 600))).toBe("left alone for 600 min at least");
  });
});

it("holds as long as the longest that is asked, and no longer once it is not asked", () => {
  expect(holdWith(60, [takes(null, 600), takes(null, 90)])).toBe(600);
  expect(holdWith(60, [])).toBe(60);
});

it("knows the same material by its name and its unit", () => {
  const line = (name: string, unit: string) => ({ name, unit });
  expect(sameMaterial(line("Damping mat 0.46 m²", "sheet"), line("damping  mat 0.46 m²", "sheet"))).toBe(true);
  expect(sameMaterial(line("sealant 310 ml", "pc"), line("Roof sealant cartridge", "pc"))).toBe(true);
  expect(sameMaterial(line("Damping mat 0.46 m²", "sheet"), line("Damping mat 0.2 m²", "sheet"))).toBe(false);
  expect(sameMaterial(line("plug 8 mm", "pc"), line("Body plugs and seam sealant", "set"))).toBe(false);
});
