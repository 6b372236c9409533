// Owner, payer and user of a van, the consents for what can't be undone, and what others had done to it before.

import { type Choice, declared } from "./fields";

/** Who owns it (the entry's title), who pays, who will drive and sleep in it, and what the layout has to hold for them. */
export interface Owner {
  payer: string;
  user: string;
  berths?: number;
  beltsOrdered?: number;
  beltsDrawn?: number;
  /** Seats that are not for the road, and whether each is marked so. */
  leisureSeats?: number;
  leisureMarked?: boolean;
  animals?: string;
  tallMm?: number;
  /** Who sleeps in it, with their heights, mm. */
  sleepers?: { name: string; mm: number }[];
  /** Each seat: for the road, with what shows that its anchor holds, or not for the road. */
  seats?: { name: string; kind: "belted" | "leisure"; evidence?: string }[];
  /** The largest things that go in, mm. */
  things?: { name: string; l?: number; w?: number; h?: number }[];
}

/** The tallest who sleeps in it, mm: of the list, or as written down. */
export const tallest = (o: Owner): number | undefined => (o.sleepers?.length ? Math.max(...o.sleepers.map((s) => s.mm)) : o.tallMm);

/** Seats that somebody may ride on: those of the list with evidence of their anchors; without a list, as they are drawn. */
export const beltedSeats = (o: Owner): number =>
  o.seats?.length ? o.seats.filter((s) => s.kind === "belted" && s.evidence?.trim()).length : (o.beltsDrawn ?? 0);

export const TOUCHES = ["skin", "structure", "rack", "seat", "lettering"] as const;
export type Touches = (typeof TOUCHES)[number];

/** A consent, signed for one kind of change that can't be undone. */
export interface Consent {
  touches: Touches;
  signedBy?: string;
  on?: string;
  note?: string;
}

export const TOUCH_WORDS: Record<Touches, string> = {
  skin: "cuts in the skin",
  structure: "changes to structure",
  rack: "changes to the rack",
  seat: "seat mounts",
  lettering: "lettering",
};

const choices = <T extends string>(words: Record<T, string>): Choice[] => Object.entries<string>(words);

/** What the layout does not give that was ordered, in words. */
export function ownerFindings(o: Owner): string[] {
  const out: string[] = [];
  const belted = beltedSeats(o);
  if (o.beltsOrdered !== undefined && belted < o.beltsOrdered)
    out.push(`${belted} belted seats drawn where ${o.beltsOrdered} were ordered`);
  for (const s of o.seats ?? []) if (s.kind === "belted" && !s.evidence?.trim()) out.push(`${s.name}: nothing shows that its anchor holds`);
  if (o.leisureSeats && !o.leisureMarked)
    out.push(`${o.leisureSeats} leisure ${o.leisureSeats === 1 ? "seat is" : "seats are"} not marked "not while driving"`);
  return out;
}

export const OWNER = declared<Owner>({
  kind: "owner",
  one: "Owner, payer, user",
  many: "Owner, payer, user",
  words: "owner",
  tab: "papers",
  intro: "Three names that are not always one. Consents are the registered owner's to sign, whoever pays.",
  title: { label: "Registered owner", hint: "as in the papers of the van" },
  single: true,
  by: "lead",
  fields: [
    { key: "payer", label: "Who pays", type: "words", required: true },
    { key: "user", label: "Who uses it", type: "words", required: true },
    { key: "berths", label: "Berths", type: "number", min: 0, max: 9, whole: true },
    { key: "beltsOrdered", label: "Belted seats ordered", type: "number", min: 0, max: 9, whole: true },
    { key: "beltsDrawn", label: "Belted seats drawn", type: "number", min: 0, max: 9, whole: true },
    { key: "leisureSeats", label: "Leisure seats", type: "number", min: 0, max: 9, whole: true },
    { key: "leisureMarked", label: 'Each is marked "not while driving"', type: "flag", when: (d) => Number(d.leisureSeats ?? 0) > 0 },
    { key: "tallMm", label: "Tallest sleeper", type: "number", min: 500, max: 2500, unit: "mm" },
    { key: "animals", label: "Animals", type: "words" },
    {
      key: "sleepers",
      label: "Sleepers, with their heights",
      type: "rows",
      most: 9,
      add: "Add a sleeper",
      columns: [
        { key: "name", label: "Who", type: "words", required: true },
        { key: "mm", label: "Tall, mm", type: "number", min: 400, max: 2500, required: true },
      ],
    },
    {
      key: "seats",
      label: "Seats, one by one",
      type: "rows",
      most: 12,
      add: "Add a seat",
      columns: [
        { key: "name", label: "Seat", type: "words", required: true },
        {
          key: "kind",
          label: "It is",
          type: "choice",
          options: [
            ["belted", "belted, for the road"],
            ["leisure", "leisure, not while driving"],
          ],
          required: true,
        },
        { key: "evidence", label: "What shows that its anchor holds", type: "words" },
      ],
    },
    {
      key: "things",
      label: "Largest things carried, mm",
      type: "rows",
      most: 20,
      add: "Add a thing",
      columns: [
        { key: "name", label: "What", type: "words", required: true },
        { key: "l", label: "Long", type: "number", min: 1, max: 6000 },
        { key: "w", label: "Wide", type: "number", min: 1, max: 3000 },
        { key: "h", label: "High", type: "number", min: 1, max: 3000 },
      ],
    },
  ],
  says: (d) =>
    [
      `pays: ${d.payer}`,
      `uses it: ${d.user}`,
      d.berths !== undefined && `${d.berths} berths`,
      tallest(d) !== undefined && `tallest sleeper ${tallest(d)} mm`,
      d.animals,
      ...ownerFindings(d),
    ]
      .filter(Boolean)
      .join(" · "),
  tone: (d) => (ownerFindings(d).length ? "stop" : "ok"),
  over: () => true,
});

