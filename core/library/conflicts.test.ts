import { describe, expect, it } from "vitest";
import { vans } from "../van/model";
import { CHOICES, sayChoice } from "./choices";
import { conflictsOf } from "./conflicts";
import { compareNetworks, hangingOn } from "./impact";
import { library } from "./library";
import { buildNetwork } from "./network";
import { DEFAULT_OPTIONS, OPTION_KEYS, type Options, valuesOf } from "./options";
import { BARE, FULL, PODS } from "./testing";

const [short, long, , low] = vans.map((v) => v.geometry);
const told = (o: Partial<Options>, g = long) => conflictsOf({ ...DEFAULT_OPTIONS, ...o }, g);

describe("contradictions", () => {
  it("is silent about the default, full, podded and bare builds' stops", () => {
    expect(told({})).toEqual([]);
    for (const o of [FULL, PODS, BARE]) expect(conflictsOf(o, long).filter((c) => c.level === "stop")).toEqual([]);
  });
  it.each([
    [{ insulation: "spray", framing: "insulate-first", fixing: "screws" }, /no bare metal/],
    [{ vapour: "foam", insulation: "fibre" }, /Fibre is no barrier/],
    [{ heater: "gas", gas: "none" }, /needs gas aboard/],
    [{ wetRoom: "tiled", water: "none" }, /without water/],
    [{ pods: true, bed: "across", windows: 4 }, /two side windows at most/],
  ] as [Partial<Options>, RegExp][])("stops %j", (o, text) => {
    const stops = told(o).filter((c) => c.level === "stop");
    expect(stops.map((c) => c.text).join()).toMatch(text);
    for (const c of stops) expect(c.keys.some((k) => k in o)).toBe(true);
  });
  it("works out from the van what does not fit", () => {
    // 1870 at the waist, two linings of 31, slack 20: 1788
    expect(told({ bed: "across" }).map((c) => c.text)).toEqual([expect.stringMatching(/1788 mm.*under 1900/)]);
    expect(told({ bed: "across", pods: true })).toEqual([]);
    // roof: fan 560, skylight 560, two rows of panels 2120 = 3240 against 2920 of a short van
    expect(told({ skylight: true, solar: 4 }, short).map((c) => c.text)).toEqual([expect.stringMatching(/3240 mm, the roof has 2920/)]);
    expect(told({ garageMm: 800 }, low)[0]).toMatchObject({ level: "stop", keys: ["garageMm", "bed"] });
    expect(told({ windows: 4 }, { ...long, windowFields: long.windowFields.slice(0, 3) })[0].text).toMatch(
      /3 window fields on the left and 0/,
    );
  });
});

describe("choices in words", () => {
  it("names every value of every choice with what it means", () => {
    for (const c of CHOICES) {
      expect(c.values.map((v) => v.value)).toEqual(valuesOf(c.key));
      for (const v of c.values) expect(v.label && v.means, `${c.key} ${v.value}`).toBeTruthy();
    }
    expect(CHOICES).toHaveLength(OPTION_KEYS.length);
    expect(sayChoice("bed", "across")).toBe("Bed: fixed across");
  });
});

describe("what a choice changes", () => {
  const net = (o: Partial<Options>) => buildNetwork({ ...DEFAULT_OPTIONS, ...o }, long);
  it("tells jobs that come and go, hours and cost", () => {
    const i = compareNetworks(net({}), net({ wetRoom: "tiled", fan: false }));
    expect(i.added.map((j) => j.code)).toEqual(expect.arrayContaining(["FR-08", "PA-08", "PA-09"]));
    expect(i.removed.map((j) => j.code)).toEqual(expect.arrayContaining(["OP-03", "OP-04", "PA-07"]));
    expect(i.minutes).toBeGreaterThan(0);
    const sum = [...i.added, ...i.changed.map((c) => c.after)].reduce((n, j) => n + j.minutes.likely, 0);
    const less = [...i.removed, ...i.changed.map((c) => c.before)].reduce((n, j) => n + j.minutes.likely, 0);
    expect(i.minutes).toBe(sum - less);
  });
  it("tells only order when only order changes", () => {
    const i = compareNetworks(net({}), net({ firstFix: "warm-side" }));
    expect([...i.added, ...i.removed]).toEqual([]);
    expect(i.moved.find((m) => m.code === "SV-01")?.waitsFor).toContain("IN-07");
    expect(i.moved.find((m) => m.code === "IN-07")?.noLonger).toContain("SV-01");
  });
  it("is nothing for the same choices, and the contrary the other way round", () => {
    expect(compareNetworks(net({}), net({}))).toMatchObject({ added: [], removed: [], changed: [], moved: [], minutes: 0, cost: 0 });
    const there = compareNetworks(net({}), net({ gas: "tank" }));
    const back = compareNetworks(net({ gas: "tank" }), net({}));
    expect(back.minutes).toBe(-there.minutes);
    expect(back.cost).toBe(-there.cost);
    expect(back.removed.map((j) => j.code)).toEqual(there.added.map((j) => j.code));
  });
  it("names what hangs on an open choice, in order", () => {
    expect(hangingOn("bed", DEFAULT_OPTIONS, long, library)).toEqual(["FR-06", "FU-08"]);
    expect(hangingOn("coats", DEFAULT_OPTIONS, long, library)).toContain("FU-04");
  });
});
