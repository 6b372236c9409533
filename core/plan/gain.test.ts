import { describe, expect, it } from "vitest";
import { zoneOf } from "../time/zone";
import { checkPlan } from "./check/check";
import { byValue, daysOf, type Gain, gains } from "./gain";
import { measures } from "./measures";
import type { Problem } from "./model";
import { makePlan } from "./planner";
import { readPlan, readProblem } from "./read";
import { problem } from "./testing/small";
import { variantMeasures } from "./variants";

/** One fitter, one build of five two-hour jobs in a row, the last waiting for a part. */
function small(partsFrom?: string): Problem {
  return readProblem({
    format: "wide-lane/problem@1",
    zone: "Europe/Lisbon",
    now: "2027-03-04T07:30",
    horizonDays: 60,
    calendars: [{ id: "shop", week: Object.fromEntries(["mon", "tue", "wed", "thu", "fri"].map((d) => [d, [["08:00", "12:00"]]])) }],
    bays: [{ id: "b1", name: "Long bay", has: ["indoor"] }],
    yard: { places: 2 },
    fitters: [
      { id: "f1", name: "Ines", calendar: "shop", skills: { body: 3 } },
      { id: "f2", name: "Teo", calendar: "shop", skills: { trim: 1 } },
    ],
    shuntMinutes: 20,
    builds: ["k", "m"].map((id) => ({
      id,
      name: id,
      arrives: "2027-03-04T08:00",
      due: "2027-03-30T12:00",
      weight: id === "m" ? 3 : 1,
      heightMm: 2500,
      lengthMm: 5500,
      insideCrew: 2,
      jobs: Array.from({ length: 5 }, (_, i) => ({
        id: `${id}.${i}`,
        stage: "strip",
        name: `Job ${i}`,
        minutes: 120,
        place: "bench",
        zones: [],
        crew: [{ skill: "body", level: 2 }],
        after: i ? [{ job: `${id}.${i - 1}` }] : [],
        ...(i === 4 && id === "k" && partsFrom ? { partsFrom } : {}),
        state: "todo",
      })),
    })),
  });
}

