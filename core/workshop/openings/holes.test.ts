import { describe, expect, it } from "vitest";
import { shipped } from "../../library/testing";
import type { Penetration } from "../records/kinds/hole";
import { readRecord } from "../records/kinds/kinds";
import { obstacles } from "../starts/ready";
import { done, job, NOW, testShop } from "../testing/shop";
import {
  askedFor,
  holesBefore,
  holesOf,
  holeWords,
  isSoak,
  lateHole,
  leakOf,
  leaks,
  nextNumber,
  notWatertight,
  openSince,
  openTooLong,
  type PenetrationRecord,
  penetrationFaults,
  penetrationsIn,
  rainedOn,
  rainFinds,
  sayPenetration,
  sendable,
  soakFrom,
  soakOpen,
  WAY,
} from "./holes";

let n = 0;
const hole = (more: Partial<Penetration> = {}): Penetration => ({ side: "roof", place: "bay 3", by: "us", state: "wanted", ...more });
const record = (title: string, data: Penetration, jobId: string | null = null): PenetrationRecord => ({
  id: `h${++n}`,
  kind: "penetration",
  jobId,
  title,
  data: { no: n, ...data },
  saidBy: "u",
  saidAt: n,
  closedAt: null,
  version: 1,
  photos: [],
});
const paths = (list: { path: string }[]) => list.map((f) => f.path);

describe("a hole through the skin", () => {
  it("says its side, its place, who made it and how far it is", () => {
    expect(readRecord("penetration", hole({ size: "400 × 400", cover: "sheet" })).faults).toEqual([]);
    for (const bad of [{ side: "top" }, { place: " " }, { by: "them" }, { state: "half" }, { soakMinutes: 0 }, { history: [] }])
      expect(() => readRecord("penetration", { ...hole(), ...bad }), JSON.stringify(bad)).toThrow(new RegExp(Object.keys(bad)[0]));
  });

  it("keeps its number for good; the next gets the next", () => {
    const a = record("first", hole({ no: 1 }));
    const b = record("third", hole({ no: 3 }));
    expect(penetrationsIn([b, a]).map((r) => [r.no, r.title])).toEqual([
      [1, "first"],
      [3, "third"],
    ]);
    expect(nextNumber([b, a])).toBe(4);
    expect(nextNumber([])).toBe(1);
  });

  it("goes forward step by step, and back only with a reason", () => {
    for (let k = 1; k < WAY.length - 1; k++)
      expect(penetrationFaults({}, hole({ state: WAY[k - 1] }), hole({ state: WAY[k] }), ""), WAY[k]).toEqual([]);
    expect(paths(penetrationFaults({}, hole({ state: "closed" }), hole({ state: "cut" }), ""))).toEqual(["why"]);
    expect(penetrationFaults({}, hole({ state: "closed" }), hole({ state: "cut" }), "ground again")).toEqual([]);
  });

  it("is not closed over an edge that nobody made safe, unless somebody allows it", () => {
    const f = penetrationFaults({}, hole({ state: "cut" }), hole({ state: "closed" }), " ");
    expect(paths(f)).toEqual(["why"]);
    expect(f[0].message).toMatch(/edge was never made safe/);
    expect(penetrationFaults({}, hole({ state: "cut" }), hole({ state: "closed" }), "Mara: primer alone, by the sheet")).toEqual([]);
    // The client's own work comes closed: it is not ours to paint.
    expect(penetrationFaults({}, undefined, hole({ by: "client", state: "closed" }), "")).toEqual([]);
    expect(paths(penetrationFaults({}, undefined, hole({ state: "closed" }), ""))).toEqual(["why"]);
  });

  it("is tested by ten minutes of water and dry inside, no less", () => {
    const was = hole({ state: "closed" });
    const ask = (more: Partial<Penetration>) => paths(penetrationFaults({}, was, hole({ state: "tested", ...more }), ""));
    expect(ask({})).toEqual(["soak"]);
    expect(ask({ soak: "dry" })).toEqual(["soak"]);
    expect(ask({ soak: "dry", soakMinutes: 9 })).toEqual(["soak"]);
    expect(ask({ soak: "damp", soakMinutes: 20 })).toEqual(["soak"]);
    expect(ask({ soak: "dry", soakMinutes: 10 })).toEqual([]);
    expect(paths(penetrationFaults({}, hole({ state: "cut" }), hole({ state: "cut", soak: "dry" }), ""))).toEqual(["soak"]);
  });

  it("is not soaked before its bond may be", () => {
    const early = { until: NOW + 60, now: NOW, says: "Roof fan is left untouched until 11:00" };
    const f = penetrationFaults({}, hole({ state: "closed" }), hole({ state: "closed", soak: "dry", soakMinutes: 10 }), "", early);
    expect(f).toEqual([{ path: "soak", message: "is too early: Roof fan is left untouched until 11:00" }]);
    expect(penetrationFaults({}, hole({ state: "closed" }), hole({ state: "closed", soak: "damp" }), "", { ...early, until: NOW })).toEqual(
      [],
    );
  });

  it("sealed in the rain keeps its tag until it has been soaked dry", () => {
    const was = hole({ state: "closed", tagged: true });
    expect(paths(penetrationFaults({}, was, hole({ state: "closed" }), ""))).toEqual(["tagged"]);
    expect(penetrationFaults({}, was, hole({ state: "tested", soak: "dry", soakMinutes: 12 }), "")).toEqual([]);
  });

  it("tells in words what is wrong with it", () => {
    expect(sayPenetration(hole({ state: "cut" }))).toBe("cut · no cover");
    expect(sayPenetration(hole({ state: "protected", cover: "board" }))).toBe("protected · covered: board");
    expect(sayPenetration(hole({ state: "closed", bead: "holding", tagged: true }))).toBe(
      "closed but for backfill · sealed in rain or dark",
    );
    expect(sayPenetration(hole({ state: "closed", soak: "drip" }))).toBe("closed · leaks (drip)");
    expect(sayPenetration(hole({ state: "closed", by: "client" }))).toBe("closed · made by the client, not accepted");
  });
});

