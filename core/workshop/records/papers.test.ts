import { describe, expect, it } from "vitest";
import { shipped } from "../../library/testing";
import { usualMarks } from "../bare-body/marks";
import { seatsOpen, seatWaiveFault, seatWords } from "../bare-body/seats";
import { trapsBefore, trapWords } from "../bare-body/traps";
import { cutViewMissing, datedDamage, roundMissing } from "../bare-body/walk-rounds";
import { firstStage, notOurs, othersBefore, refusedWork } from "../builds/other-trades";
import { consentBefore, consentsOpen, touchOf } from "../client/consent";
import { contentsBefore } from "../openings/box-contents";
import { bareFrameParts, framePartsBefore, framePartWords, knownFrameParts } from "../openings/frame-parts";
import { sparesFor } from "../openings/spares";
import { dryUntil, slotOffers } from "../planning/short-slot";
import { sheetStops } from "../sheets/sheet-stops";
import { sheetPrefill } from "../sheets/sheets";
import { obstacles } from "../starts/ready";
import { templateMismatch } from "../starts/templates";
import { entry } from "../testing/entry";
import { at, done, job, NOW, testBuild, testShop, testTemplate } from "../testing/shop";
import { ownerFindings } from "./kinds/client";
import { faultState } from "./kinds/fault";
import { shortItems, usualContents } from "./kinds/goods";
import { dentWords, papersBefore, paperWords, sessionWords, singleSkinWords } from "./papers";
import { temporaryBefore, temporaryLeft } from "./temporary";

const shopWith = (...records: ReturnType<typeof entry>[]) => {
  const shop = testShop();
  shop.builds[0].records = records;
  return shop;
};
const OWNER = entry("owner", "Rosa Vane", { payer: "Vane Transport", user: "Rosa" });
const CONSENT = { touches: "skin", signedBy: "Rosa Vane" };

describe("consents", () => {
  it("are asked of what can't be undone", () => {
    const shop = testShop();
    expect(touchOf(job(shop, "OP-04"))).toBe("skin");
    expect(touchOf(job(shop, "ST-04"))).toBeUndefined();
    expect(touchOf({ ...shipped("ST-08"), irreversible: "bond", place: "van", stage: "strip" })).toBe("seat");
    expect(touchOf({ ...shipped("ST-05"), irreversible: null, place: "van", stage: "strip" })).toBe("lettering");
    expect(touchOf({ ...shipped("OP-10"), irreversible: "cut", place: "van", stage: "openings" })).toBe("rack");
    expect(touchOf({ ...shipped("FU-03"), irreversible: "cut", place: "bench", stage: "furniture" })).toBeUndefined();
    // A worktop is cut in the van too, but not the van.
    expect(touchOf({ ...shipped("FU-08"), irreversible: "cut", place: "van", stage: "furniture" })).toBeUndefined();
  });
  it("are the registered owner's: the payer's is not enough", () => {
    const ask = (...r: ReturnType<typeof entry>[]) => {
      const shop = shopWith(...r);
      return consentBefore(shop.builds[0], job(shop, "OP-04"));
    };
    expect(ask()).toEqual(["Nobody has written down who owns this van, so nobody can consent to cuts in the skin"]);
    expect(ask(OWNER)).toEqual(["Rosa Vane's consent to cuts in the skin is not signed"]);
    expect(ask(OWNER, entry("consent", "fan", { ...CONSENT, signedBy: "Vane Transport" }))[0]).toMatch(
      /Vane Transport signed, but Rosa Vane is the registered owner/,
    );
    expect(ask(OWNER, entry("consent", "fan", { touches: "seat", signedBy: "Rosa Vane" }))).toHaveLength(1);
    expect(ask(OWNER, entry("consent", "fan", { ...CONSENT, signedBy: " rosa vane" }))).toEqual([]);
  });
  it("hold the start up, not the plan, and are listed with the first job that waits", () => {
    const shop = shopWith(OWNER);
    done(shop, ["ST-01"], NOW - 600);
    expect(obstacles(shop, job(shop, "OP-04"), NOW).map((o) => o.text)).toContain("Rosa Vane's consent to cuts in the skin is not signed");
    const open = consentsOpen(shop.builds[0]);
    expect(open.find((o) => o.touches === "skin")?.job.irreversible).toBe("cut");
    shop.builds[0].records.push(entry("consent", "all", CONSENT));
    expect(consentsOpen(shop.builds[0]).some((o) => o.touches === "skin")).toBe(false);
  });
  it("the layout has to give the seats that were ordered, and leisure seats a mark", () => {
    expect(ownerFindings({ payer: "a", user: "b", beltsOrdered: 4, beltsDrawn: 4 })).toEqual([]);
    expect(ownerFindings({ payer: "a", user: "b", beltsOrdered: 4, beltsDrawn: 2, leisureSeats: 1 })).toEqual([
      "2 belted seats drawn where 4 were ordered",
      '1 leisure seat is not marked "not while driving"',
    ]);
  });
});