describe("gains", () => {
  it("tries every measure by a replan, tells each, and puts the most days first", () => {
    const p = small();
    const plan = makePlan(p, { iterations: 5 });
    const told: number[] = [];
    const list = gains(p, plan, "k", (_g, done, all) => {
      told.push(done / all);
      return true;
    });
    expect(told.at(-1)).toBe(1);
    expect(list.length).toBe(told.length);
    const kinds = new Set(list.map((g) => g.kind));
    for (const kind of ["saturday", "late-shift", "first", "skill", "hands", "swap", "bench", "pair"]) expect(kinds).toContain(kind);
    for (let i = 1; i < list.length; i++) expect(byValue(list[i - 1], list[i])).toBeLessThanOrEqual(0);
    expect(list[0].days).toBeGreaterThan(0);
  });
  it("shows whom it costs: putting one first lets the other wait", () => {
    const p = small();
    const first = gains(p, makePlan(p, { iterations: 5 }), "k").find((g) => g.kind === "first")!;
    expect(first.days).toBeGreaterThan(0);
    expect(first.others).toEqual([{ build: "m", days: expect.any(Number) }]);
    expect(first.others[0].days).toBeGreaterThan(0);
  });
  it("proposes the part that the work waits for, and finds what two days less are worth", () => {
    const p = small("2027-03-24T08:00");
    const part = gains(p, makePlan(p, { iterations: 5 }), "k").find((g) => g.kind === "part")!;
    expect(part.text).toContain("Job 4");
    expect(part.days).toBe(2);
  });
  it("tries pairs of the best, and a pair is told with what both cost", () => {
    const p = small();
    const list = gains(p, makePlan(p, { iterations: 5 }), "k");
    const pairs = list.filter((g) => g.kind === "pair");
    expect(pairs.length).toBeGreaterThan(0);
    expect(pairs.length).toBeLessThanOrEqual(6);
    for (const g of pairs) {
      const parts = list.filter((x) => x.kind !== "pair" && g.text.includes(x.text));
      expect(parts.length).toBeGreaterThanOrEqual(2);
      expect(g.hours).toBeGreaterThanOrEqual(Math.max(...parts.map((x) => x.hours)));
    }
  });
  it("changes places with the build whose work it waits for, and says who waits then", () => {
    const p = small();
    const swap = gains(p, makePlan(p, { iterations: 5 }), "k").find((g) => g.kind === "swap")!;
    expect(swap.text).toBe("it changes places with m");
    expect(swap.days).toBeGreaterThan(0);
    expect(swap.others[0]).toEqual({ build: "m", days: expect.any(Number) });
  });
  it("gains by a second pair of hands what the one pair held up", () => {
    const p = small();
    const hands = gains(p, makePlan(p, { iterations: 5 }), "k").find((g) => g.kind === "hands")!;
    expect(hands.text).toContain("Ines");
    expect(hands.days).toBeGreaterThan(0);
  });
  it("offers one more of the tool that the work waits for, tried", () => {
    const two = (crew: string, pin?: object) => ({
      minutes: 240,
      crew: [{ skill: crew, level: 2 }],
      tools: [{ id: "t" }],
      ...(pin ? { pin } : {}),
    });
    const p = problem([two("body", { start: "2027-03-01T08:00" }), two("trim")], { tools: [{ id: "t", name: "spray booth", pieces: 1 }] });
    const tool = gains(p, makePlan(p, { iterations: 5 }), "a").find((g) => g.kind === "tool")!;
    expect(tool).toMatchObject({ text: "one more of the spray booth", money: null });
    expect(tool.days).toBeGreaterThan(0);
  });
  it("offers one more bay where the vans wait for one", () => {
    const p = structuredClone(small()) as Problem;
    for (const b of p.builds) for (const j of b.jobs) Object.assign(j, { place: "van", zones: ["floor"], crew: [{ skill: "any" }] });
    p.builds.push(
      ...["n", "o"].map((id) => ({
        ...structuredClone(p.builds[0]),
        id,
        name: id,
        jobs: p.builds[0].jobs.map((j) => ({ ...j, id: `${id}${j.id}`, after: j.after?.map((a) => ({ ...a, job: `${id}${a.job}` })) })),
      })),
    );
    p.fitters.push(...["f3", "f4"].map((id) => ({ ...p.fitters[1], id, name: id })));
    p.yard.places = 6;
    const q = readProblem(p);
    const plan = makePlan(q, { iterations: 5 });
    const late = plan.builds.toSorted((x, y) => (y.finish ?? "").localeCompare(x.finish ?? ""))[0].id;
    const bay = gains(q, plan, late).find((g) => g.kind === "bay")!;
    expect(bay.text).toBe("one more bay like Long bay");
    expect(bay.days).toBeGreaterThan(0);
  });
  it("says how much it moves, and where the chain runs when it gains nothing", () => {
    const p = small("2027-03-24T08:00");
    const list = gains(p, makePlan(p, { iterations: 5 }), "k");
    for (const g of list) {
      expect(g.moved).toBeGreaterThanOrEqual(0);
      if (g.days !== 0) expect(g.moved).toBeGreaterThan(0);
    }
    const none = list.find((g) => g.kind === "hands")!;
    expect(none.days).toBeLessThanOrEqual(0);
    expect(none.through).toBe("Job 4");
  });
  it("sorts by the money for each day gained, what gains nothing last", () => {
    // An hour at 42: a bay by two shunts of 40 min for one day, with a courier (95) for two, a Saturday of 2 × 6 h at half as much again.
    const of = (text: string, days: number, money: number | null) => ({ text, days, money, hours: 0 }) as Gain;
    const list = [of("courier", 0, 95), of("Saturday", 1, 756), of("both", 2, 151), of("a call", 2, null), of("bay", 1, 56)];
    expect(list.sort(byValue).map((g) => g.text)).toEqual(["bay", "both", "Saturday", "a call", "courier"]);
  });
  it("prices overtime one and a half times, hired hands as they are, and asks nobody's price for them", () => {
    const p = small();
    const list = gains(p, makePlan(p, { iterations: 5 }), "k", undefined, 40);
    const saturday = list.find((g) => g.kind === "saturday")!;
    expect(saturday.money).toBe(saturday.hours * 60);
    expect(list.find((g) => g.kind === "hands")!.money).toBe(1600);
    expect(list.find((g) => g.kind === "first")!.money).toBe(0);
    const late = small("2027-03-24T08:00");
    expect(gains(late, makePlan(late, { iterations: 5 }), "k", undefined, 40).find((g) => g.kind === "part")!.money).toBeNull();
  });
  it("stops when told to", () => {
    const p = small();
    expect(gains(p, makePlan(p, { iterations: 0 }), "k", () => false).length).toBe(1);
  });
  it("makes only problems that can be planned and pass the checker", () => {
    const p = small("2027-03-24T08:00");
    const plan = makePlan(p, { iterations: 2 });
    const list = measures(p, plan, "k", zoneOf(p.zone));
    expect(list.length).toBeGreaterThan(4);
    for (const m of list) {
      const changed = structuredClone(p) as Problem;
      m.take(changed);
      const q = readProblem(changed);
      expect(checkPlan(q, readPlan(makePlan(q, { iterations: 0 }))), m.text).toEqual([]);
    }
  });
  it("has nothing to say of a build that is not planned", () => {
    const p = small();
    expect(measures(p, makePlan(p, { iterations: 0 }), "none", zoneOf(p.zone))).toEqual([]);
  });
});

