// What openings took in this house: setting out against cutting, and person-hours for each closed one.

import { MARKS_OUT } from "./codes";
import type { Shop } from "./model";

/** Setting out takes so many times the cutting, until the house has measured it. */
const SET_OUT_TIMES = 8;

export interface OpeningNorms {
  /** Setting out against all cutting of the same build. */
  setOutTimes: number;
  /** On how many builds that stands; 0: the figure that ships. */
  builds: number;
  /** Of the type of van, or of the whole house where the type has none. */
  ofType: boolean;
  /** Person-hours for each opening cut, set and sealed; null before there is one. */
  hoursEach: number | null;
  closed: number;
}

const CUTS = /^OP-0[4-8]$/;

/** By builds of the type that were set out and have a cut done; else by those of any type. */
export function openingNorms(shop: Pick<Shop, "times">, vanId: string): OpeningNorms {
  const done = shop.times.filter((t) => CUTS.test(t.code));
  const ratio = (ids: readonly string[]): number[] =>
    ids.flatMap((id) => {
      const out = shop.times.filter((t) => t.buildId === id && t.code === MARKS_OUT).reduce((n, t) => n + t.minutes, 0);
      const cut = done.filter((t) => t.buildId === id).reduce((n, t) => n + t.minutes, 0);
      return out > 0 && cut > 0 ? [out / cut] : [];
    });
  const ids = (type?: string) => [...new Set(shop.times.filter((t) => !type || t.vanId === type).map((t) => t.buildId))];
  const own = ratio(ids(vanId));
  const list = own.length ? own : ratio(ids());
  const hours = done.reduce((n, t) => n + (t.minutes * t.people) / 60, 0);
  return {
    setOutTimes: list.length ? Math.round((list.reduce((n, x) => n + x, 0) / list.length) * 10) / 10 : SET_OUT_TIMES,
    builds: list.length,
    ofType: own.length > 0,
    hoursEach: done.length ? Math.round((hours / done.length) * 10) / 10 : null,
    closed: done.length,
  };
}

/** In words. */
export function sayNorms(n: OpeningNorms): string {
  const out = n.builds
    ? `Setting out takes ${n.setOutTimes} × the cutting (${n.builds} ${n.builds === 1 ? "build" : "builds"}${n.ofType ? " of this type" : ""})`
    : `Setting out is taken for ${n.setOutTimes} × the cutting until a build has shown it`;
  return n.hoursEach === null ? out : `${out}; ${n.hoursEach} person-hours for each closed opening, of ${n.closed}`;
}
