// All calculators by name, and the one form in which their results leave.

import { batteryStand } from "./battery-stand";
import { beadClock } from "./bead-clock";
import { bedAcross } from "./bed-across";
import { boardMatch } from "./board-match";
import { boltPattern } from "./bolt-pattern";
import { cable } from "./cable";
import { coatChain } from "./coat-chain";
import { corners } from "./corners";
import { cure } from "./cure";
import { damping } from "./damping";
import { depths } from "./depths";
import { dewPointSheet } from "./dew-point";
import { disturbedHold } from "./disturbed-hold";
import { drain } from "./drain";
import { edgeClock } from "./edge-clock";
import { edgeSide } from "./edge-side";
import { edgeSupport } from "./edge-support";
import { flangeScrew } from "./flange-screw";
import { goNoGo } from "./go-no-go";
import { goodSlot } from "./good-slot";
import { handsDate } from "./hands-date";
import { height } from "./height";
import { holeRange } from "./hole-range";
import { inLine } from "./in-line";
import { inlet } from "./inlet";
import { landProduct } from "./land-product";
import { lettering } from "./lettering";
import { lowPlaces } from "./low-places";
import { machineRoom } from "./machine-room";
import { mixes } from "./mixes";
import type { Calculator, Outcome } from "./model";
import { openSkin } from "./open-skin";
import { opening } from "./opening";
import { pairMinutes } from "./pair-minutes";
import { passes } from "./passes";
import { recoat } from "./recoat";
import { roofPlan } from "./roof-plan";
import { sealant } from "./sealant";
import { secondHands } from "./second-hands";
import { session } from "./session";
import { setUnit } from "./set-unit";
import { solarFeet } from "./solar-feet";
import { solarFix } from "./solar-fix";
import { stripList } from "./strip-list";
import { supportFrame } from "./support-frame";
import { swivel } from "./swivel";
import { templateGap } from "./template-gap";
import { underFloor } from "./under-floor";
import { unitChoice } from "./unit-choice";
import { unitRun } from "./unit-run";
import { zoneRate } from "./zone-rate";

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
  batteryStand,
  boltPattern,
  swivel,
  dewPointSheet,
  recoat,
  edgeSupport,
  lettering,
  zoneRate,
  holeRange,
  corners,
  session,
  bedAcross,
  solarFeet,
  cable,
  flangeScrew,
  lowPlaces,
  depths,
  height,
  drain,
  goodSlot,
  unitChoice,
  templateGap,
  unitRun,
  inlet,
  inLine,
  edgeClock,
  goNoGo,
  disturbedHold,
  passes,
  mixes,
  coatChain,
  secondHands,
  handsDate,
  landProduct,
  beadClock,
  setUnit,
  solarFix,
  edgeSide,
  pairMinutes,
  boardMatch,
  machineRoom,
];

export const findCalculator = (name: string): Calculator | undefined => CALCULATORS.find((c) => c.name === name);

/** What the command line and the application write: everything but the drawing, which has files of its own. */
export function asResult(name: string, o: Outcome): object {
  const { drawing: _drawing, findings, ...rest } = o;
  // Where in the drawing a finding points goes with the drawing.
  return { format: "wide-lane/setout@1", name, ...rest, findings: findings.map(({ at: _at, ...f }) => f) };
}
