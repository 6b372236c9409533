// Tickets that a job asks for, and whether they last as long as its work.

import type { Minute } from "../time/zone";
import type { Compiled, Job } from "./compile";
import { canFill } from "./crew";
import type { Fit } from "./fit";

/** Whether a fitter is good for a place in the crew until so late: the ticket that it asks for has to last. */
export function ticketLasts(c: Compiled, job: Job, k: number, fitter: number, end: Minute): boolean {
  const { ticket } = job.demands[k];
  return ticket === undefined || (c.fitters[fitter].tickets.get(ticket) ?? 0) >= end;
}

/** The ticket that runs out before the work is over, if one does. */
export function ticketGone(c: Compiled, j: Job, fit: Fit): string | undefined {
  if (!j.started) return ticketLacked(c, j, fit);
  const asked = j.started.tickets;
  // Under way, a helper's ticket does not stand in for that of somebody who has to be there for all of it.
  const holds = (f: number, k: number, t: { id: string; whole: boolean }) =>
    !(t.whole && j.demands[k]?.part) && (c.fitters[f].tickets.get(t.id) ?? 0) >= fit.end;
  return asked.find((t) => !fit.crew.some((f, k) => holds(f, k, t)))?.id;
}

/** The same of work that is not begun: everybody has to find a place in the crew whose ticket they hold to the end. */
function ticketLacked(c: Compiled, j: Job, fit: Fit): string | undefined {
  if (!j.demands.some((d) => d.ticket)) return undefined;
  const gone = (f: number, k: number): boolean => !ticketLasts(c, j, k, f, fit.end);
  // With helpers everybody has a place of their own already.
  const at = j.partial ? fit.crew.findIndex(gone) : -1;
  if (at >= 0) return j.demands[at].ticket;
  const barred = fit.crew.flatMap((f) => j.demands.flatMap((_, k) => (gone(f, k) ? [[f, k] as const] : [])));
  return barred.length && !canFill(j, fit.crew, barred) ? j.demands[barred[0][1]].ticket : undefined;
}
