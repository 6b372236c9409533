import { describe, expect, it } from "vitest";
import type { Circuit } from "../records/kinds/circuit";
import { readRecord } from "../records/kinds/kinds";
import type { BuildRecord } from "../records/records";
import { obstacles } from "../starts/ready";
import { job, NOW, testShop } from "../testing/shop";
import { circuitsIn, isDead, liveBefore, sayCircuit } from "./circuits";

let n = 0;
const circuit = (more: Partial<Circuit> = {}): Circuit => ({ source: "fuse box", connector: "left pillar", side: "left", ...more });
const record = (data: Circuit, title = "Load lamps"): BuildRecord => ({
  id: `c${++n}`,
  kind: "circuit",
  jobId: null,
  title,
  data,
  saidBy: "u",
  saidAt: n,
  closedAt: null,
  version: 1,
  photos: [],
});

describe("an added circuit", () => {
  it("is dead only by measuring, at half a volt or less, and with its cut end insulated", () => {
    expect(isDead({}, circuit())).toBe(false);
    expect(isDead({}, circuit({ volts: 0.6 }))).toBe(false);
    expect(isDead({}, circuit({ volts: 0.5 }))).toBe(true);
    expect(isDead({}, circuit({ volts: 0, end: "unplugged" }))).toBe(true);
    expect(isDead({}, circuit({ volts: 0, end: "cut" }))).toBe(false);
    expect(isDead({}, circuit({ volts: 0, end: "cut", insulated: true }))).toBe(true);
  });
  it("says so in words", () => {
    expect(sayCircuit({}, circuit())).toBe("live: not measured");
    expect(sayCircuit({}, circuit({ volts: 12.4 }))).toBe("live: 12.4 V");
    expect(sayCircuit({}, circuit({ volts: 0.1, end: "cut" }))).toBe("live: its cut end is not insulated");
    expect(sayCircuit({}, circuit({ volts: 12.4, routed: true }))).toBe("live (12.4 V), led away");
    expect(sayCircuit({}, circuit({ volts: 0.2 }))).toBe("dead, 0.2 V measured");
  });
  it("names its source, its connector and a side of the van; only a cut end is insulated", () => {
    expect(readRecord("circuit", circuit({ volts: 3 })).faults).toEqual([]);
    for (const bad of [{ source: " " }, { side: "top" }, { volts: -1 }, { end: "torn" }])
      expect(() => readRecord("circuit", { ...circuit(), ...bad }), JSON.stringify(bad)).toThrow(new RegExp(Object.keys(bad)[0]));
    expect(readRecord("circuit", circuit({ end: "unplugged", insulated: true })).faults.map((f) => f.path)).toEqual(["insulated"]);
  });
});

describe("what sparks", () => {
  const cut = {
    irreversible: "cut",
    needs: { dry: false, daylight: false, minTempC: null, maxTempC: null, metal: false, maxWindMs: null, noisy: false, sameDay: false },
    zones: ["left"],
    place: "van" as const,
  };
  it("waits where a circuit is live and not led away, and only there", () => {
    const b = { records: [record(circuit({ volts: 12.4 }))] };
    expect(liveBefore(b, cut)).toEqual(["Load lamps is live: 12.4 V"]);
    expect(liveBefore(b, { ...cut, zones: ["right"] })).toEqual([]);
    expect(liveBefore(b, { ...cut, irreversible: null })).toEqual([]);
    expect(liveBefore(b, { ...cut, irreversible: null, needs: { ...cut.needs, noisy: true } })).toHaveLength(1);
    expect(liveBefore(b, { ...cut, place: "bench" })).toEqual([]);
    expect(liveBefore({ records: [record(circuit({ volts: 12.4, routed: true }))] }, cut)).toEqual([]);
    expect(liveBefore({ records: [record(circuit({ volts: 0.2 }))] }, cut)).toEqual([]);
    expect(liveBefore({ records: [record(circuit({ side: "roof" }))] }, { ...cut, zones: ["ceiling"] })).toHaveLength(1);
  });
  it("is told with the rest of what is in the way", () => {
    const shop = testShop();
    const window = job(shop, "OP-06a");
    shop.builds[0].records = [record(circuit({ volts: 13 })), record(circuit({ volts: 0 }), "Beacon")];
    expect(obstacles(shop, window, NOW).map((o) => o.text)).toContain("Load lamps is live: 13 V");
    expect(circuitsIn(shop.builds[0].records)).toHaveLength(2);
  });
});
