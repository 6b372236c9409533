import { describe, expect, it } from "vitest";
import { makePlan } from "../../plan/planner";
import { readProblem } from "../../plan/read";
import { findCalculator } from "../../setout/calculators";
import { zoneOf } from "../../time/zone";
import { handDays, hoursADay } from "../builds/hands-for-date";
import { holdKeeps } from "../builds/hold-keeps";
import { sheetPrefill } from "../sheets/sheets";
import { toProblem } from "../state/problem";
import { entry as record } from "../testing/entry";
import { at, testShop } from "../testing/shop";
import type { RecordData } from "./kinds/kinds";
import type { BuildRecord } from "./records";
import { attendWords, benchBefore, benchUntil, parkedLeft, parkedStates, waitDecisions, warmthSince } from "./waits";

const zone = zoneOf("Europe/Lisbon");
const NOW = at("2027-03-02T10:00");
const entry = <K extends "parked" | "attend" | "reading" | "zonebench">(
  kind: K,
  data: RecordData[K],
  more: Partial<BuildRecord> & { title?: string } = {},
): BuildRecord => record(kind, more.title ?? `${kind} thing`, data, more);

const start = () => {
  const shop = testShop();
  const build = shop.builds[0];
  build.records = [];
  const van = build.jobs.find((j) => j.place === "van" && j.state === "todo")!;
  return { shop, build, van };
};

describe("parked things", () => {
  const { build, van } = start();
  const done = build.jobs.find((j) => j.state === "done");
  it("wake when their job is done, their day has come, their part is here, and at once on a trigger that does not exist", () => {
    const part = van.parts[0] ?? build.jobs.flatMap((j) => j.parts)[0];
    build.records = [
      entry("parked", { wakes: "job", code: van.code.toLowerCase(), owner: "Teo" }),
      entry("parked", { wakes: "day", on: "2027-03-03", owner: "Teo" }),
      entry("parked", { wakes: "day", on: "2027-03-02", owner: "Teo" }),
      entry("parked", { wakes: "job", code: "ZZ-99", owner: "Teo" }),
      entry("parked", { wakes: "part", part: "no such thing", owner: "Teo" }),
    ];
    expect(parkedStates(build, "2027-03-02").map((p) => [p.awake, p.text])).toEqual([
      [true, "its day, 2027-03-02, has come"],
      [true, "ZZ-99 is no job of this build"],
      [true, "no part of this build is called no such thing"],
      [false, `sleeps until ${van.name} is done`],
      [false, "sleeps until 2027-03-03"],
    ]);
    if (done) {
      build.records = [entry("parked", { wakes: "job", code: done.code, owner: "Teo" })];
      expect(parkedStates(build, "2027-03-02")[0]).toMatchObject({ awake: true, text: `${done.name} is done` });
    }
    if (part) {
      build.records = [entry("parked", { wakes: "part", part: part.name.slice(0, 6), owner: "Teo" })];
      part.state = "ordered";
      expect(parkedStates(build, "2027-03-02")[0].awake).toBe(false);
      part.state = "arrived";
      expect(parkedStates(build, "2027-03-02")[0].awake).toBe(true);
    }
  });

  it("are asked of the lead when awake, and hold up the handover until they are done", () => {
    build.records = [
      entry("parked", { wakes: "day", on: "2027-03-01", owner: "Teo" }, { title: "Trim ring" }),
      entry("parked", { wakes: "day", on: "2027-04-01", owner: "Ines" }, { title: "Clamping ring" }),
      entry("parked", { wakes: "day", on: "2027-03-01", owner: "Ines" }, { title: "Old", closedAt: NOW }),
    ];
    const asked = waitDecisions({ shop: testShop(), zone, now: NOW, planned: new Map() }, build);
    expect(asked.map((d) => [d.title, d.detail])).toEqual([["Parked: Trim ring", "its day, 2027-03-01, has come; Teo has it"]]);
    expect(parkedLeft(build.records)).toEqual(["Trim ring (Teo)", "Clamping ring (Ines)"]);
  });
});

describe("a zone that serves as a bench", () => {
  const { shop, build, van } = start();
  van.zones = ["floor"];
  const lend = () => entry("zonebench", { zone: "floor", until: "2027-03-08", owner: "Rosa" }, { title: "Cutting" });
  it("keeps its jobs from being begun, and from being planned before the day", () => {
    build.records = [lend()];
    expect(benchBefore(build, van)).toEqual(["its zone still serves as a bench for Cutting: Rosa clears it"]);
    expect(benchBefore(build, { ...van, zones: ["roof"] })).toEqual([]);
    expect(benchUntil(build, van, zone)).toBe(at("2027-03-08T00:00"));
    const find = (x: ReturnType<typeof toProblem>) => x.builds[0].jobs.find((j) => j.id === van.id)!;
    expect(find(toProblem(shop, NOW)).notBefore).toBe("2027-03-08T00:00");
    van.notBefore = at("2027-03-10T08:00");
    expect(find(toProblem(shop, NOW)).notBefore).toBe("2027-03-10T08:00");
    van.notBefore = null;
    build.records = [{ ...lend(), closedAt: NOW } as BuildRecord];
    expect(find(toProblem(shop, NOW)).notBefore).toBeUndefined();
  });
  it("is asked back two days before the first work in it", () => {
    build.records = [lend()];
    const ask = (t: string) =>
      waitDecisions({ shop: testShop(), zone, now: NOW, planned: new Map([[van.id, { start: t }]]) }, build).map((d) => d.title);
    expect(ask("2027-03-05T09:00")).toEqual([]);
    expect(ask("2027-03-04T09:00")).toEqual(["Ask the floor back from Cutting"]);
  });
});

