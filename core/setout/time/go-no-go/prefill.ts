// Going or not starts from the job, and light, rain and shift of the day it is planned on; which of its minutes are drying the fitter says.

import type { Facts, Prefill } from "../../engine/facts";

export function prefill({ known }: Facts): Prefill | undefined {
  const [job, site] = [known?.job(), known?.site()];
  if (!job || !site) return undefined;
  const dry = site.dry.find(([from, to]) => from <= site.clock && site.clock < to);
  const rain = dry && dry[1] !== "24:00" ? dry[1] : "";
  const shiftEnd =
    known!
      .hours()
      .map((w) => w.closes)
      .sort()
      .at(-1) ?? "";
  return {
    draft: { sunset: site.sunset, rain, shiftEnd, steps: [{ name: job.name, minutes: String(job.minutes.likely), drying: false }] },
    basis: { day: site.date, dusk: site.sunset, rain: rain || "none", "end of the shift": shiftEnd || "none" },
    partial: true,
  };
}
