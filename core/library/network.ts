// From a client's options and the van's template to the network of jobs of one build.

import type { Geometry } from "../van/model";
import { evaluate } from "./formula";
import { type Entry, library } from "./library";
import type { Options } from "./options";
import { type Quantities, quantitiesOf } from "./quantities";
import type { Role } from "./roles";
import { holds, type When } from "./when";

type Raw = Omit<
  Entry,
  "after" | "covers" | "when" | "each" | "scale" | "pieces" | "parts" | "ask" | "steps" | "proof" | "remainders" | "variants"
>;

export interface NetworkPart {
  name: string;
  quantity: number;
  unit: string;
  supplier: string;
  /** Of one unit, in the workshop's money; 0 when unknown. */
  price: number;
  /** What belongs into its box, line by line; empty: nothing that has to be counted. */
  contents: string[];
}

export interface NetworkJob extends Raw {
  roles: Role[];
  after: { job: string; reason: string; ignoreHold?: boolean }[];
  covers: string[];
  steps: { text: string; does?: string }[];
  ask: string[];
  parts: NetworkPart[];
  proof: { text: string; beforeCloseUp: boolean }[];
  /** What this job may leave behind, and the job that must not start while it is open. */
  remainders: { text: string; before: string }[];
  /** `first`: the check of the first piece releases the rest. */
  pieces: { name: string; count: number; first: boolean } | null;
  /** What the chosen schools and options mean for this job, in words. */
  means: string[];
}

const INNER = ["ceiling", "left", "right", "rear", "floor", "nose"];
const ALL = [...INNER, "roof", "underside", "outside"];

function expand(zones: readonly string[], o: Options): string[] {
  const kitchen = o.kitchen === "right" ? "right" : "left";
  const far = kitchen === "left" ? "right" : "left";
  return [
    ...new Set(
      zones.flatMap((z) => {
        if (z === "inside") return INNER;
        if (z === "all") return ALL;
        if (z === "kitchen-side") return [kitchen];
        return z === "far-side" ? [far] : [z];
      }),
    ),
  ];
}

/** Words with quantities in braces: "{dampingSheets} sheets" says how many. */
const filled = (text: string, q: Quantities): string =>
  text.replace(/\{(\w+)\}/g, (whole, name: string) => (Object.hasOwn(q, name) ? String(q[name as keyof Quantities]) : whole));

const when = (w: unknown) => w as When | When[] | undefined;

/**
 * The jobs of a build, in the library's order. A job that the options leave out passes its
 * predecessors on to its followers, so that no order rule is lost with it. Windows get a job each
 * (letters a, b … behind the code), on alternating sides. Hours (minutes), pieces and parts are worked out from the
 * van's sizes. Throws an Error naming job and field where a formula has no value.
 */
export function buildNetwork(options: Options, geometry: Geometry, jobs: readonly Entry[] = library): NetworkJob[] {
  const quantities = quantitiesOf(options, geometry);
  const byCode = new Map(jobs.map((j) => [j.code, j]));
  const copies = new Map<string, string[]>();
  for (const j of jobs) copies.set(j.code, codesOf(j, options));
  const known = new Map<string, NetworkJob["after"]>();

  /** Links of a job as chosen; through absent jobs to what they would have waited for. */
  const after = (code: string): NetworkJob["after"] => {
    const old = known.get(code);
    if (old) return old;
    known.set(code, []); // a cycle through absent jobs ends here; checkNetwork tells cycles of present ones
    const links = byCode
      .get(code)!
      .after.filter((a) => holds(when(a.when), options))
      .flatMap((a) => {
        const codes = copies.get(a.job) ?? [];
        if (codes.length) return codes.map((job) => ({ job, reason: a.reason, ...(a.ignoreHold ? { ignoreHold: true } : {}) }));
        return byCode.has(a.job) ? after(a.job) : [];
      });
    known.set(code, links);
    return links;
  };

  return jobs.flatMap((j) => {
    const codes = copies.get(j.code)!;
    return codes.map((code, i) => make(j, code, i, { options, quantities, copies, links: after(j.code) }));
  });
}

