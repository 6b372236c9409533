// Where things could be trapped, by the set-outs that are kept: under cuts and flanges, and behind the frames of roof units.

import { ROOF_FRAME } from "../../library/need";
import { hasRole } from "../../library/roles";
import type { Van } from "../../van/model";
import { sideOf } from "../openings/holes";
import { openingStretch } from "../openings/layout";
import { entriesOf } from "../records/kinds/of";
import { TRAP_ZONES, type Trap, type TrapZone } from "../records/kinds/strip";
import { figure } from "../state/house-figures";
import type { BuildRow, JobRow } from "../state/model";

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

const ribsIn = (ribs: readonly { atMm: number; widthMm: number }[], from: number, to: number): string =>
  ribs.flatMap((r, i) => (r.atMm + r.widthMm / 2 > from && r.atMm - r.widthMm / 2 < to ? [i + 1] : [])).join(", ");

function label(zone: TrapZone, rib: string, from: number, to: number, what: string): string {
  const where = rib ? `ribs ${rib}` : `${Math.round(from)} to ${Math.round(to)} mm`;
  return `${TRAP_ZONES[zone]}, ${where}, ${what}`;
}

/** Places under openings whose place is set out, and behind the frames of roof units that are. */
export function trapPlaces(build: BuildRow, van: Van | undefined): TrapPlace[] {
  if (!van) return [];
  const { sideRibs, roofRibs } = van.geometry;
  // Where no sheet says more.
  const flange = figure(build, "flange");
  const out: TrapPlace[] = [];
  for (const job of build.jobs) {
    if (job.stage !== "openings" || job.irreversible === null || job.state === "done") continue;
    const at = openingStretch(build, job);
    const side = sideOf(job);
    if (!at || side === "rear") continue;
    const zone: TrapZone = side === "roof" ? "ceiling" : side;
    const [from, to] = [at.from - flange, at.to + flange];
    const rib = zone === "floor" ? "" : ribsIn(zone === "ceiling" ? roofRibs : sideRibs, from, to);
    out.push({ label: label(zone, rib, from, to, `under ${job.name}`), zone, rib, under: "flange", job });
  }
  for (const { job, at } of framedRoofUnits(build)) {
    const reach = ROOF_FRAME.b + ROOF_FRAME.play;
    const [from, to] = [at.from - reach, at.to + reach];
    const rib = ribsIn(roofRibs, from, to);
    out.push({ label: label("ceiling", rib, from, to, `behind the frame of ${job.name}`), zone: "ceiling", rib, under: "batten", job });
  }
  return out;
}

/**
 * Roof units whose frame of battens is set out, with where they lie: the sheet of the unit's own job, or one for all roof units. Battens
 * of walls and ceiling have no set-out of their own yet: of them nothing is claimed.
 */
function framedRoofUnits(build: BuildRow): { job: JobRow; at: { from: number; to: number } }[] {
  const frames = build.sheets.filter((s) => s.calculator === "support-frame");
  const cuts = build.jobs.filter((j) => j.stage === "openings" && j.irreversible === "cut" && sideOf(j) === "roof");
  return cuts.flatMap((job) => {
    const own = frames.some((s) => s.jobId === job.id || !cuts.some((c) => c.id === s.jobId));
    const at = own && job.state !== "done" ? openingStretch(build, job) : undefined;
    return at ? [{ job, at }] : [];
  });
}

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
  if (hasRole(job, "strip-out")) return open.map((p) => `Look for clips, trims, screws and harness: ${p.label}`);
  return open.filter((p) => p.job.id === job.id).map((p) => `Last chance to look: ${p.label}`);
}
