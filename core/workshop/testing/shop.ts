// A small workshop in memory for tests: two bays, four fitters, builds made from the library.

import { type Entry, library } from "../../library/library";
import { buildNetwork } from "../../library/network";
import { DEFAULT_OPTIONS, type Options } from "../../library/options";
import { zoneOf } from "../../time/zone";
import { vans } from "../../van/model";
import { SHELL_STEPS, SHELL_ZONES } from "../records/kinds/bare-zone";
import { TOUCHES } from "../records/kinds/client";
import { freshJob } from "../state/from-network";
import type { BuildRow, JobRow, Shop, TemplateRow } from "../state/model";

export const ZONE = "Europe/Lisbon";
export const zone = zoneOf(ZONE);
/** A Wednesday. */
export const NOW = zone.parse("2027-03-03T10:00");
export const at = (text: string): number => zone.parse(text);

/** What makes a tool a machine, of one that is none. */
export const NO_MACHINE = {
  opens: null,
  closes: null,
  hadFrom: null,
  hadUntil: null,
  floorMm: null,
  lengthMm: null,
  outfeedMm: null,
  hourCost: null,
} as const;

export const PLAIN: Options = { ...DEFAULT_OPTIONS, windows: 1, solar: 0, heater: "none" };

const kept = { jobId: null, saidBy: "u-ines", saidAt: 1, closedAt: 1, version: 1, photos: [] };

/**
 * Whose van it is, and consents to all that can't be undone: no cut begins without. Its bare zones cleaned and taken over, degreased
 * just now: nothing is insulated without.
 */
export const ownedRecords = (): BuildRow["records"] =>
  [
    { ...kept, id: "owned", kind: "owner", title: "Somebody", data: { payer: "Somebody", user: "Somebody" } },
    ...TOUCHES.map((touches) => ({
      ...kept,
      id: `consent-${touches}`,
      kind: "consent",
      title: touches,
      data: { touches, signedBy: "Somebody" },
    })),
    ...SHELL_ZONES.map((zone) => ({
      ...kept,
      id: `zone-${zone}`,
      kind: "zone",
      title: zone,
      data: {
        zone,
        steps: Object.fromEntries(SHELL_STEPS.map((s) => [s, { by: "Teo", at: NOW }])),
        accepted: { by: "Ines", at: NOW },
      },
    })),
  ] as BuildRow["records"];

export function testBuild(id: string, options: Options = PLAIN, entries: readonly Entry[] = library): BuildRow {
  const jobs = buildNetwork(options, vans[1].geometry, entries).map((n, seq): JobRow => {
    const j = freshJob(id, n, seq);
    // Here, checked, and their boxes counted long ago.
    for (const p of j.parts) Object.assign(p, { supplierId: "s", state: "checked", contents: [] });
    for (const q of j.questions) Object.assign(q, { answeredAt: 1, answeredBy: "u-ines" });
    return j;
  });
  return {
    id,
    name: id === "a" ? "Field vet" : `Build ${id}`,
    client: "Somebody",
    purpose: "",
    vanId: "drover-l3h2",
    arrives: at("2027-03-01T08:00"),
    due: at("2027-04-30T17:00"),
    weight: 1,
    options,
    openChoices: [],
    libraryVersion: null,
    readings: [],
    records: ownedRecords(),
    sheets: [],
    at: "b1",
    atSince: null,
    state: "active",
    version: 1,
    jobs,
  };
}

const week = [0, 1, 2, 3, 4].flatMap((weekday) =>
  [
    ["08:00", "12:00"],
    ["12:45", "17:00"],
  ].map(([opens, closes], i) => ({ id: `${weekday}${i}`, weekday, opens, closes })),
);