describe("an open hole", () => {
  const cut = (more: Partial<Penetration> = {}, at = NOW) =>
    record("Roof fan", hole({ no: 1, state: "cut", history: [{ state: "cut", why: "", by: "Ines", at }], ...more }), "a.OP-04");

  it("has been open since it was cut the last time", () => {
    const twice = cut({
      state: "protected",
      history: [
        { state: "cut", why: "", by: "Ines", at: NOW - 900 },
        { state: "closed", why: "", by: "Ines", at: NOW - 800 },
        { state: "cut", why: "again", by: "Ines", at: NOW - 100 },
        { state: "protected", why: "", by: "Ines", at: NOW - 50 },
      ],
    });
    expect(openSince(twice)).toBe(NOW - 100);
    expect(openSince(record("x", hole({ state: "closed" })))).toBeUndefined();
  });

  it("is told to the lead when nothing covers it for the night, or after three days", () => {
    const shop = testShop();
    const b = shop.builds[0];
    const told = () => openTooLong(shop, b, NOW).map((h) => h.says);
    b.records = [cut({ cover: "board" })];
    expect(told()).toEqual([]);
    expect(notWatertight(b)).toEqual([]);
    b.records = [cut()];
    expect(told()).toEqual(["open since Wed 3 Mar, nothing covers it for the night"]);
    expect(notWatertight(b)).toEqual(["hole 1, Roof fan"]);
    b.records = [cut({ cover: "board" }, NOW - 4 * 1440)];
    expect(told()).toEqual(["open since Sat 27 Feb, more than 3 days"]);
  });

  it("keeps off what would be shut in behind it, on its side only, and so does one that leaks", () => {
    const shop = testShop();
    const b = shop.builds[0];
    const mats = job(shop, "IN-01");
    const behind = (r: PenetrationRecord) => {
      b.records = [r];
      return holesBefore(b, { stage: "insulation", zones: ["ceiling"] });
    };
    expect(behind(cut())).toEqual(["hole 1, Roof fan, is open"]);
    expect(behind(record("Roof fan", hole({ no: 1, state: "closed", soak: "damp" })))).toEqual(["hole 1, Roof fan, leaks"]);
    expect(behind(record("Window", hole({ side: "left", state: "cut" })))).toEqual([]);
    expect(behind(record("Roof fan", hole({ state: "closed" })))).toEqual([]);
    b.records = [record("Window", hole({ side: mats.zones.includes("left") ? "left" : "roof", state: "cut" }))];
    expect(obstacles(shop, mats, NOW).map((o) => o.kind)).toContain("opening");
    // Work that shuts nothing in goes on.
    expect(holesBefore(b, { stage: "openings", zones: ["roof", "left"] })).toEqual([]);
    expect(leaks(hole({ soak: "dry" }))).toBe(false);
  });
});

