// All calculators. Made by ./wide-lane new setout out of the folders beside it: not written by hand.

import { beadClock } from "./openings/bead-clock/bead-clock";
import { bedAcross } from "./openings/bed-across/bed-across";
import { boardMatch } from "./openings/board-match/board-match";
import { cable } from "./openings/cable/cable";
import { corners } from "./openings/corners/corners";
import { cure } from "./openings/cure/cure";
import { depths } from "./openings/depths/depths";
import { drain } from "./openings/drain/drain";
import { edgeClock } from "./openings/edge-clock/edge-clock";
import { edgeSide } from "./openings/edge-side/edge-side";
import { flangeScrew } from "./openings/flange-screw/flange-screw";
import { goodSlot } from "./openings/good-slot/good-slot";
import { height } from "./openings/height/height";
import { holeRange } from "./openings/hole-range/hole-range";
import { inLine } from "./openings/in-line/in-line";
import { inlet } from "./openings/inlet/inlet";
import { landProduct } from "./openings/land-product/land-product";
import { lowPlaces } from "./openings/low-places/low-places";
import { openSkin } from "./openings/open-skin/open-skin";
import { opening } from "./openings/opening/opening";
import { roofPlan } from "./openings/roof-plan/roof-plan";
import { sealant } from "./openings/sealant/sealant";
import { session } from "./openings/session/session";
import { setUnit } from "./openings/set-unit/set-unit";
import { solarFeet } from "./openings/solar-feet/solar-feet";
import { solarFix } from "./openings/solar-fix/solar-fix";
import { supportFrame } from "./openings/support-frame/support-frame";
import { sweeps } from "./openings/sweeps/sweeps";
import { underFloor } from "./openings/under-floor/under-floor";
import { unitChoice } from "./openings/unit-choice/unit-choice";
import { unitRun } from "./openings/unit-run/unit-run";
import { batteryStand } from "./strip/battery-stand/battery-stand";
import { boltPattern } from "./strip/bolt-pattern/bolt-pattern";
import { damping } from "./strip/damping/damping";
import { dewPointSheet } from "./strip/dew-point/dew-point";
import { edgeSupport } from "./strip/edge-support/edge-support";
import { lettering } from "./strip/lettering/lettering";
import { recoat } from "./strip/recoat/recoat";
import { stripList } from "./strip/strip-list/strip-list";
import { swivel } from "./strip/swivel/swivel";
import { templateGap } from "./strip/template-gap/template-gap";
import { zoneRate } from "./strip/zone-rate/zone-rate";
import { coatChain } from "./time/coat-chain/coat-chain";
import { disturbedHold } from "./time/disturbed-hold/disturbed-hold";
import { goNoGo } from "./time/go-no-go/go-no-go";
import { handsDate } from "./time/hands-date/hands-date";
import { machineRoom } from "./time/machine-room/machine-room";
import { mixes } from "./time/mixes/mixes";
import { pairMinutes } from "./time/pair-minutes/pair-minutes";
import { passes } from "./time/passes/passes";
import { secondHands } from "./time/second-hands/second-hands";

export const REGISTRY = [
  batteryStand,
  boltPattern,
  damping,
  dewPointSheet,
  edgeSupport,
  lettering,
  recoat,
  stripList,
  swivel,
  templateGap,
  zoneRate,
  beadClock,
  bedAcross,
  boardMatch,
  cable,
  corners,
  cure,
  depths,
  drain,
  edgeClock,
  edgeSide,
  flangeScrew,
  goodSlot,
  height,
  holeRange,
  inLine,
  inlet,
  landProduct,
  lowPlaces,
  openSkin,
  opening,
  roofPlan,
  sealant,
  session,
  setUnit,
  solarFeet,
  solarFix,
  supportFrame,
  sweeps,
  underFloor,
  unitChoice,
  unitRun,
  coatChain,
  disturbedHold,
  goNoGo,
  handsDate,
  machineRoom,
  mixes,
  pairMinutes,
  passes,
  secondHands,
] as const;
