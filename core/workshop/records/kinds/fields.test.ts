import { describe, expect, it } from "vitest";
import { type FieldSpec, fromTyped, missing, schemaOf, tidy, toTyped } from "./fields";
import { hasForm, isOver, KINDS, type RecordKind, readRecord } from "./kinds";

const figure = (t: string) => (t.trim() === "" ? undefined : Number(t.replace(",", ".")));

const fields: FieldSpec[] = [
  { key: "name", label: "Name", type: "words", required: true },
  { key: "n", label: "How many", type: "number", min: 0, max: 10 },
  { key: "why", label: "Why", type: "words", required: true, when: (d) => d.odd === true },
  { key: "odd", label: "Odd", type: "flag" },
  {
    key: "sides",
    label: "Sides",
    type: "many",
    options: [
      ["l", "left"],
      ["r", "right"],
    ],
  },
  { key: "rows", label: "Rows", type: "rows", most: 2, add: "Add", columns: [{ key: "a", label: "A", type: "number", min: 0, max: 9 }] },
];

describe("declared fields", () => {
  it("go from what is typed to data and back", () => {
    const typed = { ...toTyped(fields, {}), name: " Ines ", n: "2,5", odd: true, why: "so", sides: ["r"], rows: [{ a: "3" }, { a: "" }] };
    const data = fromTyped(fields, typed, figure);
    expect(data).toEqual({ name: "Ines", n: 2.5, odd: true, why: "so", sides: ["r"], rows: [{ a: 3 }] });
    expect(fromTyped(fields, toTyped(fields, data), figure)).toEqual(data);
  });
  it("drop what is empty, or not asked of what is given", () => {
    expect(tidy(fields, { name: "x", why: "typed before", odd: false, sides: [], n: 0 })).toEqual({ name: "x", n: 0 });
  });
  it("name what is asked but missing, only where it is asked", () => {
    expect(missing(fields, { name: "x" })).toEqual([]);
    expect(missing(fields, { odd: true }).map((f) => f.path)).toEqual(["name", "why"]);
  });
  it("make a schema that requires only what is always asked", () => {
    expect(schemaOf(fields)).toMatchObject({ required: ["name"], additionalProperties: false });
  });
  it("pass a figure that is none on, for the schema to name its field", () => {
    expect(fromTyped(fields, { ...toTyped(fields, {}), n: "many" }, figure).n).toBeNaN();
  });
});

