// Whether metal is dry and warm enough to bond, coat or stick mats to.

import { atLimit } from "../../engine/at-limit";
import { defineCalculator } from "../../engine/define";
import { between, house, optional, temperature } from "../../engine/inputs";
import { type Finding, outcome, round } from "../../engine/outcome";
import { prefill } from "./prefill";

/** Magnus: γ = ln(H ÷ 100) + 17.62·T ÷ (243.12 + T), dew point 243.12·γ ÷ (17.62 − γ), °C. */
export function dewPoint(airC: number, humidity: number): number {
  const g = Math.log(humidity / 100) + (17.62 * airC) / (243.12 + airC);
  return (243.12 * g) / (17.62 - g);
}

const inputs = {
  airC: temperature("Air", { from: "measured", help: "In the bay, beside the van." }),
  humidity: between("Humidity", [0, 100], { above: true, unit: "%", from: "measured", help: "From the same meter, in per cent." }),
  skinC: temperature("Skin, measured", { from: "measured", help: "Held on the metal itself, not in the air." }),
  minC: optional(temperature("Product's minimum", { from: "chosen", help: "On the tin or tube." })),
  marginK: house(between("Metal above the dew point by", [0, 20], { unit: "K", help: "Less than this, and the metal may sweat." }), 3),
};
export const dewPointSheet = defineCalculator({
  name: "dew-point",
  title: "Dry enough to bond",
  stage: "strip",
  asks: "Is the metal dry enough to bond on?",
  words: "damp humidity sweat condensation temperature",

  holds: true,

  inputs,
  example: { airC: 20, humidity: 66, skinC: 17, minC: 10 },
  results: { dewPointC: ["dew point", "°C"], aboveK: ["metal above the dew point", "K"], dryEnough: ["dry enough", ""] },

  fromPlan: true,
  prefill,
  work: ({ airC, humidity, skinC, minC, marginK }) => {
    const td = dewPoint(airC, humidity);
    const above = skinC - td;
    const findings: Finding[] = [];
    // A tenth is what a thermometer tells: 2.96 K are read as 3.
    const enough = round(above, 1) >= marginK;
    if (!enough)
      findings.push({
        level: "stop",
        about: "skinC",
        text: `${round(above, 1)} above the dew point, ${marginK} are asked: wait, or warm the skin to ${Math.ceil((td + marginK) * 2 - 1e-9) / 2}`,
      });
    if (minC !== undefined && skinC < minC)
      findings.push({
        level: "stop",
        about: "minC",
        text: `the skin is ${round(minC - skinC, 1)} below the product's minimum of ${minC} °C`,
      });
    // To a tenth, as thermometers read.
    findings.push(...atLimit(round(above, 1), marginK, "skinC", "the skin's distance above the dew point, K,"));
    findings.push(...atLimit(skinC, minC, "minC", "the skin, °C,"));
    if (!findings.length) findings.push({ level: "ok", about: "skinC", text: `${round(above, 1)} above the dew point` });
    findings.push({ level: "ok", about: "skinC", text: "measure the skin, not the air; the maker's sheet rules" });
    return outcome(
      { dewPointC: round(td), aboveK: round(above, 1), dryEnough: enough && (minC === undefined || skinC >= minC) },
      { findings },
    );
  },
});
