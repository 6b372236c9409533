// Vans that stand in a bay while nobody works, and what each stretch waits for.

import { describe, expect, it } from "vitest";
import type { Plan, WhyKind } from "../plan/model";
import { makePlan } from "../plan/planner";
import { readProblem } from "../plan/read";
import { workshop } from "../plan/testing/workshop";
import { openHours } from "../time/calendar";
import { OpenSet } from "../time/openset";
import { zoneOf } from "../time/zone";
import { askedFor, causeOf, idleAt, idleByCause } from "./idle";

const zone = zoneOf("Europe/Lisbon");
const at = (t: string) => zone.parse(`2027-03-${t}`);
const day = (d: string): [number, number] => [at(`${d}T08:00`), at(`${d}T16:00`)];
const open = new OpenSet([day("01"), day("02"), day("03"), day("04")]);
const job = (id: string, from: string, to: string, why?: { kind: WhyKind; ref?: string; text?: string }, place = "b1") => ({
  id,
  start: `2027-03-${from}`,
  end: `2027-03-${to}`,
  work: [[`2027-03-${from}`, `2027-03-${to}`]],
  place,
  fitters: [],
  why: why ? [{ text: "", ...why }] : [],
});
const planOf = (jobs: object[], stays: object[]) => ({ jobs, stays, builds: [], unplaced: [], pinsBroken: [] }) as unknown as Plan;
const known = { fitters: new Set(["ines"]), bench: new Set(["a.bench"]), buildOf: (j: string) => j.slice(0, 1) };
const stay = (build: string, from: string, to: string) => ({ build, place: "b1", from: `2027-03-${from}`, to: `2027-03-${to}` });

describe("a bay in which a van stands", () => {
  const plan = planOf(
    [
      job("a.1", "01T08:00", "01T12:00"),
      job("a.2", "02T10:00", "02T16:00", { kind: "hold", text: "a.1 is left untouched" }),
      job("a.3", "03T12:00", "03T13:00", { kind: "part" }),
      job("a.bench", "01T08:00", "03T16:00", undefined, "bench"),
    ],
    [stay("a", "01T08:00", "03T16:00"), stay("b", "04T08:00", "04T16:00")],
  );
  const idle = idleAt(plan, "b1", open, zone, [at("01T00:00"), at("08T00:00")], known);
  it("is idle in open hours between its jobs, each stretch for what the next one waits for", () => {
    // 12 to 16 and 8 to 10 behind the bond; 8 to 12 for the part; 13 to 16 behind the last one; b has nothing here at all.
    expect(idle.map((i) => [i.build, i.minutes, i.cause])).toEqual([
      ["a", 360, "cure"],
      ["a", 240, "parts"],
      ["a", 180, "cure"],
      ["b", 480, "cure"],
    ]);
    expect(idle[0]).toMatchObject({ from: at("01T12:00"), to: at("02T10:00"), text: "a.1 is left untouched" });
    expect(idleByCause(idle)).toEqual([
      { cause: "cure", minutes: 1020 },
      { cause: "parts", minutes: 240 },
    ]);
  });
  it("counts from now on, and no stretch of less than an hour", () => {
    const later = idleAt(plan, "b1", open, zone, [at("03T11:10"), at("03T13:30")], known);
    expect(later).toEqual([]);
    const more = idleAt(plan, "b1", open, zone, [at("03T11:00"), at("03T14:00")], known);
    expect(more.map((i) => i.minutes)).toEqual([60, 60]);
  });
  it("is idle for somebody away where a job is gone on with in its middle", () => {
    const long = {
      ...job("a.4", "01T08:00", "03T10:00"),
      work: [
        ["2027-03-01T08:00", "2027-03-01T16:00"],
        ["2027-03-03T08:00", "2027-03-03T10:00"],
      ],
    };
    const off = idleAt(planOf([long], [stay("a", "01T08:00", "03T10:00")]), "b1", open, zone, [at("01T00:00"), at("08T00:00")], known);
    expect(off.map((i) => [i.minutes, i.cause])).toEqual([[480, "away"]]);
  });
  it.each([
    ["hold", undefined, "cure"],
    ["calendar", "ines", "away"],
    ["calendar", "b1", "date"],
    ["fitter", "ines", "people"],
    ["inside-crew", undefined, "people"],
    ["tool", "x", "tools"],
    ["part", undefined, "parts"],
    ["dry", undefined, "weather"],
    ["temperature", undefined, "weather"],
    ["proof", "x", "photos"],
    ["predecessor", "a.bench", "bench work"],
    ["predecessor", "a.1", "date"],
    ["not-before", undefined, "date"],
  ] as const)("takes %s of %s for %s", (kind, ref, cause) => {
    expect(causeOf({ kind, text: "", ...(ref ? { ref } : {}) }, known.fitters, known.bench)).toBe(cause);
  });
  it("is asked for by builds whose work waits for it", () => {
    const waits = planOf(
      [job("c.1", "04T08:00", "04T09:00", { kind: "bay" }), job("d.1", "04T08:00", "04T09:00", { kind: "bay" }, "b2")],
      [],
    );
    expect(askedFor(waits, "b1", known.buildOf)).toEqual(["c"]);
  });
  it("is never idle while somebody works in it: over generated plans, idle and work fill the stays", () => {
    for (let seed = 700; seed < 706; seed++) {
      const p = readProblem(workshop({ seed, builds: 3, jobsPerBuild: 14 }));
      const made = makePlan(p, { iterations: 0 });
      const build = new Map(p.builds.flatMap((b) => b.jobs.map((j) => [j.id, b.id] as const)));
      const now = zone.parse(p.now);
      const hours = openHours(zone, p.calendars[0], zone.dayOf(now), zone.dayOf(now) + 60).open;
      for (const bay of p.bays) {
        const found = idleAt(made, bay.id, hours, zone, [now, now + 60 * 1440], { ...known, buildOf: (j) => build.get(j) });
        for (const i of found)
          for (const j of made.jobs.filter((k) => k.place === bay.id && build.get(k.id) === i.build))
            for (const [a, b] of j.work ?? []) expect(zone.parse(b) <= i.from || zone.parse(a) >= i.to, `${j.id} in ${bay.id}`).toBe(true);
      }
    }
  });
});