describe("heating a bay to gain a day", () => {
  const cold = () =>
    readProblem({
      ...problem([{ minutes: 120, place: "van", zones: ["left"], crew: [{ skill: "body" }], needs: { minTempC: 10, metal: true } }]),
      bays: [{ id: "b1", name: "Wet bay", has: [], heat: { tempC: 16, hourCost: 5 } }],
      weather: {
        days: [1, 2, 3, 4, 5].map((d) => ({
          date: `2027-03-0${d}`,
          sunrise: "07:00",
          sunset: "18:30",
          dry: [["00:00", "24:00"]],
          tempC: d < 4 ? [2, 6] : [13, 17],
        })),
      },
    });

  it("is proposed where work waits for warmth, with its money, and gains what a replan says", () => {
    const p = cold();
    const plan = makePlan(p, { iterations: 0 });
    expect(plan.jobs[0].start.slice(0, 10)).toBe("2027-03-04");
    const heat = gains(p, plan, "a", undefined, 40).find((g) => g.kind === "heat")!;
    expect(heat.text).toMatch(/^Wet bay is heated to 16 °C from .* for Job 0$/);
    expect(heat.days).toBe(3);
    // 8:00 to 18:00 at 5 an hour.
    expect(heat.money).toBe(50);
  });

  it("is not proposed for a bay that may not be heated, nor where nothing waits for warmth", () => {
    const p = cold();
    delete p.bays[0].heat;
    expect(gains(p, makePlan(p, { iterations: 0 }), "a").some((g) => g.kind === "heat")).toBe(false);
    const warm = cold();
    for (const d of warm.weather!.days!) d.tempC = [15, 19];
    expect(gains(warm, makePlan(warm, { iterations: 0 }), "a").some((g) => g.kind === "heat")).toBe(false);
  });
});

describe("a build without one of its options", () => {
  it("is tried like any measure, and its price left to the client", () => {
    const p = small();
    const plan = makePlan(p, { iterations: 0 });
    const shorter = structuredClone(p.builds[0]);
    shorter.jobs = shorter.jobs.slice(0, 3).map((j) => ({ ...j, after: j.after?.filter((a) => a.job !== `${shorter.id}.3`) }));
    const list = gains(p, plan, shorter.id, undefined, 40, [
      { kind: "drop", text: "the client goes without: Roof fan: yes", price: "90 € of parts less", build: shorter },
    ]);
    const drop = list.find((g) => g.kind === "drop")!;
    expect(drop.days).toBeGreaterThan(0);
    expect(drop.money).toBeNull();
    expect(p.builds[0].jobs).toHaveLength(5);
  });

  it("goes together with bench work set apart, a build put first and a part that is no more, in either order", () => {
    const p = small("2027-03-20T10:00");
    const plan = makePlan(p, { iterations: 0 });
    const shorter = structuredClone(p.builds[0]);
    shorter.jobs = shorter.jobs.slice(0, 3);
    const [drop] = variantMeasures([{ kind: "drop", text: "without", price: "", build: shorter }]);
    const others = measures(p, plan, shorter.id, zoneOf(p.zone));
    expect(others.map((m) => m.kind)).toEqual(expect.arrayContaining(["bench", "first", "part"]));
    for (const m of others)
      for (const both of [
        [drop, m],
        [m, drop],
      ]) {
        const q = structuredClone(p);
        for (const x of both) x.take(q);
        const read = readProblem(q);
        const ids = read.builds.flatMap((b) => b.jobs.map((j) => j.id)).filter((id) => id.startsWith(`${shorter.id}.`));
        expect(ids.sort(), m.kind).toEqual(shorter.jobs.map((j) => j.id).sort());
        if (m.kind === "first") expect(read.builds[0].weight).toBe(p.builds[0].weight * 8);
      }
  });
});

describe("gains at a chance", () => {
  it("count days where the date is as sure as asked, tell the chance before and after, and rank by them", () => {
    const p = small();
    for (const b of p.builds) for (const j of b.jobs) Object.assign(j, { minutes: { best: 60, likely: 120, worst: 300 } });
    const plan = makePlan(p, { iterations: 5 });
    const list = gains(p, plan, "k", undefined, 0, [], { share: 0.8 });
    expect(list.length).toBeGreaterThan(0);
    for (const g of list) {
      expect(g.sure).not.toBeNull();
      expect(g.sure!.before).toBe(list[0].sure!.before);
      expect(g.sure!.after).toBeGreaterThanOrEqual(0);
      expect(g.sure!.after).toBeLessThanOrEqual(1);
      expect(daysOf(g)).toBe(g.sure!.days);
      for (const o of g.others) expect(o.chance).toBeDefined();
    }
    expect(list).toEqual([...list].sort(byValue));
    expect(gains(p, plan, "k").every((g) => g.sure === null && daysOf(g) === g.days)).toBe(true);
  });
});
