import { describe, expect, it } from "vitest";
import { buildNetwork } from "@/core/library/network";
import { DEFAULT_OPTIONS } from "@/core/library/options";
import { FULL, shipped } from "@/core/library/testing";
import { CALCULATORS, type CalculatorName, calculator } from "@/core/setout/calculators";
import { contradictions, type Facts, factsOf } from "@/core/setout/engine/facts";
import { AGREE_MM, disagreements } from "@/core/setout/engine/second";
import { roofBays } from "@/core/setout/openings/field";
import { vans } from "@/core/van/model";
import { sheetMass, sheetNotices, sheetPrefill } from "@/core/workshop/sheets/sheets";
import { testShop } from "@/core/workshop/testing/shop";
import { blankDraft, toDraft, toInput } from "../../core/setout/engine/form";

const g = vans[1].geometry;
const prefill = (name: CalculatorName, facts: Facts) => calculator(name).prefill?.(facts);

describe("figures to start from", () => {
  it("keep a roof unit's frame clear of the ribs: worked case 5 comes out of what the sheet is filled with", () => {
    const sheet = calculator("roof-plan");
    const p = prefill("roof-plan", factsOf(shipped("OP-01"), g, { ...DEFAULT_OPTIONS, fan: true, skylight: false, solar: 0 }))!;
    const ribs = [402, 861, 1338, 1802].map((at, i) => ({ at: String(at), width: i === 0 || i === 3 ? "40" : "46" }));
    const item = { ...(p.draft.items as object[])[0], "cut.length": "343", "cut.width": "343", "wish.at": "" };
    for (const margins of [p.draft, toDraft(sheet.inputs, sheet.example)]) {
      const own = Object.fromEntries(Object.entries(margins).filter(([k]) => k.startsWith("margins.")));
      const draft = { ...blankDraft(sheet.fields), ...p.draft, ...own, "roof.length": "1822", ribs, items: [item], bars: [], uses: [] };
      const { input, faults } = toInput(sheet.inputs, draft as never);
      expect(faults).toEqual([]);
      // biome-ignore lint/suspicious/noExplicitAny: results are read field by field
      const results = sheet.run(input).results as any;
      expect(results.baysThatFit.fan).toEqual([2, 3]);
      expect(results.afterShaving.fan).toEqual([{ bay: 1, off: 2.5 }]);
    }
  });
  it("make every sheet of every job of a full build in every van one that its calculator takes", () => {
    let filled = 0;
    for (const van of vans)
      for (const o of [DEFAULT_OPTIONS, FULL])
        for (const job of buildNetwork(o, van.geometry))
          for (const name of job.setOut ?? []) {
            const sheet = CALCULATORS.find((c) => c.name === name);
            const p = sheet?.prefill?.(factsOf(job, van.geometry, o));
            if (!p || !sheet) continue;
            const { input, faults } = toInput(sheet.inputs, { ...blankDraft(sheet.fields), ...p.draft });
            if (p.partial) {
              // Only what nobody can know is open.
              expect(new Set(faults.map((f) => f.message)), `${van.name} ${job.code} ${name}`).toEqual(new Set(["is missing"]));
              continue;
            }
            expect(faults, `${van.name} ${job.code} ${name}`).toEqual([]);
            const out = sheet.run(input);
            expect(
              out.findings.filter((f) => f.level === "stop" && name === "opening").map((f) => f.text),
              `${van.name} ${job.code}`,
            ).toEqual([]);
            filled++;
          }
    expect(filled).toBeGreaterThan(80);
  });
  it("know which window is meant, and which bay of the roof", () => {
    const field = (code: string) => prefill("opening", factsOf(shipped(code), g, FULL))!.draft;
    expect(field("OP-06a")["field.left"]).toBe("240");
    expect(field("OP-06b")["field.left"]).toBe("330");
    expect(field("OP-06b").skin).toBe("double");
    expect(field("OP-06c")["field.left"]).toBe("1440");
    // The first bay that takes a cut of 400: from the rib at 180 to the one at 740, each 60 wide
    expect([field("OP-04")["field.left"], field("OP-04")["field.right"]]).toEqual(["210", "710"]);
    expect(roofBays(g)[1]).toEqual({ from: 210, to: 710 });
    expect(prefill("opening", factsOf(shipped("OP-09"), g, FULL))).toBeUndefined();
    expect(prefill("cure", factsOf(shipped("OP-06a"), g, FULL))).toBeUndefined();
  });
  it("take the edges, the perimeter and the size of an opening from its own cut", () => {
    const unit = { w: 380, h: 420, r: 30 };
    const w = { ...factsOf(shipped("OP-04"), g, FULL), unit };
    const edges = prefill("edge-side", w)!.draft.edges as { name: string; length: string; toInner: string }[];
    expect(edges.map((e) => [e.name, e.length])).toEqual([
      ["top", "380"],
      ["bottom", "380"],
      ["front", "420"],
      ["rear", "420"],
    ]);
    // The bay is 500 between its ribs: (500 − 380) ÷ 2 to the inner metal fore and aft.
    expect(edges[2].toInner).toBe("60");
    expect(prefill("bead-clock", w)!.draft.perimeter).toBe("1600");
    expect(prefill("set-unit", w)!.draft).toMatchObject({ "opening.w": "380", "opening.h": "420" });
    expect(contradictions(prefill("set-unit", w)!.basis, prefill("set-unit", { ...w, unit: { ...unit, w: 400 } })!.basis)).toEqual([
      "cut width is 400 now, was 380",
    ]);
    expect(prefill("edge-side", factsOf(shipped("OP-09"), g, FULL))).toBeUndefined();
  });
  it("fit the fields of the sheets that start from plan and forecast", () => {
    const shop = testShop();
    const build = shop.builds[0];
    const jobs = [
      { id: "a.OP-06a", start: "2027-03-04T11:10", end: "2027-03-04T15:00", place: "b2", fitters: ["ines", "teo"] },
      { id: "a.OP-04", start: "2027-03-05T09:00", end: "2027-03-05T12:00", place: "b1", fitters: ["ines"] },
    ];
    build.sheets.push({ calculator: "opening", jobId: "a.OP-06a", input: { cut: { w: 870, h: 435, r: 55 }, minLand: 20 } } as never);
    shop.tools[0].floorMm = 6200;
    const starts = CALCULATORS.filter((c) => c.fromPlan);
    expect(starts.length).toBeGreaterThan(8);
    for (const c of starts) {
      const p = sheetPrefill(shop, build, c.name, "a.OP-06a", { jobs, builds: [] } as never)!;
      expect(c.fields.map((f) => f.path)).toEqual(expect.arrayContaining(Object.keys(p.draft)));
      const { input, faults } = toInput(c.inputs, { ...blankDraft(c.fields), ...p.draft });
      for (const f of faults) expect(f.message, `${c.name} ${f.path}`).toBe("is missing");
      if (!faults.length) c.run(input);
    }
  });
  it("leave out what only a tape or the client knows", () => {
    const across = { ...FULL, bed: "across" } as typeof FULL;
    expect(prefill("bed-across", factsOf(shipped("OP-01"), g, { ...across, pods: false }))!.draft).toMatchObject({
      insideWidth: String(g.inside.widthWaistMm),
      "recesses.left": "0",
    });
    expect(prefill("bed-across", factsOf(shipped("OP-01"), g, { ...across, pods: true }))!.draft["recesses.left"]).toBeUndefined();
    expect(prefill("bed-across", factsOf(shipped("OP-01"), g, { ...FULL, bed: "lift" }))).toBeUndefined();
    expect(prefill("solar-feet", factsOf(shipped("OP-11"), g, { ...FULL, solar: 0 }))).toBeUndefined();
    expect(prefill("solar-feet", factsOf(shipped("OP-11"), g, FULL))!.draft.centre).toBe(String(g.inside.widthRoofMm / 2));
  });
  it("put what was chosen on the roof plan", () => {
    const names = (o: typeof FULL) =>
      (prefill("roof-plan", factsOf(shipped("OP-01"), g, o))!.draft.items as { name: string }[]).map((i) => i.name);
    expect(names(FULL)).toEqual(["fan", "skylight", "panel 1", "panel 2", "panel 3"]);
    expect(names({ ...FULL, fan: false, solar: 0 })).toEqual(["skylight"]);
  });
});

