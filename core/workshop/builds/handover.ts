// What keeps a van from being handed over although every job is done: things that somebody opened and nobody closed.

import { sayTime } from "../../plan/words";
import type { Minute, Zone } from "../../time/zone";
import { marksIn, sayMark } from "../bare-body/marks";
import { seatsOpen } from "../bare-body/seats";
import { briefOpen } from "../client/brief";
import { notTested } from "../openings/holes";
import { cableEndsOpen } from "../records/cable-ends";
import { entriesOf } from "../records/kinds/of";
import { temporaryLeft } from "../records/temporary";
import { parkedLeft } from "../records/waits";
import type { BuildRow } from "../state/model";
import { notReleased } from "./releases";

/** In words, one line for each kind; empty: it may go. */
export function handoverStops(build: Pick<BuildRow, "records" | "jobs" | "sheets" | "figures">, now: Minute, zone: Zone): string[] {
  const line = (what: string, list: readonly string[]) => (list.length ? [`${what}: ${list.join("; ")}`] : []);
  const open = marksIn(build.records).filter((m) => m.closedAt === null);
  return [
    ...line("Not before its seats are proved", seatsOpen(build)),
    ...line("Still on the van for now", temporaryLeft(build.records)),
    ...line("Parked and never done", parkedLeft(build.records)),
    ...line("Seats of the order", briefOpen(build)),
    ...line("Cable ends that nobody has connected", cableEndsOpen(build.records)),
    ...line("Holes not seen dry under water", notTested(build.records)),
    ...line(
      "Bonds that still cure",
      notReleased(build, "fully cured", now).map(({ job, at }) => `${job.name} fully cured from ${sayTime(zone, at)}`),
    ),
    ...line(
      "Holes and rust that nobody has treated",
      open
        .filter((m) => m.data.what === "rust" || (m.data.what === "hole" && m.data.fate === "close"))
        .map((m) => `${m.title}, ${sayMark(m.data)}`),
    ),
    ...line(
      "Left to be done",
      build.jobs.flatMap((j) => j.remainders.map((r) => `${j.name}: ${r.text}`)),
    ),
    ...line(
      "Consents that nobody has signed",
      entriesOf(build.records, "consent")
        .filter((r) => !r.data.signedBy && r.closedAt === null)
        .map((r) => r.title),
    ),
    ...line(
      "Questions without an answer",
      build.jobs
        .filter((j) => j.byOthers === null)
        .flatMap((j) => j.questions.filter((q) => q.answeredAt === null).map((q) => `${j.name}: ${q.text}`)),
    ),
  ];
}
