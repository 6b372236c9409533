// The frame of battens under an opening: two pieces run through, two lie between.

import { rect } from "./drawing/shapes";
import { calculator, type Finding, is, mm, object, outcome, round } from "./model";

interface Input {
  cut: { w: number; h: number };
  batten: { b: number; t: number };
  gap: number;
  play: number;
  /** Cut away where a rib or a wire stands: one changes the width, the other the thickness. */
  relief?: { kind: "narrower" | "rebate"; depth: number };
  /** Deepest cut of one pass. */
  pass?: number;
  /** Put together in its place, not on the bench. */
  inPlace?: boolean;
}

const schema = object(
  {
    cut: object({ w: is.size, h: is.size }),
    batten: object({ b: is.size, t: is.size }),
    gap: is.size,
    play: is.mm,
  },
  {
    relief: object({ kind: { type: "string", enum: ["narrower", "rebate"] }, depth: is.size }),
    pass: is.size,
    inPlace: is.bool,
  },
);

/**
 * Long pieces W + 2b, short ones H, fitting when H + 2b ≤ gap − 2·play; the other way round when only that fits. Else each
 * long piece is shaved by (H + 2b − (gap − 2·play)) ÷ 2, never below half its width. A relief goes down in passes of 3 mm at
 * most: narrower takes it off the width, a rebate off the thickness. Timber in all 2W + 2H + 4b.
 */
export const supportFrame = calculator<Input>(
  { name: "support-frame", title: "Support frame" },
  schema,
  ({ gap, play, relief, batten }) => [
    ...(2 * play >= gap ? [{ path: "play", message: "leaves no gap" }] : []),
    ...(relief && relief.depth >= (relief.kind === "rebate" ? batten.t : batten.b)
      ? [{ path: "relief.depth", message: "leaves nothing of the batten" }]
      : []),
  ],
  ({ cut, batten, gap, play, relief, pass = 3, inPlace = false }) => {
    const { b, t } = batten;
    const room = gap - 2 * play;
    const turned = cut.h + 2 * b > room && cut.w + 2 * b <= room;
    const [through, between] = turned ? [cut.h, cut.w] : [cut.w, cut.h];
    const shave = round(Math.max(0, (between + 2 * b - room) / 2));
    const findings: Finding[] = [];
    if (shave > b / 2)
      findings.push({
        level: "stop",
        about: "gap",
        text: `each long piece would lose ${mm(shave)} of ${mm(b)}: less than half is left. A smaller unit, or another bay`,
      });
    else if (shave > 0)
      findings.push({
        level: "warn",
        about: "gap",
        text: `shave ${mm(shave)} off the outside of each long piece: ${mm(b - shave)} of ${mm(b)} stay`,
      });
    else findings.push({ level: "ok", about: "gap", text: `fits with ${mm(room - between - 2 * b)} to spare` });
    if (turned)
      findings.push({ level: "ok", about: "cut", text: "the long pieces run the other way: only so the frame fits between the ribs" });
    const passes = relief ? Math.ceil(round(relief.depth / pass, 9)) : 0;
    if (relief) {
      const [left, whole, word] = relief.kind === "rebate" ? [t - relief.depth, t, "thick"] : [b - relief.depth, b, "wide"];
      findings.push({
        level: left < whole / 2 ? "warn" : "ok",
        about: "relief",
        text: `${relief.kind === "rebate" ? "a rebate" : "made narrower"}: ${mm(left)} of ${mm(whole)} ${word} stay there; ${passes} ${passes === 1 ? "pass" : "passes"} of ${mm(pass)} at most, fence set, guard on, a test piece first`,
      });
    }
    findings.push({
      level: "ok",
      about: "cut",
      text: inPlace
        ? "built in its place: the two that lie between go in first, the long ones close it"
        : "tried between its ribs before the hole is cut",
    });
    const long = { length: round(through + 2 * b), count: 2 };
    const short = { length: round(between), count: 2 };
    return outcome(
      { long, short, shave, fits: shave === 0, timber: round(2 * cut.w + 2 * cut.h + 4 * b), passes },
      {
        findings,
        cuts: [
          { name: "long", material: "batten", w: long.length, h: round(b - shave), t, count: 2 },
          { name: "short", material: "batten", w: short.length, h: b, t, count: 2 },
        ],
        drawing: {
          title: "Support frame",
          seen: "from inside, looking up",
          shapes: [
            ...rect("outline", 0, 0, long.length, b - shave),
            ...rect("outline", 0, b - shave + between, long.length, 2 * (b - shave) + between),
            ...rect("outline", 0, b - shave, b, b - shave + between),
            ...rect("outline", long.length - b, b - shave, long.length, b - shave + between),
            ...rect("cut", b, b - shave, long.length - b, b - shave + between),
          ],
        },
      },
    );
  },
);
