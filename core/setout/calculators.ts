// The calculators by name, what they are looked for by, and the one form in which their results leave.

import type { Calculator } from "./engine/define";
import type { Outcome } from "./engine/outcome";
import { REGISTRY } from "./registry";

export type CalculatorName = (typeof REGISTRY)[number]["name"];

export const CALCULATORS: readonly Calculator<CalculatorName>[] = REGISTRY;

const BY_NAME: ReadonlyMap<string, Calculator<CalculatorName>> = new Map(CALCULATORS.map((c) => [c.name, c]));

export const findCalculator = (name: string): Calculator<CalculatorName> | undefined => BY_NAME.get(name);

/** One that is there for certain: its name is checked by the compiler. */
export const calculator = (name: CalculatorName): Calculator<CalculatorName> => BY_NAME.get(name)!;

/** What a calculator is called; of one that is gone, its name. */
export const titleOf = (name: string): string => findCalculator(name)?.title ?? name;

/** Calculators in whose question, title or other words every word of a search stands; the order is kept. */
export function calculatorsFor(search: string): Calculator<CalculatorName>[] {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  return CALCULATORS.filter((c) => {
    const text = `${c.title} ${c.asks} ${c.words ?? ""}`.toLowerCase();
    return words.every((w) => text.includes(w));
  });
}

/** What the command line and the application write: everything but the drawing, which has files of its own. */
export function asResult(name: string, o: Outcome): object {
  const { drawing: _drawing, findings, ...rest } = o;
  // Where in the drawing a finding points goes with the drawing.
  return { format: "wide-lane/setout@1", name, ...rest, findings: findings.map(({ at: _at, ...f }) => f) };
}
