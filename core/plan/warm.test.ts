// Metal that lags behind the air, bays heated for some hours, noise hours by weekday: planner, checker and reasons agree.

import { describe, expect, it } from "vitest";
import { checkPlan } from "./check/check";
import { InputError } from "./fault";
import type { Problem, ProblemJob } from "./model";
import { makePlan } from "./planner";
import { readPlan, readProblem } from "./read";
import { skinBelow } from "./warm";

const DRY = [["00:00", "24:00"]];
const day = ["08:00", "16:00"];

/** Days from Monday 1 March 2027 on with these means. */
const shop = (means: number[], job: Partial<ProblemJob>, bay: Record<string, unknown> = {}, more: Record<string, unknown> = {}): Problem =>
  readProblem({
    format: "wide-lane/problem@1",
    zone: "Europe/Lisbon",
    now: "2027-03-01T07:30",
    calendars: [{ id: "shop", week: { mon: [day], tue: [day], wed: [day], thu: [day], fri: [day] } }],
    weather: {
      days: means.map((m, i) => ({ date: `2027-03-0${i + 1}`, sunrise: "07:00", sunset: "18:30", dry: DRY, tempC: [m - 1, m + 1] })),
    },
    bays: [{ id: "b", name: "Wet bay", has: [], ...bay }],
    yard: { places: 2 },
    fitters: [{ id: "i", name: "Ines", calendar: "shop", skills: { body: 2 } }],
    shuntMinutes: 20,
    ...more,
    builds: [
      {
        id: "k",
        name: "Field vet",
        arrives: "2027-03-01T07:30",
        due: "2027-03-05T16:00",
        weight: 1,
        heightMm: 2500,
        lengthMm: 6000,
        insideCrew: 2,
        at: "b",
        jobs: [
          {
            id: "k.seal",
            name: "Seal",
            stage: "openings",
            minutes: 120,
            place: "van",
            zones: ["left"],
            crew: [{ skill: "body" }],
            state: "todo",
            ...job,
          },
        ],
      },
    ],
  });

const planned = (p: Problem) => {
  const plan = makePlan(p, { iterations: 0 });
  expect(checkPlan(p, readPlan(plan))).toEqual([]);
  return plan.jobs[0];
};
const breaks = (p: Problem, start: string, end: string, holdUntil?: string) =>
  checkPlan(
    p,
    readPlan({
      format: "wide-lane/plan@1",
      jobs: [{ id: "k.seal", start, end, work: [[start, end]], place: "b", fitters: ["i"], ...(holdUntil ? { holdUntil } : {}) }],
      stays: [{ build: "k", place: "b", from: "2027-03-01T07:30", to: holdUntil ?? end }],
      builds: [],
      unplaced: [],
      pinsBroken: [],
    }),
  ).map((x) => x.rule);

describe("metal and the air", () => {
  const warm = { minTempC: 10 };
  it("waits for three degrees more than the air has to have, or what the house says, and only on metal", () => {
    const days = [11, 12, 13, 14];
    expect(planned(shop(days, { needs: warm })).start).toBe("2027-03-01T08:00");
    const metal = planned(shop(days, { needs: { ...warm, metal: true } }));
    expect(metal.start).toBe("2027-03-03T08:00");
    expect(metal.why![0].kind).toBe("temperature");
    expect(metal.why![0].text).toMatch(/^too cold/);
    expect(planned(shop(days, { needs: { ...warm, metal: true } }, {}, { skinBelowC: 2 })).start).toBe("2027-03-02T08:00");
    expect(planned(shop(days, { needs: { ...warm, metal: true } }, { has: ["heated"], tempC: 10 })).start).toBe("2027-03-01T08:00");
    expect(breaks(shop(days, { needs: { ...warm, metal: true } }), "2027-03-02T08:00", "2027-03-02T10:00")).toContain("conditions");
    expect(skinBelow({})).toBe(3);
  });

  it("asks no more of what is under way: that is held to the air", () => {
    const started = { started: { start: "2027-03-01T07:00", bay: "b", fitters: ["i"], leftMinutes: 60 } };
    const p = shop([9, 9, 9], { needs: { metal: true }, hold: { minutes: 600, minTempC: 8 }, state: started });
    expect(planned(p).end).toBe("2027-03-01T09:00");
  });

  it("asks the same of a hold", () => {
    const seal = { needs: { metal: true, sameDay: true }, hold: { minutes: 600, minTempC: 8 } };
    // Lows of 9, 10, 11: at least 11 for the metal.
    expect(planned(shop([10, 11, 12, 12], seal)).start).toBe("2027-03-03T08:00");
  });
});

