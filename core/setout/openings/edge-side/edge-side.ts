// Which edge of a cut is sawn from which side: by what the saw's shoe reaches, and where structure hides the line.

import { line } from "../../drawing/shapes";
import { defineCalculator } from "../../engine/define";
import { typed } from "../../engine/handles";
import { choice, house, length, optional, rows, size, text, tick } from "../../engine/inputs";
import { type Finding, mm, outcome } from "../../engine/outcome";
import { fromCut } from "../field";

const inputs = {
  school: choice(
    "House saws",
    [
      ["inside", "from inside where it can"],
      ["outside", "from outside"],
    ],
    { from: "chosen", help: "Which side you saw from where both would do." },
  ),
  reach: size("The shoe beside the blade", { from: "measured", help: "How far the saw's shoe stands out beside its blade." }),
  margin: house(length("Kept clear of it", { help: "So that the shoe does not touch." }), 3),
  step: house(size("Chain of holes, every", { help: "Where no saw goes: holes beside each other, then filed." }), 40),
  bayHeight: optional(size("Bay, height", { from: "van", help: "Floor to the lowest beam." })),
  vanHeight: optional(size("Van, height", { from: "van", help: "At its highest place." })),
  work: house(length("Room for the saw above it", { help: "Saw and hands, above the roof." }), 600),
  edges: rows(
    "Edges",
    "edge",
    {
      name: text("Edge"),
      length: size("Length"),
      toInner: length("To inner metal", { help: "From the cut to the next inner metal." }),
      hidden: tick("Hidden by structure"),
    },
    { least: 1, from: "measured", help: "Each edge of the cut, and how far it is from inner metal." },
  ),
};

/**
 * From inside where s ≥ k + 3 (s to inner metal, k the reach of the shoe beside the blade), else from outside. The line is
 * carried over by pilots at the corners; where structure hides it by a chain of ⌈edge ÷ step⌉ holes.
 */
export const edgeSide = defineCalculator({
  name: "edge-side",
  title: "Which edge from which side",
  stage: "openings",
  asks: "Which edge is coated from which side?",
  words: "primer reach",

  inputs,
  example: {
    school: "inside",
    reach: 32,
    margin: 3,
    step: 40,
    edges: [
      { name: "top", length: 980, toInner: 22, hidden: true },
      { name: "bottom", length: 980, toInner: 60, hidden: false },
      { name: "front", length: 440, toInner: 48, hidden: false },
      { name: "rear", length: 440, toInner: 35, hidden: false },
    ],
  },
  results: {
    inside: ["from inside", ""],
    outside: ["from outside", ""],
    by: ["edges", ""],
    chainHoles: ["chain holes", ""],
    shunt: ["van is moved out", ""],
  },
  prefill: (facts) =>
    fromCut(facts, (c, f) => ({
      edges: [
        ["top", c.w, (f.top - f.bottom - c.h) / 2],
        ["bottom", c.w, (f.top - f.bottom - c.h) / 2],
        ["front", c.h, (f.right - f.left - c.w) / 2],
        ["rear", c.h, (f.right - f.left - c.w) / 2],
      ].map(([name, length, toInner]) => ({
        name: String(name),
        length: typed(+length),
        toInner: typed(Math.max(0, +toInner)),
        hidden: false,
      })),
    })),
  check: ({ bayHeight, vanHeight }) =>
    (bayHeight === undefined) !== (vanHeight === undefined)
      ? [{ path: bayHeight === undefined ? "bayHeight" : "vanHeight", message: "is missing beside the other" }]
      : [],
  work: ({ edges, reach, margin, step, school, bayHeight, vanHeight, work }) => {
    const findings: Finding[] = [];
    const sides = edges.map((e) => ({ ...e, can: e.toInner >= reach + margin }));
    const from = sides.map((e) => (e.can && school === "inside" ? ("inside" as const) : ("outside" as const)));
    for (const e of sides.filter((x) => !x.can))
      findings.push({
        level: "warn",
        about: "edges",
        text: `${e.name}: ${mm(e.toInner)} to inner metal, the shoe needs ${mm(reach + margin)}: from outside, taped`,
      });
    const chains = sides.map((e) => (e.hidden ? Math.ceil(e.length / step) : 0));
    sides.forEach((e, i) => {
      if (e.hidden)
        findings.push({
          level: "warn",
          about: "edges",
          text: `${e.name} is hidden by structure: carry it over by ${chains[i]} holes, every ${mm(step)}`,
        });
    });
    const low = bayHeight !== undefined && vanHeight !== undefined && vanHeight + work > bayHeight;
    if (low && from.includes("outside"))
      findings.push({
        level: "warn",
        about: "bayHeight",
        text: `${mm(vanHeight! + work - bayHeight!)} short above the van: set out inside, shunt, trace and cut in the yard, dry and light`,
      });
    findings.push({
      level: "ok",
      about: "school",
      text:
        school === "inside"
          ? "from inside: scratches are hidden, the reach is easy; burrs off before the shoe runs over them"
          : "from outside: the line is in sight; tape 60 wide each side, burrs off first",
    });
    const count = (side: string) => from.filter((f) => f === side).length;
    return outcome(
      {
        inside: count("inside"),
        outside: count("outside"),
        by: edges.map((e, i) => `${e.name}: ${from[i]}`).join(", "),
        chainHoles: chains.reduce((a, b) => a + b, 0),
        shunt: low,
      },
      {
        findings,
        drawing: {
          title: "Edges and sides",
          seen: "edge by edge, as given; the inner metal beside it",
          shapes: edges.flatMap((e, i) => [
            line("cut", 0, -i * 120, e.length, -i * 120),
            line("outline", 0, -i * 120 + Math.min(e.toInner, 90), e.length, -i * 120 + Math.min(e.toInner, 90)),
            {
              kind: "text" as const,
              layer: "text" as const,
              at: [0, -i * 120 - 26] as [number, number],
              size: 22,
              text: `${e.name}: ${from[i]}`,
            },
          ]),
        },
      },
    );
  },
});
