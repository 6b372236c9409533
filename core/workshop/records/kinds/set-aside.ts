// What is put aside until something lets it go on: parked things, zones lent as a bench, somebody who stays with a hold, how warm it
// was, and how a day was ended.

import { type Declared, declared, type Fault } from "./fields";

/** A thing that can't be finished yet. Closed: it is done. */
export interface Parked {
  wakes: "job" | "day" | "part";
  /** Code of the job, and the day, and words of the part line, that wake it. */
  code?: string;
  on?: string;
  part?: string;
  owner: string;
  note?: string;
}

export const PARKED = declared<Parked>({
  kind: "parked",
  one: "A parked thing",
  many: "Parked things",
  words: "put aside for later",
  tab: "waits",
  intro:
    "What has to wait for something else and must not be forgotten: a trim ring until the ceiling is up, a clamping ring until the bed is in. It wakes by itself, is asked for then, and holds up the handover.",
  title: { label: "What", hint: "trim ring of the roof fan" },
  by: "any",
  fields: [
    {
      key: "wakes",
      label: "It wakes",
      type: "choice",
      options: [
        ["job", "when a job is done"],
        ["day", "on a day"],
        ["part", "when a part is here"],
      ],
      required: true,
    },
    { key: "code", label: "Job", type: "words", hint: "its code, as on its card", required: true, when: (d) => d.wakes === "job" },
    { key: "on", label: "Day", type: "date", required: true, when: (d) => d.wakes === "day" },
    { key: "part", label: "Part", type: "words", hint: "as it stands in Stores", required: true, when: (d) => d.wakes === "part" },
    { key: "owner", label: "Whose it is", type: "words", required: true },
    { key: "note", label: "Note", type: "words", long: true },
  ],
  says: (d) =>
    [d.wakes === "job" ? `when ${d.code} is done` : d.wakes === "day" ? `on ${d.on}` : `when ${d.part} is here`, d.owner, d.note]
      .filter(Boolean)
      .join(" · "),
  tone: () => "none",
  closes: "Done",
});

/** Somebody who stays with a hold or an open hole. Closed: relieved. */
export interface Attend {
  who: string;
  why: "first hour" | "open hole" | "through the night";
  until?: string;
}

export const ATTEND = declared<Attend>({
  kind: "attend",
  one: "Who stays with it",
  many: "Who stays with what cures",
  words: "needs somebody there",
  tab: "waits",
  intro: "The first hour of a bond, an open hole, a night: who is there. Written at the job, it is said wherever its hold is.",
  title: { label: "With what", hint: "skylight, first bond" },
  by: "any",
  fields: [
    { key: "who", label: "Who", type: "words", required: true },
    {
      key: "why",
      label: "For",
      type: "choice",
      options: (["first hour", "open hole", "through the night"] as const).map((x) => [x, x] as const),
      required: true,
    },
    { key: "until", label: "Until", type: "words", hint: "18:00" },
  ],
  says: (d) => `${d.who} stays with it: ${d.why}${d.until ? `, until ${d.until}` : ""}`,
  tone: () => "none",
  closes: "Relieved",
});

const CLOCK = /^([01]\d|2[0-3]):[0-5]\d$/;

/** How warm it was where something cures, read off at a time. */
export interface Reading {
  on: string;
  at: string;
  tempC: number;
}

export const READING = declared<Reading>({
  kind: "reading",
  one: "How warm it is",
  many: "Warmth read off",
  words: "reading",
  tab: "waits",
  intro: "Where a bond or a coat cures: read off when it begins, in the evening, in the morning, and when heat goes on or off.",
  title: { label: "Where", hint: "at the bond, Wet bay" },
  by: "any",
  fields: [
    { key: "on", label: "Day", type: "date", required: true },
    { key: "at", label: "Time", type: "words", hint: "17:30", required: true },
    { key: "tempC", label: "Temperature", type: "number", min: -40, max: 80, unit: "°C", required: true },
  ],
  says: (d) => `${d.tempC} °C on ${d.on} at ${d.at}`,
  tone: () => "none",
  over: () => true,
  faults: (d): Fault[] => (CLOCK.test(d.at) ? [] : [{ path: "at", message: "is no time of day: 17:30" }]),
});

