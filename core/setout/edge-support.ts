// A support under a floor plate where the metal has sunk: its height at each station, and its outline to cut.

import { dimension, line } from "./drawing/shapes";
import { calculator, type Finding, is, list, mm, object, outcome, round, type Shape } from "./model";

interface Input {
  plate: number;
  stations: { at: number; depth: number }[];
}

const schema = object({ plate: is.size, stations: list(object({ at: is.mm, depth: is.position }), 2) });

/** p = depth below the level line less the plate's thickness; below nothing the metal is dressed back first. */
export const edgeSupport = calculator<Input>(
  { name: "edge-support", title: "Support under a bent edge" },
  schema,
  ({ stations }) =>
    stations.flatMap((s, i) =>
      i && s.at <= stations[i - 1].at ? [{ path: `stations[${i}].at`, message: "has to lie behind the one before" }] : [],
    ),
  ({ plate, stations }) => {
    const heights = stations.map((s) => ({ at: s.at, height: round(s.depth - plate) }));
    const findings: Finding[] = [];
    for (const h of heights)
      if (h.height < 0)
        findings.push({
          level: "stop",
          about: "stations",
          at: [h.at, 0],
          text: `at ${mm(h.at)} the metal stands ${mm(-h.height)} proud: dress it first`,
        });
    if (!findings.length)
      findings.push({
        level: "ok",
        about: "stations",
        text: "cut to the outline, scribe, and mark on the template: don't trust this edge",
      });
    const last = heights[heights.length - 1];
    const shapes: Shape[] = [
      line("outline", heights[0].at, 0, last.at, 0),
      ...heights.slice(1).map((h, i) => line("cut", heights[i].at, -heights[i].height, h.at, -h.height)),
      ...heights.flatMap((h) => dimension(h.at, 0, h.at, -h.height, mm(h.height), 12)),
    ];
    return outcome(
      { heights, highest: Math.max(...heights.map((h) => h.height)) },
      { findings, drawing: { title: "Support under a bent edge", seen: "from the side; the plate lies on the upper line", shapes } },
    );
  },
);
