// A small workshop in memory for tests: two bays, four fitters, builds made from the library.

import { buildNetwork } from "../../library/network";
import type { Options } from "../../library/schema";
import vans from "../../library/vans.json";
import { zoneOf } from "../../time/zone";
import type { BuildRow, JobRow, Shop } from "../model";

export const ZONE = "Europe/Lisbon";
export const zone = zoneOf(ZONE);
/** A Wednesday. */
export const NOW = zone.parse("2027-03-03T10:00");
export const at = (text: string): number => zone.parse(text);

export const PLAIN: Options = {
  windows: 1,
  fan: true,
  solar: false,
  swivels: false,
  gas: false,
  heater: false,
  firstFix: "services-first",
};

export function testBuild(id: string, options: Options = PLAIN): BuildRow {
  const jobs = buildNetwork(options).map((j, seq): JobRow => {
    const jobId = `${id}.${j.code}`;
    return {
      id: jobId,
      buildId: id,
      code: j.code,
      stage: j.stage,
      name: j.name,
      seq,
      minutes: j.minutes,
      place: j.place,
      yardOk: j.yardOk ?? false,
      bayHas: j.bay ?? [],
      zones: j.zones,
      needs: {
        dry: j.needs?.dry ?? false,
        daylight: j.needs?.daylight ?? false,
        minTempC: j.needs?.minTempC ?? null,
        noisy: j.needs?.noisy ?? false,
        sameDay: j.needs?.sameDay ?? false,
      },
      hold: {
        minutes: j.hold?.minutes ?? 0,
        still: j.hold?.still ?? false,
        keepOff: j.hold?.keepOff ?? null,
        minTempC: j.hold?.minTempC ?? null,
      },
      notBefore: null,
      pin: { start: null, place: null, fitters: [] },
      cautions: j.cautions,
      kit: j.kit ?? [],
      state: "todo",
      startedAt: null,
      runningSince: null,
      workedMinutes: 0,
      endedAt: null,
      actualPlace: null,
      version: 1,
      crew: j.crew.map((c) => ({ skill: c.skill, level: c.level ?? 1, people: c.count ?? 1, ticket: c.ticket ?? null })),
      fitters: [],
      steps: j.steps.map((text, i) => ({ n: i + 1, text, doneAt: null, doneBy: null })),
      after: j.after.map((a) => ({
        job: `${id}.${a.job}`,
        lag: 0,
        lagKind: "elapsed",
        ignoreHold: a.ignoreHold ?? false,
        reason: a.reason,
      })),
      covers: j.covers.map((c) => `${id}.${c}`),
      parts: (j.parts ?? []).map((p, i) => ({
        id: `${jobId}.part${i + 1}`,
        jobId,
        name: p.name,
        quantity: p.quantity,
        unit: p.unit,
        supplierId: "s",
        state: "checked",
        promisedAt: null,
        firstPromisedAt: null,
        arrivedAt: null,
        checkedAt: null,
        shelf: "",
        note: "",
        version: 1,
      })),
      shots: (j.proof ?? []).map((p, i) => ({
        id: `${jobId}.shot${i + 1}`,
        n: i + 1,
        text: p.text,
        beforeCloseUp: p.beforeCloseUp,
        version: 1,
        photos: [],
      })),
      remarks: [],
    };
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
    at: "b1",
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
  const fitter = (id: string, name: string, skills: Record<string, number>) => ({
    id,
    name,
    calendarId: "shop",
    retired: false,
    version: 1,
    skills,
    tickets: [],
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
      yardPlaces: 3,
      yardHas: ["roof-access", "wash"],
      yardWork: true,
      shuntMinutes: 20,
      goodsInMinutes: 60,
      horizonDays: 240,
      weights: {},
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
        maxHeightMm: null,
        maxLengthMm: null,
        retired: false,
        version: 1,
        closures: [],
      },
      {
        id: "b2",
        name: "Wet bay",
        seq: 1,
        calendarId: null,
        has: ["wash", "roof-access"],
        tempC: null,
        maxHeightMm: null,
        maxLengthMm: null,
        retired: false,
        version: 1,
        closures: [],
      },
    ],
    fitters: [
      fitter("ines", "Ines", { body: 3, paint: 2 }),
      fitter("teo", "Teo", { body: 2, trim: 2 }),
      fitter("rosa", "Rosa", { joinery: 3, trim: 1 }),
      fitter("nils", "Nils", { electric: 3, plumbing: 2 }),
    ],
    vans: vans.map(({ id, name, lengthMm, widthMm, heightMm, wheelbaseMm, insideCrew, geometry }) => ({
      id,
      name,
      lengthMm,
      widthMm,
      heightMm,
      wheelbaseMm,
      insideCrew,
      geometry,
    })),
    suppliers: [{ id: "s", name: "Bay Glass", leadBestDays: 2, leadLikelyDays: 5, leadWorstDays: 12, version: 1 }],
    weather: [
      { date: "2027-03-03", sunrise: "06:55", sunset: "18:33", dry: [["00:00", "15:00"]], lowC: 8, highC: 15 },
      { date: "2027-03-04", sunrise: "06:53", sunset: "18:34", dry: [["11:00", "13:00"]], lowC: 8, highC: 14 },
      { date: "2027-03-05", sunrise: "06:52", sunset: "18:35", dry: [["00:00", "24:00"]], lowC: 9, highC: 16 },
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
