// Pieces that have to be set while an adhesive is open: how many go on one mix, how many mixes, alone or with a second pair of hands.

import { defineCalculator } from "../../engine/define";
import { amount, count, positive, tick } from "../../engine/inputs";
import { type Finding, outcome, round } from "../../engine/outcome";
import { prefill } from "./prefill";

const inputs = {
  pieces: count("Pieces", [1, 1000], { from: "chosen", help: "How many are laid in one go." }),
  pieceMinutes: positive("A piece, alone", { unit: "min", from: "measured", help: "Spread, laid and pressed." }),
  openMinutes: positive("It stays open", { unit: "min", from: "chosen", help: "On the tub." }),
  mixMinutes: amount("A mix, made and cleaned", { unit: "min", from: "measured", help: "Weighed, stirred, tools cleaned." }),
  pair: tick("A second pair of hands", { from: "chosen", help: "Two lay a piece in half the time." }),
};
/**
 * A mix serves floor(open time ÷ minutes a piece) pieces, mixes = ceil(pieces ÷ that), minutes = pieces · minutes a piece + mixes ·
 * minutes a mix. Two halve the minutes a piece.
 */
export const mixes = defineCalculator({
  name: "mixes",
  title: "Mixes by open time",
  stage: "time",
  asks: "How many mixes of adhesive, before each goes off?",
  words: "glue pot life resin",

  inputs,
  example: { pieces: 12, pieceMinutes: 6, openMinutes: 20, mixMinutes: 8, pair: false },
  results: {
    serves: ["pieces a mix", ""],
    mixes: ["mixes", ""],
    minutes: ["in all", "min"],
    minutesByTwo: ["with two people", "min"],
    mixesByTwo: ["mixes with two people", ""],
  },

  fromPlan: true,
  prefill,
  work: ({ pieces, pieceMinutes, openMinutes, mixMinutes, pair }) => {
    const by = (each: number) => {
      const serves = Math.floor(openMinutes / each + 1e-9);
      const count = serves > 0 ? Math.ceil(pieces / serves) : 0;
      return { serves, count, minutes: round(pieces * each + count * mixMinutes, 1) };
    };
    const alone = by(pieceMinutes);
    const two = by(pieceMinutes / 2);
    const chosen = pair ? two : alone;
    const say = (x: typeof alone) => `${x.count} ${x.count === 1 ? "mix" : "mixes"} of up to ${x.serves}, ${x.minutes} min`;
    const findings: Finding[] = [];
    if (!chosen.serves)
      findings.push({
        level: "stop",
        about: "openMinutes",
        text:
          !pair && two.serves
            ? `one piece alone takes longer than it stays open: only with a second pair of hands (${say(two)})`
            : "one piece takes longer than it stays open, for two as well: a slower product",
      });
    else if (chosen.count > 1)
      findings.push({
        level: "warn",
        about: "pieces",
        text: `all of them take longer than it stays open: ${say(chosen)}${!pair && two.serves ? `; with a second pair of hands ${say(two)}` : ""}`,
      });
    else findings.push({ level: "ok", about: "pieces", text: `one mix will do: ${say(chosen)}` });
    const likely = Math.ceil(chosen.minutes);
    return outcome(
      { serves: chosen.serves, mixes: chosen.count, minutes: chosen.minutes, minutesByTwo: two.minutes, mixesByTwo: two.count },
      {
        findings,
        minutes: chosen.serves
          ? {
              best: Math.ceil(pieces * (pair ? pieceMinutes / 2 : pieceMinutes)),
              likely,
              worst: likely + Math.ceil(chosen.count * mixMinutes),
              covers: "part",
              what: "pieces set on fresh adhesive, with mixing",
              held: Math.ceil(pieces * pieceMinutes),
            }
          : null,
      },
    );
  },
});
