// What of a collar or frame is cut off, once every layer to the ceiling is known.

import { calculator, type Finding, is, list, object, outcome, round } from "./model";

interface Input {
  layers: { name: string; t?: number }[];
  collar: number;
  clamp?: { from: number; to: number };
}

const schema = object(
  { layers: list(object({ name: is.name }, { t: is.mm }), 1), collar: is.mm },
  { clamp: object({ from: is.mm, to: is.mm }) },
);

/** T = Σ layers; cut off collar − T, or a raw edge T − collar in sight. While a layer is open there is no answer. */
export const depths = calculator<Input>(
  { name: "depths", title: "Collar against the ceiling" },
  schema,
  ({ clamp }) => (clamp && clamp.to < clamp.from ? [{ path: "clamp.to", message: "lies below its least" }] : []),
  ({ layers, collar, clamp }) => {
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
);
