// Where things could be trapped, by the set-outs that are kept: under cuts and flanges, and rib by rib behind battens.

import { findCalculator } from "../setout/calculators";
import type { Van } from "../van/model";
import { STRIPS } from "./codes";
import { entriesOf } from "./docket/of";
import { TRAP_ZONES, type Trap, type TrapZone } from "./docket/shell";
import { openingStretch } from "./layout";
import type { BuildRow, JobRow } from "./model";
import { sideOf } from "./penetrations";

export interface TrapPlace {
  /** How it is called: what an entry that looked it over has as its title. */
  label: string;
  zone: TrapZone;
  /** Ribs by number from the bulkhead, as "2, 3"; empty where it lies between two. */
  rib: string;
  under: Trap["under"];
  /** The job that will cover it. */
  job: JobRow;
}

/** A flange reaches so far beyond its cut, mm, where no sheet says more. A house figure. */
const FLANGE_MM = 40;

const ribsIn = (ribs: readonly { atMm: number; widthMm: number }[], from: number, to: number): string =>
  ribs.flatMap((r, i) => (r.atMm + r.widthMm / 2 > from && r.atMm - r.widthMm / 2 < to ? [i + 1] : [])).join(", ");

function label(zone: TrapZone, rib: string, from: number, to: number, what: string): string {
  const where = rib ? `ribs ${rib}` : `${Math.round(from)} to ${Math.round(to)} mm`;
  return `${TRAP_ZONES[zone]}, ${where}, ${what}`;
}

/** Places under openings whose place is set out, then walls and ceiling behind the battens of jobs still to come. */
export function trapPlaces(build: BuildRow, van: Van | undefined): TrapPlace[] {
  if (!van) return [];
  const { sideRibs, roofRibs } = van.geometry;
  const out: TrapPlace[] = [];
  for (const job of build.jobs) {
    if (job.stage !== "openings" || job.irreversible === null || job.state === "done") continue;
    const at = openingStretch(build, job);
    const side = sideOf(job);
    if (!at || side === "rear") continue;
    const zone: TrapZone = side === "roof" ? "ceiling" : side;
    const [from, to] = [at.from - FLANGE_MM, at.to + FLANGE_MM];
    const rib = zone === "floor" ? "" : ribsIn(zone === "ceiling" ? roofRibs : sideRibs, from, to);
    out.push({ label: label(zone, rib, from, to, `under ${job.name}`), zone, rib, under: "flange", job });
  }
  for (const job of build.jobs) {
    if (job.stage !== "framing" || job.place !== "van" || job.state === "done" || !hasFrameSheet(build)) continue;
    for (const zone of ["left", "right", "ceiling"] as const) {
      if (!job.zones.includes(zone)) continue;
      const rib = (zone === "ceiling" ? roofRibs : sideRibs).map((_, i) => i + 1).join(", ");
      out.push({ label: label(zone, rib, 0, 0, `behind ${job.name}`), zone, rib, under: "batten", job });
    }
  }
  return out;
}

/** Battens are looked behind once their set-out is begun: a house that keeps none is not asked. */
const hasFrameSheet = (build: Pick<BuildRow, "sheets">): boolean =>
  build.sheets.some((s) => s.calculator === "support-frame" && !!findCalculator(s.calculator));

/** Places that nobody has looked over: neither an entry that says what was there nor a thing written down at it. */
export function placesOpen(build: BuildRow, van: Van | undefined): TrapPlace[] {
  const looked = new Set(entriesOf(build.records, "looked").map((r) => r.title));
  const traps = entriesOf(build.records, "trap");
  return trapPlaces(build, van).filter(
    (p) => !looked.has(p.label) && !traps.some((t) => t.data.zone === p.zone && (t.data.rib ?? "") === p.rib && t.data.under === p.under),
  );
}

/** While stripping, all of them; before the job that covers one, as a last chance. */
export function placeWords(build: BuildRow, van: Van | undefined, job: JobRow): string[] {
  if (job.state === "done") return [];
  const open = placesOpen(build, van);
  if (job.code === STRIPS) return open.map((p) => `Look for clips, trims, screws and harness: ${p.label}`);
  return open.filter((p) => p.job.id === job.id).map((p) => `Last chance to look: ${p.label}`);
}
