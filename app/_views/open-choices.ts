// The choices that clients have not made, of every build in the shop.

import { type OpenChoice, openChoices } from "@/core/workshop/builds/open-choices";
import type { State } from "@/server/planning/planning";
import { libraryOf } from "@/server/state/library";

/** By build; builds without an open choice are left out. */
export async function allOpenChoices({ shop, zone, working, published }: State): Promise<Map<string, OpenChoice[]>> {
  const plan = (working ?? published)?.plan;
  const out = new Map<string, OpenChoice[]>();
  for (const b of shop.builds) {
    const van = shop.vans.find((v) => v.id === b.vanId);
    if (b.openChoices.length && van)
      out.set(b.id, openChoices(zone, b, van.geometry, await libraryOf(b.libraryVersion), plan, shop.suppliers));
  }
  return out;
}
