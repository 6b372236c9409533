// What this roof or wall asks for beside the unit itself: an adapter under a flange where the roof bows, a frame curved to the wall.

import { hasRole } from "../../library/roles";
import type { Geometry, Van } from "../../van/model";
import { figure } from "../state/house-figures";
import type { BuildRow, JobRow, PartRow } from "../state/model";
import { isUnit } from "../stores/parts";

/** How far a roof bows under a width across it, mm: its crown over the whole, by the square of the share. E.g. 38 · (700 ÷ 1540)² = 7.9. */
export const roofBow = (g: Geometry, acrossMm: number): number => g.roofCrownMm * (acrossMm / g.inside.widthRoofMm) ** 2;

/**
 * How far a wall bows over a height, mm: a parabola through the half widths at floor, waist and roof; sagitta |a|·h² ÷ 4. E.g. half widths
 * 880, 935 and 770 at 0, 900 and 1930: a = 1.15e-4, over 500 mm 7.2.
 */
export function wallBow(g: Geometry, heightMm: number): number {
  const { widthFloorMm, widthWaistMm, widthRoofMm, waistMm, heightMm: h } = g.inside;
  const above = (widthRoofMm - widthWaistMm) / 2 / (h - waistMm);
  const below = (widthWaistMm - widthFloorMm) / 2 / waistMm;
  return (Math.abs((above - below) / h) * heightMm ** 2) / 4;
}

/** The second of two sizes in a unit's name: across the roof, or up the wall. */
const second = (name: string): number | undefined => {
  const m = /\d{2,4} × (\d{2,4})/.exec(name);
  return m ? Number(m[1]) : undefined;
};

/** Lines that the box of a unit needs on this van beyond its own list; empty where the flange follows by itself. Source: OP-n5. */
export function unitExtras(
  build: Pick<BuildRow, "options" | "figures">,
  van: Pick<Van, "geometry"> | undefined,
  job: Pick<JobRow, "roles">,
  part: Pick<PartRow, "name">,
): string[] {
  const size = isUnit(part.name) ? second(part.name) : undefined;
  if (!van || size === undefined) return [];
  const play = figure(build, "flangeFollows");
  const said = (mm: number) => `${Math.round(mm * 10) / 10} mm in ${size}`;
  if (hasRole(job, "roof-fan") || hasRole(job, "skylight")) {
    const bow = roofBow(van.geometry, size);
    return bow > play ? [`adapter: the roof bows ${said(bow)}`] : [];
  }
  if (hasRole(job, "side-window") && build.options.windowKind === "framed") {
    const bow = wallBow(van.geometry, size);
    return bow > play ? [`frame curved to the wall: it bows ${said(bow)}`] : [];
  }
  return [];
}
