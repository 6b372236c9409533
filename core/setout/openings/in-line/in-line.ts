// A window against what comes later: wall lines, room for a hand beside a sash, the opening opposite, dents it could take away.

import { dimension, line, rect, words } from "../../drawing/shapes";
import { defineCalculator } from "../../engine/define";
import { between, group, house, length, oneOf, optional, position, rows, size, text } from "../../engine/inputs";
import { type Finding, mm, outcome, round, type Shape } from "../../engine/outcome";
import { meetsAt } from "../../geometry/swing";
import { prefill } from "./prefill";

const inputs = {
  field: group({
    from: position("Field from", { from: "van", help: "The flat field, from the bulkhead line." }),
    to: position("Field to", { from: "van", help: "Where the flat field ends." }),
  }),
  cut: size("Cut width", { from: "chosen", help: "The hole itself, as the unit's maker gives it." }),
  minLand: length("Land the unit asks for", { from: "chosen", help: "Flat metal that the flange needs." }),
  wish: position("Wished for, from", { from: "chosen", help: "Where the cut would begin by the drawing." }),
  stack: group({
    frame: length("Frame", { from: "chosen", help: "How thick it is between wall and lining." }),
    lining: length("Lining", { from: "chosen", help: "Board and cover." }),
    trim: length("Trim", { from: "chosen", help: "How far it stands over the cut." }),
  }),
  sashHand: optional(length("Opening sash, beside it", { from: "chosen", help: "Room for a hand beside a sash that opens." })),
  sash: optional(
    group({
      hinge: oneOf("Sash hinged at its", ["front", "rear"], { from: "chosen", help: "Seen from above, the edge that stays." }),
      reach: size("Hinge to its free edge", { from: "chosen", help: "How far the sash stands out when it is open." }),
      opens: between("Sash opens by", [1, 180], { unit: "°", from: "chosen", help: "As far as its stay lets it." }),
    }),
  ),
  outside: optional(
    rows(
      "Outside beside it",
      "thing",
      {
        name: text("What"),
        from: position("From"),
        to: position("To"),
        near: length("Out from the skin"),
        far: size("As far out as"),
      },
      {
        from: "measured",
        help: "Slider on its rail, pod, ladder, awning: along from the bulkhead line, and how far out of the skin it stands.",
      },
    ),
  ),
  opposite: optional(
    group({ from: position("The one opposite, from", { from: "chosen", help: "Where the cut of the window across begins." }) }),
  ),
  walls: optional(
    rows(
      "Wall lines",
      "wall",
      { name: text("Which"), at: position("At") },
      { from: "chosen", help: "Wall lines of the layout, from the bulkhead." },
    ),
  ),
  dents: optional(
    rows("Dents", "dent", { at: position("At") }, { from: "measured", help: "Where the metal is not flat, from the bulkhead line." }),
  ),
  symmetry: house(length("Counts as opposite within", { help: "Two windows look like a pair up to this." }), 5),
  leastHand: house(length("Room for a hand, at least", { help: "To work a catch or pull a cord." }), 70),
  step: house(size("Places tried every", { help: "Smaller steps find more, and take longer." }), 5),
};
/**
 * From, the window's left edge, in steps of 5 over the field: lands ≥ least; frame + lining + trim off every wall line (and
 * a hand's width for a sash); opposite edges within 5 or the lead accepts. Ranked by error of symmetry beyond that, dents taken away,
 * distance from the wish. A sash that would meet something outside puts a place behind all others: its arc is worked out for each.
 */
