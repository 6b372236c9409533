// Actions on the workshop itself: settings, bays, fitters, calendars, users.

import { v7 } from "uuid";
import { type Options, optionsSchema } from "@/core/library/options";
import { WEEKDAYS, type Weekday } from "@/core/time/calendar";
import { hangsOnBay, hangsOnFitter } from "@/core/workshop/builds/retiring";
import { ALL_FIGURES } from "@/core/workshop/sheets/sheet-figures";
import { NEW, NOTS } from "@/core/workshop/starts/barred";
import { figureFaults, type OwnFigures, ownFigures } from "@/core/workshop/state/house-figures";
import { signInsOf } from "@/db/access/users";
import { standsIn } from "@/db/builds/builds";
import { underWayWith } from "@/db/builds/jobs";
import {
  addBay,
  addCalendar,
  addCalendarDay,
  addFitter,
  addSupplier,
  calendarInUse,
  keepsHours,
  setSkills,
  setWindows,
  supplierNamed,
  type Window,
  windowsOf,
  workshopId,
} from "@/db/house/house";
import { openLines } from "@/db/house/suppliers";
import { vansInYard } from "@/db/house/vans";
import { saveForecast } from "@/db/house/weather";
import { loadWorkshop } from "@/db/shop";
import { forecast } from "@/standins/weather";
import { action, body, type Change, change, instant, is } from "../action";
import { byField, editRow } from "../edits";
import { badField, Refusal } from "../refusal";
import { slug } from "./builds";
import { retire } from "./retire";

const mm = { type: ["integer", "null"], minimum: 500, maximum: 30_000 };
const skills = {
  type: "object",
  propertyNames: { type: "string", minLength: 1, maxLength: 40 },
  additionalProperties: { type: "integer", minimum: 0, maximum: 3 },
  maxProperties: 30,
};
const tickets = {
  type: "array",
  maxItems: 50,
  items: {
    type: "object",
    additionalProperties: false,
    required: ["id"],
    properties: { id: { type: "string", minLength: 1, maxLength: 40 }, until: is.date },
  },
};

interface Bay {
  name: string;
  has: string[];
  tempC?: number;
  heatTempC?: number;
  heatBy?: string;
  heatHourCost?: number;
  heatAheadMinutes?: number;
  dayCost?: number;
  maxHeightMm?: number;
  maxLengthMm?: number;
}
const bayFields = { name: is.name, has: is.ids };
const degrees = { type: "number", minimum: -30, maximum: 50 };
const money = { type: "number", minimum: 0, maximum: 100_000 };
const bayOptional = {
  tempC: degrees,
  heatTempC: degrees,
  heatBy: { type: "string", maxLength: 120 },
  heatHourCost: money,
  heatAheadMinutes: { type: "integer", minimum: 0, maximum: 1440 },
  dayCost: money,
  maxHeightMm: mm,
  maxLengthMm: mm,
};

/** Columns of a bay; a bay that may be heated says who allows it. */
function bayRow(b: Bay) {
  const heats = b.heatTempC !== undefined;
  if (heats && !b.heatBy?.trim()) throw badField("heatBy", "has to say who allows heating there");
  if (heats && b.has.includes("heated") && b.tempC !== undefined)
    throw badField("heatTempC", `is for bays that are not kept warm; this one is kept at ${b.tempC} °C`);
  return {
    name: b.name.trim(),
    temp_c: b.tempC ?? null,
    heat_temp_c: b.heatTempC ?? null,
    heat_by: heats ? b.heatBy!.trim() : "",
    heat_hour_cost: b.heatHourCost ?? 0,
    heat_ahead_minutes: b.heatAheadMinutes ?? 60,
    day_cost: b.dayCost ?? null,
    max_height_mm: b.maxHeightMm ?? null,
    max_length_mm: b.maxLengthMm ?? null,
  };
}

