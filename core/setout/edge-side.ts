// Which edge of a cut is sawn from which side: by what the saw's shoe reaches, and where structure hides the line.

import { line } from "./drawing/shapes";
import { calculator, type Finding, is, list, mm, object, outcome } from "./model";

interface Edge {
  name: string;
  length: number;
  toInner: number;
  hidden?: boolean;
}

interface Input {
  edges: Edge[];
  reach: number;
  margin?: number;
  step?: number;
  school: "inside" | "outside";
  bayHeight?: number;
  vanHeight?: number;
  work?: number;
}

const schema = object(
  {
    edges: list(object({ name: is.name, length: is.size, toInner: is.mm }, { hidden: is.bool }), 1),
    reach: is.size,
    school: { type: "string", enum: ["inside", "outside"] },
  },
  { margin: is.mm, step: is.size, bayHeight: is.size, vanHeight: is.size, work: is.mm },
);

/**
 * From inside where s ≥ k + 3 (s to inner metal, k the reach of the shoe beside the blade), else from outside. The line is
 * carried over by pilots at the corners; where structure hides it by a chain of ⌈edge ÷ step⌉ holes.
 */
export const edgeSide = calculator<Input>(
  { name: "edge-side", title: "Which edge from which side" },
  schema,
  ({ bayHeight, vanHeight }) =>
    (bayHeight === undefined) !== (vanHeight === undefined)
      ? [{ path: bayHeight === undefined ? "bayHeight" : "vanHeight", message: "is missing beside the other" }]
      : [],
  ({ edges, reach, margin = 3, step = 40, school, bayHeight, vanHeight, work = 600 }) => {
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
);
