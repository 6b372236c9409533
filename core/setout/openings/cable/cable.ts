// A cable from the roof to where it ends: its length, and the least copper that carries it.

import { atLimit } from "../../engine/at-limit";
import { defineCalculator } from "../../engine/define";
import { amount, between, count, house, length, numbers, optional, positive, share, size } from "../../engine/inputs";
import { type Finding, outcome, round } from "../../engine/outcome";

/** Copper, Ω·mm²/m. */
const RHO = 0.0175;
const STOCK = [1.5, 2.5, 4, 6, 10, 16, 25, 35];
/** What a cable may carry, A by mm². House figures, on the careful side: the maker's table rules. */
const RATING: Readonly<Record<string, number>> = { 1.5: 15, 2.5: 21, 4: 28, 6: 36, 10: 50, 16: 66, 25: 84, 35: 104 };
const FUSES = [3, 5, 7.5, 10, 15, 20, 25, 30, 40, 50, 60, 80, 100];

const inputs = {
  along: length("Along", { from: "van", help: "Along the roof to where it goes down." }),
  across: length("Across", { from: "van", help: "Across the roof." }),
  drop: length("Down", { from: "van", help: "Down inside, to where it ends." }),
  amps: amount("Current", { unit: "A", from: "chosen", help: "The most that flows." }),
  volts: positive("Voltage", { unit: "V", from: "chosen", help: "Of the system." }),
  stock: house(numbers("Stock, mm²", 1, { help: "Cross-sections on the shelf." }), STOCK),
  thread: optional(size("Thread of the gland", { from: "chosen", help: "On the gland." })),
  endsAcross: optional(length("It ends, from the left skin", { from: "chosen", help: "From the left skin to where the cable ends." })),
  roofWidth: optional(size("Roof across", { from: "van", help: "Left skin to right skin." })),
  passes: optional(count("Sheets of metal passed", [0, 100_000], { from: "chosen", help: "Each needs a grommet." })),
  controllerUp: optional(length("Controller above the floor", { from: "chosen", help: "So that a hand reaches its display." })),
  slack: house(share("Added to the way", { help: "As a share: 0.1 is one metre in ten, for bends and ends." }), 0.1),
  dropShare: house(between("Volts lost on the way, at most", [0, 0.2], { above: true, help: "As a share: 0.02 is 2 %." }), 0.02),
  bundle: house(between("Carries, among others and in the warm", [0, 1], { above: true, help: "As a share of the maker's rating." }), 0.8),
  reach: house(size("A hand reaches", { help: "Without a ladder, from the floor." }), 1700),
  threadPlay: house(
    length("Hole wider than the gland's thread by", { help: "So that the thread goes through and its seal still covers." }),
    0.5,
  ),
  fuseTimes: house(between("Fuse, times the current", [1, 3], { help: "So that it holds at full load." }), 1.25),
};
/**
 * l = 1.1·(along + across + drop), m. By drop: A ≥ 2·l·I·0.0175 ÷ (2 % of U), mm². By rating: fuse = the next size ≥ 1.25·I, and the
 * cable carries it: I_z(A)·k ≥ fuse, k 0.8. The larger rules. Source: OP-n12, SV-n5.
 * The gland's hole is its thread + 0.5; a grommet wherever metal is passed; the gland on the side of the roof where the cable ends.
 * Example: 22 A over 1.8 m at 12 V: the fuse is 30 A, 6 mm² carry 28.8: 10 mm².
 */
