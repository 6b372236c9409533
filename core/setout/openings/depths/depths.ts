// What of a collar or frame is cut off, once every layer to the ceiling is known.

import { defineCalculator } from "../../engine/define";
import { typed } from "../../engine/handles";
import { group, length, optional, rows, text } from "../../engine/inputs";
import { type Finding, outcome, round } from "../../engine/outcome";

const inputs = {
  collar: length("Collar or frame", { from: "chosen", help: "How far it reaches in, from the roof's metal." }),
  clamp: optional(
    group({
      from: length("Clamp from", { from: "chosen", help: "The thinnest roof that its clamp ring takes." }),
      to: length("Clamp to", { from: "chosen", help: "The thickest roof that it takes." }),
    }),
  ),
  layers: rows(
    "Layers to the finished ceiling",
    "layer",
    { name: text("Layer"), t: optional(length("Thickness")) },
    { least: 1, from: "van", help: "From the metal to the finished ceiling. Leave a layer empty until it is decided." },
  ),
};
/** T = Σ layers; cut off collar − T, or a raw edge T − collar in sight. While a layer is open there is no answer. */
export const depths = defineCalculator({
  name: "depths",
  title: "Collar against the ceiling",
  stage: "openings",
  asks: "Does the collar reach from the roof to the ceiling?",
  words: "lining trim fan",

  inputs,
  example: {
    collar: 78,
    layers: [
      { name: "insulation", t: 4 },
      { name: "packer", t: 29 },
      { name: "batten", t: 16 },
      { name: "lining", t: 6.5 },
    ],
  },
  results: { throat: ["throat", "mm"], cutOff: ["cut off", "mm"], rawEdge: ["raw edge", "mm"] },
  // Batten and lining stay open until somebody knows them: then the answer is "not yet", never a guess.
  prefill: ({ geometry: g, known }) => {
    const { battenMm, liningMm } = known?.behindHole() ?? {};
    const there = (mm: number | undefined) => (mm === undefined ? "" : typed(mm));
    return {
      draft: {
        layers: [
          { name: "rib", t: typed(g.roofRibs[0].depthMm) },
          { name: "batten", t: there(battenMm) },
          { name: "lining", t: there(liningMm) },
        ],
      },
      basis: {
        "depth of the ribs": g.roofRibs[0].depthMm,
        ...(battenMm === undefined ? {} : { "batten at the hole": battenMm }),
        ...(liningMm === undefined ? {} : { "lining at the hole": liningMm }),
      },
      partial: true,
    };
  },
  check: ({ clamp }) => (clamp && clamp.to < clamp.from ? [{ path: "clamp.to", message: "lies below its least" }] : []),
  work: ({ layers, collar, clamp }) => {
    const open = layers.filter((l) => l.t === undefined).map((l) => l.name);
    if (open.length)
      return outcome(
        { throat: null, cutOff: null, rawEdge: null },
        { findings: [{ level: "stop", about: "layers", text: `not yet: ${open.join(", ")}` }] },
      );
    const throat = layers.reduce((n, l) => n + l.t!, 0);
    const [cutOff, rawEdge] = [Math.max(0, collar - throat), Math.max(0, throat - collar)];
    const findings: Finding[] = [
      rawEdge > 0
        ? {
            level: "warn",
            about: "collar",
            text: `${round(rawEdge)} of raw edge in sight: trim, paint or another frame, chosen before this one is fixed`,
          }
        : { level: "ok", about: "collar", text: cutOff > 0 ? `cut ${round(cutOff)} off; read each corner` : "flush as it is" },
    ];
    if (clamp)
      findings.push(
        throat < clamp.from || throat > clamp.to
          ? { level: "stop", about: "clamp", text: `${round(throat)} is outside the clamp's ${clamp.from} to ${clamp.to}` }
          : { level: "ok", about: "clamp", text: "within the clamp's range" },
      );
    return outcome({ throat: round(throat), cutOff: round(cutOff), rawEdge: round(rawEdge) }, { findings });
  },
});
