// How cold or warm it is at a place that is not kept at one temperature: by the sky, and by the hours in which it is heated.

import { OpenSet, type Stretch } from "../time/openset";
import type { Compiled, Place } from "./compile";
import type { Problem } from "./model";

/** Default of how much colder metal is than the air in unheated or freshly heated places (needs-plan-people PL-n36). */
const SKIN_BELOW_C = 3;

export const skinBelow = (p: Pick<Problem, "skinBelowC">): number => p.skinBelowC ?? SKIN_BELOW_C;

const known = new WeakMap<Place, Map<string, OpenSet>>();

function remembered(place: Place, key: string, make: () => OpenSet): OpenSet {
  let sets = known.get(place);
  if (!sets) known.set(place, (sets = new Map()));
  let set = sets.get(key);
  if (!set) sets.set(key, (set = make()));
  return set;
}

const slots = (place: Place, test: (tempC: number) => boolean): Stretch[] =>
  place.warm.filter((w) => test(w.tempC)).map((w) => [w.from, w.to]);

/** When a place is colder than `tempC`: the days whose mean or low falls short, less the hours in which it is heated to that. */
export function coldAt(c: Compiled, place: Place, kind: "mean" | "low", tempC: number): OpenSet {
  if (!place.warm.length) return c.cold(kind, tempC);
  return remembered(place, `${kind} ${tempC}`, () => c.cold(kind, tempC).without(slots(place, (t) => t >= tempC)));
}

/** When a place is warmer than `tempC`: the days whose high is above it, and the hours in which it is heated beyond. */
export function hotAt(c: Compiled, place: Place, tempC: number): OpenSet {
  if (!place.warm.length) return c.hot(tempC);
  return remembered(place, `hot ${tempC}`, () => OpenSet.of([...c.hot(tempC).stretches(), ...slots(place, (t) => t > tempC)]));
}
