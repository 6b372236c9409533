// JSON Schemas of the problem and the plan, the open format of the planner (docs/plan-format.md). Types derive from them.

import { WEEKDAYS, type Weekday } from "../time/calendar";

const id = { type: "string", minLength: 1, maxLength: 120 } as const;
const text = { type: "string", maxLength: 2000 } as const;
const name = { type: "string", minLength: 1, maxLength: 200 } as const;
const time = { type: "string", pattern: "^\\d{4}-\\d{2}-\\d{2}T\\d{2}:\\d{2}$" } as const;
const date = { type: "string", pattern: "^\\d{4}-\\d{2}-\\d{2}$" } as const;
const clock = { type: "string", pattern: "^(([01]\\d|2[0-3]):[0-5]\\d|24:00)$" } as const;
const window = { type: "array", items: clock, minItems: 2, maxItems: 2 } as const;
const windows = { type: "array", items: window } as const;
const span = { type: "array", items: time, minItems: 2, maxItems: 2 } as const;
const ids = { type: "array", items: id } as const;
const count = { type: "integer", minimum: 0 } as const;
const positive = { type: "integer", minimum: 1 } as const;

const object = <P, const R extends readonly string[]>(properties: P, required: R) =>
  ({ type: "object", properties, required, additionalProperties: false }) as const;

const day = {
  sunrise: clock,
  sunset: clock,
  dry: windows,
  tempC: { type: "array", items: { type: "number" }, minItems: 2, maxItems: 2 },
  windMs: { type: "number", minimum: 0 },
} as const;

const calendar = object(
  {
    id,
    week: {
      type: "object",
      properties: {
        mon: windows,
        tue: windows,
        wed: windows,
        thu: windows,
        fri: windows,
        sat: windows,
        sun: windows,
      },
      additionalProperties: false,
    } as const,
    closed: { type: "array", items: date } as const,
    extra: {
      type: "array",
      items: object({ date, windows, overtime: { type: "boolean" } as const }, ["date", "windows"] as const),
    } as const,
  },
  ["id", "week"] as const,
);

const bay = object(
  {
    id,
    name,
    calendar: id,
    has: ids,
    tempC: { type: "number" } as const,
    maxHeightMm: { type: "number", exclusiveMinimum: 0 } as const,
    maxLengthMm: { type: "number", exclusiveMinimum: 0 } as const,
    closed: { type: "array", items: span } as const,
    // What a bay that is not kept warm could be heated to, and what an hour of it costs.
    heat: object({ tempC: { type: "number" } as const, hourCost: { type: "number", minimum: 0 } as const }, ["tempC"] as const),
    // Hours in which a bay that is not kept warm is heated.
    warm: {
      type: "array",
      items: object({ from: time, to: time, tempC: { type: "number" } as const }, ["from", "to", "tempC"] as const),
    } as const,
  },
  ["id", "name", "has"] as const,
);

const fitter = object(
  {
    id,
    name,
    calendar: id,
    skills: { type: "object", additionalProperties: { type: "integer", minimum: 0, maximum: 9 } } as const,
    tickets: { type: "array", items: object({ id, until: date }, ["id"] as const) } as const,
    away: { type: "array", items: span } as const,
  },
  ["id", "name", "calendar", "skills"] as const,
);

const minutes = {
  anyOf: [positive, object({ best: count, likely: count, worst: count }, ["best", "likely", "worst"] as const)],
} as const;

const fact = { start: time, bay: id, fitters: ids } as const;

const state = {
  anyOf: [
    { type: "string", const: "todo" },
    // Those of `helpers` are there for the part that the crew asks, counted in what is left; all others to the end.
    object({ started: object({ ...fact, leftMinutes: count, helpers: ids }, ["start", "bay", "fitters", "leftMinutes"] as const) }, [
      "started",
    ] as const),
    object({ done: object({ ...fact, end: time }, ["start", "end", "bay", "fitters"] as const) }, ["done"] as const),
  ],
} as const;

const job = object(
  {
    id,
    stage: name,
    name,
    minutes,
    place: { type: "string", enum: ["van", "bench"] } as const,
    yardOk: { type: "boolean" } as const,
    bay: ids,
    zones: ids,
    crew: {
      type: "array",
      items: object(
        {
          skill: id,
          level: count,
          count: positive,
          ticket: id,
          // There for these minutes of the work only, counted from its beginning.
          during: object({ from: count, to: positive }, ["from", "to"] as const),
        },
        ["skill"] as const,
      ),
    } as const,
    // Who takes so many times as long, being new to this kind of work; a crew takes as long as the least new of it.
    slow: {
      type: "array",
      items: object({ fitter: id, factor: { type: "number", minimum: 1, maximum: 5 } as const }, ["fitter", "factor"] as const),
    } as const,
    needs: object(
      {
        dry: { type: "boolean" } as const,
        daylight: { type: "boolean" } as const,
        minTempC: { type: "number" } as const,
        maxTempC: { type: "number" } as const,
        // The lowest temperature of work and hold is that of the metal, which lags behind the air.
        metal: { type: "boolean" } as const,
        // The most wind, in metres a second, where no roof is over it.
        maxWindMs: { type: "number", exclusiveMinimum: 0 } as const,
        noisy: { type: "boolean" } as const,
        sameDay: { type: "boolean" } as const,
      },
      [] as const,
    ),
    after: {
      type: "array",
      items: object(
        {
          job: id,
          lag: count,
          lagKind: { type: "string", enum: ["elapsed", "working"] } as const,
          ignoreHold: { type: "boolean" } as const,
        },
        ["job"] as const,
      ),
    } as const,
    hold: object(
      {
        minutes: count,
        still: { type: "boolean" } as const,
        keepOff: { anyOf: [ids, { type: "string", const: "all" }] } as const,
        minTempC: { type: "number" } as const,
      },
      ["minutes"] as const,
    ),
    covers: ids,
    tools: {
      type: "array",
      // Held: until the hold lets go.
      items: object({ id, count: positive, held: { type: "boolean" } as const }, ["id"] as const),
    } as const,
    proofApproved: { type: "boolean" } as const,
    partsFrom: time,
    notBefore: time,
    pin: object({ start: time, bay: id, fitters: ids }, [] as const),
    state,
  },
  ["id", "stage", "name", "minutes", "place", "zones", "crew", "state"] as const,
);