describe("a session and the room above the roof", () => {
  const shop = testShop();
  const build = shop.builds[0];
  it("start from the openings that are still to be cut, and from the van's height", () => {
    const p = sheetPrefill(shop, build, "session", null);
    const left = build.jobs.filter((j) => j.stage === "openings" && j.irreversible === "cut" && j.state === "todo").map((j) => j.name);
    expect(((p?.draft.openings ?? []) as { name: string }[]).map((o) => o.name)).toEqual(left);
    const done = { ...build, jobs: build.jobs.map((j) => ({ ...j, state: "done" as const })) };
    expect(sheetPrefill(shop, done, "session", null)).toBeUndefined();
    const van = shop.vans.find((v) => v.id === build.vanId)!;
    expect(sheetPrefill(shop, build, "height", null)!.draft.van).toBe(String(van.heightMm));
  });
});

describe("a sheet that the world contradicts", () => {
  const shop = testShop();
  const build = shop.builds[0];
  const jobId = "a.OP-06a";
  const sheet = { calculator: "opening" as const, jobId, basis: sheetPrefill(shop, build, "opening", jobId)!.basis };
  it("says nothing while nothing has changed", () => expect(sheetNotices(shop, build, sheet)).toEqual([]));
  it("says what is otherwise: another reading, another choice", () => {
    const roof = { calculator: "roof-plan" as const, jobId: "a.OP-01", basis: sheetPrefill(shop, build, "roof-plan", "a.OP-01")!.basis };
    const other = {
      ...build,
      options: { ...build.options, skylight: true },
      readings: [{ name: "crown", mm: 44, againMm: 44, readBy: "u", readAt: 0 }],
    };
    expect(sheetNotices(shop, other, roof)).toEqual(["crown is 44 now, was 38", "skylight is yes now, was no"]);
    expect(contradictions({ a: 1 }, undefined)).toHaveLength(1);
    expect(contradictions({ a: 1 }, { b: 2 })).toEqual(["a is gone (was 1)", "b is new: 2"]);
  });
  it("starts from the hole of the unit that has come, and says so when another one comes", () => {
    const withUnit = (code: string, cutOut: { w: number; h: number; r: number }) => ({
      ...build,
      jobs: build.jobs.map((j) => (j.code === code ? { ...j, parts: j.parts.map((p, i) => (i === 0 ? { ...p, cutOut } : p)) } : j)),
    });
    const now = withUnit("OP-06a", { w: 870, h: 435, r: 55 });
    expect(now.jobs.find((j) => j.id === jobId)!.parts[0].cutOut).not.toBeNull();
    expect(sheetPrefill(shop, now, "opening", jobId)!.draft).toMatchObject({ "cut.w": "870", "cut.h": "435", "cut.r": "55" });
    expect(sheetNotices(shop, now, sheet)).toEqual(["unit's cut-out is new: 870 × 435, corners 55"]);
    // The roof plan and the frame ask for the same unit: 380 along, 360 across, 20 of flange a side.
    const fan = withUnit("OP-04", { w: 380, h: 360, r: 30 });
    const roof = sheetPrefill(shop, fan, "roof-plan", "a.OP-01")!;
    expect((roof.draft.items as object[])[0]).toMatchObject({
      "overall.length": "420",
      "overall.width": "400",
      "cut.length": "380",
      "cut.width": "360",
    });
    expect(roof.basis["roof fan"]).toBe("380 × 360, corners 30");
    expect(sheetPrefill(shop, fan, "support-frame", "a.OP-04")!.draft).toMatchObject({ "cut.w": "360", "cut.h": "380" });
  });
  it("adds up what the sheets weigh", () => {
    const s = { id: "x", massKg: 12.34 } as never;
    expect(sheetMass({ sheets: [s, { id: "y", massKg: null } as never, s] })).toEqual({ kg: 24.7, sheets: 2 });
  });
});