describe("the list of holes", () => {
  it("asks for every piece that the order cuts or bonds, and no longer for what is in it", () => {
    const shop = testShop();
    const b = shop.builds[0];
    const asked = askedFor(b, []);
    expect(asked.map((a) => a.jobId)).toContain("a.OP-04");
    expect(asked.filter((a) => a.jobId === "a.OP-04")).toEqual([{ title: job(shop, "OP-04").name, side: "roof", jobId: "a.OP-04" }]);
    expect(asked.filter((a) => a.jobId === "a.OP-09")).toHaveLength(job(shop, "OP-09").pieces?.count ?? 1);
    // A pair has one on each side.
    const pair = {
      ...b,
      jobs: [{ ...job(shop, "OP-09"), zones: ["left", "right"], pieces: { name: "pod", count: 2, done: 0, first: true } }],
      records: [],
    };
    expect(
      askedFor(pair, [])
        .filter((a) => a.jobId)
        .map((a) => a.side),
    ).toEqual(["left", "right"]);
    b.records = asked.map((a) => record(a.title, a.jobId ? hole() : hole({ by: "before", side: a.side }), a.jobId));
    expect(askedFor(b, [])).toEqual([]);
    b.records.pop();
    expect(askedFor(b, [])).toHaveLength(1);
  });

  it("starts with the points that leaked on other vans of the type, and keeps one that leaks for the next", () => {
    const shop = testShop();
    // A type that the house added has no list that ships.
    const b = { ...shop.builds[0], jobs: [], vanId: "own-type" };
    const clip = { vanId: b.vanId, side: "roof" as const, title: "Gutter clip, third", place: "left gutter", found: "Night bakery" };
    const leaks = [clip, { ...clip, vanId: "tern-l1h1" }];
    expect(askedFor(b, leaks)).toEqual([
      { title: "Gutter clip, third", side: "roof", jobId: null, place: "left gutter", note: "leaked on Night bakery" },
    ]);
    b.records = [record("Gutter clip, third", hole({ by: "before", state: "closed" }))];
    expect(askedFor(b, leaks)).toEqual([]);
    const leak = hole({ by: "before", state: "closed", soak: "drip", place: "left gutter" });
    expect(leakOf(b, "Gutter clip, third", leak)).toEqual({ ...clip, found: b.name });
    expect(leakOf(b, "Gutter clip, third", { ...leak, soak: "dry" })).toBeUndefined();
    // What we or the client made is no point of the type.
    expect(leakOf(b, "Roof fan", { ...leak, by: "us" })).toBeUndefined();
  });

  it("keeps the soak test open until every one was dry, the client's own too", () => {
    const shop = testShop();
    const b = shop.builds[0];
    b.records = [
      record("Roof fan", hole({ state: "tested", soak: "dry", soakMinutes: 10 })),
      record("Rack feet", hole({ no: 2, by: "client", state: "closed" })),
    ];
    expect(soakOpen(b, { ...shipped("OP-13") })).toEqual(["hole 2, Rack feet: closed · made by the client, not accepted"]);
    expect(soakOpen(b, { ...shipped("OP-12") })).toEqual([]);
    expect(holeWords(b, { id: "a.OP-13", ...shipped("OP-13"), state: "todo" })[0]).toBe("To be soaked: 1 hole");
    expect(holeWords(b, { id: "a.OP-13", ...shipped("OP-13"), state: "done" })).toEqual([]);
  });

  it("gives each job the holes it makes, and the soak test all that are not dry yet, without what the server keeps", () => {
    const own = record("Roof fan", hole({ no: 1, state: "set out" }), "a.OP-04");
    const dry = record("Window", hole({ no: 2, state: "tested", soak: "dry", soakMinutes: 10 }), "a.OP-06a");
    const b = { records: [own, dry] };
    const of = (id: string, code: string) => holesOf(b, { id, ...shipped(code) }).map((r) => r.no);
    expect([of("a.OP-04", "OP-04"), of("a.OP-06a", "OP-06"), of("a.OP-13", "OP-13"), of("a.OP-12", "OP-12")]).toEqual([[1], [2], [1], []]);
    expect([isSoak({ ...shipped("OP-13") }), isSoak({ ...shipped("OP-12") })]).toEqual([true, false]);
    const kept = rainedOn(hole({ no: 3, state: "closed", tagged: true, note: "x" }), "floor", "Ines", NOW);
    expect(sendable(kept)).toEqual({ side: "roof", place: "bay 3", by: "us", state: "closed", tagged: true, note: "x" });
    expect(readRecord("penetration", sendable(kept)).faults).toEqual([]);
  });

  it("tells the job that makes a hole where it stands", () => {
    const shop = testShop();
    const b = shop.builds[0];
    b.records = [record("Roof fan", hole({ no: 1, state: "set out" }), "a.OP-04")];
    expect(holeWords(b, { id: "a.OP-04", ...shipped("OP-04"), state: "todo" })).toEqual(["Hole 1, Roof fan: set out"]);
  });

  it("knows until when the job of a hole may not be soaked", () => {
    const shop = testShop();
    done(shop, ["OP-04"], NOW - 30);
    const j = job(shop, "OP-04");
    expect(soakFrom(shop, shop.builds[0], "a.OP-04", NOW)).toMatchObject({ until: NOW - 30 + j.hold.minutes, now: NOW });
    expect(soakFrom(shop, shop.builds[0], "a.OP-05", NOW)).toBeUndefined();
    expect(soakFrom(shop, shop.builds[0], null, NOW)).toBeUndefined();
  });
});