const build = object(
  {
    id,
    name,
    arrives: time,
    due: time,
    weight: { type: "number", exclusiveMinimum: 0 } as const,
    heightMm: { type: "number", exclusiveMinimum: 0 } as const,
    lengthMm: { type: "number", exclusiveMinimum: 0 } as const,
    insideCrew: positive,
    at: id,
    jobs: { type: "array", items: job } as const,
  },
  ["id", "name", "arrives", "due", "weight", "heightMm", "lengthMm", "insideCrew", "jobs"] as const,
);

const weight = { type: "number", minimum: 0 } as const;

export const weightsSchema = object({ late: weight, flow: weight, shunts: weight, churn: weight, overtime: weight }, [] as const);

export const whyKinds = [
  "predecessor",
  "hold",
  "fitter",
  "bay",
  "yard",
  "shunt",
  "part",
  "dry",
  "daylight",
  "noise",
  "temperature",
  "wind",
  "calendar",
  "same-day",
  "proof",
  "pin",
  "not-before",
  "arrival",
  "now",
  "inside-crew",
  "zone",
  "tool",
] as const;

const why = object({ kind: { type: "string", enum: whyKinds } as const, ref: id, until: time, text }, ["kind", "text"] as const);

const remark = object({ job: id, reason: text }, ["job", "reason"] as const);

export const planSchema = object(
  {
    format: { type: "string", const: "wide-lane/plan@1" } as const,
    seed: { type: "integer" } as const,
    iterations: count,
    ms: { type: "number", minimum: 0 } as const,
    jobs: {
      type: "array",
      items: object(
        {
          id,
          start: time,
          end: time,
          work: { type: "array", items: span } as const,
          place: id,
          fitters: ids,
          // Who is there for a part of it only, and when; all others of its fitters for all of it.
          helpers: {
            type: "array",
            items: object({ fitter: id, work: { type: "array", items: span } as const }, ["fitter", "work"] as const),
          } as const,
          holdUntil: time,
          why: { type: "array", items: why } as const,
        },
        ["id", "start", "end", "place", "fitters"] as const,
      ),
    } as const,
    stays: {
      type: "array",
      items: object({ build: id, place: id, from: time, to: time }, ["build", "place", "from", "to"] as const),
    } as const,
    builds: {
      type: "array",
      items: object(
        {
          id,
          finish: time,
          due: time,
          lateWorkingMinutes: count,
          chain: {
            type: "array",
            items: object({ job: id, kind: name, minutes: count }, ["job", "kind", "minutes"] as const),
          } as const,
        },
        ["id"] as const,
      ),
    } as const,
    unplaced: { type: "array", items: remark } as const,
    pinsBroken: { type: "array", items: remark } as const,
    cost: object({ total: weight, late: weight, flow: weight, shunts: weight, churn: weight, overtime: weight }, [] as const),
  },
  ["format", "jobs", "stays", "builds", "unplaced", "pinsBroken"] as const,
);

export const problemSchema = object(
  {
    format: { type: "string", const: "wide-lane/problem@1" } as const,
    zone: name,
    now: time,
    horizonDays: { type: "integer", minimum: 1, maximum: 1500 } as const,
    frozenUntil: time,
    calendars: { type: "array", items: calendar } as const,
    noiseHours: window,
    // Weekdays that have other noise hours than the rest; none: quiet all day.
    noiseWeek: {
      type: "object",
      properties: Object.fromEntries(WEEKDAYS.map((d) => [d, windows])) as Record<Weekday, typeof windows>,
      additionalProperties: false,
    } as const,
    // How much colder metal is than the air wherever nothing is heated throughout.
    skinBelowC: { type: "number", minimum: 0 } as const,
    weather: object(
      {
        days: { type: "array", items: object({ date, ...day }, ["date", "sunrise", "sunset", "dry", "tempC"] as const) },
        default: object(day, ["sunrise", "sunset", "dry", "tempC"] as const),
      } as const,
      [] as const,
    ),
    bays: { type: "array", items: bay } as const,
    yard: object({ places: count, has: ids, work: { type: "boolean" } as const }, ["places"] as const),
    fitters: { type: "array", items: fitter } as const,
    // Hours of each day in which a tool can be worked with, and when it is not to be had at all.
    tools: {
      type: "array",
      items: object({ id, name, pieces: count, hours: window, closed: { type: "array", items: span } as const }, ["id", "pieces"] as const),
    } as const,
    shuntMinutes: count,
    builds: { type: "array", items: build } as const,
    published: planSchema,
    weights: weightsSchema,
  },
  ["format", "zone", "now", "calendars", "bays", "yard", "fitters", "shuntMinutes", "builds"] as const,
);