describe("the second measuring", () => {
  const input = {
    field: { left: 240, right: 1320, bottom: 980, top: 1500 },
    cut: { w: 1020, h: 460, r: 60 },
    minLand: 25,
    place: { along: "centre", up: "centre" },
    skin: "single",
  };
  const wanted = calculator("opening").second(input, calculator("opening").run(input));
  it("is read from the other edges and both diagonals", () => {
    // field 1080, cut 1020 centred: 30 left; height 520, cut 460: 30 left; √(1020² + 460²) = 1118.9
    expect(wanted.map((w) => w.expected)).toEqual([30, 30, 1118.9, 1118.9]);
  });
  it("agrees within the tolerance and names what differs or was not read", () => {
    expect(disagreements(wanted, { right: 30 + AGREE_MM, top: 28, diagonal: 1119, other: 1118 })).toEqual([]);
    expect(disagreements(wanted, { right: 33, diagonal: 1119, other: 1119 })).toEqual([
      { label: wanted[0].label, first: 30, second: 33 },
      { label: wanted[1].label, first: 30, second: null },
    ]);
  });
  it("is asked for on every sheet that marks metal out, and not on the others", () => {
    for (const c of CALCULATORS) {
      expect(c.second(c.example, c.run(c.example)).length > 0, c.name).toBe(["opening", "roof-plan", "under-floor"].includes(c.name));
    }
  });
});
