// One cutting session: all cut first, then set one after the other as their edges are dry.

import { calculator, type Finding, is, list, object, outcome, round } from "./model";

interface Input {
  openings: { name: string; cut: number; set: number }[];
  drying: number;
  slot?: number;
}

const schema = object(
  { openings: list(object({ name: is.name, cut: is.amount, set: is.amount }), 1), drying: is.amount },
  { slot: is.amount },
);

/**
 * E_i = Σ cut up to i. Setting begins after the last cut: B_1 = max(E_n, E_1 + d), B_i = max(B_{i−1} + s_{i−1}, E_i + d);
 * over at B_n + s_n. One by one: Σ(c + d + s). Minutes from the first cut.
 */
export const session = calculator<Input>(
  { name: "session", title: "One session, two passes" },
  schema,
  () => [],
  ({ openings, drying, slot }) => {
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
);
