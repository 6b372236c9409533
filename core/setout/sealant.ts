// Sealant: millilitres of beads, and packs.

import { calculator, is, list, object, outcome, round } from "./model";

interface Bead {
  kind: "round" | "triangle" | "flat";
  w?: number;
  h?: number;
  t?: number;
  d?: number;
}

interface Input {
  joints: { length: number; bead: Bead; passes?: number }[];
  waste?: number;
  pack: number;
}

const schema = object(
  {
    joints: list(
      object(
        {
          length: is.mm,
          bead: object(
            { kind: { type: "string", enum: ["round", "triangle", "flat"] } },
            { w: is.size, h: is.size, t: is.size, d: is.size },
          ),
        },
        { passes: { type: "integer", minimum: 1, maximum: 20 } },
      ),
      1,
    ),
    pack: is.size,
  },
  { waste: is.share },
);

const NEEDS: Record<Bead["kind"], (keyof Bead)[]> = { round: ["d"], triangle: ["w", "h"], flat: ["w", "t"] };

/** Cross-section of a bead (mm²): round π·d²/4, triangle w·h/2, flat w·t. */
export const section = (b: Bead): number =>
  b.kind === "round" ? (Math.PI * b.d! ** 2) / 4 : b.kind === "triangle" ? (b.w! * b.h!) / 2 : b.w! * b.t!;

/** Millilitres = Σ length·section·passes ÷ 1000 · (1 + waste), waste 10 % unless given; packs whole. */
export const sealant = calculator<Input>(
  { name: "sealant", title: "Sealant" },
  schema,
  ({ joints }) =>
    joints.flatMap((j, i) =>
      NEEDS[j.bead.kind]
        .filter((k) => j.bead[k] === undefined)
        .map((k) => ({ path: `joints[${i}].bead.${k}`, message: `is missing for a ${j.bead.kind} bead` })),
    ),
  ({ joints, waste = 0.1, pack }) => {
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
);