const BENCH_ZONES = {
  floor: "floor",
  left: "left wall",
  right: "right wall",
  rear: "rear",
  ceiling: "ceiling",
  nose: "cab",
} as const;

/** A zone of the van that serves as a bench until a day. Closed: given back. */
export interface ZoneBench {
  zone: keyof typeof BENCH_ZONES;
  until: string;
  owner: string;
}

export const ZONE_BENCH = declared<ZoneBench>({
  kind: "zonebench",
  one: "A zone as a bench",
  many: "Zones that serve as a bench",
  words: "area used as a bench",
  tab: "waits",
  intro: "Sheets and tools in the bed zone, a saw on the floor: work of that zone is planned behind the day, and it is asked back in time.",
  title: { label: "For what", hint: "cutting the furniture" },
  by: "any",
  fields: [
    { key: "zone", label: "Zone", type: "choice", options: Object.entries(BENCH_ZONES), required: true },
    { key: "until", label: "Until", type: "date", required: true },
    { key: "owner", label: "Who clears it", type: "words", required: true },
  ],
  says: (d) => `${BENCH_ZONES[d.zone]} until ${d.until}, ${d.owner} clears it`,
  tone: () => "none",
  closes: "Cleared",
});

/** Stop for today, or one more: as it was decided. */
export interface DayEndChoice {
  on: string;
  choice: "stop" | "one more";
  why: string;
  who: string;
}

export const DAY_END = declared<DayEndChoice>({
  kind: "dayend",
  one: "Stop, or one more",
  many: "Stop, or one more",
  words: "end of the day",
  tab: "waits",
  intro: "What was decided in the evening, by whom and why: seen again when the last one of a day has to be done again.",
  title: { label: "What it was about", hint: "third window" },
  by: "any",
  fields: [
    { key: "on", label: "Day", type: "date", required: true },
    {
      key: "choice",
      label: "Decided",
      type: "choice",
      options: [
        ["stop", "stop for today"],
        ["one more", "one more"],
      ],
      required: true,
    },
    { key: "why", label: "Why", type: "words", required: true, hint: "tired, cold, dark, rain at six; or an hour is left" },
    { key: "who", label: "By whom", type: "words", required: true },
  ],
  says: (d) => `${d.on}: ${d.choice} · ${d.why} · ${d.who}`,
  tone: () => "none",
  over: () => true,
});

/** Something else in place of a part that is late. */
export interface Substitute {
  part: string;
  days: number;
  mm?: number;
  kg?: number;
  hours?: number;
  price?: number;
}

export const SUBSTITUTE = declared<Substitute>({
  kind: "substitute",
  one: "Something else instead",
  many: "Instead of a part that is late",
  words: "stand-in part",
  tab: "waits",
  intro: "What could be had sooner, and what it changes: thickness, weight, hours. Its dates are tried on the plan before anybody buys it.",
  title: { label: "What", hint: "panel 3 mm thicker, from stock" },
  by: "any",
  fields: [
    { key: "part", label: "Instead of", type: "words", hint: "as it stands in Stores", required: true },
    { key: "days", label: "Here in", type: "number", min: 0, max: 400, whole: true, unit: "days", required: true },
    { key: "mm", label: "Thicker by", type: "number", min: -500, max: 500, unit: "mm" },
    { key: "kg", label: "Heavier by", type: "number", min: -500, max: 500, unit: "kg" },
    { key: "hours", label: "More work", type: "number", min: -100, max: 100, unit: "h" },
    { key: "price", label: "Dearer by", type: "number", min: -100_000, max: 100_000 },
  ],
  says: (d) =>
    [
      `instead of ${d.part}, here in ${d.days} days`,
      ...(
        [
          ["mm", d.mm],
          ["kg", d.kg],
          ["h", d.hours],
          ["money", d.price],
        ] as const
      ).flatMap(([unit, n]) => (n ? [`${n > 0 ? "+" : "−"}${Math.abs(n)} ${unit}`] : [])),
    ].join(" · "),
  tone: () => "none",
  closes: "Solved",
});

export const waitKinds: readonly Declared[] = [PARKED, ATTEND, READING, ZONE_BENCH, DAY_END, SUBSTITUTE];
