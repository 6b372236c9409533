// Sealant: millilitres of beads, and packs.

import { defineCalculator } from "../../engine/define";
import { count, group, house, type InputOf, length, oneOf, optional, positive, rows, share, size } from "../../engine/inputs";
import { outcome, round } from "../../engine/outcome";
import { prefill } from "./prefill";

const NEEDS: Record<Bead["kind"], (keyof Bead)[]> = { round: ["d"], triangle: ["w", "h"], flat: ["w", "t"] };

/** Cross-section of a bead (mm²): round π·d²/4, triangle w·h/2, flat w·t. */
export const section = (b: Bead): number =>
  b.kind === "round" ? (Math.PI * b.d! ** 2) / 4 : b.kind === "triangle" ? (b.w! * b.h!) / 2 : b.w! * b.t!;

type Bead = Input["joints"][number]["bead"];

const inputs = {
  pack: positive("Pack", { unit: "ml", from: "chosen", help: "What is in one cartridge." }),
  waste: house(share("Waste, as a share", { help: "What stays in the nozzle and on the cloth." }), 0.1),
  joints: rows(
    "Joints",
    "joint",
    {
      length: length("Length", { help: "Once round: twice the width and twice the height." }),
      bead: group({
        kind: oneOf("Bead", ["triangle", "flat", "round"]),
        w: optional(size("w")),
        h: optional(size("h")),
        t: optional(size("t")),
        d: optional(size("ø")),
      }),
      passes: optional(count("Passes", [1, 20])),
    },
    { least: 1, from: "chosen", help: "Each joint with the shape of its bead." },
  ),
};
type Input = InputOf<typeof inputs>;

/** Millilitres = Σ length·section·passes ÷ 1000 · (1 + waste), waste 10 % unless given; packs whole. */
export const sealant = defineCalculator({
  name: "sealant",
  title: "Sealant",
  stage: "openings",
  asks: "How many cartridges of sealant does it take?",
  words: "bead adhesive glue tubes",

  inputs,
  example: {
    pack: 310,
    waste: 0.1,
    joints: [
      { length: 3177, bead: { kind: "triangle", w: 8, h: 12 } },
      { length: 1840, bead: { kind: "flat", w: 20, t: 3 } },
    ],
  },
  results: { ml: ["sealant", "ml"], packs: ["packs", ""] },
  prefill,
  check: ({ joints }) =>
    joints.flatMap((j, i) =>
      NEEDS[j.bead.kind]
        .filter((k) => j.bead[k] === undefined)
        .map((k) => ({ path: `joints[${i}].bead.${k}`, message: `is missing for a ${j.bead.kind} bead` })),
    ),
  work: ({ joints, waste, pack }) => {
    const ml = joints.reduce((s, j) => s + (j.length * section(j.bead) * (j.passes ?? 1)) / 1000, 0) * (1 + waste);
    const packs = Math.ceil(round(ml / pack, 9));
    return outcome(
      { ml: round(ml, 1), packs },
      {
        findings: [{ level: "ok", about: "joints", text: `${round(ml, 1)} ml with ${round(waste * 100)} % waste: ${packs} of ${pack} ml` }],
        parts: packs ? [{ name: `sealant ${pack} ml`, quantity: packs, unit: "pc" }] : [],
      },
    );
  },
});
