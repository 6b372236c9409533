// Whether metal is dry and warm enough to bond, coat or stick mats to.

import { atLimit } from "./at-limit";
import { calculator, type Finding, object, outcome, round } from "./model";

interface Input {
  airC: number;
  humidity: number;
  skinC: number;
  minC?: number;
}

const temperature = { type: "number", minimum: -40, maximum: 80 };
const schema = object(
  { airC: temperature, humidity: { type: "number", exclusiveMinimum: 0, maximum: 100 }, skinC: temperature },
  { minC: temperature },
);

/** The skin has to be so much warmer than the dew point, K. */
const MARGIN_K = 3;

/** Magnus: γ = ln(H ÷ 100) + 17.62·T ÷ (243.12 + T), dew point 243.12·γ ÷ (17.62 − γ), °C. */
export function dewPoint(airC: number, humidity: number): number {
  const g = Math.log(humidity / 100) + (17.62 * airC) / (243.12 + airC);
  return (243.12 * g) / (17.62 - g);
}

export const dewPointSheet = calculator<Input>(
  { name: "dew-point", title: "Dry enough to bond or coat" },
  schema,
  () => [],
  ({ airC, humidity, skinC, minC }) => {
    const td = dewPoint(airC, humidity);
    const above = skinC - td;
    const findings: Finding[] = [];
    // A tenth is what a thermometer tells: 2.96 K are read as 3.
    const enough = round(above, 1) >= MARGIN_K;
    if (!enough)
      findings.push({
        level: "stop",
        about: "skinC",
        text: `${round(above, 1)} above the dew point, ${MARGIN_K} are asked: wait, or warm the skin to ${Math.ceil((td + MARGIN_K) * 2 - 1e-9) / 2}`,
      });
    if (minC !== undefined && skinC < minC)
      findings.push({
        level: "stop",
        about: "minC",
        text: `the skin is ${round(minC - skinC, 1)} below the product's minimum of ${minC} °C`,
      });
    // To a tenth, as thermometers read.
    findings.push(...atLimit(round(above, 1), MARGIN_K, "skinC", "the skin's distance above the dew point, K,"));
    findings.push(...atLimit(skinC, minC, "minC", "the skin, °C,"));
    if (!findings.length) findings.push({ level: "ok", about: "skinC", text: `${round(above, 1)} above the dew point` });
    findings.push({ level: "ok", about: "skinC", text: "measure the skin, not the air; the maker's sheet rules" });
    return outcome(
      { dewPointC: round(td), aboveK: round(above, 1), dryEnough: enough && (minC === undefined || skinC >= minC) },
      { findings },
    );
  },
);
