// Checks zones, holds that keep off, and how many people are inside one van.

import type { Case, Row } from "./check";
import { meet } from "./hours";
import { workOf } from "./work";

const OUTSIDE = ["roof", "underside", "outside"];

export function checkZones(x: Case): void {
  const byBuild = new Map<string, Row[]>();
  for (const r of x.rows.values()) if (r.van) byBuild.set(r.build.id, [...(byBuild.get(r.build.id) ?? []), r]);
  for (const rows of byBuild.values()) {
    pairs(x, rows);
    inside(x, rows);
  }
}

function pairs(x: Case, rows: readonly Row[]): void {
  for (const a of rows)
    for (const b of rows) {
      if (a === b) continue;
      const at = { job: b.job.id };
      const live = !a.done && !b.done;
      if (live && a.job.id < b.job.id && a.job.zones.some((z) => b.job.zones.includes(z)) && meet([a.from, a.end], [b.from, b.end]))
        x.breach("zone", `${a.job.id} and ${b.job.id} are in the same zone at once`, at);
      const off = a.job.hold?.keepOff;
      if (!off || b.done) continue;
      const kept = off === "all" ? b.job.zones.length > 0 : b.job.zones.some((z) => off.includes(z));
      if (kept && meet([a.end, a.holdEnd], [b.from, b.end]))
        x.breach("zone", `${b.job.id} is done while the hold of ${a.job.id} keeps it off`, at);
    }
}

function inside(x: Case, rows: readonly Row[]): void {
  const aboard = rows.filter((r) => !r.done && r.job.zones.some((z) => !OUTSIDE.includes(z)));
  // Everybody counts while they are there: a helper in their own stretches only.
  const each = aboard.flatMap((r) => r.plan.fitters.map((f) => ({ r, work: workOf(x, r, f) })));
  for (const { r, work } of each)
    for (const [t] of work) {
      const people = each.filter((o) => o.work.some(([a, b]) => a <= t && t < b)).length;
      if (people > r.build.insideCrew)
        return x.breach("zone", `${people} people inside ${r.build.id} at once, ${r.build.insideCrew} fit`, { job: r.job.id });
    }
}
