// The chain of one hole, pilot to coat, kept in order: what is done again opens what lies behind it.

import type { HoleStep, Penetration } from "../records/kinds/hole";
import { HOLE_STEPS } from "../records/kinds/hole";

export const HOLE_STEP_WORDS: Record<HoleStep, { label: string; why: string }> = {
  pilot: { label: "Pilot from inside", why: "ribs and harness are in sight from there" },
  outside: { label: "Seen outside", why: "flap, fuel cap, the path of a sliding door" },
  mark: { label: "Marked", why: "on tape, the right way up" },
  corners: {
    label: "Corner holes, square again",
    why: "no square corner tears the skin; through a curved roof both diagonals are read again",
  },
  deburr: { label: "Deburred", why: "a burr under the shoe leads the saw astray" },
  cut: { label: "Cut, two tabs left", why: "30 mm each: the piece does not fall or jam the blade" },
  last: { label: "Last cuts, one holds", why: "taped and held, then it drops inwards into a hand" },
  dress: { label: "Edge dressed flat", why: "waves no more than half of what the trim hides" },
  sizes: { label: "Sizes and diagonals", why: "read before the saw leaves" },
  "dry fit": { label: "Dry fit, right way up", why: "enlarging it later goes through the coat" },
  small: { label: "All small holes too", why: "screw pilots through a finished coat rust" },
  degrease: { label: "Degreased", why: "coat and bond both need it" },
  coat: { label: "Edge coat", why: "from here on no bare metal is touched again" },
};

/** Where a photo is asked, and what it has to show. */
export const CHAIN_PHOTOS: Partial<Record<HoleStep, string>> = { cut: "cut", "dry fit": "dry fit", coat: "edge" };

/** What the proof set of one opening shows. */
export const PROOF_SET = ["cut", "edge", "bead", "squeeze", "outside", "inside"] as const;

/** What a photo of a hole can be told to show. */
export const HOLE_SHOWS = ["cut", "dry fit", "edge", "bead", "squeeze", "outside", "inside"] as const;

const begun = (p: Pick<Penetration, "chain">): boolean => Object.keys(p.chain ?? {}).length > 0;

type Staged = Pick<Penetration, "chain" | "state">;

/** Whether a step is behind it: ticked, or taken for done as the hole was said to be that far without its chain. */
export function stepDone(p: Staged, step: HoleStep): boolean {
  if (p.chain?.[step]) return true;
  if (p.state === "protected") return !p.chain?.coat;
  return p.state === "cut" && !p.chain?.last && HOLE_STEPS.indexOf(step) <= HOLE_STEPS.indexOf("last");
}

/** The step that comes next; undefined when all are done. */
export const nextStep = (p: Staged): HoleStep | undefined => HOLE_STEPS.find((s) => !stepDone(p, s));

/**
 * The hole after a step was ticked, or why it can't be. A step that is done already is done again: it and all behind it open,
 * and a hole whose edge was safe is bare metal again. A step is not ticked before the one in front of it.
 */
export function holeStepped(p: Penetration, step: HoleStep, by: string, at: number): Penetration | string {
  const k = HOLE_STEPS.indexOf(step);
  if (p.state === "closed" || p.state === "tested") return "it is closed: open it again in its form first";
  const before = HOLE_STEPS.slice(0, k).find((s) => !stepDone(p, s));
  if (before) return `${HOLE_STEP_WORDS[before].label.toLowerCase()} comes first: ${HOLE_STEP_WORDS[before].why}`;
  const chain: NonNullable<Penetration["chain"]> = {};
  for (const s of HOLE_STEPS.slice(0, k)) if (p.chain?.[s]) chain[s] = p.chain[s];
  if (!p.chain?.[step]) chain[step] = { by, at };
  const cut = chain.last !== undefined || (p.state !== "wanted" && p.state !== "set out");
  const state = chain.coat ? "protected" : cut ? "cut" : p.state;
  return { ...p, chain, state };
}

/** Why a hole whose chain is kept may not go on, by field: its edge is safe once all is done, closed with its photos. */
export function chainFaults(p: Penetration, shows: readonly (string | null)[], why: string): { path: string; message: string }[] {
  if (!begun(p) || why.trim()) return [];
  // What lies before its first tick was passed without the chain.
  const from = HOLE_STEPS.findIndex((s) => p.chain?.[s]);
  const next = HOLE_STEPS.slice(from).find((s) => !p.chain?.[s]);
  if ((p.state === "protected" || p.state === "closed") && next)
    return [
      { path: "state", message: `can't be "${p.state}" yet: ${HOLE_STEP_WORDS[next].label.toLowerCase()} is open. Say why it is left out` },
    ];
  if (p.state !== "closed") return [];
  const lacking = Object.values(CHAIN_PHOTOS).filter((s) => !shows.includes(s));
  return lacking.length
    ? [{ path: "state", message: `can't be "closed" yet: no photo shows ${lacking.join(", ")}. Say why there is none` }]
    : [];
}

/** What of its proof set is there. */
export const proofSet = (shows: readonly (string | null)[]): { what: string; there: boolean }[] =>
  PROOF_SET.map((what) => ({ what, there: shows.includes(what) }));
