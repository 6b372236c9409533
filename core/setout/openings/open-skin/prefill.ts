// The open-skin clock starts from light, dry hours and people where the job is planned, its minutes, and how far its units are.

import type { Facts, Prefill } from "../../engine/facts";

/** What the forecast must say at least for an hour to count as dry. */
const DRY_CHANCE = "0.7";

export function prefill({ known }: Facts): Prefill | undefined {
  const [job, site] = [known?.job(), known?.site()];
  if (!job || !site) return undefined;
  const { best, likely, worst } = job.minutes;
  return {
    draft: {
      now: site.clock,
      sunset: site.sunset,
      people: String(site.people),
      peopleNeeded: String(job.people),
      tempC: String(site.tempC),
      minC: job.minTempC === null ? "" : String(job.minTempC),
      steps: [{ name: job.name, "minutes.best": String(best), "minutes.likely": String(likely), "minutes.worst": String(worst) }],
      dry: site.dry.map(([from, to]) => ({ from, to, chance: DRY_CHANCE })),
      units: job.units.map((u) => ({ name: u.name, arrived: u.arrived, checked: u.checked, dryFitted: false })),
    },
    basis: {
      day: site.date,
      start: site.clock,
      dusk: site.sunset,
      "dry hours": site.dry.map(([x, y]) => `${x} to ${y}`).join(", ") || "none",
      temperature: site.tempC,
      people: site.people,
    },
    partial: true,
  };
}
