// What the order asks of the layout that is chosen: berths, the tallest who sleeps in it, a place for animals.

import { bedLengthMm } from "../../library/layout";
import type { Van } from "../../van/model";
import { type Owner, tallest } from "../records/kinds/client";
import { entriesOf } from "../records/kinds/of";
import { figure } from "../state/house-figures";
import type { BuildRow } from "../state/model";

/**
 * What the layout that is chosen does not give, in words; empty without an owner's entry or where it gives all. Lengths in mm: a sleeper
 * needs a bed as long as they are tall and the house's room on top. Source: ST-n3. E.g. a sleeper of 1880 mm, room 50, bed across a van
 * of 1780 mm at the floor: the bed of 1740 is 190 too short.
 */
export function layoutFindings(build: Pick<BuildRow, "records" | "options" | "figures">, van: Pick<Van, "geometry"> | undefined): string[] {
  const owner: Owner | undefined = entriesOf(build.records, "owner")[0]?.data;
  if (!owner) return [];
  const out: string[] = [];
  const berths = figure(build, "bedBerths");
  if (owner.berths !== undefined && owner.berths > berths)
    out.push(`The bed that is chosen sleeps ${berths}, ${owner.berths} berths were ordered`);
  const tall = tallest(owner);
  if (tall !== undefined && van) {
    const bed = bedLengthMm(build.options, van);
    const needed = tall + figure(build, "sleeperRoom");
    if (bed < needed) {
      const how = build.options.bed === "across" ? "across the van" : "along the van";
      out.push(`The bed ${how} is ${bed} mm long; the tallest sleeper, ${tall} mm, needs ${needed}`);
    }
  }
  if (owner.animals?.trim() && !owner.things?.length)
    out.push(`Animals (${owner.animals.trim()}): write down how large their place is, under the largest things carried`);
  return out;
}
