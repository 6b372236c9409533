import { describe, expect, it } from "vitest";
import { type ZoneJob, zonesAt } from "./van-zones";

const job = (over: Partial<ZoneJob>): ZoneJob => ({
  name: "Walls up",
  stage: "panels",
  zones: ["left", "right"],
  from: 100,
  to: 200,
  holdMinutes: 0,
  keepOff: null,
  still: false,
  closes: false,
  openProof: 0,
  coveredFrom: null,
  ...over,
});
const state = (jobs: ZoneJob[], at: number, zone: string) => zonesAt(jobs, at).zones.find((z) => z.zone === zone)!;

describe("zones on a day", () => {
  it("go from bare through work to closed", () => {
    const jobs = [job({ closes: true })];
    expect([50, 150, 250].map((t) => state(jobs, t, "left").state)).toEqual(["bare", "work", "closed"]);
    expect(state(jobs, 250, "floor").state).toBe("bare");
    expect(state(jobs, 150, "left")).toMatchObject({ stage: "panels", says: "Walls up in work" });
  });
  it("are held where the hold keeps off, or where it was worked", () => {
    const floor = job({ name: "Floor fixed", zones: ["floor"], holdMinutes: 60, keepOff: ["floor", "rear"] });
    expect(state([floor], 230, "floor").state).toBe("hold");
    expect(state([floor], 230, "rear").state).toBe("hold");
    expect(state([floor], 230, "left").state).toBe("bare");
    expect(state([floor], 260, "floor").state).toBe("bare");
    const bond = job({ name: "Window", zones: ["left"], holdMinutes: 100, still: true });
    expect(state([bond], 250, "left").state).toBe("hold");
    expect(zonesAt([bond], 250).still).toBe("Window");
    expect(zonesAt([bond], 301).still).toBeNull();
    expect(state([job({ zones: ["left"], holdMinutes: 50, keepOff: "all" })], 210, "ceiling").state).toBe("hold");
  });
  it("wait for proof until it is approved or covered", () => {
    const first = job({ name: "First fix", openProof: 2, coveredFrom: 400 });
    expect(state([first], 300, "left")).toMatchObject({ state: "proof", says: "waits for 2 photos: First fix" });
    expect(state([{ ...first, openProof: 1 }], 300, "left")).toMatchObject({ says: "waits for 1 photo: First fix" });
    expect(state([first], 400, "left").state).toBe("bare");
    expect(state([{ ...first, openProof: 0 }], 300, "left").state).toBe("bare");
  });
  it("close outside when all work there is over", () => {
    const fan = job({ name: "Fan", zones: ["roof"] });
    const solar = job({ name: "Solar", zones: ["roof"], from: 300, to: 400 });
    expect([250, 350, 450].map((t) => state([fan, solar], t, "roof").state)).toEqual(["bare", "work", "closed"]);
    expect(state([fan, { ...solar, from: null, to: null }], 450, "roof").state).toBe("bare");
  });
});