describe("a hold", () => {
  const { shop, build, van } = start();
  van.state = "done";
  van.startedAt = at("2027-03-01T14:00");
  van.endedAt = at("2027-03-01T16:00");
  van.actualPlace = "b2";
  van.hold = { minutes: 1200, still: true, keepOff: null, minTempC: 10 };
  shop.weather = [{ date: "2027-03-01", sunrise: "07:00", sunset: "18:30", dry: [], lowC: 14, highC: 22, windMs: null }];
  const read = (on: string, clock: string, tempC: number) => entry("reading", { on, at: clock, tempC }, { jobId: van.id });

  it("names who stays with it, where it is said what it keeps", () => {
    build.records = [entry("attend", { who: "Teo", why: "first hour", until: "17:00" }, { jobId: van.id })];
    expect(attendWords(build, van)).toEqual(["Teo stays with it: first hour, until 17:00"]);
    expect(holdKeeps(shop, van, "b2")).toMatch(/Teo stays with it: first hour, until 17:00$/);
  });

  it("is reckoned by the warmth read off at it: 18 °C for six hours, then 8 (worked case)", () => {
    build.records = [read("2027-03-01", "22:00", 8)];
    expect(warmthSince(shop, build, van, zone)).toEqual([{ hours: 6, tempC: 18 }, { tempC: 8 }]);
    const p = sheetPrefill(shop, build, "disturbed-hold", van.id, { jobs: [] } as never)!;
    expect(p.draft).toEqual({
      holdH: "20",
      minC: "10",
      stretches: [
        { hours: "6", tempC: "18" },
        { hours: "", tempC: "8" },
      ],
    });
    const sheet = findCalculator("disturbed-hold")!.run({ holdH: 20, refC: 20, stretches: [{ hours: 6, tempC: 18 }, { tempC: 8 }] });
    expect(sheet.results).toMatchObject({ earnedH: 5.22, moreH: 33.95, inAllH: 39.95 });
  });

  it("takes a reading from before it for its beginning, and knows nothing of what does not hold", () => {
    build.records = [read("2027-03-01", "12:00", 15), read("2027-03-01", "18:30", 12)];
    expect(warmthSince(shop, build, van, zone)).toEqual([{ hours: 2.5, tempC: 15 }, { tempC: 12 }]);
    expect(warmthSince(shop, build, { ...van, state: "todo" }, zone)).toBeUndefined();
    expect(warmthSince({ ...shop, weather: [] }, { ...build, records: [] }, van, zone)).toBeUndefined();
  });
});

describe("whose days there are", () => {
  it("are those of the calendars until the date, less what the plan has them on elsewhere and the days away", () => {
    const shop = testShop();
    const build = shop.builds[0];
    build.due = at("2027-03-12T17:00");
    const now = at("2027-03-01T07:00");
    const plan = makePlan(readProblem(toProblem(shop, at("2027-03-01T08:00"))), { iterations: 0 });
    const alone = handDays(shop, build, { ...plan, jobs: [] }, now);
    expect(hoursADay(shop)).toBeGreaterThan(6);
    // Ten working days, give or take those whose hours are other than the house's longest.
    expect(Math.max(...alone.map((d) => d.days))).toBeLessThanOrEqual(10);
    expect(Math.max(...alone.map((d) => d.days))).toBeGreaterThan(8);
    const who = shop.fitters[0];
    who.absences = [{ id: "x", from: at("2027-03-03T00:00"), to: at("2027-03-05T00:00"), reason: "" }];
    expect(alone[0].days - handDays(shop, build, { ...plan, jobs: [] }, now)[0].days).toBeCloseTo(2, 0);
    const busy = {
      ...plan,
      jobs: [
        {
          id: "other",
          start: "2027-03-08T08:00",
          end: "2027-03-08T12:00",
          work: [["2027-03-08T08:00", "2027-03-08T12:00"]],
          place: "bench",
          fitters: [who.id],
        },
      ],
    };
    expect(handDays(shop, build, busy as never, now)[0].days).toBeLessThan(handDays(shop, build, { ...plan, jobs: [] }, now)[0].days);
    expect(handDays(shop, build, plan, build.due).every((d) => d.days === 0)).toBe(true);
    const draft = sheetPrefill(shop, build, "hands-date", null, plan, now)!.draft;
    expect((draft.people as { days: string }[]).every((p) => Number(p.days) >= 0)).toBe(true);
    expect(Number(draft.hoursADay)).toBe(hoursADay(shop));
  });
});
