import { describe, expect, it } from "vitest";
import { shipped } from "../../library/testing";
import type { ShellStep, ShellZone, ShellZoneName } from "../records/kinds/bare-zone";
import { SHELL_STEPS, SHELL_ZONES } from "../records/kinds/bare-zone";
import type { Mark } from "../records/kinds/mark";
import type { BuildRecord } from "../records/records";
import { done, job, NOW, testShop } from "../testing/shop";
import { stripClosing } from "./strip-close";
import { notTakenOver, rework, STEP_WORDS, sentBack, shellBefore, shellStates, ticked, zonesOf } from "./zones";

let n = 0;
const base = () => ({ id: `r${++n}`, jobId: null, saidBy: "u", saidAt: n, closedAt: null, version: 1, photos: [] });
const zone = (data: ShellZone): BuildRecord => ({ ...base(), kind: "zone", title: data.zone, data });
const mark = (data: Partial<Mark>): BuildRecord => ({
  ...base(),
  kind: "mark",
  title: "mark",
  data: { what: "hole", view: "left", x: 1, y: 1, dMm: 8, count: 3, fate: "close", ...data },
});
/** Cleaned up to and with a step, one every ten minutes. */
const upTo = (name: ShellZoneName, last: ShellStep, by = "Teo", at = NOW - 600): ShellZone =>
  SHELL_STEPS.slice(0, SHELL_STEPS.indexOf(last) + 1).reduce<ShellZone>((z, s, k) => ticked({}, z, s, by, at + 10 * k), {
    zone: name,
    steps: {},
  });
const of = (records: BuildRecord[], name: ShellZoneName, now = NOW) => shellStates({ records }, now).find((z) => z.zone === name)!;

describe("a zone of the shell", () => {
  it("is there for every zone, with the step that comes next", () => {
    expect(shellStates({ records: [] }, NOW).map((z) => [z.zone, z.next])).toEqual(SHELL_ZONES.map((z) => [z, "vacuum"]));
    expect(of([zone(upTo("left", "wash"))], "left")).toMatchObject({ next: "dry", accepted: null });
    for (const s of SHELL_STEPS) expect(STEP_WORDS[s].why.length).toBeGreaterThan(10);
  });

  it("opens what lies behind a step that is taken back or done again", () => {
    const whole = { ...upTo("left", "rust"), accepted: { by: "Mara", at: NOW } };
    const again = ticked({}, whole, "scuff", "Teo", NOW);
    expect(Object.keys(again.steps)).toEqual(["vacuum"]);
    expect(again.accepted).toBeUndefined();
    // Out of order: what is behind it was done on its dirt.
    const { scuff: _gap, ...unscuffed } = upTo("left", "dry").steps;
    expect(Object.keys(ticked({}, { zone: "left", steps: unscuffed }, "scuff", "Teo", NOW).steps)).toEqual(["vacuum", "scuff"]);
  });

  it("counts a degreasing for an hour and no longer; doing it again takes nothing back", () => {
    const z = { ...upTo("left", "degrease"), accepted: { by: "Mara", at: NOW - 100 } };
    const at = z.steps.degrease!.at;
    const stale = (now: number) => of([zone(z)], "left", now).steps.at(-1)!.stale;
    expect([stale(at), stale(at + 60), stale(at + 61)]).toEqual([false, false, true]);
    const again = ticked({}, z, "degrease", "Ines", at + 200);
    expect(again.steps.degrease).toEqual({ by: "Ines", at: at + 200 });
    expect(again.steps.rust).toEqual(z.steps.rust);
    expect(again.accepted).toEqual(z.accepted);
  });

  it("is not taken over by who cleaned it, nor with holes, rust or steps open", () => {
    const z = upTo("left", "rust");
    const ask = (records: BuildRecord[], by: string, data = z) => notTakenOver(of(records, "left"), data, by);
    expect(ask([zone(z)], "Teo")).toMatch(/whoever cleaned it/);
    expect(ask([zone(z)], "Ines")).toBeUndefined();
    expect(ask([zone(z), mark({})], "Ines")).toBe("3 holes not closed");
    expect(ask([zone(z), mark({ fate: "keep" })], "Ines")).toBeUndefined();
    expect(ask([zone(z), mark({ view: "right" })], "Ines")).toBeUndefined();
    expect(ask([zone(z), mark({ what: "rust", areaDm2: 1, grade: 2 })], "Ines")).toBe("rust in 1 place not treated");
    expect(ask([zone(z), mark({ what: "rust", areaDm2: 1, grade: 3 })], "Ines")).toMatch(/body shop/);
    const short = upTo("left", "wash");
    expect(ask([zone(short)], "Ines", short)).toBe("dry not done, rust, bare metal not done");
  });

  it("goes back with what was found, from the wash on, and the minutes go to who cleaned it", () => {
    const back = sentBack(upTo("left", "rust"), "Ines", NOW, "white cloth grey on the ledge", 25);
    expect(Object.keys(back.steps)).toEqual(["vacuum", "scuff"]);
    expect(back.back).toEqual([{ by: "Ines", at: NOW, why: "white cloth grey on the ledge", minutes: 25, from: "Teo" }]);
    const twice = sentBack(upTo("right", "dry"), "Ines", NOW, "smells", 10);
    expect([...rework([zone(back), zone(twice)])]).toEqual([["Teo", 35]]);
  });
});

