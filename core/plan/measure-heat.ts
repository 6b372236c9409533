// Where work waits for warmth: heating a bay for as long as it takes, as a measure to gain a day.

import type { Zone } from "../time/zone";
import type { Measure } from "./measures";
import { type Plan, type Problem, type ProblemJob, plannedMinutes } from "./model";
import { sayTime } from "./words";

/** Work is looked for between these hours of a day when the heat is set. */
const [FROM, TO] = [6 * 60, 18 * 60];
/** Minutes of work counted on a day, to say how many days the heat has to last. */
const WORKED = 420;
/** Reasons that heat does not do away with; hours, light and weather come and go. */
const LASTING = new Set(["predecessor", "hold", "part", "proof", "not-before", "arrival"]);
/** At most so many are proposed. */
const MOST = 2;

/** The build's jobs that a cold bay or yard holds up, each with its bay heated from when nothing else would hold it. */
export function heating(problem: Problem, open: ProblemJob[], planned: Map<string, Plan["jobs"][number]>, zone: Zone): Measure[] {
  const now = zone.parse(problem.now);
  const waiting = open.filter((j) =>
    planned
      .get(j.id)!
      .why?.slice(0, 2)
      .some((w) => w.kind === "temperature" && w.text.startsWith("too cold")),
  );
  const out: Measure[] = [];
  for (const j of waiting) {
    const p = planned.get(j.id)!;
    const fits = problem.bays.filter(
      (b) => b.heat && !(b.has.includes("heated") && b.tempC !== undefined) && (j.bay ?? []).every((x) => b.has.includes(x)),
    );
    const bay = fits.find((b) => b.id === p.place) ?? fits[0];
    if (!bay?.heat || out.length === MOST) continue;
    const other = (p.why ?? []).filter((w) => LASTING.has(w.kind) && w.until).map((w) => zone.parse(w.until!));
    const day = zone.dayOf(Math.max(now, ...other));
    const days = Math.max(1, Math.ceil(plannedMinutes(j.minutes) / WORKED));
    const from = Math.max(now, zone.dayStart(day) + FROM);
    const to = zone.dayStart(day + days - 1) + TO + (j.hold?.minTempC === undefined ? 0 : j.hold.minutes);
    if (to <= from) continue;
    const { tempC, hourCost = 0 } = bay.heat;
    const hours = Math.ceil((to - from) / 60);
    out.push({
      kind: "heat",
      text: `${bay.name} is heated to ${tempC} °C from ${sayTime(zone, from)} to ${sayTime(zone, to)}, for ${j.name}`,
      price: `${hours} hours of heat`,
      hours: 0,
      pay: "overtime",
      money: Math.round(hours * hourCost),
      take: (x) => {
        const b = x.bays.find((y) => y.id === bay.id)!;
        b.warm = [...(b.warm ?? []), { from: zone.show(from), to: zone.show(to), tempC }];
      },
    });
  }
  return out;
}
