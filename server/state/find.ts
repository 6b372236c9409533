// What can be found in the state at hand; the index is made when somebody first looks for something in it.

import { Finder, type Found } from "@/core/workshop/state/find";
import type { Shop } from "@/core/workshop/state/model";
import { loadState } from "../planning/planning";

const shared = globalThis as { wideLaneFinders?: WeakMap<Shop, Finder> };

export async function findAnything(text: string): Promise<Found[]> {
  const { shop } = await loadState();
  const finders = (shared.wideLaneFinders ??= new WeakMap());
  let finder = finders.get(shop);
  if (!finder) finders.set(shop, (finder = new Finder(shop)));
  return finder.find(text);
}