describe("rain", () => {
  it("makes what lies behind wait until it is dry, and tags a seal that nobody tested", () => {
    expect(WAY.filter((state) => rainFinds({ state }))).toEqual(["cut", "protected", "closed"]);
    const wet = rainedOn(hole({ no: 1, state: "closed", moisture: 12 }), "down the rib", "Ines", NOW);
    expect(wet).toMatchObject({ tagged: true, wet: { where: "down the rib", by: "Ines", at: NOW } });
    expect(wet.moisture).toBeUndefined();
    expect(wet.history?.at(-1)).toMatchObject({ state: "closed", why: "rain came in: down the rib" });
    expect(rainedOn(hole({ state: "cut" }), "floor", "Ines", NOW).tagged).toBeUndefined();
    const shop = testShop();
    shop.builds[0].records = [record("Roof fan", wet)];
    expect(holesBefore(shop.builds[0], { stage: "insulation", zones: ["ceiling"] })).toEqual(["hole 1, Roof fan, is wet behind"]);
    expect(sayPenetration(wet)).toBe("closed · wet: down the rib · sealed in rain or dark");
  });

  it("lets the hole go on only with timber that was read, and dry enough", () => {
    const wet = rainedOn(hole({ state: "cut" }), "floor", "Ines", NOW);
    const ask = (more: Partial<Penetration>) => paths(penetrationFaults({}, wet, { ...wet, ...more }, ""));
    expect(ask({ state: "protected" })).toEqual(["moisture"]);
    expect(ask({ state: "protected", moisture: 18.5 })).toEqual(["moisture"]);
    expect(ask({ state: "protected", moisture: 18 })).toEqual([]);
    expect(ask({ cover: "board" })).toEqual([]);
  });
});

describe("a hole made late", () => {
  it("costs cover, swarf once more and the lining's cut, once what lies behind it is begun", () => {
    const shop = testShop();
    const b = shop.builds[0];
    expect(lateHole(b, "roof")).toBeUndefined();
    const mats = b.jobs.find((j) => j.stage === "insulation" && j.zones.includes("ceiling"))!;
    mats.state = "done";
    const swarf = job(shop, "OP-12").minutes.likely;
    expect(lateHole(b, "roof")).toMatchObject({ minutes: 20 + swarf });
    const lining = b.jobs.find((j) => j.stage === "panels" && j.zones.includes("ceiling"))!;
    lining.state = "started";
    expect(lateHole(b, "roof")).toMatchObject({ minutes: 40 + swarf });
    expect(lateHole(b, "rear")?.minutes).not.toBe(40 + swarf);
  });
});
