// Which tool cuts the skin: the house's order, each with its reason; one that is blunt or away makes room for the next.

import { cutsBody } from "../openings/cuts";
import { type FigureName, figure } from "../state/house-figures";
import type { JobRow, Shop } from "../state/model";

/** Schools of cutting, with what speaks for and against each. The house's order is a figure each: 1 comes first, 0 is not used here. */
export const CUTTERS = [
  ["jigsaw", "cutJigsaw", "turns every corner, little heat; scratches without tape, coarse chips"],
  ["nibbler", "cutNibbler", "no heat and no sparks; a wide cut, and crescents that go everywhere"],
  ["reciprocating saw", "cutReciprocating", "quick through doubled metal; shakes, the edge is rough"],
  ["grinder", "cutGrinder", "straight cuts in thick metal only; its sparks burn paint and glass and seed rust"],
] as const satisfies readonly (readonly [string, FigureName, string])[];

export interface Cutter {
  name: string;
  why: string;
  /** Why an earlier one in the order is passed over. */
  instead: string[];
}

/** The tool for a cut through the body; undefined for other jobs, and where the house has no sound one. Source: OP-n34. */
export function cutterFor(
  shop: Pick<Shop, "tools" | "workshop">,
  job: Pick<JobRow, "tools" | "irreversible" | "place" | "stage">,
): Cutter | undefined {
  const asked = CUTTERS.some(([name]) => job.tools.includes(name));
  if (!cutsBody(job) || !asked) return undefined;
  const order = CUTTERS.map(([name, rank, why]) => ({ name, why, rank: figure(shop, rank) }))
    .filter((c) => c.rank > 0)
    .sort((a, b) => a.rank - b.rank);
  const instead: string[] = [];
  for (const c of order) {
    const tool = shop.tools.find((t) => t.name === c.name);
    // A tool that is in nobody's list is there only where the job itself asks for it.
    if (!tool && !job.tools.includes(c.name)) continue;
    if (!tool || tool.state === "sound") return { name: c.name, why: c.why, instead };
    instead.push(`the ${c.name} is ${tool.state}`);
  }
  return undefined;
}

/** In a line for the card: the tool, its reason, and what was passed over. */
export const cutterWords = (
  shop: Pick<Shop, "tools" | "workshop">,
  job: Parameters<typeof cutterFor>[1] & Pick<JobRow, "state">,
): string[] => {
  const c = job.state === "done" ? undefined : cutterFor(shop, job);
  return c ? [`Cut with the ${c.name}: ${c.why}${c.instead.length ? ` (${c.instead.join(", ")})` : ""}`] : [];
};
