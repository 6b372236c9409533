// Checks that what has happened stays, that nothing else is planned before now, and that pins are kept or reported.

import { doneOf, startedOf } from "../model";
import type { Case, Row } from "./check";

const sameCrew = (a: readonly string[], b: readonly string[]) =>
  a.length === b.length && [...a].sort().join("\n") === [...b].sort().join("\n");

export function checkFacts(x: Case): void {
  for (const r of x.rows.values()) {
    const at = { job: r.job.id };
    const fact = doneOf(r.job) ?? startedOf(r.job);
    if (fact) {
      if (r.start !== x.zone.parse(fact.start)) x.breach("facts", `${r.job.id} began ${fact.start}, not ${r.plan.start}`, at);
      if (r.plan.place !== fact.bay) x.breach("facts", `${r.job.id} is in ${fact.bay}, not ${r.plan.place}`, at);
      // Under way, helpers may still be to come.
      const helps = new Set(doneOf(r.job) ? [] : r.plan.helpers?.map((h) => h.fitter));
      const on = r.plan.fitters.filter((f) => fact.fitters.includes(f) || !helps.has(f));
      if (!sameCrew(on, fact.fitters)) x.breach("facts", `${r.job.id} has another crew than it has`, at);
      const done = doneOf(r.job);
      if (done && r.end !== x.zone.parse(done.end)) x.breach("facts", `${r.job.id} ended ${done.end}, not ${r.plan.end}`, at);
    } else {
      if (r.start < x.now) x.breach("facts", `${r.job.id} is planned before now`, at);
      if (r.job.notBefore && r.start < x.zone.parse(r.job.notBefore))
        x.breach("facts", `${r.job.id} is planned before ${r.job.notBefore}`, at);
    }
    if (r.plan.holdUntil !== undefined && r.plan.holdUntil !== x.zone.show(r.holdEnd))
      x.breach("calendar", `the hold of ${r.job.id} ends ${x.zone.show(r.holdEnd)}, not ${r.plan.holdUntil}`, at);
  }
  const reported = new Set(x.plan.pinsBroken.map((b) => b.job));
  for (const b of x.problem.builds)
    for (const j of b.jobs) {
      const r = x.rows.get(j.id);
      const pinned = j.pin && !doneOf(j) && !startedOf(j);
      if (!pinned || !r) {
        if (reported.has(j.id) && !pinned) x.breach("facts", `${j.id} has no pin to break`, { job: j.id });
        continue;
      }
      const kept = pinKept(x, r);
      if (!kept && !reported.has(j.id)) x.breach("facts", `the pin of ${j.id} is broken in silence`, { job: j.id });
      if (kept && reported.has(j.id)) x.breach("facts", `the pin of ${j.id} is kept but reported as broken`, { job: j.id });
    }
}

function pinKept(x: Case, r: Row): boolean {
  const pin = r.job.pin!;
  return (
    (pin.start === undefined || r.start === x.zone.parse(pin.start)) &&
    (pin.bay === undefined || r.plan.place === pin.bay) &&
    (pin.fitters ?? []).every((f) => r.plan.fitters.includes(f))
  );
}
