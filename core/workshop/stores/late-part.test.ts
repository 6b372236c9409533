import { describe, expect, it } from "vitest";
import type { Plan } from "../../plan/model";
import { withSubstitute } from "../planning/courses";
import { toProblem } from "../state/problem";
import { job, NOW, testShop } from "../testing/shop";
import { partWake } from "./late-part";

const plan = (jobs: { id: string; fitters: string[] }[]): Plan =>
  ({ jobs: jobs.map((j) => ({ ...j, start: "2027-03-10T08:00", end: "2027-03-10T10:00", place: "b1" })) }) as unknown as Plan;

describe("a part that slips", () => {
  const shop = testShop();
  const build = shop.builds[0];
  const fan = job(shop, "OP-04");
  const part = fan.parts[0];
  Object.assign(part, { state: "ordered", promisedAt: null, firstPromisedAt: null });

  it("locks its job and all behind it, and leaves the rest alone", () => {
    const wake = partWake(shop, build, fan, part, undefined, NOW);
    const locked = new Set(wake.locked.map((j) => j.id));
    expect(locked.has(fan.id)).toBe(true);
    for (const j of build.jobs) if (j.after.some((a) => locked.has(a.job)) && j.state === "todo") expect(locked.has(j.id)).toBe(true);
    expect(wake.locked.length + wake.others.length).toBe(build.jobs.filter((j) => j.state === "todo").length);
    expect(wake.others.length).toBeGreaterThan(0);
  });

  it("tells work that would trap it from what is harmless", () => {
    const free = partWake(shop, build, fan, part, undefined, NOW).others.map((o) => o.job);
    const [one, two, three, four] = free;
    const was = free.slice(0, 4).map((j) => structuredClone(j));
    const of = (id: string, p?: Plan) => partWake(shop, build, fan, part, p, NOW).others.find((o) => o.job.id === id)!.trap;
    Object.assign(one, { covers: [fan.id] });
    Object.assign(two, { covers: [], place: "van", zones: [fan.zones[0]], irreversible: "close-up" });
    Object.assign(three, {
      covers: [],
      place: "van",
      zones: ["nowhere"],
      irreversible: null,
      hold: { minutes: 600, still: false, keepOff: "all", minTempC: null },
    });
    Object.assign(four, {
      covers: [],
      place: "bench",
      zones: [],
      irreversible: null,
      hold: { minutes: 0, still: false, keepOff: null, minTempC: null },
    });
    expect(of(one.id)).toBe(`it closes up ${fan.name}`);
    expect(of(two.id)).toMatch(/^it shuts in the /);
    expect(of(three.id)).toBe("its hold keeps everybody off the van");
    expect(of(four.id)).toBeNull();
    // Only one of the house can do the late work: what takes that one then is in its way.
    for (const f of shop.fitters) for (const c of fan.crew) if (c.skill !== "any") f.skills[c.skill] = f.id === "ines" ? 3 : 0;
    expect(
      of(
        four.id,
        plan([
          { id: four.id, fitters: ["ines"] },
          { id: fan.id, fitters: ["ines"] },
        ]),
      ),
    ).toMatch(/^it takes Ines, who alone can do/);
    expect(
      of(
        four.id,
        plan([
          { id: four.id, fitters: ["teo"] },
          { id: fan.id, fitters: ["ines"] },
        ]),
      ),
    ).toBeNull();
    free.slice(0, 4).forEach((j, i) => Object.assign(j, was[i]));
  });

  it("never calls on time what nobody has promised", () => {
    const word = () => partWake(shop, build, fan, part, undefined, NOW).word;
    expect(word()).toMatch(/^no date promised, ordered; nothing of theirs on record: expected /);
    Object.assign(part, { promisedAt: NOW + 2880 });
    expect(word()).toMatch(/^promised Fri 5 Mar/);
    Object.assign(part, { promisedAt: null });
  });

  it("is planned with something else instead: here sooner, with its own hours", () => {
    const p = toProblem(shop, NOW);
    const next = withSubstitute(p, fan.id, "2027-03-05T11:00", 60)!;
    const find = (x: typeof p) => x.builds[0].jobs.find((j) => j.id === fan.id)!;
    expect(find(next).partsFrom).toBe("2027-03-05T11:00");
    const likely = (m: unknown) => (typeof m === "number" ? m : (m as { likely: number }).likely);
    expect(likely(find(next).minutes) - likely(find(p).minutes)).toBe(60);
    expect(likely(find(withSubstitute(p, fan.id, "2027-03-05T11:00", -100_000)!).minutes)).toBe(5);
    expect(withSubstitute(p, "no such", "2027-03-05T11:00", 0)).toBeUndefined();
    expect(find(p).partsFrom).not.toBe("2027-03-05T11:00");
  });
});