export function testShop(builds: BuildRow[] = [testBuild("a")]): Shop {
  const fitter = (id: string, name: string, skills: Record<string, number>, tickets: string[] = []) => ({
    id,
    name,
    calendarId: "shop",
    retired: false,
    version: 1,
    skills,
    tickets: tickets.map((t) => ({ id: t, until: null })),
    nots: [] as string[],
    absences: [],
  });
  return {
    workshop: {
      id: "w",
      name: "Test",
      zone: ZONE,
      latitude: 38,
      longitude: -9,
      units: "mm",
      noiseFrom: "08:30",
      noiseTo: "17:30",
      noiseWeek: {},
      noiseConfirmed: "",
      skinBelowC: 3,
      figures: {},
      firstTimes: true,
      releaseCuts: false,
      yardPlaces: 3,
      yardHas: ["roof-access", "wash"],
      yardWork: true,
      shuntMinutes: 20,
      goodsInMinutes: 60,
      horizonDays: 240,
      weights: {},
      hourRate: 50,
      currency: "€",
      house: {},
      demo: false,
      changes: 0,
      plannedChanges: 0,
      staleWhy: null,
      version: 1,
    },
    calendars: [{ id: "shop", name: "Shop hours", retired: false, version: 1, windows: week, days: [] }],
    bays: [
      {
        id: "b1",
        name: "Long bay",
        seq: 0,
        calendarId: null,
        has: ["indoor", "heated", "lit", "lift", "roof-access", "scales"],
        tempC: 18,
        heatTempC: null,
        heatBy: "",
        heatHourCost: 0,
        heatAheadMinutes: 60,
        dayCost: null,
        maxHeightMm: null,
        maxLengthMm: null,
        retired: false,
        version: 1,
        closures: [],
        heats: [],
      },
      {
        id: "b2",
        name: "Wet bay",
        seq: 1,
        calendarId: null,
        has: ["wash", "roof-access"],
        tempC: null,
        heatTempC: 16,
        heatBy: "Mara",
        heatHourCost: 4,
        heatAheadMinutes: 90,
        dayCost: null,
        maxHeightMm: null,
        maxLengthMm: null,
        retired: false,
        version: 1,
        closures: [],
        heats: [],
      },
    ],
    fitters: [
      fitter("ines", "Ines", { body: 3, paint: 2 }),
      fitter("teo", "Teo", { body: 2, trim: 2 }),
      fitter("rosa", "Rosa", { joinery: 3, trim: 1 }),
      fitter("nils", "Nils", { electric: 3, plumbing: 2 }, ["mains"]),
    ],
    vans: [...vans],
    suppliers: [{ id: "s", name: "Bay Glass", leadBestDays: 2, leadLikelyDays: 5, leadWorstDays: 12, retired: false, version: 1 }],
    tools: [{ id: "nib", name: "nibbler", pieces: 1, state: "sound", note: "", held: false, version: 1, ...NO_MACHINE }],
    templates: [],
    leaks: [],
    fixings: [],
    members: [],
    marked: [],
    practice: [],
    ghosts: [],
    times: [],
    zoneRates: [],
    weather: [
      { date: "2027-03-03", sunrise: "06:55", sunset: "18:33", dry: [["00:00", "15:00"]], lowC: 8, highC: 15, windMs: null },
      { date: "2027-03-04", sunrise: "06:53", sunset: "18:34", dry: [["11:00", "13:00"]], lowC: 8, highC: 14, windMs: null },
      { date: "2027-03-05", sunrise: "06:52", sunset: "18:35", dry: [["00:00", "24:00"]], lowC: 9, highC: 16, windMs: null },
    ],
    builds,
  };
}

/** The job with that code in the first build. */
export function job(shop: Shop, code: string): JobRow {
  const found = shop.builds[0].jobs.find((j) => j.code === code);
  if (!found) throw new Error(`no job ${code}`);
  return found;
}

/** Marks jobs as done in the bay, ended at that minute. */
export function done(shop: Shop, codes: readonly string[], ended: number): void {
  for (const code of codes)
    Object.assign(job(shop, code), {
      state: "done",
      startedAt: ended - 60,
      endedAt: ended,
      actualPlace: job(shop, code).place === "bench" ? "bench" : "b1",
      fitters: ["ines"],
    });
}

/** A template for the side window, left, of the test builds' type of van. */
export const testTemplate = (more: Partial<TemplateRow> = {}): TemplateRow => ({
  id: "t7",
  number: "7",
  vanId: "drover-l3h2",
  kind: "template",
  what: "side window",
  side: "left",
  bay: "",
  mark: "up",
  serves: "",
  offsets: "",
  note: "",
  retired: false,
  version: 1,
  ...more,
});