/** A right entry of each kind, and wrong ones with the field that is named. */
const CASES: Partial<Record<RecordKind, { right: object; wrong: [object, string][]; over: boolean }>> = {
  parked: {
    right: { wakes: "job", code: "PA-03", owner: "Teo" },
    wrong: [
      [{ wakes: "job", owner: "Teo" }, "code"],
      [{ wakes: "day", owner: "Teo" }, "on"],
      [{ wakes: "part", part: "ring" }, "owner"],
    ],
    over: false,
  },
  printed: {
    right: { sheet: "s", version: 2 },
    wrong: [
      [{ sheet: "s" }, "version"],
      [{ sheet: "s", version: 0 }, "version"],
    ],
    over: true,
  },
  gear: {
    right: { worn: ["eyes", "ears"] },
    wrong: [
      [{}, "worn"],
      [{ worn: ["hat"] }, "worn[0]"],
    ],
    over: true,
  },
  weighing: {
    right: { when: "came", frontKg: 1210, rearKg: 980 },
    wrong: [
      [{ when: "came", frontKg: 1210 }, "rearKg"],
      [{ when: "came", frontKg: 20, rearKg: 980 }, "frontKg"],
    ],
    over: true,
  },
  substitute: {
    right: { part: "panel", days: 2, mm: 3, hours: -1 },
    wrong: [
      [{ part: "panel" }, "days"],
      [{ part: "panel", days: 1.5 }, "days"],
    ],
    over: false,
  },
  reach: {
    right: { code: "FU-06", hides: [{ code: "PA-06", what: "screws" }] },
    wrong: [
      [{ fixedTo: "FR-04" }, "code"],
      [{ code: "FU-06" }, "hides"],
    ],
    over: false,
  },
  attend: { right: { who: "Teo", why: "first hour" }, wrong: [[{ who: "Teo", why: "ever" }, "why"]], over: false },
  reading: {
    right: { on: "2027-03-01", at: "17:30", tempC: 14.5 },
    wrong: [
      [{ on: "2027-03-01", at: "evening", tempC: 14 }, "at"],
      [{ on: "2027-03-01", at: "17:30", tempC: 200 }, "tempC"],
    ],
    over: true,
  },
  zonebench: {
    right: { zone: "floor", until: "2027-03-05", owner: "Rosa" },
    wrong: [[{ zone: "roof", until: "2027-03-05", owner: "Rosa" }, "zone"]],
    over: false,
  },
  dayend: {
    right: { on: "2027-03-01", choice: "stop", why: "dark", who: "Ines" },
    wrong: [[{ on: "2027-03-01", choice: "one more", who: "Ines" }, "why"]],
    over: true,
  },
  owner: {
    right: { payer: "A", user: "B", berths: 2 },
    wrong: [
      [{ payer: "A" }, "user"],
      [{ payer: "A", user: "B", berths: 2.5 }, "berths"],
    ],
    over: true,
  },
  consent: {
    right: { touches: "skin", signedBy: "A", on: "2027-03-01" },
    wrong: [
      [{ touches: "roof" }, "touches"],
      [{ touches: "skin", signedBy: "A", on: "soon" }, "on"],
    ],
    over: true,
  },
  others: {
    right: { by: "client", who: "A", area: "wiring", state: "done", covered: "open", test: "meter", result: "accepted" },
    wrong: [
      [{ by: "client", who: "A", area: "wiring", state: "done" }, "covered"],
      [{ by: "client", who: "A", area: "wiring", state: "done", covered: "open", test: "look", result: "refused" }, "hours"],
    ],
    over: true,
  },
  round: {
    right: { when: "arrival", views: ["left", "right"] },
    wrong: [
      [{ when: "arrival", views: [] }, "views"],
      [{ when: "later", views: ["left"] }, "when"],
    ],
    over: true,
  },
  trap: {
    right: { what: "clip", zone: "left", under: "batten", step: "take off" },
    wrong: [[{ what: "clip", zone: "left", under: "batten" }, "step"]],
    over: false,
  },
  fixing: {
    right: { what: "rivet", count: 12, minutes: 40 },
    wrong: [
      [{ what: "rivet", count: 0 }, "count"],
      [{ what: "nail", count: 1 }, "what"],
    ],
    over: true,
  },
  member: {
    right: { side: "left", what: "beam", mayGo: "yes", source: "body guide", says: "p. 4", duty: "a frame", coated: true },
    wrong: [
      [{ side: "left", what: "beam", mayGo: "yes", source: "body guide", says: "p. 4" }, "duty"],
      [{ side: "left", what: "beam", mayGo: "yes", says: "x", duty: "y" }, "source"],
    ],
    over: true,
  },
  seat: {
    right: { bolts: [{ name: "1", asked: 45, read: 46 }] },
    wrong: [
      [{ bolts: [{ asked: 45 }] }, "bolts[0].name"],
      [{ route: "drilling", bolts: [] }, "writing"],
      [{ route: "drilling", writing: "letter", holeMm: 10, edgeMm: 14.9 }, "edgeMm"],
      [{ bolts: [{ name: "1", asked: 45, read: 40 }], signedBy: "Ines", ticket: "seats" }, "signedBy"],
    ],
    over: false,
  },
  temporary: {
    right: { what: "tape", count: 6, zone: "floor", owner: "Teo", before: "insulation" },
    wrong: [
      [{ what: "tape", zone: "floor", owner: " ", before: "insulation" }, "owner"],
      [{ what: "tape", zone: "floor", owner: "Teo", before: "strip" }, "before"],
    ],
    over: false,
  },
  clock: {
    right: { what: "open time", minutes: 20 },
    wrong: [
      [{ what: "tea", minutes: 5 }, "what"],
      [{ what: "open time" }, "minutes"],
    ],
    over: false,
  },
  arrival: {
    right: { way: "in", boxes: 3, cabEmpty: true, keys: 2, fuel: "half", signedBy: "A" },
    wrong: [
      [{ way: "up" }, "way"],
      [{ way: "in", keys: 1.5 }, "keys"],
      [{ way: "in", fuel: "some" }, "fuel"],
    ],
    over: true,
  },
  contents: {
    right: { items: [{ name: "frame", state: "there" }], flangeW: 428, spigotW: 372 },
    wrong: [
      [{ items: [{ name: "frame", state: "missing" }] }, "claimedFor"],
      [{ items: [{ name: "frame", state: "lost" }] }, "items[0].state"],
      [{ items: [{ name: "frame", state: "there" }], flangeW: 372, spigotW: 372 }, "spigotW"],
    ],
    over: true,
  },
  sparks: {
    right: { tool: "jigsaw", taped: 3, untaped: 1 },
    wrong: [
      [{ tool: "jigsaw", taped: 1, untaped: 2 }, "untaped"],
      [{ tool: "grinder", extinguisher: true }, "masked"],
      [{ tool: "grinder", masked: "glass" }, "extinguisher"],
    ],
    over: false,
  },
  layout: {
    right: { side: "left", fromMm: 900, toMm: 1900, who: "Rosa", by: "2027-03-02" },
    wrong: [
      [{ side: "left" }, "who"],
      [{ side: "left", fromMm: 900, who: "Rosa" }, "toMm"],
      [{ side: "left", toMm: 900, who: "Rosa" }, "fromMm"],
      [{ side: "left", fromMm: 900, toMm: 800, who: "Rosa" }, "toMm"],
      [{ side: "nose", who: "Rosa" }, "side"],
    ],
    over: false,
  },
  line: {
    right: { side: "both", atMm: 1960 },
    wrong: [
      [{ side: "both" }, "atMm"],
      [{ side: "both", atMm: -1 }, "atMm"],
    ],
    over: true,
  },
  tail: {
    right: { hole: 2, junctionMm: 1450, label: "F1", capped: true, routed: true },
    wrong: [
      [{ junctionMm: 1450 }, "hole"],
      [{ hole: 1.5, junctionMm: 1450 }, "hole"],
      [{ hole: 2, junctionMm: 1450, connected: true }, "label"],
    ],
    over: false,
  },
  looked: {
    right: { found: "nothing" },
    wrong: [[{ found: " " }, "found"]],
    over: true,
  },
  decider: {
    right: { choice: "windows", side: "house" },
    wrong: [
      [{ choice: "windows" }, "side"],
      [{ choice: "the colour of the sky", side: "house" }, "choice"],
    ],
    over: false,
  },
  goon: {
    right: { why: "ten minutes are left" },
    wrong: [[{}, "why"]],
    over: true,
  },
  lastcall: {
    right: { on: "2027-03-03", answer: "no more" },
    wrong: [
      [{ on: "soon", answer: "no" }, "on"],
      [{ on: "2027-03-03" }, "answer"],
    ],
    over: true,
  },
};

