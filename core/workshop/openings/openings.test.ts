import { describe, expect, it } from "vitest";
import type { Plan } from "../../plan/model";
import { at, done, job, NOW, testShop } from "../testing/shop";
import { openings } from "./openings";

const BEFORE = ["ST-01", "ST-02", "ST-03", "ST-04", "ST-06", "ST-07", "OP-01", "OP-02", "OP-03"];

describe("the openings of a build", () => {
  const ready = () => {
    const shop = testShop();
    done(shop, BEFORE, NOW - 5000);
    for (const code of ["OP-01", "OP-02"])
      job(shop, code).shots[0].photos.push({
        id: "p",
        shotId: "s",
        sha256: "",
        takenBy: "",
        takenAt: NOW,
        verdict: "approved",
        reason: null,
        reviewedBy: null,
      });
    shop.builds[0].at = "b2";
    return shop;
  };
  const of = (shop: ReturnType<typeof ready>, code: string) =>
    openings(shop, shop.builds[0], undefined, NOW).find((o) => o.jobId === `a.${code}`)!;

  it("are all that cuts, with what fills each", () => {
    const list = openings(testShop(), testShop().builds[0], undefined, NOW);
    expect(list.map((o) => o.jobId)).toEqual(["a.OP-04", "a.OP-06a", "a.OP-09"]);
    expect(list[0].units.map((u) => u.name)).toEqual(["Roof fan 400 × 400 with template"]);
    expect(list[2].pieces).toBeGreaterThan(2);
  });
  it("go when nothing is in the way, with the latest safe start", () => {
    // Ten o'clock, dry until 15:00, 45 min kept; a window takes 120 likely minutes, 168 with caution.
    const o = of(ready(), "OP-06a");
    expect(o.today).toMatchObject({ go: true, reasons: [] });
    expect(o.today!.says).toMatch(/^go: start by 11:27, rain at 15:00$/);
    expect(o.state).toBe("wanted");
  });
  it("do not go while one of its crew is away", () => {
    const shop = ready();
    const id = job(shop, "OP-06a").id;
    const p = { id, start: "2027-03-03T10:00", end: "2027-03-03T13:00", place: "b2", fitters: ["ines", "teo"] };
    const plan = { jobs: [p], stays: [], builds: [], unplaced: [], pinsBroken: [] } as unknown as Plan;
    const today = () => openings(shop, shop.builds[0], plan, NOW).find((o) => o.jobId === id)!.today!;
    expect(today().go).toBe(true);
    shop.fitters[1].absences = [{ id: "x", from: NOW - 60, to: NOW + 600, reason: "ill" }];
    expect(today()).toMatchObject({ go: false, reasons: ["Teo is away: one hand short"] });
  });
  it("do not go without the unit, with a question open, or on too short a day, and say another", () => {
    const shop = ready();
    const window = job(shop, "OP-06a");
    window.parts[0] = { ...window.parts[0], state: "promised", promisedAt: at("2027-03-08T10:00") };
    window.questions[0].answeredAt = null;
    const o = of(shop, "OP-06a");
    expect(o).toMatchObject({ openQuestions: 1, today: { go: false, says: "no-go" } });
    expect(o.units[0].here).toBe(false);
    expect(o.today!.reasons.join("; ")).toMatch(/waits for Bonded side window, promised Mon 8 Mar; 1 question before the cut is open/);
    const fan = ready();
    fan.weather[0] = { ...fan.weather[0], dry: [["00:00", "12:00"]] };
    expect(of(fan, "OP-04").today).toMatchObject({
      go: false,
      otherDay: "Fri 5 Mar",
      reasons: [expect.stringMatching(/too short a day: rain at 12:00/)],
    });
  });
  it("go from wanted through set out, cut and closed to tested", () => {
    const shop = ready();
    const window = job(shop, "OP-06a");
    shop.builds[0].sheets.push({ id: "s", jobId: window.id, calculator: "opening", lockedAt: NOW, basis: {} } as never);
    expect(of(shop, "OP-06a").state).toBe("set out");
    window.state = "started";
    expect(of(shop, "OP-06a")).toMatchObject({ state: "cut", today: null });
    done(shop, ["OP-06a"], NOW - 60);
    expect(of(shop, "OP-06a").state).toBe("closed");
    done(shop, ["OP-13"], NOW - 30);
    expect(of(shop, "OP-06a").state).toBe("tested");
  });
});