describe("work of others", () => {
  const wiring = { by: "workshop", who: "A yard", area: "wiring", state: "done", covered: "open" };
  it("is accepted, not believed: what would cover it waits", () => {
    const b = testBuild("a");
    const insulates = b.jobs.find((j) => j.stage === "insulation" && j.place === "van")!;
    const strips = b.jobs.find((j) => j.code === "ST-04")!;
    const ask = (more: object) => othersBefore({ records: [entry("others", "Old wiring", { ...wiring, ...more })] }, insulates);
    expect(ask({})[0]).toMatch(/Old wiring, done by A yard, is not accepted yet/);
    expect(ask({ result: "accepted" })).toEqual([]);
    expect(ask({ result: "refused", hours: 3 })[0]).toMatch(/was refused and is not done again/);
    expect(ask({ state: "missing" })).toEqual([]);
    expect(ask({ covered: "covered" })).toEqual([]);
    expect(othersBefore({ records: [entry("others", "Old wiring", wiring)] }, strips)).toEqual([]);
  });
  it("a floor is covered by what goes on the floor only", () => {
    const r = [entry("others", "Ply floor", { ...wiring, area: "floor" })];
    const of = (stage: string, zones: string[]) => othersBefore({ records: r }, { stage, zones, place: "van" });
    expect(of("panels", ["floor"])).toHaveLength(1);
    expect(of("panels", ["ceiling"])).toEqual([]);
    expect(of("insulation", ["floor"])).toEqual([]);
  });
  it("what is covered without a photo is named as not ours", () => {
    const covered = entry("others", "Roof seal", { ...wiring, covered: "covered" });
    expect(notOurs([covered])).toEqual(["Roof seal, by A yard: covered when the van came, no photo of it"]);
    expect(notOurs([{ ...covered, photos: ["sha"] } as typeof covered])).toEqual([]);
  });
  it("what was refused becomes hours and a price", () => {
    const r = [1, 2].map((k) => entry("others", `Thing ${k}`, { ...wiring, test: "pull", result: "refused", hours: k, price: 40 }));
    expect(refusedWork(r)).toEqual({ lines: ["Thing 1", "Thing 2"], hours: 3, price: 80 });
  });
  it("the first stage is the first with work left", () => {
    const b = testBuild("a");
    expect(firstStage(b)).toBe("strip");
    for (const j of b.jobs) if (j.stage === "strip") j.state = "done";
    expect(firstStage(b)).not.toBe("strip");
  });
});