describe("a bay heated for some hours", () => {
  const cold = [4, 4, 4, 4, 12];
  const slot = (from: string, to: string, tempC: number) => ({ warm: [{ from, to, tempC }] });
  it("takes the work into them, the lag counted, and says so", () => {
    const job = { needs: { minTempC: 10, metal: true } };
    expect(planned(shop(cold, job, slot("2027-03-02T10:00", "2027-03-02T14:00", 13))).start).toBe("2027-03-02T10:00");
    // Too short for the work, or a degree short for the metal: not before the week is over, and no plan at all says that it can't.
    expect(makePlan(shop(cold, job, slot("2027-03-02T10:00", "2027-03-02T11:00", 13)), { iterations: 0 }).jobs[0]?.start).not.toBe(
      "2027-03-02T10:00",
    );
    expect(planned(shop(cold, { needs: { minTempC: 10 } }, slot("2027-03-02T10:00", "2027-03-02T14:00", 12))).start).toBe(
      "2027-03-02T10:00",
    );
    expect(breaks(shop(cold, job, slot("2027-03-02T10:00", "2027-03-02T14:00", 12)), "2027-03-02T10:00", "2027-03-02T12:00")).toContain(
      "conditions",
    );
  });

  it("has to last through a hold that needs the warmth", () => {
    const job = { needs: { sameDay: true }, hold: { minutes: 240, minTempC: 8 } };
    expect(planned(shop(cold, job, slot("2027-03-02T08:00", "2027-03-02T16:00", 12))).start).toBe("2027-03-02T08:00");
    const short = shop(cold, job, slot("2027-03-02T08:00", "2027-03-02T13:00", 12));
    expect(breaks(short, "2027-03-02T08:00", "2027-03-02T10:00", "2027-03-02T14:00")).toContain("conditions");
  });

  it("may be too warm for what takes no more", () => {
    const job = { needs: { maxTempC: 20 } };
    expect(planned(shop([12, 12], job, slot("2027-03-01T07:30", "2027-03-01T12:00", 24))).start).toBe("2027-03-01T12:00");
    expect(breaks(shop([12, 12], job, slot("2027-03-01T07:30", "2027-03-01T12:00", 24)), "2027-03-01T08:00", "2027-03-01T10:00")).toContain(
      "conditions",
    );
  });

  it("is refused where it ends before it begins, and where a bay is warm anyway", () => {
    expect(() => shop(cold, {}, slot("2027-03-02T10:00", "2027-03-02T09:00", 12))).toThrow(InputError);
    expect(() => shop(cold, {}, { ...slot("2027-03-02T10:00", "2027-03-02T12:00", 12), has: ["heated"], tempC: 18 })).toThrow(
      /kept at 18 °C already/,
    );
  });
});

describe("noise hours by weekday", () => {
  const noisy = { needs: { noisy: true } };
  it("take the weekday's own windows where it has some", () => {
    const p = shop([12], noisy, {}, { noiseHours: ["09:00", "15:00"], noiseWeek: { mon: [], tue: [["13:00", "16:00"]] } });
    const job = planned(p);
    expect(job.start).toBe("2027-03-02T13:00");
    expect(job.why![0].kind).toBe("noise");
    expect(breaks(p, "2027-03-01T09:00", "2027-03-01T11:00").length).toBeGreaterThan(0);
    expect(planned(shop([12], noisy, {}, { noiseWeek: { mon: [["10:00", "14:00"]] } })).start).toBe("2027-03-01T10:00");
    expect(() => shop([12], noisy, {}, { noiseWeek: { mon: [["14:00", "10:00"]] } })).toThrow(/noiseWeek.mon/);
  });
});

describe("wind", () => {
  const job = { needs: { maxWindMs: 6 }, minutes: 120 };
  const blown = (winds: (number | undefined)[], bay: Record<string, unknown> = {}) => {
    const p = structuredClone(
      shop(
        winds.map(() => 12),
        job,
        bay,
      ),
    );
    winds.forEach((w, i) => {
      if (w !== undefined) p.weather!.days![i].windMs = w;
    });
    return readProblem(p);
  };
  it("keeps work that minds it off the days that blow harder, exactly at the limit not, and under a roof never", () => {
    expect(planned(blown([6, 2])).start).toBe("2027-03-01T08:00");
    const windy = planned(blown([6.5, 9, 3]));
    expect(windy.start).toBe("2027-03-03T08:00");
    expect(windy.why![0]).toMatchObject({ kind: "wind", text: expect.stringMatching(/^too windy until/) });
    expect(planned(blown([9, 9], { has: ["indoor"] })).start).toBe("2027-03-01T08:00");
    expect(planned(blown([undefined, 2])).start).toBe("2027-03-01T08:00");
    expect(breaks(blown([9, 2]), "2027-03-01T08:00", "2027-03-01T10:00")).toContain("conditions");
  });
});
