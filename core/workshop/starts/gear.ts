// What is worn for a job: from its tools and its materials, ticked once a session by whoever works.

import { DAY, type Minute } from "../../time/zone";
import { GEAR, type Gear } from "../records/kinds/gear";
import { entriesOf } from "../records/kinds/of";
import type { BuildRow, JobRow } from "../state/model";

/** By words of a tool or a material: what it asks for. Local rules and the product's own sheet come first. */
const ASKS: readonly (readonly [RegExp, readonly Gear[]])[] = [
  [/jigsaw|nibbler|grinder|reciprocating|rivet drill|hole saw/i, ["eyes", "ears", "gloves", "sleeves"]],
  [/thicknesser|table saw|router|track saw|planer|sander/i, ["eyes", "ears", "mask"]],
  [/spray|lacquer|varnish|primer|remover|solvent|degreas/i, ["eyes", "gloves", "mask"]],
  [/fibre|wool|foam/i, ["eyes", "gloves", "mask", "sleeves"]],
  [/adhesive|resin|sealant/i, ["gloves"]],
  [/glass|window|skylight/i, ["gloves", "sleeves"]],
  [/soldering|heat gun|torch/i, ["eyes", "gloves"]],
];

/** What a job asks to be worn, in the order of the list, with the tool or material that asks for it first. */
export function gearFor(job: Pick<JobRow, "tools" | "parts" | "kit">): { gear: Gear; from: string }[] {
  const things = [...job.tools, ...job.parts.map((p) => p.name), ...job.kit];
  return (Object.keys(GEAR) as Gear[]).flatMap((gear) => {
    const from = things.find((t) => ASKS.some(([words, asks]) => words.test(t) && asks.includes(gear)));
    return from ? [{ gear, from }] : [];
  });
}

/** Not ticked yet in this session (since midnight of the workshop's day), with what asks for it. */
export function gearOpen(
  build: Pick<BuildRow, "records">,
  job: Pick<JobRow, "id" | "tools" | "parts" | "kit">,
  dayStart: Minute,
): string[] {
  const today = entriesOf(build.records, "gear").filter((r) => r.jobId === job.id && r.saidAt >= dayStart && r.saidAt < dayStart + DAY);
  const worn = new Set(today.flatMap((r) => r.data.worn ?? []));
  return gearFor(job)
    .filter((g) => !worn.has(g.gear))
    .map((g) => `${GEAR[g.gear]} (${g.from})`);
}

/** For the card of a job that is to do or under way. */
export const gearWords = (build: Pick<BuildRow, "records">, job: JobRow, dayStart: Minute): string[] => {
  const open = job.state === "done" ? [] : gearOpen(build, job, dayStart);
  return open.length ? [`Wear, and tick it once today: ${open.join(", ")}`] : [];
};
