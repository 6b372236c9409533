// One cutting session: all cut first, then set one after the other as their edges are dry.

import { defineCalculator } from "../../engine/define";
import { amount, optional, rows, text } from "../../engine/inputs";
import { type Finding, outcome, round } from "../../engine/outcome";
import { prefill } from "./prefill";

const inputs = {
  drying: amount("Edge dries", { unit: "min", from: "chosen", help: "How long the coat on a cut edge takes." }),
  slot: optional(amount("Dry stretch", { unit: "min", from: "measured", help: "How long it stays dry, by the forecast." })),
  openings: rows(
    "Openings in their order",
    "opening",
    { name: text("Which"), cut: amount("Cut min"), set: amount("Set min") },
    { least: 1, from: "chosen", help: "In the order of the session: how long each takes to cut, and to set." },
  ),
};
/**
 * E_i = Σ cut up to i. Setting begins after the last cut: B_1 = max(E_n, E_1 + d), B_i = max(B_{i−1} + s_{i−1}, E_i + d);
 * over at B_n + s_n. One by one: Σ(c + d + s). Minutes from the first cut.
 */
export const session = defineCalculator({
  name: "session",
  title: "One session, two passes",
  stage: "openings",
  asks: "How long does it take to cut all openings in one session?",
  words: "day",

  inputs,
  example: {
    drying: 45,
    slot: 300,
    openings: [
      { name: "fan", cut: 55, set: 35 },
      { name: "window left", cut: 40, set: 30 },
      { name: "window right", cut: 48, set: 38 },
    ],
  },
  results: {
    openings: ["openings", ""],
    name: ["name", ""],
    cutBy: ["cut by minute", ""],
    setFrom: ["set from minute", ""],
    end: ["all done after", "min"],
    oneByOne: ["one after the other", "min"],
  },

  prefill,
  work: ({ openings, drying, slot }) => {
    const cutEnds: number[] = [];
    for (const o of openings) cutEnds.push((cutEnds.at(-1) ?? 0) + o.cut);
    const begins: number[] = [];
    openings.forEach((_, i) => {
      begins.push(Math.max(i ? begins[i - 1] + openings[i - 1].set : cutEnds[cutEnds.length - 1], cutEnds[i] + drying));
    });
    const end = begins[begins.length - 1] + openings[openings.length - 1].set;
    const oneByOne = openings.reduce((n, o) => n + o.cut + drying + o.set, 0);
    const findings: Finding[] = [{ level: "ok", about: "openings", text: `${round(oneByOne - end)} minutes less than one by one` }];
    if (slot !== undefined)
      findings.push(
        end > slot
          ? { level: "stop", about: "slot", text: `${round(end - slot)} minutes too long for the slot: fewer openings, or another day` }
          : { level: "ok", about: "slot", text: `${round(slot - end)} minutes to spare in the slot` },
      );
    findings.push({ level: "warn", about: "openings", text: "an opening left for later costs covers, swarf and a dry slot once more" });
    return outcome(
      {
        openings: openings.map((o, i) => ({ name: o.name, cutBy: round(cutEnds[i]), setFrom: round(begins[i]) })),
        end: round(end),
        oneByOne: round(oneByOne),
      },
      // A session spans several jobs: it is the minutes of none of them.
      { findings },
    );
  },
});
