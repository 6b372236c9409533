// What lies behind a cut, for whoever holds the saw: ribs of the van, harness and clips, circuits, marks.

import type { Geometry, Van } from "../../van/model";
import { entriesOf } from "../records/kinds/of";
import type { BuildRow, JobRow } from "../state/model";
import { circuitsIn, sayCircuit } from "./circuits";
import { cutsBody } from "./cuts";
import { sideOf } from "./holes";
import { openingStretch } from "./layout";

/** Ribs that a stretch of a side meets, counted from the bulkhead, 1 first. */
export function ribsIn(g: Geometry, side: string, from: number, to: number): { no: number; atMm: number; widthMm: number }[] {
  const ribs = side === "roof" ? g.roofRibs : side === "left" || side === "right" ? g.sideRibs : [];
  return ribs.flatMap((r, i) =>
    r.atMm + r.widthMm / 2 > from && r.atMm - r.widthMm / 2 < to ? [{ no: i + 1, atMm: r.atMm, widthMm: r.widthMm }] : [],
  );
}

/** In words, what is known to lie behind a cut; empty for any other job. Source: OP-n18. Places in mm behind the bulkhead. */
export function behindCut(
  build: Pick<BuildRow, "records" | "sheets" | "figures">,
  van: Pick<Van, "geometry"> | undefined,
  job: Pick<JobRow, "id" | "roles" | "zones" | "place" | "irreversible" | "stage" | "state">,
): string[] {
  if (!cutsBody(job) || job.state === "done") return [];
  const side = sideOf(job);
  const at = openingStretch(build, job);
  const out: string[] = [];
  if (van && at) {
    const ribs = ribsIn(van.geometry, side, at.from, at.to);
    const place = `${Math.round(at.from)} to ${Math.round(at.to)}`;
    out.push(
      ribs.length
        ? `Behind the cut (${place}): ${ribs.map((r) => `rib ${r.no} at ${r.atMm}, ${r.widthMm} wide`).join("; ")}`
        : `Behind the cut (${place}): no rib`,
    );
  } else if (side !== "floor" && side !== "rear")
    out.push("Behind the cut: its place is not set out, so nobody knows which ribs lie there");
  const zones: readonly string[] = side === "roof" ? ["ceiling"] : [side];
  const traps = entriesOf(build.records, "trap").filter((r) => zones.includes(r.data.zone));
  out.push(...traps.map((r) => `Behind this side: ${r.title}${r.closedAt === null ? "" : ", dealt with"}`));
  out.push(
    ...circuitsIn(build.records)
      .filter((r) => r.data.side === side)
      .map((r) => `Behind this side: ${r.title}, ${sayCircuit(build, r.data)}`),
  );
  return out;
}
