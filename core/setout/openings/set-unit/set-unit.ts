// A unit goes down: timbers that carry it, the order of its screws, its gaps, shims that come out again.

import { circle, rect } from "../../drawing/shapes";
import { defineCalculator } from "../../engine/define";
import { typed } from "../../engine/handles";
import { count, group, house, type InputOf, length, optional, size, text } from "../../engine/inputs";
import { type Finding, mm, outcome, round, type Shape } from "../../engine/outcome";
import { fromCut } from "../field";

/**
 * Screws 1 to n round the flange in the order of tightening: each with the one opposite, each pair as far as it can be from
 * those that are tight, and never two neighbours one after the other where that can be helped.
 */
export function crosswise(n: number): number[] {
  const left = new Set(Array.from({ length: n }, (_, i) => i));
  const out: number[] = [];
  const apart = (a: number, b: number) => Math.min(Math.abs(a - b), n - Math.abs(a - b));
  const take = (i: number) => {
    out.push(i);
    left.delete(i);
  };
  take(0);
  while (left.size) {
    const last = out[out.length - 1];
    const opposite = (last + (n >> 1)) % n;
    if (out.length % 2 && left.has(opposite)) {
      take(opposite);
      continue;
    }
    const rank = (i: number) => [Math.min(apart(i, last), 2), Math.min(...out.map((o) => apart(i, o))), apart(i, last), -i];
    const ranked = [...left].map((i) => ({ i, by: rank(i) }));
    ranked.sort((x, y) => {
      const k = x.by.findIndex((v, j) => v !== y.by[j]);
      return k < 0 ? 0 : y.by[k] - x.by[k];
    });
    take(ranked[0].i);
  }
  return out.map((i) => i + 1);
}

/** Screws evenly round the flange, half a bearing outside the opening, each with its turn of tightening. */
function screwsRound({ w, h }: Input["opening"], bearing: number, order: readonly number[]): Shape[] {
  const out = bearing / 2;
  const [wide, tall] = [w + bearing, h + bearing];
  return order
    .map((_, i) => {
      // From the middle of the upper side, clockwise.
      let s = ((i * 2 * (wide + tall)) / order.length + wide / 2) % (2 * (wide + tall));
      let at: [number, number];
      if (s <= wide) at = [s - out, h + out];
      else if ((s -= wide) <= tall) at = [w + out, h + out - s];
      else if ((s -= tall) <= wide) at = [w + out - s, -out];
      else at = [-out, s - wide - out];
      return { at, turn: order.indexOf(i + 1) + 1 };
    })
    .flatMap(({ at, turn }) => [
      circle("cut", at[0], at[1], 3),
      { kind: "text" as const, layer: "text" as const, at: [at[0] + 5, at[1] + 5] as [number, number], size: 16, text: String(turn) },
    ]);
}

const inputs = {
  opening: group({
    w: size("Opening, across", { from: "chosen", help: "The hole as it was cut." }),
    h: size("Opening, along", { from: "chosen", help: "The same, front to rear." }),
  }),
  bearing: length("Bearing of a cross timber", { from: "measured", help: "How far a timber lies on the roof on each side." }),
  timbers: count("Cross timbers", [0, 100_000], { from: "chosen", help: "How many lie under the flange." }),
  screws: count("Screws round it", [2, 200], { from: "chosen", help: "In the flange or the clamp frame." }),
  gaps: optional(
    group({
      left: length("Gap left", { from: "measured", help: "Before anything is tightened, all four." }),
      right: length("Gap right", { from: "measured", help: "Between flange and cut, on the right." }),
      top: length("Gap top", { from: "measured", help: "On the side that is up in the drawing." }),
      bottom: length("Gap bottom", { from: "measured", help: "On the side that is down in the drawing." }),
    }),
  ),
  gapPlay: house(length("Opposite gaps within", { help: "More than that, and it sits crooked." }), 1),
  shimsIn: optional(count("Shims put in", [0, 100_000], { from: "measured", help: "Counted as they go in." })),
  shimsOut: optional(count("Shims taken out", [0, 100_000], { from: "measured", help: "Counted again: one left in makes a leak." })),
  clipsDrawn: optional(text("Clips belong to the", { from: "chosen", help: "Which side, by the drawing." })),
  clips: optional(text("Clips are on the", { from: "chosen", help: "Which side they are on now." })),
};
type Input = InputOf<typeof inputs>;

