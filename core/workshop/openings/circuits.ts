// Circuits that others added to a van: dead by measuring, or led away, before anything sparks near them.

import type { Circuit } from "../records/kinds/circuit";
import type { BuildRecord } from "../records/records";
import { figure, type House } from "../state/house-figures";
import type { BuildRow, JobRow } from "../state/model";

export type CircuitRecord = Extract<BuildRecord, { kind: "circuit" }>;

/** Zones of a van in which a circuit lies. */
const LIES: Record<Circuit["side"], readonly string[]> = {
  left: ["left"],
  right: ["right"],
  roof: ["ceiling", "roof"],
  floor: ["floor", "underside"],
  rear: ["rear"],
  nose: ["nose"],
};

export const circuitsIn = (records: readonly BuildRecord[]): CircuitRecord[] =>
  records.filter((r): r is CircuitRecord => r.kind === "circuit").sort((a, b) => a.saidAt - b.saidAt || a.id.localeCompare(b.id));

/** Measured, and next to nothing; a cut end is insulated besides. */
export const isDead = (house: House, c: Circuit): boolean =>
  c.volts !== undefined && c.volts <= figure(house, "deadVolts") && (c.end !== "cut" || c.insulated === true);

/** What is wrong with what is said of a circuit, by field. */
export function circuitFaults(c: Circuit): { path: string; message: string }[] {
  if (c.insulated && c.end !== "cut") return [{ path: "insulated", message: "is for an end that was cut" }];
  return [];
}

export function sayCircuit(house: House, c: Circuit): string {
  if (isDead(house, c)) return `dead, ${c.volts} V measured`;
  const why =
    c.volts === undefined ? "not measured" : c.volts > figure(house, "deadVolts") ? `${c.volts} V` : "its cut end is not insulated";
  return c.routed ? `live (${why}), led away` : `live: ${why}`;
}

/** Whether a job throws sparks, chips or a drill: it cuts, or it is noisy. */
const sparks = (job: Pick<JobRow, "irreversible" | "needs">): boolean => job.irreversible === "cut" || job.needs.noisy;

/** What a job that sparks has to wait for: circuits in its zones that are not dead and not led away. */
export function liveBefore(
  build: Pick<BuildRow, "records" | "figures">,
  job: Pick<JobRow, "irreversible" | "needs" | "zones" | "place">,
): string[] {
  if (job.place !== "van" || !sparks(job)) return [];
  return circuitsIn(build.records)
    .filter((r) => !isDead(build, r.data) && !r.data.routed && LIES[r.data.side].some((z) => job.zones.includes(z)))
    .map((r) => `${r.title} is ${sayCircuit(build, r.data)}`);
}
