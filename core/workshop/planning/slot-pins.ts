// Pins that were tried: which hold their start in the plan that was made with them.

import type { Plan } from "../../plan/model";
import type { Zone } from "../../time/zone";
import type { Shop } from "../state/model";
import type { SlotPlan } from "./dry-slots";

/** The shop with the starts pinned. */
export const withPins = (shop: Shop, pins: SlotPlan["fits"]): Shop => {
  const at = new Map(pins.map((p) => [p.jobId, p.start]));
  const builds = shop.builds.map((b) => ({
    ...b,
    jobs: b.jobs.map((j) => (at.has(j.id) ? { ...j, pin: { ...j.pin, start: at.get(j.id)! } } : j)),
  }));
  return { ...shop, builds };
};

/** Those that begin when they were pinned to, and the others with why. */
export function pinsThatHold(
  pins: SlotPlan["fits"],
  plan: Pick<Plan, "jobs" | "pinsBroken">,
  zone: Zone,
): { hold: SlotPlan["fits"]; fail: (SlotPlan["fits"][number] & { why: string })[] } {
  const start = new Map(plan.jobs.map((j) => [j.id, zone.parse(j.start)]));
  const hold = pins.filter((p) => start.get(p.jobId) === p.start);
  const fail = pins
    .filter((p) => start.get(p.jobId) !== p.start)
    .map((p) => ({ ...p, why: plan.pinsBroken.find((b) => b.job === p.jobId)?.reason ?? `${p.name} can't begin then` }));
  return { hold, fail };
}
