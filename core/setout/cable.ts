// A cable from the roof to where it ends: its length, and the least copper that carries it.

import { calculator, type Finding, is, list, object, outcome, round } from "./model";

interface Input {
  along: number;
  across: number;
  drop: number;
  amps: number;
  volts: number;
  slack?: number;
  dropShare?: number;
  stock?: number[];
}

const schema = object(
  { along: is.mm, across: is.mm, drop: is.mm, amps: is.amount, volts: is.size },
  { slack: is.share, dropShare: { type: "number", exclusiveMinimum: 0, maximum: 0.2 }, stock: list(is.size, 1) },
);

/** Copper, Ω·mm²/m. */
const RHO = 0.0175;
const STOCK = [1.5, 2.5, 4, 6, 10, 16, 25, 35];

/** l = 1.1·(along + across + drop), m; A ≥ 2·l·I·0.0175 ÷ (2 % of U), mm². Drop only: the fuse and the rating table are the competent person's. */
export const cable = calculator<Input>(
  { name: "cable", title: "Cable through the roof" },
  schema,
  () => [],
  ({ along, across, drop, amps, volts, slack = 0.1, dropShare = 0.02, stock = STOCK }) => {
    const metres = ((1 + slack) * (along + across + drop)) / 1000;
    const least = (2 * metres * amps * RHO) / (dropShare * volts);
    const fits = [...stock].sort((a, b) => a - b).find((s) => s >= least - 1e-9) ?? null;
    const findings: Finding[] = [
      fits === null
        ? { level: "stop", about: "stock", text: `${round(least)} mm² are asked, the largest in stock is ${Math.max(...stock)}` }
        : { level: "ok", about: "stock", text: `${fits} mm² from stock` },
      { level: "warn", about: "amps", text: "by the drop only: its fuse and what the cable may carry are for the competent person" },
      { level: "ok", about: "along", text: "a grommet wherever metal is passed, a loop lower than the hole, wet it before lining" },
    ];
    return outcome(
      { metres: round(metres, 3), leastMm2: round(least), mm2: fits },
      { findings, parts: fits === null ? [] : [{ name: `Cable ${fits} mm²`, quantity: Math.ceil(metres * 2 - 1e-9), unit: "m" }] },
    );
  },
);
