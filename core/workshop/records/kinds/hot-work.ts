// A cut, a drilling or a grinding: what is worn, what is shut, and that its chips are off again the same day.

import { declared } from "./fields";

export interface Stamp {
  by: string;
  at: number;
}

export interface HotWork {
  tool: "jigsaw" | "nibbler" | "reciprocating saw" | "grinder" | "drill" | "hole saw";
  /** What sparks or chips can reach, and is covered. */
  masked?: string;
  extinguisher?: boolean;
  worn?: string[];
  refused?: string;
  /** Cavities below that were taped shut, and how many of them are open again. */
  taped?: number;
  untaped?: number;
  /** Kept by the server: the last spark or chip, the swarf off, the second look. */
  stamps?: { last?: Stamp; clean?: Stamp; look?: Stamp };
}

export const WORN = [
  ["eyes", "eyes"],
  ["ears", "ears"],
  ["gloves", "gloves"],
  ["sleeves", "long sleeves"],
  ["shield", "face shield, overhead"],
] as const;

export const SPARKS = declared<HotWork>({
  kind: "sparks",
  one: "Hot work and swarf",
  many: "Hot work and swarf",
  words: "hot work",
  tab: "openings",
  intro:
    "Each cut, drilling and grinding: covered, worn, cavities below shut, and the swarf off the same shift with a second look. The van stays where it is until then. Hot work goes by local rules.",
  title: { label: "What is done", hint: "rivets of the racking ground off" },
  by: "any",
  fields: [
    {
      key: "tool",
      label: "With",
      type: "choice",
      options: ["jigsaw", "nibbler", "reciprocating saw", "grinder", "drill", "hole saw"].map((x) => [x, x] as const),
      required: true,
    },
    { key: "masked", label: "Covered", type: "words", hint: "glass, seats, fuel, foam" },
    { key: "extinguisher", label: "Extinguisher in reach", type: "flag", when: (d) => d.tool === "grinder" },
    { key: "worn", label: "Worn", type: "many", options: WORN },
    { key: "refused", label: "Refused, and why", type: "words", hint: "goes to the lead" },
    { key: "taped", label: "Cavities taped shut", type: "number", min: 0, max: 200, whole: true },
    { key: "untaped", label: "Of them open again", type: "number", min: 0, max: 200, whole: true, when: (d) => Number(d.taped ?? 0) > 0 },
  ],
  says: (d) =>
    [
      d.tool,
      d.masked && `covered: ${d.masked}`,
      d.worn?.length && `worn: ${d.worn.map((w) => WORN.find(([v]) => v === w)?.[1] ?? w).join(", ")}`,
      d.refused && `refused: ${d.refused}`,
      d.taped && `${d.untaped ?? 0} of ${d.taped} cavities open again`,
      d.stamps?.look
        ? "swarf off, looked at twice"
        : d.stamps?.clean
          ? `swarf off by ${d.stamps.clean.by}`
          : d.stamps?.last
            ? "swarf not off yet"
            : undefined,
    ]
      .filter(Boolean)
      .join(" · "),
  tone: (d) =>
    d.stamps?.look && (d.untaped ?? 0) === (d.taped ?? 0) ? "ok" : d.refused || (d.stamps?.last && !d.stamps.clean) ? "stop" : "warn",
  over: (d) => d.stamps?.look !== undefined && (d.untaped ?? 0) === (d.taped ?? 0),
  faults: (d) => [
    ...((d.untaped ?? 0) > (d.taped ?? 0) ? [{ path: "untaped", message: `can't be more than the ${d.taped ?? 0} that were shut` }] : []),
    ...(d.tool === "grinder" && !d.masked ? [{ path: "masked", message: "is missing: sparks burn into glass, seats and paint" }] : []),
    ...(d.tool === "grinder" && !d.extinguisher ? [{ path: "extinguisher", message: "has to be in reach first" }] : []),
  ],
});