export const inLine = defineCalculator({
  name: "in-line",
  title: "In line with what comes later",
  stage: "openings",
  asks: "Is the window in line with walls, blinds and the one across?",
  words: "symmetry",

  holds: true,

  inputs,
  example: {
    field: { from: 905, to: 2105 },
    cut: 700,
    minLand: 60,
    wish: 1155,
    stack: { frame: 18, lining: 7, trim: 15 },
    walls: [{ name: "wet room", at: 1960 }],
    dents: [{ at: 1110 }],
  },
  results: {
    off: ["off the cut", "mm"],
    best: ["best", ""],
    from: ["from", "mm"],
    landLeft: ["land left", "mm"],
    landRight: ["land right", "mm"],
    outOfLine: ["out of line", "mm"],
    dents: ["dents covered", ""],
    arc: ["sash opens freely by", "°"],
    candidates: ["places tried", ""],
  },
  prefill,
  check: ({ field, cut, outside = [] }) => [
    ...(field.to - field.from < cut ? [{ path: "cut", message: "is wider than the field" }] : []),
    ...outside.flatMap((o, i) => [
      ...(o.to <= o.from ? [{ path: `outside[${i}].to`, message: "has to lie behind where it begins" }] : []),
      ...(o.far <= o.near ? [{ path: `outside[${i}].far`, message: "has to stand farther out than it begins" }] : []),
    ]),
  ],
  work: ({
    field,
    cut,
    minLand,
    wish,
    walls = [],
    stack,
    sashHand,
    sash,
    outside = [],
    opposite,
    symmetry,
    dents = [],
    leastHand,
    step,
  }) => {
    /** How far the sash of a window from here opens before it meets something outside, degrees; its stay's where nothing is in the way. */
    const arc = (from: number): { free: number; meets?: string } => {
      if (!sash) return { free: 180 };
      let found: { free: number; meets?: string } = { free: sash.opens };
      for (const o of outside) {
        // Seen so that the shut sash lies along x from its hinge, and out of the skin is y.
        const [a, b] = sash.hinge === "front" ? [o.from - from, o.to - from] : [from + cut - o.to, from + cut - o.from];
        const at = meetsAt([0, 0], sash.reach, { left: a, right: b, low: o.near, high: o.far });
        if (at !== undefined && at < found.free) found = { free: round(at, 1), meets: o.name };
      }
      return found;
    };
    const off = round(stack.frame + stack.lining + stack.trim + (sashHand === undefined ? 0 : Math.max(leastHand, sashHand)));
    const clear = (from: number) => walls.every((w) => from >= w.at + off || from + cut <= w.at - off);
    const first = field.from + minLand;
    const last = field.to - minLand - cut;
    const tries = new Set([wish, first, last]);
    for (let x = Math.ceil(first / step) * step; x <= last; x += step) tries.add(x);
    const rows = [...tries]
      .filter((x) => x >= first - 1e-9 && x <= last + 1e-9 && clear(x))
      .map((from) => ({
        from: round(from, 1),
        landLeft: round(from - field.from, 1),
        landRight: round(field.to - from - cut, 1),
        outOfLine: opposite ? round(Math.abs(from - opposite.from), 1) : 0,
        dents: dents.filter((d) => d.at >= from && d.at <= from + cut).length,
        arc: sash ? arc(from).free : null,
      }));
    const beyond = (r: (typeof rows)[number]) => Math.max(0, r.outOfLine - symmetry);
    const shut = (r: (typeof rows)[number]) => (sash && r.arc !== null ? sash.opens - r.arc : 0);
    rows.sort(
      (a, b) => shut(a) - shut(b) || beyond(a) - beyond(b) || b.dents - a.dents || Math.abs(a.from - wish) - Math.abs(b.from - wish),
    );
    const best = rows[0];
    const findings: Finding[] = [];
    if (!best)
      findings.push({
        level: "stop",
        about: "wish",
        text: `no place keeps ${mm(off)} off every wall line and the lands: a smaller window, or the wall moves`,
      });
    else if (beyond(best) > 0)
      findings.push({
        level: "warn",
        about: "opposite",
        text: `${mm(best.outOfLine)} out of line with the one opposite: for the lead to accept`,
      });
    else
      findings.push({
        level: "ok",
        about: "wish",
        text: `from ${mm(best.from)}: lands ${mm(best.landLeft)} and ${mm(best.landRight)}${best.dents ? `, takes ${best.dents} ${best.dents === 1 ? "dent" : "dents"} away` : ""}`,
      });
    if (best && sash) {
      const { free, meets } = arc(best.from);
      findings.push(
        meets
          ? {
              level: "stop",
              about: "sash",
              text: `the sash meets ${meets} at ${free}° of ${sash.opens}°: hinge it at the other edge, move the window, or fit a shorter stay`,
            }
          : { level: "ok", about: "sash", text: `the sash opens its ${sash.opens}° freely` },
      );
    }
    return outcome(
      { off, best: best ?? null, ...(sash && best ? { arc: best.arc } : {}), candidates: rows.slice(0, 8) },
      {
        findings,
        ...(best && {
          drawing: {
            title: "In line with what comes later",
            seen: "from above: along the wall rearwards, out of the skin upwards, wall lines below",
            shapes: drawn(),
          },
        }),
      },
    );
    function drawn(): Shape[] {
      const { from } = best;
      const hinge = sash?.hinge === "rear" ? from + cut : from;
      const turn = sash?.hinge === "rear" ? -1 : 1;
      const end = (deg: number): [number, number] => {
        const a = (deg * Math.PI) / 180;
        return [hinge + turn * (sash?.reach ?? 0) * Math.cos(a), (sash?.reach ?? 0) * Math.sin(a)];
      };
      const free = sash ? Math.min(sash.opens, best.arc ?? sash.opens) : 0;
      return [
        line("outline", field.from, 0, field.to, 0),
        ...rect("cut", from, -20, from + cut, 20),
        ...dimension(field.from, -160, from, -160, mm(best.landLeft), 40),
        ...dimension(from + cut, -160, field.to, -160, mm(best.landRight), 40),
        ...walls.flatMap((w) => [line("centre", w.at, -400, w.at, 0), words(w.at + 8, -400, w.name, 40)]),
        ...outside.flatMap((o) => [...rect("outline", o.from, o.near, o.to, o.far), words(o.from, o.far + 12, o.name, 40)]),
        ...(sash
          ? [
              line("centre", hinge, 0, ...end(free)),
              {
                kind: "arc" as const,
                layer: "centre" as const,
                at: [hinge, 0] as [number, number],
                r: sash.reach,
                from: turn > 0 ? 0 : 180 - free,
                to: turn > 0 ? free : 180,
              },
            ]
          : []),
      ];
    }
  },
});