describe("what later work would trap", () => {
  const trap = (more: object, rest = {}) =>
    entry(
      "trap",
      "Roof harness",
      { what: "harness", zone: "ceiling", rib: "3", under: "batten", step: "push back and tie", ...more },
      rest,
    );
  const batten = { stage: "framing", zones: ["ceiling"], place: "van", irreversible: null } as const;
  const asked = (r: ReturnType<typeof trap>, j: { stage: string; zones: readonly string[]; place: string; irreversible: string | null }) =>
    trapsBefore({ records: [r] }, { ...j, zones: [...j.zones], place: j.place as "van" });
  it("stops the job that would cover it, until it is dealt with", () => {
    expect(asked(trap({}), batten)).toEqual(["it would trap Roof harness, rib 3: push back and tie"]);
    expect(asked(trap({}, { closedAt: NOW }), batten)).toEqual([]);
    expect(asked(trap({ under: "lining" }), batten)).toEqual([]);
    expect(asked(trap({ zone: "left" }), batten)).toEqual([]);
    expect(asked(trap({ under: "lining" }), { ...batten, stage: "panels" })).toHaveLength(1);
  });
  it("under a flange only what cuts or bonds there", () => {
    const roof = { stage: "openings", zones: ["roof"], place: "van", irreversible: null };
    expect(asked(trap({ under: "flange" }), roof)).toEqual([]);
    expect(asked(trap({ under: "flange" }), { ...roof, irreversible: "cut" })).toHaveLength(1);
  });
  it("is told while stripping, and as a no-screw place afterwards", () => {
    const shop = shopWith(trap({}), trap({ step: "leave", noScrew: true }, { closedAt: NOW }));
    expect(trapWords(shop.builds[0], job(shop, "ST-04"))).toEqual(["While the lining is off: Roof harness, rib 3: push back and tie"]);
    const framing = { ...job(shop, "ST-04"), ...shipped("FR-01"), stage: "framing", zones: ["ceiling"], irreversible: null };
    expect(trapWords(shop.builds[0], framing)).toEqual(["No screw here: Roof harness, rib 3"]);
  });
});

describe("metal behind a cut", () => {
  const member = (more: object) => entry("member", "Beam behind the window", { side: "left", what: "beam", mayGo: "unknown", ...more });
  const cut = { zones: ["left"], place: "van", irreversible: "cut", state: "todo" } as const;
  const c = { ...cut, zones: ["left"], place: "van" as const, state: "todo" as const, stage: "openings" };
  const yes = { mayGo: "yes", source: "body guide", says: "p. 12", duty: "a bonded frame" };
  it("stops the cut without a source, and when it stays", () => {
    expect(framePartsBefore({ records: [member({})] }, c)[0]).toMatch(/stop, for the lead/);
    expect(framePartsBefore({ records: [member({ mayGo: "no" })] }, c)[0]).toMatch(/move the opening/);
    expect(framePartsBefore({ records: [member(yes)] }, c)).toEqual([]);
    expect(framePartsBefore({ records: [member({})] }, { ...c, zones: ["right"] })).toEqual([]);
    expect(framePartsBefore({ records: [member({})] }, { ...c, irreversible: "bond" })).toEqual([]);
  });
  it("tells how and what takes over, and keeps insulation off until its edges are coated", () => {
    expect(framePartWords({ records: [member({ ...yes, how: "bond sliced" })] }, c)[0]).toBe(
      "Beam behind the window: bond sliced (body guide, p. 12); its duty: a bonded frame; coat its edges, photo before and after",
    );
    const mats = { stage: "insulation", zones: ["left"] };
    expect(bareFrameParts({ records: [member(yes)] }, mats)).toEqual(["the edges of Beam behind the window are not coated"]);
    expect(bareFrameParts({ records: [member({ ...yes, coated: true })] }, mats)).toEqual([]);
  });
  it("is known from other vans of the type, each once, and not from this one", () => {
    const m = (more: object) => ({
      buildId: "z",
      vanId: "drover-l3h2",
      title: "Beam",
      side: "left" as const,
      what: "beam" as const,
      says: "stays",
      ...more,
    });
    const known = (records: ReturnType<typeof entry>[], ...members: ReturnType<typeof m>[]) =>
      knownFrameParts({ members }, { id: "a", vanId: "drover-l3h2", records }).length;
    expect(known([], m({}), m({ buildId: "y" }))).toBe(1);
    expect(known([], m({ vanId: "other" }), m({ buildId: "a" }))).toBe(0);
    expect(known([entry("member", "beam", { side: "left", what: "beam", mayGo: "no" })], m({}))).toBe(0);
  });
});