export const CONSENT = declared<Consent>({
  kind: "consent",
  one: "A consent",
  many: "Consents",
  words: "consent",
  tab: "papers",
  intro: "For each change that can't be undone. The work can be planned without it, but not started.",
  title: { label: "For what", hint: "roof fan and both side windows" },
  by: "lead",
  fields: [
    { key: "touches", label: "It touches", type: "choice", options: choices(TOUCH_WORDS), required: true },
    { key: "signedBy", label: "Signed by", type: "words", hint: "the registered owner" },
    { key: "on", label: "On", type: "date", when: (d) => !!d.signedBy },
    { key: "note", label: "Note", type: "words", long: true },
  ],
  says: (d) =>
    [TOUCH_WORDS[d.touches], d.signedBy ? `signed by ${d.signedBy}${d.on ? `, ${d.on}` : ""}` : "not signed yet", d.note]
      .filter(Boolean)
      .join(" · "),
  tone: (d) => (d.signedBy ? "ok" : "warn"),
  over: (d) => !!d.signedBy,
});

export const AREAS = {
  floor: "floor",
  roofUnits: "roof units",
  windows: "windows",
  rack: "rack, rails",
  insulation: "insulation",
  linings: "linings",
  furniture: "furniture",
  wiring: "wiring",
  pipes: "pipes",
  gas: "gas",
} as const;
export type Area = keyof typeof AREAS;

/** A thing that somebody else had done, or says is done: looked at before it counts. */
export interface Others {
  by: "client" | "workshop";
  who: string;
  area: Area;
  state: "done" | "part" | "missing";
  covered: "open" | "covered";
  /** Goes through the skin: it is on the list of holes as well. */
  pierces?: boolean;
  defects?: string;
  test?: "look" | "pull" | "meter" | "water";
  result?: "accepted" | "refused";
  minutes?: number;
  /** Where it was refused: what doing it again takes, and costs the client. */
  hours?: number;
  price?: number;
  note?: string;
}

const TESTS = { look: "looked at", pull: "pulled at", meter: "metered", water: "watered" };

export const OTHERS = declared<Others>({
  kind: "others",
  one: "Work of others",
  many: "Work of others",
  words: "work by others",
  tab: "papers",
  intro:
    "What an earlier workshop or the client did, or says is done. It counts once it was looked at, pulled, metered or watered; until then it blocks what would cover it.",
  title: { label: "What", hint: "leisure battery and its lead; rack feet" },
  by: "any",
  fields: [
    {
      key: "by",
      label: "Done by",
      type: "choice",
      options: [
        ["client", "the client"],
        ["workshop", "an earlier workshop"],
      ],
      required: true,
    },
    { key: "who", label: "Their name", type: "words", required: true },
    { key: "area", label: "What it is part of", type: "choice", options: choices(AREAS), required: true },
    {
      key: "state",
      label: "How far",
      type: "choice",
      options: [
        ["done", "done"],
        ["part", "in part"],
        ["missing", "missing"],
      ],
      required: true,
    },
    {
      key: "covered",
      label: "Can it be seen",
      type: "choice",
      options: [
        ["open", "yes, it is open"],
        ["covered", "no, it is covered"],
      ],
      required: true,
      when: (d) => d.state !== "missing",
    },
    { key: "pierces", label: "It goes through the skin", type: "flag" },
    { key: "defects", label: "What is wrong with it", type: "words", long: true },
    {
      key: "test",
      label: "Tried how",
      type: "choice",
      options: choices(TESTS),
      when: (d) => d.state !== "missing" && d.covered !== "covered",
    },
    {
      key: "result",
      label: "Result",
      type: "choice",
      options: [
        ["accepted", "accepted"],
        ["refused", "refused"],
      ],
      when: (d) => !!d.test,
    },
    { key: "minutes", label: "Minutes it took", type: "number", min: 0, max: 600, when: (d) => !!d.test },
    { key: "hours", label: "Hours to do it again", type: "number", min: 0, max: 200, required: true, when: (d) => d.result === "refused" },
    { key: "price", label: "Price to the client", type: "number", min: 0, max: 100_000, when: (d) => d.result === "refused" },
    { key: "note", label: "Note", type: "words", long: true },
  ],
  says: (d) =>
    [
      `${AREAS[d.area]}, ${d.state === "part" ? "in part" : d.state}, by ${d.who}`,
      d.state !== "missing" && d.covered === "covered" && "covered: nobody can look",
      d.test && `${TESTS[d.test]}${d.minutes ? `, ${d.minutes} min` : ""}`,
      d.result === "refused" ? `refused: ${d.hours} h${d.price ? `, ${d.price} to the client` : ""}` : d.result,
      d.defects,
    ]
      .filter(Boolean)
      .join(" · "),
  tone: (d) => (d.result === "accepted" || d.state === "missing" ? "ok" : d.result === "refused" ? "stop" : "warn"),
  over: (d) => d.state === "missing" || d.result !== undefined,
});
