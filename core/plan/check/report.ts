// Checks what the plan says of its builds: finish, lateness, and that the chain adds up.

import type { Case } from "./check";
import { lengthOf } from "./hours";

export function checkReport(x: Case): void {
  for (const b of x.problem.builds) {
    const at = { build: b.id };
    const said = x.plan.builds.find((s) => s.id === b.id);
    if (!said) {
      x.breach("report", `the plan says nothing of ${b.id}`, at);
      continue;
    }
    const rows = [...x.rows.values()].filter((r) => r.build.id === b.id);
    if (rows.length === 0) {
      if (said.finish !== undefined) x.breach("report", `${b.id} has a finish, but no work`, at);
      continue;
    }
    const finish = Math.max(...rows.map((r) => r.holdEnd));
    if (said.finish !== x.zone.show(finish)) x.breach("report", `${b.id} finishes ${x.zone.show(finish)}, not ${said.finish}`, at);
    const due = x.zone.parse(b.due);
    const late = finish > due ? lengthOf(x.hours.calendar("shop", due, finish)) : 0;
    if (said.lateWorkingMinutes !== undefined && said.lateWorkingMinutes !== late)
      x.breach("report", `${b.id} is ${late} working minutes late, not ${said.lateWorkingMinutes}`, at);
    const chain = said.chain ?? [];
    const from = Math.max(x.now, x.zone.parse(b.arrives));
    const sum = chain.reduce((n, l) => n + l.minutes, 0);
    if (chain.length && sum !== finish - from) x.breach("report", `the chain of ${b.id} adds up to ${sum} of ${finish - from} minutes`, at);
  }
}
