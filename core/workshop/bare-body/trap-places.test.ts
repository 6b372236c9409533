import { describe, expect, it } from "vitest";
import { vans } from "../../van/model";
import { openingStretch } from "../openings/layout";
import { paperWords } from "../records/papers";
import { entry } from "../testing/entry";
import { done, job, NOW, testShop } from "../testing/shop";
import { placesOpen, placeWords, trapPlaces } from "./trap-places";

const van = vans.find((v) => v.id === "drover-l3h2")!;
const [first, second, third] = van.geometry.sideRibs;

function withWindow(...records: ReturnType<typeof entry>[]) {
  const shop = testShop();
  const b = shop.builds[0];
  b.records = records;
  const window = b.jobs.find((j) => j.code.startsWith("OP-06"))!;
  // From just behind the first rib to just behind the second: with its flange it reaches both.
  const left = first.atMm + first.widthMm / 2 + 10;
  const input = {
    field: { left: left - 50, right: second.atMm + 400, bottom: 900, top: 1500 },
    cut: { w: second.atMm - left, h: 400, r: 50 },
    minLand: 25,
    place: { along: { fromLeft: 50 }, up: "centre" },
    skin: "single",
  };
  const row = { id: "s", buildId: "a", jobId: window.id, calculator: "opening", draft: {}, input, basis: {}, worst: "ok", massKg: null };
  b.sheets = [{ ...row, savedBy: "u", savedAt: NOW, second: null, secondBy: null, lockedAt: null, version: 1 } as never];
  return { shop, b, window };
}

describe("places that later work covers", () => {
  it("come from the openings that are set out, with the ribs that they and their flange reach", () => {
    const { b, window } = withWindow();
    const places = trapPlaces(b, van);
    expect(places).toHaveLength(1);
    expect(places[0]).toMatchObject({ zone: "left", rib: "1, 2", under: "flange", label: `left wall, ribs 1, 2, under ${window.name}` });
    expect(third.atMm).toBeGreaterThan(second.atMm + 100);
    b.sheets = [];
    expect(trapPlaces(b, van)).toEqual([]);
    expect(trapPlaces(b, undefined)).toEqual([]);
  });
  it("and, once the frame of a roof unit is set out, where that frame lies; of battens nobody has set out nothing is claimed", () => {
    const { shop, b } = withWindow();
    const fan = job(shop, "OP-04");
    const g = van.geometry;
    const roof = {
      roof: { length: g.inside.lengthMm, width: g.inside.widthRoofMm, crown: 30 },
      ribs: g.roofRibs.map((r) => ({ at: r.atMm, width: r.widthMm })),
      items: [{ name: "fan", overall: { length: 440, width: 440 }, cut: { length: 360, width: 360 } }],
      margins: { rib: 5, item: 40, edge: 0 },
    };
    b.sheets.push({ ...b.sheets[0], id: "r", calculator: "roof-plan", jobId: fan.id, input: roof });
    const battens = () => trapPlaces(b, van).filter((p) => p.under === "batten");
    expect(battens()).toEqual([]);
    b.sheets.push({ ...b.sheets[0], id: "f", calculator: "support-frame", jobId: "a.OP-03", input: {} });
    const { from, to } = openingStretch(b, fan)!;
    const reached = g.roofRibs.flatMap((r, i) => (r.atMm + r.widthMm / 2 > from - 39 && r.atMm - r.widthMm / 2 < to + 39 ? [i + 1] : []));
    expect(battens().map((p) => [p.zone, p.job.id, p.rib])).toEqual([["ceiling", fan.id, reached.join(", ")]]);
    expect(reached.length).toBeLessThan(g.roofRibs.length);
  });
  it("are open until somebody looked, or wrote a thing down there", () => {
    const { b } = withWindow();
    const [p] = placesOpen(b, van);
    b.records = [entry("looked", p.label, { found: "nothing" })];
    expect(placesOpen(b, van)).toEqual([]);
    b.records = [entry("trap", "Clips", { what: "clip", zone: "left", rib: "1, 2", under: "flange", step: "take off" })];
    expect(placesOpen(b, van)).toEqual([]);
    b.records = [entry("trap", "Clips", { what: "clip", zone: "right", rib: "1, 2", under: "flange", step: "take off" })];
    expect(placesOpen(b, van)).toHaveLength(1);
  });
  it("are told to who strips, and once more to who covers them", () => {
    const { shop, b, window } = withWindow();
    expect(placeWords(b, van, job(shop, "ST-04"))).toEqual([
      `Look for clips, trims, screws and harness: left wall, ribs 1, 2, under ${window.name}`,
    ]);
    expect(paperWords(shop, b, window)).toContain(`Last chance to look: left wall, ribs 1, 2, under ${window.name}`);
    expect(placeWords(b, van, job(shop, "IN-07"))).toEqual([]);
    done(shop, ["ST-04"], NOW);
    expect(placeWords(b, van, job(shop, "ST-04"))).toEqual([]);
  });
});
