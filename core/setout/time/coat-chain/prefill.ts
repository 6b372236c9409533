// When the job is planned, the hours of its day, and when the first that follows wants it dry. Coats and their holds are on the tins.

import { WEEKDAYS } from "../../../time/calendar";
import type { Facts, Prefill } from "../../engine/facts";

export function prefill({ known }: Facts): Prefill | undefined {
  const [job, planned] = [known?.job(), known?.planned()];
  if (!job || !planned) return undefined;
  const hours = known!.hours();
  const site = known!.site();
  return {
    draft: {
      weekday: WEEKDAYS[Math.min(planned.weekday, 4)],
      from: planned.start.slice(11, 16),
      coats: [{ name: job.name, minutes: String(Math.min(job.minutes.likely, 120)), holdH: String(Math.round(job.holdMinutes / 6) / 10) }],
      ...(hours.length
        ? {
            opens: hours.map((w) => w.opens).sort()[0],
            closes: hours
              .map((w) => w.closes)
              .sort()
              .at(-1)!,
          }
        : {}),
      ...(planned.needed ? { neededDay: String(planned.needed.days), neededAt: planned.needed.start.slice(11, 16) } : {}),
      ...(site ? { tempC: String(site.tempC) } : {}),
    },
    basis: { planned: planned.start, ...(planned.needed ? { "needed by": planned.needed.start } : {}) },
    partial: true,
  };
}
