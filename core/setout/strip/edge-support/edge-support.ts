// A support under a floor plate where the metal has sunk: its height at each station, and its outline to cut.

import { dimension, line } from "../../drawing/shapes";
import { defineCalculator } from "../../engine/define";
import { length, position, rows, size } from "../../engine/inputs";
import { type Finding, mm, outcome, round, type Shape } from "../../engine/outcome";

const inputs = {
  plate: size("Plate", { from: "measured", help: "Thickness of what is laid in." }),
  stations: rows(
    "Depths below the level line",
    "station",
    { at: length("At"), depth: position("Depth") },
    { least: 2, from: "measured", help: "Along the edge: how far the metal lies below the level line." },
  ),
};
/** p = depth below the level line less the plate's thickness; below nothing the metal is dressed back first. */
export const edgeSupport = defineCalculator({
  name: "edge-support",
  title: "Support under a bent edge",
  stage: "strip",
  asks: "How much has to be built up under a bent floor edge?",
  words: "sunken scribe level",

  holds: true,

  inputs,
  example: {
    plate: 6,
    stations: [
      { at: 0, depth: 14 },
      { at: 100, depth: 17.5 },
      { at: 200, depth: 21 },
      { at: 300, depth: 9 },
    ],
  },
  results: { heights: ["heights", "mm"], at: ["along", "mm"], height: ["height", "mm"], highest: ["highest", "mm"] },
  check: ({ stations }) =>
    stations.flatMap((s, i) =>
      i && s.at <= stations[i - 1].at ? [{ path: `stations[${i}].at`, message: "has to lie behind the one before" }] : [],
    ),
  work: ({ plate, stations }) => {
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
});
