// What openings took in this house: setting out against cutting, and person-hours for each closed one.

import { hasRole } from "../../library/roles";
import type { Shop, TimeRow } from "../state/model";

/** Setting out takes so many times the cutting, until the house has measured it. */
const SET_OUT_TIMES = 8;

export interface OpeningNorms {
  /** Setting out against all cutting of the same build. */
  setOutTimes: number;
  /** On how many builds that stands; 0: the figure that ships. */
  builds: number;
  /** Whose: the fitter's own, those of the type of van, or the whole house's where neither is there. */
  of: "fitter" | "type" | "house";
  /** Person-hours for each opening cut, set and sealed; null before there is one. */
  hoursEach: number | null;
  closed: number;
}

/**
 * By builds that were set out and have a cut done: those that the fitter set out, else those of the type, else any. Minutes of
 * setting out against those of cutting.
 */
export function openingNorms(shop: Pick<Shop, "times">, vanId: string, fitter?: string): OpeningNorms {
  const done = shop.times.filter((t) => hasRole(t, "opening"));
  const ratio = (ids: readonly string[]): number[] =>
    ids.flatMap((id) => {
      const out = shop.times.filter((t) => t.buildId === id && hasRole(t, "mark-out")).reduce((n, t) => n + t.minutes, 0);
      const cut = done.filter((t) => t.buildId === id).reduce((n, t) => n + t.minutes, 0);
      return out > 0 && cut > 0 ? [out / cut] : [];
    });
  const ids = (test: (t: TimeRow) => boolean) => [...new Set(shop.times.filter(test).map((t) => t.buildId))];
  const whose = [
    ["fitter", ratio(fitter ? ids((t) => hasRole(t, "mark-out") && t.fitters.includes(fitter)) : [])],
    ["type", ratio(ids((t) => t.vanId === vanId))],
    ["house", ratio(ids(() => true))],
  ] as const;
  const [of, list] = whose.find(([, l]) => l.length) ?? whose[2];
  const hours = done.reduce((n, t) => n + (t.minutes * Math.max(1, t.fitters.length)) / 60, 0);
  return {
    setOutTimes: list.length ? Math.round((list.reduce((n, x) => n + x, 0) / list.length) * 10) / 10 : SET_OUT_TIMES,
    builds: list.length,
    of,
    hoursEach: done.length ? Math.round((hours / done.length) * 10) / 10 : null,
    closed: done.length,
  };
}

/** In words. */
export function sayNorms(n: OpeningNorms, fitter?: string): string {
  const out = n.builds
    ? `Setting out takes ${n.setOutTimes} × the cutting (${n.builds} ${n.builds === 1 ? "build" : "builds"}${n.of === "type" ? " of this type" : n.of === "fitter" && fitter ? ` of ${fitter}'s` : ""})`
    : `Setting out is taken for ${n.setOutTimes} × the cutting until a build has shown it`;
  return n.hoursEach === null ? out : `${out}; ${n.hoursEach} person-hours for each of ${n.closed} closed openings`;
}

/** Minutes for a square metre of a kind of zone: the fitter's own, else the house's; undefined before anybody has written any down. */
export function zoneNorm(shop: Pick<Shop, "zoneRates">, kind: "floor" | "ribs" | "flat", fitter?: string): number | undefined {
  const rate = (list: Shop["zoneRates"]) => {
    const m2 = list.reduce((n, z) => n + z.m2, 0);
    return m2 > 0 ? Math.round((list.reduce((n, z) => n + z.minutes, 0) / m2) * 10) / 10 : undefined;
  };
  const of = shop.zoneRates.filter((z) => z.kind === kind);
  return rate(of.filter((z) => fitter !== undefined && z.fitterId === fitter)) ?? rate(of);
}