describe("the zones of a job", () => {
  it("are all of them where it cleans, those it shuts in where it insulates, none elsewhere", () => {
    const b = { records: [zone(upTo("left", "wash")), zone(upTo("floor", "dry"))] };
    const of = (code: string, stage: string, zones: string[]) => zonesOf(b, { ...shipped(code), stage, zones }, NOW).map((z) => z.zone);
    expect(of("ST-06", "strip", ["left"])).toEqual([...SHELL_ZONES]);
    expect(of("IN-01", "insulation", ["left", "right", "ceiling"])).toEqual(["left"]);
    expect(of("IN-05", "insulation", ["floor"])).toEqual(["floor"]);
    expect(of("PA-01", "panels", ["left"])).toEqual([]);
  });
});

describe("what waits for a clean zone", () => {
  const clean = (name: Parameters<typeof upTo>[0]) => zone({ ...upTo(name, "rust"), accepted: { by: "Ines", at: NOW } });
  // A wall's insulation covers the arches as well: these are clean here.
  const arches = zone({ ...upTo("arches", "degrease", "Teo", NOW + 90), accepted: { by: "Ines", at: NOW } });
  const ask = (records: BuildRecord[], more: Partial<Parameters<typeof shellBefore>[1]> = {}, now = NOW) =>
    shellBefore({ records: [arches, ...records] }, { stage: "insulation", zones: ["left"], irreversible: null, ...more }, now);

  it("is the insulation of that zone, until it is taken over, also where nobody has written anything down yet", () => {
    const unknown = "left wall is not taken over as clean: nobody has written down that it was cleaned";
    expect(ask([])).toEqual([unknown]);
    expect(ask([], { stage: "panels" })).toEqual([]);
    expect(ask([zone(upTo("left", "wash"))])).toEqual(["left wall is not taken over as clean: dry not done, rust, bare metal not done"]);
    expect(ask([zone(upTo("right", "wash"))])).toEqual([unknown]);
    expect(ask([zone(upTo("left", "wash"))], { stage: "openings" })).toEqual([]);
    expect(ask([zone({ ...upTo("left", "rust"), accepted: { by: "Ines", at: NOW } })])).toEqual([]);
  });

  it("holds whoever would cover a hole or rust from the moment it is marked, cleaning begun or not", () => {
    const rust = mark({ what: "rust", grade: 1, areaDm2: 1, fate: undefined });
    expect(ask([mark({})], { stage: "panels" })).toEqual(["left wall: 3 holes not closed"]);
    expect(ask([clean("left"), mark({})])).toEqual(["left wall: 3 holes not closed"]);
    expect(ask([rust], { stage: "panels" })).toEqual(["left wall: rust in 1 place not treated"]);
    expect(ask([zone({ ...upTo("left", "rust"), accepted: { by: "Ines", at: NOW } }), rust])).toEqual([
      "left wall: rust in 1 place not treated",
    ]);
    // Elsewhere, kept on purpose, treated, or for work that shuts nothing in: no stop.
    expect(ask([clean("left"), mark({ view: "right" })])).toEqual([]);
    expect(ask([clean("left"), mark({ fate: "keep" })])).toEqual([]);
    expect(ask([clean("left"), { ...rust, closedAt: NOW }])).toEqual([]);
    expect(ask([rust], { stage: "openings" })).toEqual([]);
  });
  it("asks for a fresh degreasing where it bonds", () => {
    const accepted = { by: "Ines", at: NOW };
    const bond = { irreversible: "bond" as const };
    expect(ask([zone({ ...upTo("left", "rust"), accepted })], bond)).toEqual(["left wall is not degreased"]);
    const z = { ...upTo("left", "degrease", "Teo", NOW - 60), accepted };
    expect(ask([zone(z)], bond)).toEqual([]);
    expect(ask([zone(z)], bond, NOW + 90)).toEqual(["left wall was degreased more than 60 minutes ago"]);
  });
});

describe("before the strip closes", () => {
  it("names every open line with the job it will hurt, the soonest first", () => {
    const shop = testShop();
    const b = shop.builds[0];
    done(shop, ["ST-02"], NOW - 100);
    b.records = [
      mark({ view: "left" }),
      mark({ view: "roof", what: "rust", areaDm2: 2, grade: 3 }),
      zone(upTo("floor", "wash")),
      {
        ...base(),
        kind: "item",
        title: "Load floor",
        data: { from: "floor", kg: 20, fate: "template", place: "rack", serves: ["IN-05"], edges: { rear: "worn" } },
      },
      { ...base(), kind: "item", title: "Rails", data: { from: "wall", kg: 5, fate: "undecided" } },
    ];
    const starts: [string, string][] = [
      ["IN-05", "2027-03-09T08:00"],
      ["IN-01", "2027-03-08T08:00"],
    ];
    const plan = { jobs: starts.map(([c, start]) => ({ id: job(shop, c).id, start })) } as unknown as Parameters<typeof stripClosing>[2];
    const lines = stripClosing(shop, b, plan, NOW);
    const text = lines.map((l) => l.text);
    expect(text).toContain("Left wall: 3 holes open");
    expect(text).toContain("Roof, inside: rust in 1 place, through");
    expect(text).toContain("Floor: not taken over as clean");
    expect(text).toContain("Rails: what becomes of it is not decided");
    expect(text).not.toContain("The van is not weighed");
    expect(lines.find((l) => l.text.startsWith("Load floor"))).toMatchObject({ hurts: job(shop, "IN-05").name });
    const ats = lines.map((l) => l.at ?? Number.POSITIVE_INFINITY);
    expect(ats).toEqual([...ats].sort((x, y) => x - y));
    expect(ats[0]).toBeLessThan(Number.POSITIVE_INFINITY);
    job(shop, "ST-02").state = "todo";
    expect(stripClosing(shop, b, plan, NOW).map((l) => l.text)).toContain("The van is not weighed");
  });
});