export const cable = defineCalculator({
  name: "cable",
  title: "Cable through the roof",
  stage: "openings",
  asks: "How thick is the cable through the roof, and which gland and fuse does it take?",
  words: "wire volts drop solar",

  inputs,
  example: {
    along: 2400,
    across: 620,
    drop: 1500,
    amps: 11,
    volts: 12,
    stock: [4, 6, 10],
    thread: 16,
    endsAcross: 300,
    roofWidth: 1612,
    passes: 2,
    controllerUp: 1500,
  },
  results: {
    metres: ["length", "m"],
    leastMm2: ["smallest core that does", "mm²"],
    fuseAmps: ["fuse", "A"],
    carriesAmps: ["the core carries", "A"],
    mm2: ["core to use", "mm²"],
    hole: ["hole for the gland", "mm"],
    side: ["side of the roof", ""],
    grommets: ["grommets", ""],
  },
  check: ({ endsAcross, roofWidth }) =>
    endsAcross !== undefined && roofWidth !== undefined && endsAcross > roofWidth
      ? [{ path: "endsAcross", message: `is more than the roof's width of ${roofWidth}` }]
      : [],
  work: ({ along, across, drop, amps, volts, slack, dropShare, stock, bundle, threadPlay, fuseTimes, ...way }) => {
    const { endsAcross, roofWidth, thread, passes = 0, controllerUp, reach } = way;
    const side = endsAcross === undefined || roofWidth === undefined ? null : endsAcross <= roofWidth / 2 ? "left" : "right";
    const hole = thread === undefined ? null : round(thread + threadPlay, 1);
    const metres = ((1 + slack) * (along + across + drop)) / 1000;
    const least = (2 * metres * amps * RHO) / (dropShare * volts);
    const sizes = [...stock].sort((a, b) => a - b);
    const byDrop = sizes.find((s) => s >= least - 1e-9) ?? null;
    const fuse = FUSES.find((f) => f >= fuseTimes * amps - 1e-9) ?? null;
    const carries = (mm2: number) => round((RATING[mm2] ?? 0) * bundle, 1);
    const fits = fuse === null ? null : (sizes.find((s) => s >= least - 1e-9 && carries(s) >= fuse) ?? null);
    const findings: Finding[] = [
      fits !== null
        ? { level: "ok", about: "stock", text: `${fits} mm² from stock, fuse ${fuse} A at the battery's end` }
        : byDrop === null
          ? { level: "stop", about: "stock", text: `${round(least)} mm² are asked, the largest in stock is ${Math.max(...stock)}` }
          : {
              level: "stop",
              about: "stock",
              text: fuse === null ? `no fuse is listed for ${amps} A` : `no cable in stock may carry its fuse of ${fuse} A`,
            },
      ...(fits !== null && byDrop !== null && fits > byDrop
        ? [
            {
              level: "ok" as const,
              about: "amps",
              text: `by the drop ${byDrop} mm² would do, but they carry ${carries(byDrop)} A, less than the fuse of ${fuse} A`,
            },
          ]
        : []),
      ...(fits !== null ? atLimit(carries(fits), fuse ?? undefined, "amps", "what the cable may carry, A,") : []),
      { level: "warn", about: "amps", text: "a competent person answers for the wiring; the makers' tables rule" },
      {
        level: "ok",
        about: "passes",
        text: `${passes ? `${passes} ${passes === 1 ? "grommet" : "grommets"}, one` : "a grommet"} wherever metal is passed, a loop lower than the hole, wet it before lining`,
      },
      ...(hole === null
        ? []
        : [
            {
              level: "ok" as const,
              about: "thread",
              text: `hole ${hole} for the gland${side ? `, on the ${side} of the roof` : ""}; plastic threads hand-tight, seal all round`,
            },
          ]),
      ...(controllerUp === undefined
        ? []
        : controllerUp > reach
          ? [{ level: "warn" as const, about: "controllerUp", text: `the controller at ${controllerUp} is out of reach: ${reach} at most` }]
          : atLimit(controllerUp, reach, "controllerUp", "the controller's height")),
      { level: "ok", about: "along", text: "photograph the route before the trim goes back" },
    ];
    return outcome(
      {
        metres: round(metres, 3),
        leastMm2: round(least),
        fuseAmps: fuse,
        carriesAmps: fits === null ? null : carries(fits),
        mm2: fits,
        ...(hole === null ? {} : { hole }),
        ...(side === null ? {} : { side }),
        ...(passes ? { grommets: passes } : {}),
      },
      {
        findings,
        parts: [
          ...(fits === null ? [] : [{ name: `Cable ${fits} mm²`, quantity: Math.ceil(metres * 2 - 1e-9), unit: "m" }]),
          ...(passes ? [{ name: "Grommet", quantity: passes, unit: "pc" }] : []),
        ],
      },
    );
  },
});