/** Cross timbers of opening + 2·bearing; opposite gaps within 1 mm before tightening; as many shims out as went in. */
export const setUnit = defineCalculator({
  name: "set-unit",
  title: "Setting the unit",
  stage: "openings",
  asks: "How is the unit set so that it sits even?",
  words: "screws torque clamp",

  holds: true,

  inputs,
  example: {
    opening: { w: 400, h: 400 },
    bearing: 30,
    timbers: 2,
    screws: 8,
    gaps: { left: 2, right: 2, top: 2.5, bottom: 1.5 },
    gapPlay: 1,
  },
  results: { timberLength: ["timber length", "mm"], timbers: ["timbers", ""], order: ["order", ""], centred: ["centred", ""] },
  prefill: (facts) => fromCut(facts, (c) => ({ "opening.w": typed(c.w), "opening.h": typed(c.h) })),
  check: ({ shimsIn = 0, shimsOut = 0 }) =>
    shimsOut > shimsIn ? [{ path: "shimsOut", message: `can't be more than the ${shimsIn} that went in` }] : [],
  work: ({ opening, bearing, timbers, screws, gaps, shimsIn, shimsOut, clips, clipsDrawn, gapPlay }) => {
    const findings: Finding[] = [];
    const length = round(opening.w + 2 * bearing);
    if (clips && clipsDrawn && clips.trim().toLowerCase() !== clipsDrawn.trim().toLowerCase())
      findings.push({ level: "stop", about: "clips", text: `clips go to the ${clipsDrawn}, not to the ${clips}: turn it round` });
    if (gaps) {
      for (const [a, b] of [
        ["left", "right"],
        ["top", "bottom"],
      ] as const) {
        const off = round(Math.abs(gaps[a] - gaps[b]));
        if (off > gapPlay)
          findings.push({
            level: "stop",
            about: `gaps.${a}`,
            text: `${a} ${mm(gaps[a])}, ${b} ${mm(gaps[b])}: move it ${mm(off / 2)} ${gaps[a] > gaps[b] ? "towards" : "away from"} the ${a} before tightening`,
          });
      }
      if (!findings.length) findings.push({ level: "ok", about: "gaps", text: `opposite gaps within ${mm(gapPlay)}: centred` });
    } else
      findings.push({
        level: "warn",
        about: "gaps",
        text: "read the four gaps before it is tightened: it sinks to the bottom and leaks at the top",
      });
    if (shimsIn && shimsOut !== shimsIn)
      findings.push({ level: "warn", about: "shimsOut", text: `${shimsIn - (shimsOut ?? 0)} of ${shimsIn} shims are still in` });
    findings.push({
      level: "ok",
      about: "screws",
      text: "all started two turns, then in this order; gaskets by hand until they just bulge",
    });
    return outcome(
      {
        timberLength: length,
        timbers,
        order: crosswise(screws).join(" "),
        centred: gaps ? !findings.some((f) => f.about.startsWith("gaps.")) : null,
      },
      {
        findings,
        drawing: {
          title: "Order of the screws",
          seen: "from the side that the screws go in; 1 is tightened first",
          shapes: [...rect("cut", 0, 0, opening.w, opening.h), ...screwsRound(opening, bearing, crosswise(screws))],
        },
        cuts: timbers ? [{ name: "cross timber", material: "batten", w: length, h: 45, t: 22, count: timbers }] : [],
      },
    );
  },
});
