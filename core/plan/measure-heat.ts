// Where work waits for warmth: heating a bay for as long as it takes, as a measure to gain a day.

import { WEEKDAYS } from "../time/calendar";
import { minutesOf } from "../time/clock";
import { formatDate, weekdayOf, type Zone } from "../time/zone";
import type { Measure } from "./measures";
import { type Plan, type Problem, type ProblemJob, plannedMinutes } from "./model";
import { sayDay, sayTime } from "./words";

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

/** Work before the day gets warm begins so early. */
const EARLY = "05:30";

/** The crew of work that waits because days are too warm begins early on the first day on which nothing else would hold it. */
export function earlyShift(problem: Problem, open: ProblemJob[], planned: Map<string, Plan["jobs"][number]>, zone: Zone): Measure[] {
  const now = zone.parse(problem.now);
  for (const j of open) {
    const p = planned.get(j.id)!;
    if (!p.fitters.length || !p.why?.slice(0, 2).some((w) => w.kind === "temperature" && w.text.startsWith("too warm"))) continue;
    const other = (p.why ?? []).filter((w) => LASTING.has(w.kind) && w.until).map((w) => zone.parse(w.until!));
    const first = zone.dayOf(Math.max(now, ...other)) + (other.length ? 0 : 1);
    const crew = p.fitters.map((id) => problem.fitters.find((f) => f.id === id)!);
    for (let day = first; day < first + 7; day++) {
      const usual = crew.map((f) => problem.calendars.find((c) => c.id === f.calendar)?.week[WEEKDAYS[weekdayOf(day)]] ?? []);
      const opens = usual.map((w) => w.map((x) => x[0]).sort()[0]);
      if (opens.some((o) => o === undefined || o <= EARLY)) continue;
      const date = formatDate(day);
      const sky = problem.weather?.days?.find((d) => d.date === date) ?? problem.weather?.default;
      const minutes = opens.reduce((n, o) => n + minutesOf(o) - minutesOf(EARLY), 0);
      const quiet = problem.noiseHours && j.needs?.noisy ? `, quiet until ${problem.noiseHours[0]}` : "";
      const lamps = sky && sky.sunrise > EARLY ? `, lamps until ${sky.sunrise}` : "";
      return [
        {
          kind: "early-shift",
          text: `${crew.map((f) => f.name).join(" and ")} ${crew.length === 1 ? "begins" : "begin"} at ${EARLY} on ${sayDay(zone, zone.dayStart(day))}, for ${j.name}, before it is too warm`,
          price: `${Math.round(minutes / 6) / 10} extra hours${lamps}${quiet}; home earlier, or a day off after it`,
          hours: Math.round(minutes / 6) / 10,
          pay: "overtime",
          take: (x) => {
            crew.forEach((f, i) => {
              const fitter = x.fitters.find((y) => y.id === f.id)!;
              const own = structuredClone(x.calendars.find((c) => c.id === fitter.calendar)!);
              own.id = `${own.id} + early ${f.id}`;
              own.extra = [
                ...(own.extra ?? []).filter((e) => e.date !== date),
                { date, windows: usual[i] },
                { date, windows: [[EARLY, opens[i]]], overtime: true },
              ];
              x.calendars.push(own);
              fitter.calendar = own.id;
            });
            for (const b of x.bays) if (b.calendar) delete b.calendar;
          },
        },
      ];
    }
  }
  return [];
}