interface Context {
  options: Options;
  quantities: Quantities;
  copies: Map<string, string[]>;
  links: NetworkJob["after"];
}

function make(j: Entry, code: string, i: number, x: Context): NetworkJob {
  const { options, quantities } = x;
  const value = (field: string, formula: string | number) => {
    try {
      return evaluate(formula, quantities);
    } catch (e) {
      throw new Error(`${j.code}.${field}: ${(e as Error).message}`);
    }
  };
  const chosen = <T extends { when?: unknown }>(list: readonly T[] | undefined) => (list ?? []).filter((t) => holds(when(t.when), options));
  const variants = chosen(j.variants);
  let times = j.scale === undefined ? 1 : Math.max(0.1, value("scale", j.scale));
  const { when: _when, each, scale: _scale, variants: _variants, ...rest } = j;
  const set: Partial<Entry> = {};
  for (const { when: _w, means: _m, times: t, ...v } of variants) {
    times *= t ?? 1;
    Object.assign(set, v);
  }
  const merged = { ...rest, ...set };
  const minutes = (m: number) => Math.max(5, Math.round((m * times) / 5) * 5);
  // The strictest of several links to one job counts: one that waits for the hold.
  const links = new Map<string, NetworkJob["after"][number]>();
  for (const a of x.links) {
    const old = links.get(a.job);
    if (!old || (old.ignoreHold && !a.ignoreHold)) links.set(a.job, a);
  }
  const side = SIDES[i % SIDES.length];
  return {
    ...merged,
    code,
    name: each ? `${merged.name}, ${side.label} ${Math.floor(i / SIDES.length) + 1}` : merged.name,
    minutes: { best: minutes(j.minutes.best), likely: minutes(j.minutes.likely), worst: minutes(j.minutes.worst) },
    pieces: piecesOf(
      j.pieces && { name: j.pieces.name, count: Math.round(value("pieces.count", j.pieces.count)), first: j.pieces.first === true },
    ),
    zones: each ? [side.zone] : expand(merged.zones, options),
    ...(merged.hold?.keepOff ? { hold: { ...merged.hold, keepOff: expand(merged.hold.keepOff, options) } } : {}),
    after: [...links.values()],
    roles: [...(j.roles ?? [])],
    covers: chosen(j.covers).flatMap((c) => x.copies.get(c.job) ?? []),
    steps: chosen(j.steps).map(({ text, does }) => ({ text, ...(does ? { does } : {}) })),
    ask: chosen(j.ask).map((a) => a.text),
    parts: chosen(j.parts)
      .map((p, n) => ({
        name: p.name,
        quantity: Number(value(`parts[${n}].quantity`, p.quantity).toFixed(2)),
        unit: p.unit,
        supplier: p.supplier,
        price: p.price ?? 0,
        contents: p.contents ?? [],
      }))
      .filter((p) => p.quantity > 0),
    proof: chosen(j.proof).map(({ text, beforeCloseUp }) => ({ text, beforeCloseUp })),
    remainders: chosen(j.remainders).flatMap((r) =>
      x.copies.get(r.before)?.length ? [{ text: r.text, before: x.copies.get(r.before)![0] }] : [],
    ),
    means: variants.map((v) => filled(v.means, quantities)),
  };
}

/** One piece is no count. */
const piecesOf = (p: NetworkJob["pieces"] | undefined) => (p && p.count > 1 ? p : null);

const SIDES = [
  { label: "left", zone: "left" },
  { label: "right", zone: "right" },
];

function codesOf(j: Entry, options: Options): string[] {
  if (!holds(when(j.when), options)) return [];
  if (j.each) return Array.from({ length: options[j.each] }, (_, i) => `${j.code}${"abcd"[i]}`);
  return [j.code];
}
