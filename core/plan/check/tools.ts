// Checks that no more pieces of a tool are in use at once than there are.

import type { Case, Row } from "./check";

/** When a row has how many of a tool: nothing where it does not use it any more. */
function use(r: Row, tool: string): { from: number; to: number; count: number } {
  const asks = (r.job.tools ?? []).filter((t) => t.id === tool);
  const held = asks.some((t) => t.held);
  const from = r.done ? r.end : r.from;
  const to = held ? r.holdEnd : r.end;
  return { from, to, count: asks.reduce((n, t) => n + (t.count ?? 1), 0) };
}

export function checkTools(x: Case): void {
  for (const tool of x.problem.tools ?? []) {
    const rows = [...x.rows.values()].filter((r) => r.job.tools?.some((t) => t.id === tool.id));
    const uses = rows.map((r) => ({ r, ...use(r, tool.id) }));
    for (const u of uses) {
      if (u.r.done || u.r.started) continue;
      const moments = [u.from, ...uses.map((o) => o.from).filter((t) => t > u.from && t < u.to)];
      for (const t of moments) {
        const all = uses.filter((o) => o.from <= t && t < o.to).reduce((n, o) => n + o.count, 0);
        if (all <= tool.pieces) continue;
        x.breach("tool", `${all} pieces of ${tool.id} are in use at once, there are ${tool.pieces}`, { job: u.r.job.id });
        break;
      }
    }
  }
}
