// What changes of an agreed build came from, and what they cost: at the end somebody asks why it took longer.

import { CHANGE_CAUSES, type ChangeCause } from "../records/kinds/decision";
import { entriesOf } from "../records/kinds/of";
import type { BuildRow } from "../state/model";

export interface ChangeSum {
  cause: ChangeCause;
  says: string;
  changes: number;
  hours: number;
  cost: number;
}

/** Hours and money of all changes of choices, by cause, the most hours first. Less work counts against it. Source: PL-n5. */
export function changesByCause(records: BuildRow["records"]): ChangeSum[] {
  const sums = new Map<ChangeCause, ChangeSum>();
  for (const r of entriesOf(records, "decision")) {
    const { cause, hours = 0, cost = 0 } = r.data;
    if (!cause) continue;
    const s = sums.get(cause) ?? { cause, says: CHANGE_CAUSES[cause], changes: 0, hours: 0, cost: 0 };
    sums.set(cause, { ...s, changes: s.changes + 1, hours: Math.round((s.hours + hours) * 10) / 10, cost: Math.round(s.cost + cost) });
  }
  return [...sums.values()].sort((a, b) => b.hours - a.hours || a.says.localeCompare(b.says));
}
