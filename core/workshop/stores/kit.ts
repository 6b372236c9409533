// One kit, carried up once: what a job takes, line by line, counted the evening before.

import { cutsBody } from "../openings/cuts";
import { GEAR } from "../records/kinds/gear";
import type { BuildRecord } from "../records/records";
import { gearFor } from "../starts/gear";
import { templatesOf } from "../starts/templates";
import type { BuildRow, JobRow, Shop } from "../state/model";
import { CUTTERS, cutterFor } from "./cutting-tool";

export interface KitLine {
  what: string;
  where: string;
  /** Why it is short whatever is ticked; null where it is there. */
  short: string | null;
  have: { by: string; at: number } | null;
  /** The first step that takes it; null where it is for all of them. */
  step: { n: number; text: string } | null;
}

/** Words of a step that a thing is for, where the step does not name it. */
const USED: readonly [RegExp, RegExp][] = [
  [/jigsaw|nibbler|reciprocating/i, /\bcut\b/i],
  [/hole saw|drill/i, /drill|corners|pilot|\bcut\b/i],
  [/grinder/i, /grind|dressed/i],
  [/file|deburr/i, /deburr|burrs/i],
  [/primer/i, /prime/i],
  [/adhesive|sealant|cartridge/i, /\bbead|adhesive|seal/i],
  [/butyl/i, /butyl/i],
  [/template/i, /outline|template|cut by/i],
  [/\bcover\b|sheet and tape/i, /sheet below|masked|cover/i],
  [/suction|straps|clamps?$/i, /unit (in|down)|straps|clamp/i],
  [/window|\bfan\b|skylight|\bunit\b|panel/i, /dry fit|unit (in|down)|panel/i],
];

/** The first step that names a thing, or does what it is for. */
export function stepFor(what: string, steps: readonly { n: number; text: string }[]): KitLine["step"] {
  const words = what
    .toLowerCase()
    .split(/[^a-z]+/)
    .filter((w) => w.length > 4)
    .map((w) => w.replace(/s$/, ""));
  const uses = USED.filter(([thing]) => thing.test(what)).map(([, deed]) => deed);
  const found =
    steps.find((s) => uses.some((u) => u.test(s.text))) ?? steps.find((s) => words.some((w) => s.text.toLowerCase().includes(w)));
  return found ? { n: found.n, text: found.text } : null;
}

/** The pick list in the order of its steps; what is for all of them stands first. */
export const byStep = (lines: readonly KitLine[]): KitLine[] => [...lines].sort((x, y) => (x.step?.n ?? 0) - (y.step?.n ?? 0));

/** How long a counted kit counts. */
const COUNTED = 24 * 60;

export const kitRecord = (build: Pick<BuildRow, "records">, jobId: string): Extract<BuildRecord, { kind: "kit" }> | undefined =>
  build.records.find((r): r is Extract<BuildRecord, { kind: "kit" }> => r.kind === "kit" && r.jobId === jobId);

/**
 * The pick list of a job: units and parts by shelf, templates, tools by their state, the rest of the kit, a cover where it
 * opens the skin. A tick counts for a day.
 */
export function kitLines(shop: Shop, build: BuildRow, job: JobRow, now: number): KitLine[] {
  const have = kitRecord(build, job.id)?.data.have ?? {};
  const line = (what: string, where: string, short: string | null): KitLine => {
    const h = have[what];
    return { what, where, short, have: h && now - h.at <= COUNTED ? h : null, step: stepFor(what, job.steps) };
  };
  const cutter = cutterFor(shop, job);
  const cuts = new Set<string>(CUTTERS.map(([name]) => name));
  const tools = job.tools.map((asked) => {
    // The house's own order says what the skin is cut with.
    const name = cutter && cuts.has(asked) ? cutter.name : asked;
    const t = shop.tools.find((x) => x.name === name);
    return line(name, "tool", t && t.state !== "sound" ? `${t.state}${t.note ? `: ${t.note}` : ""}` : null);
  });
  const templates = templatesOf(shop, build, job).map((t) => line(`template ${t.number}, ${t.what}`, "template wall", null));
  const named = new Set([...job.tools, ...templates.map((t) => t.what)].map((w) => w.toLowerCase()));
  const rest = job.kit.filter((k) => !named.has(k.toLowerCase()));
  const covered = rest.some((k) => /\bcover\b/i.test(k));
  const cover = !covered && cutsBody(job) ? [line("cover for the open hole", "sheet and tape", null)] : [];
  return [
    ...job.parts.map((p) =>
      line(`${p.name}, ${p.quantity} ${p.unit}`, p.shelf || "no shelf", p.state === "checked" ? null : PART_SHORT[p.state]),
    ),
    ...templates,
    ...tools,
    ...rest.map((k) => line(k, "", null)),
    // Gear that is not there is short like everything else.
    ...gearFor(job)
      .filter((g) => !rest.some((k) => k.toLowerCase() === GEAR[g.gear]))
      .map((g) => line(GEAR[g.gear], "gear", null)),
    ...cover,
  ];
}

const PART_SHORT: Record<string, string> = {
  needed: "not ordered",
  ordered: "ordered, not here",
  promised: "promised, not here",
  arrived: "here, not checked",
  wrong: "wrong",
};

/** What is short or not counted yet. */
export const kitOpen = (lines: readonly KitLine[]): KitLine[] => lines.filter((l) => l.short !== null || l.have === null);
