// Bare zones of a van, each cleaned step by step in an order that has reasons, taken over by somebody else, and kept shut to what
// would cover it until then.

import { hasRole } from "../../library/roles";
import type { ViewName } from "../../van/drawing";
import { SHELL_STEPS, SHELL_ZONES, type ShellStep, type ShellZone, type ShellZoneName } from "../records/kinds/bare-zone";
import type { BuildRecord } from "../records/records";
import { figure, type House } from "../state/house-figures";
import type { BuildRow, JobRow } from "../state/model";
import { count } from "../state/say";
import { marksIn, toTreat } from "./marks";

export type ZoneRecord = Extract<BuildRecord, { kind: "zone" }>;

export const ZONE_WORDS: Record<ShellZoneName, string> = {
  left: "Left wall",
  right: "Right wall",
  roof: "Roof, inside",
  floor: "Floor",
  doors: "Doors",
  arches: "Wheel arches",
};

/** What each step is for: why it stands where it stands. */
export const STEP_WORDS: Record<ShellStep, { label: string; why: string }> = {
  vacuum: { label: "Vacuum", why: "coarse dirt would be rubbed in by everything after it" },
  scuff: { label: "Scuff", why: "gives grip; its dust is washed off next" },
  wash: { label: "Wash, rinse", why: "takes salts and grease that no solvent lifts" },
  dry: { label: "Dry", why: "water under paint or glue lifts it" },
  rust: { label: "Rust, bare metal", why: "treated and painted on dry, clean metal" },
  degrease: { label: "Degrease", why: "just before bonding; it counts for a while only" },
};

/** Which drawings of the van show a zone, for the marks on it. */
const SEEN: Record<ViewName, ShellZoneName> = {
  left: "left",
  right: "right",
  roof: "roof",
  plan: "floor",
  under: "floor",
  rear: "doors",
};

/** Zones of jobs that shut a bare zone in. */
export const COVERS: Record<ShellZoneName, readonly string[]> = {
  left: ["left"],
  right: ["right"],
  roof: ["ceiling", "roof"],
  floor: ["floor"],
  doors: ["rear"],
  arches: ["left", "right"],
};

const zonesIn = (records: readonly BuildRecord[]): ZoneRecord[] => records.filter((r): r is ZoneRecord => r.kind === "zone");

export interface ZoneState {
  zone: ShellZoneName;
  id: string | null;
  steps: { step: ShellStep; by: string | null; at: number | null; stale: boolean }[];
  /** Marks on it that are not treated: counted apart, and whether one of them is for a body shop. */
  holes: number;
  rust: number;
  stop: boolean;
  /** The step that comes next; null when all are done. */
  next: ShellStep | null;
  accepted: { by: string; at: number } | null;
  back: NonNullable<ShellZone["back"]>;
  /** What keeps it from being taken over, in words. */
  open: string[];
}

/** Every zone, whether anything is written down of it or not, as it stands now. */
export function shellStates(build: Pick<BuildRow, "records" | "figures">, now: number): ZoneState[] {
  const { records } = build;
  const kept = new Map(zonesIn(records).map((r) => [r.data.zone, r]));
  const marks = marksIn(records).filter((m) => m.closedAt === null);
  return SHELL_ZONES.map((zone) => {
    const r = kept.get(zone);
    const here = marks.filter((m) => SEEN[m.data.view] === zone);
    const holes = here.filter((m) => m.data.what === "hole" && m.data.fate === "close").reduce((n, m) => n + (m.data.count ?? 1), 0);
    const rusty = here.filter(toTreat);
    const steps = SHELL_STEPS.map((step) => {
      const done = r?.data.steps[step];
      return {
        step,
        by: done?.by ?? null,
        at: done?.at ?? null,
        stale: step === "degrease" && done !== undefined && now - done.at > figure(build, "degreased"),
      };
    });
    // Degreasing is for whoever bonds: a zone is handed over without it.
    const missing = steps.filter((s) => s.at === null && s.step !== "degrease");
    const open = [
      ...(holes ? [`${count(holes, "hole")} not closed`] : []),
      ...(rusty.length ? [`rust in ${count(rusty.length, "place")} not treated`] : []),
      ...missing.map((s) => `${STEP_WORDS[s.step].label.toLowerCase()} not done`),
    ];
    return {
      zone,
      id: r?.id ?? null,
      steps,
      holes,
      rust: rusty.length,
      stop: rusty.some((m) => m.data.grade === 3),
      next: steps.find((s) => s.at === null)?.step ?? null,
      accepted: r?.data.accepted ?? null,
      back: r?.data.back ?? [],
      open,
    };
  });
}

/**
 * A zone after a step was ticked (or taken back, when it was): every step behind it is open again, since it would have been
 * done on the dirt of this one, and so is its taking over.
 */
