// The hours that are left of the build, and who has how many days for it.

import type { Facts, Prefill } from "../../engine/facts";

export function prefill({ known }: Facts): Prefill | undefined {
  if (!known) return undefined;
  const w = known.work();
  return {
    draft: {
      hoursLeft: String(w.hoursLeft),
      ...(w.hoursADay === undefined ? {} : { hoursADay: String(w.hoursADay) }),
      people: w.people.map((p) => ({ name: p.name, days: p.days === undefined ? "" : String(p.days), sure: true })),
    },
    basis: { "hours left": w.hoursLeft, ...(w.days === undefined ? {} : { "days until the date": w.days }) },
    partial: true,
  };
}
