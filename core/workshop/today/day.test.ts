// The day at the bench: clocks, tiredness, first times, its end, and jobs that are put off.

import { describe, expect, it } from "vitest";
import type { Plan } from "../../plan/model";
import { decisions } from "../builds/decisions";
import { delayAsks, delayWords } from "../planning/delays";
import { firstTimeWords, kindOf, newTo, timesDone } from "../starts/first-time";
import { longDayWords, workedOf } from "../starts/long-day";
import { toProblem } from "../state/problem";
import { entry } from "../testing/entry";
import { at, done, job, NOW, testShop } from "../testing/shop";
import { clockState, runningClocks } from "./clocks";
import { dayEnd } from "./day-end";

const planOf = (...jobs: { id: string; start: string; end: string; place?: string; fitters: string[] }[]): Plan =>
  ({ jobs: jobs.map((j) => ({ place: "b1", ...j })), stays: [], builds: [], unplaced: [], pinsBroken: [] }) as unknown as Plan;

describe("clocks at the bench", () => {
  it.each([
    [0, "ok", 20],
    [13, "ok", 7],
    [14, "warn", 6],
    [19, "warn", 1],
    [20, "stop", 0],
    [31, "stop", -11],
  ])("20 minutes after %s: %s, %s left", (gone, tone, left) => {
    expect(clockState({}, "open time", NOW, 20, NOW + gone)).toEqual({ tone, left });
  });
  it("those that nobody tapped off, the next to end first, with what to do when one is over", () => {
    const b = {
      records: [
        entry("clock", "Fan", { what: "open time", minutes: 20 }, { saidAt: NOW - 25 }),
        entry("clock", "Fan", { what: "second bead", minutes: 60 }, { saidAt: NOW - 25 }),
        entry("clock", "Window", { what: "pot life", minutes: 5 }, { saidAt: NOW, closedAt: NOW }),
        entry("clock", "Window", { what: "flash-off", minutes: 15 }, { saidAt: NOW - 5 }),
      ],
    };
    const list = runningClocks(b, NOW);
    expect(list.map((c) => [c.what, c.tone])).toEqual([
      ["open time", "stop"],
      ["flash-off", "ok"],
      ["second bead", "ok"],
    ]);
    expect(list[0].says).toBe("over for 5 min: do not set on it: take the bead off and lay it again");
    expect(list[1].says).toBe("10 of 15 min left");
  });
});

describe("tired, cold, late", () => {
  const worked = (shop: ReturnType<typeof testShop>, code: string, from: string, to: string, who = "ines") =>
    Object.assign(job(shop, code), { state: "done", startedAt: at(from), endedAt: at(to), fitters: [who] });
  it("counts the open minutes of today once, and days in a row", () => {
    const s = testShop();
    worked(s, "ST-01", "2027-03-01T09:00", "2027-03-01T11:00");
    worked(s, "ST-02", "2027-03-02T09:00", "2027-03-02T11:00");
    worked(s, "ST-03", "2027-03-03T08:00", "2027-03-03T09:30");
    worked(s, "ST-04", "2027-03-03T09:00", "2027-03-03T10:00");
    expect(workedOf(s, "ines", NOW)).toEqual({ minutes: 120, days: 3 });
    expect(workedOf(s, "teo", NOW)).toEqual({ minutes: 0, days: 0 });
    // The break from 12:00 to 12:45 is none of it.
    worked(s, "ST-04", "2027-03-03T11:00", "2027-03-03T13:00");
    expect(workedOf(s, "ines", at("2027-03-03T13:00")).minutes).toBe(90 + 75);
  });
  it("speaks against what a bad hour spoils, not against the rest", () => {
    const s = testShop();
    const fan = job(s, "OP-04");
    expect(longDayWords(s, fan, ["ines"], "b1", NOW)).toEqual([]);
    expect(longDayWords(s, fan, ["ines"], "b1", at("2027-03-03T20:05"))).toEqual(["Better in the morning: it is 20:05"]);
    expect(longDayWords(s, job(s, "ST-02"), ["ines"], "b1", at("2027-03-03T20:05"))).toEqual([]);
    s.bays[0].tempC = 8;
    expect(longDayWords(s, fan, ["ines"], s.bays[0].id, NOW)[0]).toMatch(/is at 8 °C$/);
    worked(s, "ST-01", "2027-03-03T06:00", "2027-03-03T20:00");
    expect(longDayWords(s, fan, ["ines"], "b2", at("2027-03-03T19:59"))).toEqual([]);
    for (let d = 24; d <= 28; d++)
      worked(s, ["ST-02", "ST-03", "ST-04", "ST-06", "ST-07"][d - 24], `2027-02-${d}T09:00`, `2027-02-${d}T10:00`);
    worked(s, "OP-01", "2027-03-01T09:00", "2027-03-02T10:00");
    expect(longDayWords(s, fan, ["ines"], "b2", at("2027-03-03T19:59"))[0]).toMatch(/Ines is at the 8th day in a row/);
  });
});