export function ticked(house: House, zone: ShellZone, step: ShellStep, by: string, at: number): ShellZone {
  const k = SHELL_STEPS.indexOf(step);
  const steps: ShellZone["steps"] = {};
  for (const s of SHELL_STEPS.slice(0, k)) if (zone.steps[s]) steps[s] = zone.steps[s];
  if (!zone.steps[step] || (step === "degrease" && at - zone.steps[step].at > figure(house, "degreased"))) steps[step] = { by, at };
  // Degreasing is the last of them and again and again: it takes nothing back.
  const accepted = step === "degrease" ? zone.accepted : undefined;
  return { zone: zone.zone, steps, ...(accepted ? { accepted } : {}), ...(zone.back ? { back: zone.back } : {}) };
}

/** Who cleaned last, and so has to hand it over. */
const cleaner = (zone: ShellZone): string | undefined =>
  SHELL_STEPS.flatMap((s) => (s === "degrease" ? [] : (zone.steps[s] ?? []))).sort((a, b) => b.at - a.at)[0]?.by;

/** Why a zone can't be taken over by this person; undefined where it can. */
export function notTakenOver(state: ZoneState, zone: ShellZone, by: string): string | undefined {
  if (state.stop) return "rust has gone through: a body shop decides";
  if (state.open.length) return state.open.join(", ");
  if (cleaner(zone) === by) return "whoever cleaned it does not take it over: somebody else looks";
  return undefined;
}

/** A zone sent back with what was found and the minutes it cost, which go to who cleaned it; from the wash on it is open again. */
export function sentBack(zone: ShellZone, by: string, at: number, why: string, minutes: number): ShellZone {
  const steps: ShellZone["steps"] = {};
  for (const s of ["vacuum", "scuff"] as const) if (zone.steps[s]) steps[s] = zone.steps[s];
  return { zone: zone.zone, steps, back: [...(zone.back ?? []), { by, at, why, minutes, from: cleaner(zone) ?? "" }] };
}

/** Minutes of cleaning again, by who handed a zone over dirty. */
export function rework(records: readonly BuildRecord[]): Map<string, number> {
  const sum = new Map<string, number>();
  for (const r of zonesIn(records)) for (const b of r.data.back ?? []) if (b.from) sum.set(b.from, (sum.get(b.from) ?? 0) + b.minutes);
  return sum;
}

/** The zones that a job is about: all of them where it cleans, those it shuts in where it insulates and they are kept. */
export function zonesOf(
  build: Pick<BuildRow, "records" | "figures">,
  job: Pick<JobRow, "roles" | "stage" | "zones">,
  now: number,
): ZoneState[] {
  const all = shellStates(build, now);
  if (hasRole(job, "clean")) return all;
  if (job.stage !== "insulation") return [];
  return all.filter((z) => z.id !== null && COVERS[z.zone].some((c) => job.zones.includes(c)));
}

/** Stages whose work shuts bare metal in. */
const SHUTS: ReadonlySet<string> = new Set(["insulation", "panels"]);

/**
 * What a job that shuts bare metal in has to wait for: holes and rust there that are marked and not treated (ST-n28); in the
 * insulation also zones that nobody has taken over, whether anything is written down of them or not, or, where it bonds, that were
 * degreased too long ago.
 */
export function shellBefore(
  build: Pick<BuildRow, "records" | "figures">,
  job: Pick<JobRow, "stage" | "zones" | "irreversible">,
  now: number,
): string[] {
  if (!SHUTS.has(job.stage)) return [];
  return shellStates(build, now)
    .filter((z) => COVERS[z.zone].some((c) => job.zones.includes(c)))
    .flatMap((z) => {
      const name = ZONE_WORDS[z.zone].toLowerCase();
      // What is marked and not treated holds whoever would cover it, from the moment it is marked.
      const marked = [
        ...(z.holes ? [`${count(z.holes, "hole")} not closed`] : []),
        ...(z.rust ? [`rust in ${count(z.rust, "place")} not treated`] : []),
      ];
      if (job.stage !== "insulation") return marked.length ? [`${name}: ${marked.join(", ")}`] : [];
      if (z.id === null) return [`${name} is not taken over as clean: nobody has written down that it was cleaned`];
      if (!z.accepted) return [`${name} is not taken over as clean${z.open.length ? `: ${z.open.join(", ")}` : ""}`];
      if (marked.length) return [`${name}: ${marked.join(", ")}`];
      const last = z.steps.find((s) => s.step === "degrease")!;
      if (job.irreversible !== "bond") return [];
      if (last.at === null) return [`${name} is not degreased`];
      return last.stale ? [`${name} was degreased more than ${figure(build, "degreased")} minutes ago`] : [];
    });
}
