// All calculators by name, and the one form in which their results leave.

import { cure } from "./cure";
import { damping } from "./damping";
import type { Calculator, Outcome } from "./model";
import { openSkin } from "./open-skin";
import { opening } from "./opening";
import { roofPlan } from "./roof-plan";
import { sealant } from "./sealant";
import { stripList } from "./strip-list";
import { supportFrame } from "./support-frame";
import { underFloor } from "./under-floor";

export const CALCULATORS: readonly Calculator[] = [
  damping,
  stripList,
  opening,
  roofPlan,
  supportFrame,
  sealant,
  cure,
  openSkin,
  underFloor,
];

export const findCalculator = (name: string): Calculator | undefined => CALCULATORS.find((c) => c.name === name);

/** What the command line and the application write: everything but the drawing, which has files of its own. */
export function asResult(name: string, o: Outcome): object {
  const { drawing: _drawing, findings, ...rest } = o;
  // Where in the drawing a finding points goes with the drawing.
  return { format: "wide-lane/setout@1", name, ...rest, findings: findings.map(({ at: _at, ...f }) => f) };
}