describe("walk-rounds date damage", () => {
  const round = (when: number, views: string[], title = "Bay 1") =>
    entry("round", title, { when: "bay", views }, { saidAt: when, photos: [`p${when}`] });
  const dent = (when: number, more: object = {}) =>
    entry("mark", "Dent, slider", { what: "damage", view: "right", x: 1, y: 1, ...more }, { saidAt: when });
  it("between the last view of its side and its first sight, with who worked then", () => {
    const shop = shopWith(
      round(NOW - 5000, ["right"], "Arrival"),
      round(NOW - 3000, ["left"]),
      round(NOW - 2000, ["right"], "Bay 2"),
      dent(NOW - 100),
      round(NOW, ["right"]),
    );
    const strip = job(shop, "ST-04");
    Object.assign(strip, { state: "done", startedAt: NOW - 1500, endedAt: NOW - 1200, fitters: [shop.fitters[0].id] });
    Object.assign(job(shop, "ST-01"), { state: "done", startedAt: NOW - 4900, endedAt: NOW - 4800, fitters: [shop.fitters[0].id] });
    const [d] = datedDamage(shop, shop.builds[0]);
    expect(d.before).toEqual({ at: NOW - 2000, where: "Bay 2", photos: [`p${NOW - 2000}`] });
    expect(d.between).toEqual([{ name: strip.name, who: shop.fitters[0].name }]);
    expect(d.unexplained).toBe(true);
  });
  it("without any view of its side it may be as old as the van is here", () => {
    const shop = shopWith(round(NOW - 2000, ["left"]), dent(NOW - 100, { outcome: "was there on arrival" }));
    const [d] = datedDamage(shop, shop.builds[0]);
    expect([d.before, d.unexplained]).toEqual([null, false]);
  });
  it("asks for the views of a bay that it came into that nobody has taken there; without any round, for the outside", () => {
    const shop = shopWith(round(NOW - 2000, ["left"]));
    const b = shop.builds[0];
    expect(roundMissing(shop, { ...b, atSince: NOW - 3000 })).toBeUndefined();
    const two = [round(NOW - 5000, ["left", "roof"]), round(NOW - 500, ["left"])];
    expect(roundMissing(shop, { ...b, records: two, atSince: NOW - 1000 })).toMatch(/came into .* \(roof\)/i);
    expect(roundMissing(shop, { ...b, atSince: NOW - 1000 })).toMatch(/Walk round it first: no views since it came into .* \(.*left.*\)/i);
    expect(roundMissing(shop, { ...b, at: "yard", atSince: NOW - 1000 })).toBeUndefined();
    expect(roundMissing(shop, { ...b, records: [], atSince: NOW - 1000 })).toMatch(/\(left side, right side, rear, roof\)/i);
    b.atSince = NOW - 1000;
    expect(paperWords(shop, b, job(shop, "ST-06"))[0]).toMatch(/Walk round it first/);
  });
  it("asks for the side of a cut before the saw, and again after it", () => {
    const shop = shopWith();
    const b = shop.builds[0];
    const fan = job(shop, "OP-04");
    expect(cutViewMissing(b, fan)).toMatch(/before the cut: roof/);
    expect(cutViewMissing(b, job(shop, "ST-04"))).toBeUndefined();
    b.records.push(entry("round", "Bay 1", { when: "before cut", views: ["roof"] }, { saidAt: NOW - 100 }));
    expect(cutViewMissing(b, fan)).toBeUndefined();
    Object.assign(fan, { state: "started", startedAt: NOW - 60 });
    expect(cutViewMissing(b, fan)).toMatch(/after the cut: roof/);
    expect(paperWords(shop, b, fan)).toContainEqual(expect.stringMatching(/after the cut: roof/));
    b.records.push(entry("round", "Bay 1", { when: "after cut", views: ["roof"] }, { saidAt: NOW - 10 }));
    expect(cutViewMissing(b, fan)).toBeUndefined();
  });
});

