// Whether a bed lies across the van, before pods or windows are cut for it.

import { calculator, is, mm, object, outcome, round } from "./model";

interface Input {
  mattress: { length: number; width: number };
  insideWidth: number;
  recesses: { left: number; right: number };
  lining: number;
  slack?: number;
}

const schema = object(
  {
    mattress: object({ length: is.size, width: is.size }),
    insideWidth: is.size,
    recesses: object({ left: is.mm, right: is.mm }),
    lining: is.mm,
  },
  { slack: is.mm },
);

/** Fits when B + p1 + p2 − 2t ≥ L + c (20 unless told). Floor won against lengthways: L − W. */
export const bedAcross = calculator<Input>(
  { name: "bed-across", title: "Bed across" },
  schema,
  () => [],
  ({ mattress, insideWidth, recesses, lining, slack = 20 }) => {
    const room = round(insideWidth + recesses.left + recesses.right - 2 * lining);
    const asked = round(mattress.length + slack);
    const fits = room >= asked;
    return outcome(
      { room, asked, fits, floorWon: round(mattress.length - mattress.width) },
      {
        findings: [
          fits
            ? { level: "ok", about: "insideWidth", text: `fits with ${mm(room - asked)} to spare` }
            : {
                level: "stop",
                about: "insideWidth",
                text: `${room} against ${asked}: short by ${mm(asked - room)}. Deeper recesses, or the bed lengthways`,
              },
          { level: "warn", about: "recesses", text: "the layout is frozen before the saw: turning the bed later undoes the cuts" },
        ],
      },
    );
  },
);
