// What the client's order asks of the layout before anything is opened: enough belted seats, each with evidence of its anchor.

import { beltedSeats, type Owner } from "../records/kinds/client";
import { entriesOf } from "../records/kinds/of";
import type { BuildRow, JobRow } from "../state/model";

/** Leisure seats by the order, for the handover: nobody rides on them. */
export const leisureSeats = (o: Owner): number => o.seats?.filter((s) => s.kind === "leisure").length || (o.leisureSeats ?? 0);

/**
 * What openings wait for by the order, in words: fewer belted seats than were ordered, or one whose anchor nothing vouches for. Before
 * anything is set out: a window or a bench in the wrong place is found at the handover otherwise. Source: PL-n2.
 */
export function briefBefore(build: Pick<BuildRow, "records">, job: Pick<JobRow, "stage">): string[] {
  const owner = entriesOf(build.records, "owner")[0]?.data;
  if (job.stage !== "openings" || !owner) return [];
  const belted = beltedSeats(owner);
  return [
    ...(owner.beltsOrdered !== undefined && belted < owner.beltsOrdered
      ? [`the layout has ${belted} belted ${belted === 1 ? "seat" : "seats"}, ${owner.beltsOrdered} were ordered`]
      : []),
    ...(owner.seats ?? [])
      .filter((s) => s.kind === "belted" && !s.evidence?.trim())
      .map((s) => `nothing shows that the anchor of ${s.name} holds`),
  ];
}

/** What the handover has to say or to have marked, in words; empty where all is. */
export function briefOpen(build: Pick<BuildRow, "records">): string[] {
  const owner = entriesOf(build.records, "owner")[0]?.data;
  if (!owner) return [];
  const n = leisureSeats(owner);
  return [
    ...briefBefore(build, { stage: "openings" }),
    ...(n && !owner.leisureMarked ? [`${n} leisure ${n === 1 ? "seat is" : "seats are"} not marked "not while driving"`] : []),
  ];
}