it("every kind with a form is tried here, and every kind says what it is called and where it stands", () => {
  const all = Object.keys(KINDS) as RecordKind[];
  expect(all.filter(hasForm).sort()).toEqual(Object.keys(CASES).sort());
  for (const k of all) expect([KINDS[k].kind, KINDS[k].words.length > 2, KINDS[k].tab.length > 2], k).toEqual([k, true, true]);
});

const faultsOf = (kind: RecordKind, data: object): string[] => {
  try {
    return readRecord(kind, data).faults.map((f) => f.path);
  } catch (e) {
    return (e as { faults: { path: string }[] }).faults.map((f) => f.path);
  }
};

describe.each(Object.entries(CASES) as [RecordKind, NonNullable<(typeof CASES)[RecordKind]>][])("an entry of kind %s", (kind, c) => {
  it("is taken when it is right, and says itself in words", () => {
    expect(faultsOf(kind, c.right)).toEqual([]);
    expect(KINDS[kind].says(c.right as never)).toMatch(/\w/);
    expect(["ok", "warn", "stop", "none"]).toContain(KINDS[kind].tone(c.right as never));
    expect(isOver(kind, c.right as never, false)).toBe(c.over);
  });
  it.each(c.wrong)("is refused with its field: %j", (data, field) => {
    expect(faultsOf(kind, data)).toContain(field);
  });
  it("takes nothing that it does not know", () => {
    expect(faultsOf(kind, { ...c.right, other: 1 })).not.toEqual([]);
  });
});