const noiseWeek = {
  type: "object",
  additionalProperties: false,
  properties: Object.fromEntries(
    WEEKDAYS.map((d) => [d, { type: "array", maxItems: 4, items: { type: "array", minItems: 2, maxItems: 2, items: is.clock } }]),
  ),
};

const parse = (v: unknown) => JSON.parse(String(v));

interface Supplier {
  name: string;
  best: number;
  likely: number;
  worst: number;
}
const days = { type: "integer", minimum: 0, maximum: 400 };
const supplierFields = { name: is.name, best: days, likely: days, worst: days };

/** A lead time runs from best to worst. */
function inOrder(s: Supplier): void {
  if (s.likely < s.best) throw badField("likely", "is less than the best");
  if (s.worst < s.likely) throw badField("worst", "is less than the likely");
}

interface Fitter {
  name: string;
  calendarId: string;
  skills: Record<string, number>;
  tickets: { id: string; until?: string }[];
  nots?: string[];
}
const fitterFields = { name: is.name, calendarId: is.id, skills, tickets };
const fitterOptional = { nots: { type: "array", uniqueItems: true, items: { type: "string", enum: [...NOTS, NEW] } } };

async function writeSkills(x: Change, id: string, f: Fitter): Promise<void> {
  const twice = f.tickets.findIndex((t, i) => f.tickets.slice(0, i).some((o) => o.id.trim().toLowerCase() === t.id.trim().toLowerCase()));
  if (twice >= 0) throw badField(`tickets[${twice}].id`, "is there twice");
  await setSkills(x.c, id, f.skills, f.tickets);
}

/** A switch, stored as 0 or 1. */
const flag = (column: string, on: boolean) => ({ column, value: on ? 1 : 0, mine: on, show: (v: unknown) => v === 1 || v === true });