describe("the first time", () => {
  const practice = [
    { fitterId: "teo", code: "OP-06a", times: 1 },
    { fitterId: "ines", code: "OP-06", times: 4 },
  ];
  it("is by kind of job, whatever copy of it", () => {
    expect([kindOf("OP-06b"), kindOf("OP-06")]).toEqual(["OP-06", "OP-06"]);
    expect(timesDone(practice, "teo", "OP-06b")).toBe(1);
    expect(timesDone([...practice, { fitterId: "teo", code: "OP-06c", times: 2 }], "teo", "OP-06b")).toBe(3);
  });
  it("allows one and a half times, at the second time 1.2, then nothing", () => {
    const s = { ...testShop(), practice };
    const cut = { ...job(s, "OP-06a"), minutes: { best: 60, likely: 100, worst: 200 } };
    expect(firstTimeWords(s, cut, ["teo", "ines", "rosa"])).toEqual([
      "Second time for Teo: allow 1.2 ×, about 120 min",
      "First time for Rosa: allow 1.5 ×, about 150 min; the guide at hand, level 3 looks at the first piece",
    ]);
    expect(firstTimeWords(s, { ...cut, state: "done" }, ["rosa"])).toEqual([]);
  });
});

describe("the end of a day", () => {
  it("says what was done, what runs on or is open, and what tomorrow's first job lacks", () => {
    const s = testShop();
    const [b] = s.builds;
    done(s, ["ST-01"], NOW - 30);
    Object.assign(job(s, "ST-07"), {
      state: "done",
      startedAt: NOW - 90,
      endedAt: NOW - 5,
      fitters: ["ines"],
      hold: { ...job(s, "ST-07").hold, minutes: 600 },
    });
    Object.assign(job(s, "OP-04"), { state: "started", startedAt: NOW - 60, fitters: ["ines"] });
    b.records = [
      entry("penetration", "Fan", { no: 1, side: "roof", place: "x", by: "us", state: "cut" }, { jobId: "a.OP-04" }),
      entry("sparks", "Fan", { tool: "jigsaw", stamps: { last: { by: "Ines", at: NOW - 20 } } }, { jobId: "a.OP-04" }),
      entry("clock", "Fan", { what: "second bead", minutes: 60 }, { jobId: "a.OP-04", saidAt: NOW }),
    ];
    const window = job(s, "OP-06a");
    window.parts[0].state = "arrived";
    const plan = planOf({ id: window.id, start: "2027-03-04T08:15", end: "2027-03-04T12:00", fitters: ["ines", "teo"] });
    const end = dayEnd(s, plan, "ines", NOW);
    expect(end.done).toEqual([`${job(s, "ST-01").name}, Field vet`, `${job(s, "ST-07").name}, Field vet`]);
    expect(end.open.join("; ")).toMatch(
      /holds until .*; .*is under way: .* steps open; .* may not stay as it is: hole 1, Fan, has no cover; second bead of Fan runs.*; Fan: its swarf is not off; hole 1, Fan: no cover; second bead of Fan: 60 of 60 min left/,
    );
    expect(end.next?.at).toBe("08:15");
    expect(end.next?.lacks.join("; ")).toMatch(/here, not checked/);
    // Somebody else's day knows nothing of it.
    expect(dayEnd(s, plan, "rosa", NOW)).toEqual({ done: [], open: [], next: null });
  });
});

describe("jobs that are put off", () => {
  it("ask from the third time on, while they are not begun", () => {
    expect(delayWords({ count: 1, minutes: 90 })).toBe("put off once, 1 h 30 in all");
    expect(delayAsks({}, { state: "todo" }, { count: 3, minutes: 300 })).toBe(true);
    expect(delayAsks({}, { state: "todo" }, { count: 2, minutes: 9000 })).toBe(false);
    expect(delayAsks({}, { state: "started" }, { count: 5, minutes: 300 })).toBe(false);
    expect(delayAsks({}, { state: "todo" }, undefined)).toBe(false);
  });
  it("stand in the lead's list", () => {
    const s = testShop();
    const plan = planOf({ id: "a.ST-06", start: "2027-03-03T14:00", end: "2027-03-03T16:00", fitters: ["ines"] });
    const list = decisions(s, plan, NOW, new Map(), new Map([["a.ST-06", { count: 4, minutes: 2000 }]]));
    expect(list.find((d) => d.kind === "slip")?.title).toBe(`${job(s, "ST-06").name} was put off 4 times`);
  });
});

describe("first times in the plan", () => {
  const shop = testShop();
  const build = shop.builds[0];
  const job = build.jobs.find((j) => j.state === "todo" && j.crew.some((c) => c.skill !== "any"))!;
  const [a, b] = shop.fitters;
  const level = (n: number) => {
    for (const f of shop.fitters) for (const c of job.crew) f.skills[c.skill] = n;
  };
  const practised = (list: [string, number][]) =>
    list.map(([fitterId, times]) => ({ fitterId, code: job.code, times })) as typeof shop.practice;
  const factor = (id: string) => newTo(shop, job).find((x) => x.fitter === id)?.factor ?? 1;

  it("take longer for whoever has not done the kind, once the house has", () => {
    level(2);
    shop.practice = [];
    expect(newTo(shop, job)).toEqual([]);
    shop.practice = practised([[b.id, 2]]);
    expect([factor(a.id), factor(b.id)]).toEqual([1.5, 1]);
    shop.practice = practised([
      [b.id, 3],
      [a.id, 1],
    ]);
    expect(factor(a.id)).toBe(1.2);
    level(3);
    expect(newTo(shop, job)).toEqual([]);
    level(2);
  });

  it("go into the planning problem of what is not begun, unless the house says not to", () => {
    shop.practice = practised([[b.id, 2]]);
    const slow = () => toProblem(shop, NOW).builds[0].jobs.find((j) => j.id === job.id)!.slow;
    expect(slow()!.map((s) => s.fitter)).toEqual(shop.fitters.filter((f) => f.id !== b.id).map((f) => f.id));
    shop.workshop.firstTimes = false;
    expect(slow()).toBeUndefined();
  });
});