describe("travel seats that were loose", () => {
  const proof = {
    bolts: [{ name: "front left", asked: 45, read: 45 }],
    floorTrimmed: true,
    locked: true,
    belts: true,
    clear: true,
    lamps: true,
  };
  const loose = (data: object) => {
    const shop = shopWith(entry("seat", "Driver's", data));
    return shop;
  };
  it("keep the van until they are signed and torqued again", () => {
    expect(seatsOpen(loose({ bolts: [] }).builds[0])).toEqual(["Driver's is not signed: no bolt is listed"]);
    expect(seatsOpen(loose(proof).builds[0])).toEqual(["Driver's is not signed: the ticket holder's to sign"]);
    expect(seatsOpen(loose({ ...proof, signedBy: "Ines", ticket: "seats" }).builds[0])).toEqual([
      "Driver's is not torqued again after the first drive",
    ]);
    expect(seatsOpen(loose({ ...proof, signedBy: "Ines", ticket: "seats", retorqued: true }).builds[0])).toEqual([]);
  });
  it("bases that were loose without any seat written down are asked for", () => {
    const shop = testShop([testBuild("a")]);
    expect(seatsOpen(shop.builds[0])).toEqual([]);
    Object.assign(shop.builds[0].jobs[0], shipped("ST-08"));
    shop.builds[0].jobs[0].state = "done";
    expect(seatsOpen(shop.builds[0])).toEqual(["no travel seat is written down, though their bases were loose"]);
  });
  it("a step is left out only by the ticket's holder, with a photo and every torque read; a lead without it may not", () => {
    const shop = loose(proof);
    const [b] = shop.builds;
    const seats = { ...shipped("ST-08"), name: "Swivel bases", crew: [{ ticket: "seats" }] } as never;
    const fault = (fitter: string | null) => seatWaiveFault(shop, b, seats, fitter, "2027-03-03");
    const [holder] = shop.fitters;
    expect(fault(holder.id)).toMatch(/only by somebody with a valid seats ticket/);
    expect(fault(null)).toMatch(/only by somebody with a valid seats ticket/);
    holder.tickets = [{ id: "seats", until: "2027-03-02" }];
    expect(fault(holder.id)).toMatch(/valid seats ticket/);
    holder.tickets = [{ id: "seats", until: "2027-03-03" }];
    expect(fault(holder.id)).toMatch(/Take a photo of the seat's mount/);
    const [record] = b.records;
    record.photos = ["p"];
    expect(fault(holder.id)).toBeUndefined();
    Object.assign(record.data, { bolts: [{ name: "front left", asked: 45 }] });
    expect(fault(holder.id)).toBe("First the torque of every bolt: front left: not read.");
    expect(seatWaiveFault(shop, b, { ...job(shop, "ST-04") }, null, "2027-03-03")).toBeUndefined();
  });
  it("tell their job what is not seen yet", () => {
    const words = seatWords(
      { records: [entry("seat", "Driver's", { ...proof, belts: undefined, bolts: [{ name: "b1", asked: 45 }] })] },
      { ...shipped("ST-08"), state: "started" },
    );
    expect(words).toEqual(["Driver's: b1: not read; not seen: belt runs and locks"]);
  });
});

it("all of it together: what a job waits for is one list", () => {
  const shop = shopWith(
    OWNER,
    entry("member", "Beam", { side: "roof", what: "beam", mayGo: "unknown" }),
    entry("trap", "Clip", { what: "clip", zone: "ceiling", under: "cut", step: "take off" }),
  );
  expect(papersBefore(shop.builds[0], job(shop, "OP-04"))).toHaveLength(3);
  expect(at("2027-03-03T10:00")).toBe(NOW);
});

describe("the box of a unit", () => {
  it("locks the cut while something of it is short, with its claim", () => {
    const s = shopWith(entry("contents", "Roof fan", { items: [{ name: "adapter", state: "missing" }], claimedFor: "2027-03-20" }));
    const fan = job(s, "OP-04");
    fan.parts[0].name = "Roof fan 400 × 400 with template";
    expect(contentsBefore(s.builds[0], fan)).toEqual(["locked: Roof fan came short, adapter missing, claimed for 2027-03-20"]);
    expect(contentsBefore(s.builds[0], job(s, "OP-06a"))).toEqual([]);
    expect(
      contentsBefore(
        { options: s.builds[0].options, records: [entry("contents", "Roof fan", { items: [{ name: "adapter", state: "there" }] })] },
        fan,
      ),
    ).toEqual([]);
  });
  it("starts with what usually is in one", () => {
    expect(usualContents().map((i) => i.name)).toContain("template");
    // Closed until somebody has seen each line.
    expect(shortItems({ items: usualContents() })).toHaveLength(usualContents().length);
  });
});

describe("spares for later wishes", () => {
  it("are proposed until they are listed, or something behind them is begun", () => {
    const s = testShop();
    const [b] = s.builds;
    expect(sparesFor(b).map((x) => [x.title, x.minutesNow, x.minutesLater])).toEqual([
      ["Spare gland for a cable", 25, 135],
      ["Spare port", 25, 135],
    ]);
    b.records = [entry("penetration", "Spare port", { side: "left", place: "x", by: "us", state: "wanted" })];
    expect(sparesFor(b).map((x) => x.title)).toEqual(["Spare gland for a cable"]);
    const inner = b.jobs.find((j) => j.stage === "insulation" && j.zones.includes("ceiling"))!;
    inner.state = "started";
    expect(sparesFor(b)).toEqual([]);
  });
});

describe("one cutting session", () => {
  it("names the cuts that are left while one is under way", () => {
    const s = testShop();
    const [b] = s.builds;
    const fan = job(s, "OP-04");
    expect(sessionWords(b, fan)).toEqual([]);
    fan.state = "started";
    expect(sessionWords(b, fan)[0]).toContain(job(s, "OP-06a").name);
    for (const j of b.jobs) if (j.irreversible === "cut" && j !== fan) j.state = "done";
    expect(sessionWords(b, fan)).toEqual([]);
  });
});

it("a dent from the bracing is a wish of the opening on its side", () => {
  const dent = entry("mark", "Dent below the rail", { what: "damage", view: "left", x: 1, y: 1, bracing: true });
  const s = shopWith(dent, entry("mark", "Old dent", { what: "damage", view: "left", x: 1, y: 1 }));
  expect(dentWords(s.builds[0], job(s, "OP-06a"))).toEqual(["Cut this away if you can: Dent below the rail, a dent from the bracing"]);
  expect(dentWords(s.builds[0], job(s, "OP-01"))).toHaveLength(1);
  expect(dentWords(s.builds[0], { ...job(s, "OP-06a"), zones: ["right"] })).toEqual([]);
});

it("a jig for another rib bay is not for this hole", () => {
  const s = shopWith(
    entry("penetration", "Fan", { side: "roof", place: "between ribs, bay 3", by: "us", state: "set out" }, { jobId: "a.OP-04" }),
  );
  const fan = job(s, "OP-04");
  const jig = (bay: string) =>
    templateMismatch(s, s.builds[0], fan, testTemplate({ kind: "jig", side: "roof", vanId: "drover-l3h2", what: fan.parts[0].name, bay }));
  expect(jig("2")).toEqual(["it is for rib bay 2, hole 0 is in bay 3"]);
  expect(jig("bay 3")).toEqual([]);
  expect(jig("")).toEqual([]);
});

describe("a short slot", () => {
  it("offers remainders, beads that are cured, second looks that are due", () => {
    const s = shopWith(
      entry("penetration", "Fan", { no: 1, side: "roof", place: "x", by: "us", state: "closed", bead: "holding" }, { jobId: "a.OP-04" }),
      entry("sparks", "Fan", { tool: "jigsaw", stamps: { last: { by: "a", at: 0 }, clean: { by: "a", at: NOW - 40 } } }),
    );
    const fan = job(s, "OP-04");
    Object.assign(fan, { state: "done", endedAt: NOW - 60, hold: { ...fan.hold, minutes: 30 } });
    fan.remainders = [{ id: "r", jobId: fan.id, text: "film off", before: null, owner: null, saidBy: "u", saidAt: 0 }];
    const texts = () => slotOffers(s, 45, NOW).map((o) => o.text);
    expect(texts()).toEqual(["second look for swarf: Fan", "backfill hole 1, Fan: dry and light", `${fan.name}: film off`]);
    fan.hold.minutes = 90;
    expect(texts()).toHaveLength(2);
    expect(slotOffers(s, 19, NOW)).toEqual([]);
    expect(slotOffers(s, 181, NOW)).toEqual([]);
    s.builds[0].at = null;
    expect(texts()).toEqual([]);
  });
  it("offers a bead only where it stays dry, light and warm enough for as long", () => {
    const s = shopWith(entry("penetration", "Fan", { no: 1, side: "roof", place: "x", by: "us", state: "closed", bead: "holding" }));
    const bead = (minutes: number, now = NOW) => slotOffers(s, minutes, now).some((o) => /backfill/.test(o.text));
    // Indoors, lit and heated at any hour; outdoors until the rain at 15:00.
    expect(bead(45, at("2027-03-03T20:00"))).toBe(true);
    s.builds[0].at = "b2";
    expect(bead(45)).toBe(true);
    expect(bead(60, at("2027-03-03T14:00"))).toBe(true);
    expect(bead(61, at("2027-03-03T14:00"))).toBe(false);
    s.weather[0].dry = [["00:00", "24:00"]];
    // Dusk at 18:33.
    expect(bead(60, at("2027-03-03T17:33"))).toBe(true);
    expect(bead(60, at("2027-03-03T17:34"))).toBe(false);
    s.weather[0].highC = 4;
    s.weather[0].lowC = 1;
    expect(bead(45)).toBe(false);
  });
  it("knows until when it stays dry", () => {
    const s = testShop();
    s.weather = [{ date: "2027-03-03", sunrise: "07:00", sunset: "18:00", dry: [["08:00", "12:30"]], lowC: 5, highC: 12, windMs: null }];
    expect(dryUntil(s, NOW)).toBe(at("2027-03-03T12:30"));
    expect(dryUntil(s, at("2027-03-03T12:30"))).toBeNull();
    expect(dryUntil(s, at("2027-03-04T09:00"))).toBeUndefined();
  });
});

it("what was met on earlier vans of the type is looked for, the most usual first", () => {
  const m = (buildId: string, title: string, vanId = "drover-l3h2") => ({ buildId, vanId, title, what: "hole" as const });
  const marked = [m("x", "Sill"), m("x", "Racking bolts"), m("y", "racking bolts"), m("z", "Roof", "other"), m("a", "Own")];
  expect(usualMarks({ marked }, { id: "a", vanId: "drover-l3h2", records: [] })).toEqual(["Racking bolts (hole)", "Sill (hole)"]);
  const here = [entry("mark", "Sill", { what: "hole", view: "left", x: 1, y: 1 })];
  expect(usualMarks({ marked }, { id: "a", vanId: "drover-l3h2", records: here })).toEqual(["Racking bolts (hole)"]);
});

it("a fault is looked for by the cheapest test first", () => {
  const c = (cause: string, minutes?: number) => ({
    cause,
    test: `t ${cause}`,
    result: "open" as const,
    ...(minutes === undefined ? {} : { minutes }),
  });
  expect(faultState({ causes: [c("a", 30), c("b"), c("d", 5)], calls: [] }).open.map((x) => x.cause)).toEqual(["d", "a", "b"]);
});

describe("a kept sheet that says stop", () => {
  const sheet = (calculator: string, worst: "ok" | "warn" | "stop", jobId = "a.OP-06a") => ({ calculator, worst, jobId }) as never;
  it("stops its own job, not another, and not for the weather of an hour", () => {
    const s = testShop();
    const [b] = s.builds;
    const cut = job(s, "OP-06a");
    const stops = (...sheets: never[]) => sheetStops({ sheets }, cut);
    expect(stops(sheet("opening", "stop"))).toEqual(['its set-out "Opening" says stop']);
    expect(stops(sheet("opening", "warn"), sheet("go-no-go", "stop"), sheet("opening", "stop", "a.OP-04"))).toEqual([]);
    b.sheets = [sheet("bolt-pattern", "stop")];
    expect(obstacles(s, cut, NOW).map((o) => o.text)).toContain('its set-out "Bolt pattern" says stop');
  });
});

it("fields with a single skin are told to who fixes something there", () => {
  const s = testShop();
  const [van] = s.vans.filter((v) => v.geometry.windowFields.some((f) => f.skin === "single"));
  const side = van.geometry.windowFields.find((f) => f.skin === "single")!.side;
  const fixes = { ...job(s, "ST-06"), stage: "framing", zones: [side] };
  expect(singleSkinWords(van, fixes)[0]).toMatch(new RegExp(`^Single skin, no screw: ${side} \\d+ to \\d+`));
  expect(singleSkinWords(van, { ...fixes, stage: "openings" })).toEqual([]);
  expect(singleSkinWords(van, { ...fixes, zones: ["floor"] })).toEqual([]);
  expect(singleSkinWords(undefined, fixes)).toEqual([]);
});

it("the hole of a unit starts from its box as it was measured", () => {
  const s = shopWith(
    entry("contents", "Roof fan", { items: [{ name: "body", state: "there" }], spigotW: 372, spigotH: 366, flangeW: 428, flangeH: 424 }),
  );
  const fan = job(s, "OP-04");
  fan.parts[0].name = "Roof fan 400 × 400 with template";
  const p = sheetPrefill(s, s.builds[0], "hole-range", fan.id, { jobs: [] } as never);
  expect(p?.draft).toEqual({ "spigot.w": "372", "spigot.h": "366", "flange.w": "428", "flange.h": "424" });
  expect(p?.basis).toEqual({ spigot: "372 × 366", flange: "428 × 424" });
  expect(sheetPrefill(s, { ...s.builds[0], records: [] }, "hole-range", fan.id, { jobs: [] } as never)).toBeUndefined();
});

describe("temporary things", () => {
  const tape = (more: object = {}, rest: object = {}) =>
    entry("temporary", "Cavities taped", { what: "tape", count: 6, zone: "floor", owner: "Teo", before: "insulation", ...more }, rest);
  const mats = { stage: "insulation", zones: ["floor"], place: "van" as const };
  it("hold up what would shut them in, in their place, until they are gone", () => {
    expect(temporaryBefore({ records: [tape()] }, mats)).toEqual(["Cavities taped is still there: Teo takes it off first"]);
    expect(temporaryBefore({ records: [tape({}, { closedAt: NOW })] }, mats)).toEqual([]);
    expect(temporaryBefore({ records: [tape()] }, { ...mats, zones: ["left"] })).toEqual([]);
    expect(temporaryBefore({ records: [tape()] }, { ...mats, zones: ["all"] })).toHaveLength(1);
    expect(temporaryBefore({ records: [tape({ before: "panels" })] }, mats)).toEqual([]);
    expect(temporaryBefore({ records: [tape()] }, { ...mats, place: "bench" })).toEqual([]);
  });
  it("are all counted at the handover, whatever they had to be gone before", () => {
    expect(temporaryLeft([tape(), tape({ before: "handover" }), tape({}, { closedAt: NOW })])).toEqual([
      "Cavities taped (Teo)",
      "Cavities taped (Teo)",
    ]);
  });
});