export const workshopActions = [
  // The house's own answers to choices: what a new build starts from.
  action<{ version: number; house: Partial<Options>; hourRate: number; currency: string }>(
    { method: "PATCH", path: "workshop/house", role: "lead" },
    body({
      version: is.version,
      house: { ...optionsSchema, required: [] },
      hourRate: { type: "number", minimum: 0, maximum: 1000 },
      currency: { type: "string", minLength: 1, maxLength: 8 },
    }),
    (b, { user }) =>
      change(user, async (x) => {
        const id = (await workshopId(x.c))!;
        await editRow(x.c, "workshop", "The workshop", id, b.version, {
          house: { column: "house", value: JSON.stringify(b.house) },
          hourRate: { column: "hour_rate", value: b.hourRate },
          currency: { column: "currency", value: b.currency },
        });
        await x.event({ kind: "workshop.house", entity: "workshop", entityId: id, text: "house rules changed" });
      }),
  ),
  action<{ version: number; figures: OwnFigures }>(
    { method: "PATCH", path: "workshop/figures", role: "lead" },
    body({ version: is.version, figures: { type: "object", maxProperties: 300 } }),
    (b, { user }) =>
      change(user, async (x) => {
        const faults = figureFaults(b.figures, ALL_FIGURES);
        if (faults.length) throw new Refusal(422, faults.map((f) => `${f.path} ${f.message}`).join("; "), { faults });
        const id = (await workshopId(x.c))!;
        await editRow(x.c, "workshop", "The workshop", id, b.version, {
          figures: { column: "figures", value: JSON.stringify(ownFigures(b.figures, ALL_FIGURES)) },
        });
        await x.event({ kind: "workshop.figures", entity: "workshop", entityId: id, text: "figures of the house changed" });
        await x.stale("figures of the house changed");
      }),
  ),
  action<Bay>({ method: "POST", path: "bays", role: "lead" }, body(bayFields, bayOptional), (b, { user }) =>
    change(user, async (x) => {
      const id = slug(b.name);
      await addBay(x.c, { id, seq: 99, has: b.has, ...bayRow(b) });
      await x.event({ kind: "bay.added", entity: "bay", entityId: id, text: `${b.name} added` });
      await x.stale(`${b.name} added`);
      return { id };
    }),
  ),
  action<Bay & { version: number }>(
    { method: "PATCH", path: "bays/*", role: "lead" },
    body({ ...bayFields, version: is.version }, bayOptional),
    (b, { user, ids }) =>
      change(user, async (x) => {
        const row = bayRow(b);
        await editRow(x.c, "bay", b.name, ids[0], b.version, {
          has: { column: "has", value: JSON.stringify(b.has), mine: b.has, show: parse },
          ...byField(row),
        });
        await x.event({ kind: "bay.changed", entity: "bay", entityId: ids[0], text: `${b.name} changed` });
        await x.stale(`${b.name} changed`);
      }),
  ),
  action<Supplier>({ method: "POST", path: "suppliers", role: "lead" }, body(supplierFields), (b, { user }) =>
    change(user, async (x) => {
      inOrder(b);
      if (await supplierNamed(x.c, b.name.trim())) throw badField("name", "is there already");
      const id = slug(b.name);
      await addSupplier(x.c, { ...b, id, name: b.name.trim() });
      await x.event({ kind: "supplier.added", entity: "supplier", entityId: id, text: `${b.name.trim()} added` });
      return { id };
    }),
  ),
  action<Supplier & { version: number }>(
    { method: "PATCH", path: "suppliers/*", role: "lead" },
    body({ ...supplierFields, version: is.version }),
    (b, { user, ids }) =>
      change(user, async (x) => {
        inOrder(b);
        await editRow(x.c, "supplier", b.name, ids[0], b.version, {
          name: { column: "name", value: b.name.trim() },
          best: { column: "lead_best_days", value: b.best },
          likely: { column: "lead_likely_days", value: b.likely },
          worst: { column: "lead_worst_days", value: b.worst },
        });
        await x.event({ kind: "supplier.changed", entity: "supplier", entityId: ids[0], text: `${b.name} takes ${b.likely} days` });
        await x.stale(`${b.name} takes ${b.likely} days`);
      }),
  ),
  retire("suppliers", "supplier", "Supplier", {
    check: async (x, id) => {
      const { n, name } = await openLines(x.c, id);
      if (n)
        throw new Refusal(
          409,
          `${n === 1 ? "1 part line still comes" : `${n} part lines still come`} from there: ${name}. Give ${n === 1 ? "it" : "them"} another supplier first.`,
        );
    },
  }),
  retire("bays", "bay", "Bay", {
    check: async (x, id) => {
      const there = await standsIn(x.c, id);
      if (there) throw new Refusal(409, `${there} stands in it. Move it out first.`);
    },
    hangs: (_x, id, shop, plan) => hangsOnBay(shop, plan, id),
  }),
  action<Fitter>({ method: "POST", path: "fitters", role: "lead" }, body(fitterFields, fitterOptional), (b, { user }) =>
    change(user, async (x) => {
      const id = slug(b.name);
      await calendarExists(x, b.calendarId);
      await addFitter(x.c, { id, name: b.name.trim(), calendarId: b.calendarId, nots: b.nots ?? [] });
      await writeSkills(x, id, b);
      await x.event({ kind: "fitter.added", entity: "fitter", entityId: id, text: `${b.name} added` });
      await x.stale(`${b.name} added`);
      return { id };
    }),
  ),
  action<Fitter & { version: number }>(
    { method: "PATCH", path: "fitters/*", role: "lead" },
    body({ ...fitterFields, version: is.version }, fitterOptional),
    (b, { user, ids }) =>
      change(user, async (x) => {
        await calendarExists(x, b.calendarId);
        await editRow(x.c, "fitter", b.name, ids[0], b.version, {
          name: { column: "name", value: b.name.trim() },
          calendarId: { column: "calendar_id", value: b.calendarId },
          ...(b.nots ? { nots: { column: "nots", value: JSON.stringify(b.nots) } } : {}),
        });
        await writeSkills(x, ids[0], b);
        await x.event({ kind: "fitter.changed", entity: "fitter", entityId: ids[0], text: `${b.name} changed` });
        await x.stale(`${b.name} changed`);
      }),
  ),
  retire("fitters", "fitter", "Fitter", {
    check: async (x, id) => {
      const job = await underWayWith(x.c, id);
      if (job) throw new Refusal(409, `${job} is under way with this fitter. Pause or finish it first.`);
    },
    hangs: async (x, id, shop, plan) => hangsOnFitter(shop, plan, x.now, id, await signInsOf(x.c, id)),
  }),
  action<{ name: string; version: number; windows: { weekday: number; opens: string; closes: string }[] }>(
    { method: "PATCH", path: "calendars/*", role: "lead" },
    body({
      name: is.name,
      version: is.version,
      windows: {
        type: "array",
        maxItems: 60,
        items: body({ weekday: { type: "integer", minimum: 0, maximum: 6 }, opens: is.clock, closes: is.clock }),
      },
    }),
    (b, { user, ids }) =>
      change(user, async (x) => {
        await editRow(x.c, "calendar", b.name, ids[0], b.version, { name: { column: "name", value: b.name.trim() } });
        await writeWindows(x, ids[0], b.windows);
        await x.event({ kind: "calendar.changed", entity: "calendar", entityId: ids[0], text: `hours of ${b.name} changed` });
        await x.stale(`hours of ${b.name} changed`);
      }),
  ),
  action<{ name: string; copyOf: string }>(
    { method: "POST", path: "calendars", role: "lead" },
    body({ name: is.name, copyOf: is.id }),
    (b, { user }) =>
      change(user, async (x) => {
        await calendarExists(x, b.copyOf);
        const id = slug(b.name);
        await addCalendar(x.c, id, b.name.trim());
        await writeWindows(x, id, await windowsOf(x.c, b.copyOf));
        await x.event({ kind: "calendar.added", entity: "calendar", entityId: id, text: `calendar ${b.name} added` });
        return { id };
      }),
  ),
  retire("calendars", "calendar", "Calendar", {
    check: async (x, id) => {
      if (id === "shop") throw new Refusal(409, "The shop's own calendar is always needed.");
      const keeper = await keepsHours(x.c, id);
      if (keeper) throw new Refusal(409, `${keeper} keeps these hours. Give them others first.`);
    },
  }),
  action<{ calendarId: string; date: string; opens?: string; closes?: string; overtime?: boolean; reason: string }>(
    { method: "POST", path: "calendar-days", role: "lead" },
    body(
      { calendarId: is.id, date: is.date, reason: { type: "string", maxLength: 200 } },
      { opens: is.clock, closes: is.clock, overtime: is.bool },
    ),
    (b, { user }) =>
      change(user, async (x) => {
        if ((b.opens === undefined) !== (b.closes === undefined))
          throw badField(b.opens ? "closes" : "opens", "both times, or none for a closed day");
        if (b.opens && b.opens >= b.closes!) throw badField("closes", "has to be later than it opens");
        instant(x, `${b.date}T00:00`, "date");
        await calendarExists(x, b.calendarId);
        const id = v7();
        await addCalendarDay(x.c, { ...b, id, overtime: b.overtime ?? false, reason: b.reason.trim() });
        const text = b.opens ? `extra hours ${b.date} ${b.opens} to ${b.closes}` : `closed on ${b.date}`;
        await x.event({ kind: "calendar.day", entity: "calendar", entityId: b.calendarId, text });
        await x.stale(text);
        return { id };
      }),
  ),
  action<{
    version: number;
    name: string;
    yardPlaces: number;
    shuntMinutes: number;
    goodsInMinutes: number;
    noiseFrom: string;
    noiseTo: string;
    noiseWeek?: Partial<Record<Weekday, [string, string][]>>;
    noiseConfirmed?: string;
    skinBelowC?: number;
    firstTimes?: boolean;
    releaseCuts?: boolean;
  }>(
    { method: "PATCH", path: "workshop", role: "lead" },
    body(
      {
        version: is.version,
        name: is.name,
        yardPlaces: { type: "integer", minimum: 0, maximum: 500 },
        shuntMinutes: { type: "integer", minimum: 0, maximum: 1440 },
        goodsInMinutes: { type: "integer", minimum: 0, maximum: 20_160 },
        noiseFrom: is.clock,
        noiseTo: is.clock,
      },
      {
        noiseWeek,
        noiseConfirmed: { type: "string", maxLength: 160 },
        skinBelowC: { type: "number", minimum: 0, maximum: 15 },
        firstTimes: is.bool,
        releaseCuts: is.bool,
      },
    ),
    (b, { user }) =>
      change(user, async (x) => {
        if (b.noiseFrom >= b.noiseTo) throw badField("noiseTo", "has to be later than noise may begin");
        for (const [day, list] of Object.entries(b.noiseWeek ?? {}))
          for (const [from, to] of list ?? []) if (from >= to) throw badField(`noiseWeek.${day}`, "has to end later than it begins");
        const w = await loadWorkshop(x.c);
        const there = await vansInYard(x.c);
        if (b.yardPlaces < there)
          throw badField("yardPlaces", `is less than the ${there} ${there === 1 ? "van that stands" : "vans that stand"} there`);
        await editRow(x.c, "workshop", "The workshop", w!.id, b.version, {
          name: { column: "name", value: b.name.trim() },
          yardPlaces: { column: "yard_places", value: b.yardPlaces },
          shuntMinutes: { column: "shunt_minutes", value: b.shuntMinutes },
          goodsInMinutes: { column: "goods_in_minutes", value: b.goodsInMinutes },
          noiseFrom: { column: "noise_from", value: b.noiseFrom },
          noiseTo: { column: "noise_to", value: b.noiseTo },
          ...(b.noiseWeek
            ? {
                noiseWeek: {
                  column: "noise_week",
                  value: JSON.stringify(b.noiseWeek),
                  mine: b.noiseWeek,
                  show: (v) => (v === null ? {} : parse(v)),
                },
              }
            : {}),
          ...(b.noiseConfirmed === undefined ? {} : { noiseConfirmed: { column: "noise_confirmed", value: b.noiseConfirmed.trim() } }),
          ...(b.firstTimes === undefined ? {} : { firstTimes: flag("first_times", b.firstTimes) }),
          ...(b.releaseCuts === undefined ? {} : { releaseCuts: flag("release_cuts", b.releaseCuts) }),
          ...(b.skinBelowC === undefined ? {} : { skinBelowC: { column: "skin_below_c", value: b.skinBelowC } }),
        });
        await x.event({ kind: "workshop.changed", entity: "workshop", entityId: w!.id, text: "settings of the workshop changed" });
        await x.stale("settings of the workshop changed");
      }),
  ),
  action({ method: "POST", path: "weather", role: "lead" }, body({}), (_b, { user }) =>
    change(user, async (x) => {
      const w = (await loadWorkshop(x.c))!;
      const days = forecast(w, x.zone, x.now, 14);
      await saveForecast(x.c, days, x.now);
      await x.event({ kind: "weather.fetched", entity: "workshop", entityId: w.id, text: `forecast for ${days.length} days fetched` });
      await x.stale("a new forecast came in");
    }),
  ),
];

async function calendarExists(x: Change, id: string): Promise<void> {
  if (!(await calendarInUse(x.c, id))) throw badField("calendarId", "is no calendar in use");
}

async function writeWindows(x: Change, id: string, windows: readonly Window[]): Promise<void> {
  windows.forEach((w, i) => {
    if (w.opens >= w.closes) throw badField(`windows[${i}].closes`, "has to be later than it opens");
  });
  await setWindows(x.c, id, windows);
}
