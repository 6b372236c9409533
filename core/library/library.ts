// The job library, read and validated from its data: the shipped one, or a workshop's own.

import { type Fault, InputError, reader } from "../plan/fault";
import { faultOf } from "./formula";
import type { OptionKey } from "./options";
import { valuesOf } from "./options";
import { QUANTITY_NAMES } from "./quantities";
import type { Role } from "./roles";
import { LIBRARY_FORMAT, type LibraryFile, type LibraryJob, librarySchema, type Stage, type StageFile, stageSchema } from "./schema";
import framing from "./stages/framing.json";
import furniture from "./stages/furniture.json";
import insulation from "./stages/insulation.json";
import openings from "./stages/openings.json";
import panels from "./stages/panels.json";
import services from "./stages/services.json";
import strip from "./stages/strip.json";

export interface Entry extends LibraryJob {
  stage: Stage;
}

/** First-fix services are worked among the framing, so their file is framing; by what they are they stay services. */
const STAGE_OF: Record<string, Stage> = {
  ST: "strip",
  OP: "openings",
  IN: "insulation",
  FR: "framing",
  PA: "panels",
  FU: "furniture",
  SV: "services",
};

const readStage = reader<StageFile>(stageSchema);
const readFile = reader<LibraryFile>(librarySchema);

/** All jobs of the stage files in their order. Throws InputError when a file or a reference in it is wrong. */
export const readLibrary = (files: readonly unknown[]): Entry[] => checked(files.map(readStage).flatMap((f) => f.jobs));

/**
 * A library from one file (an import, a kept version). Throws InputError with the place of every fault. A file of before jobs had roles
 * names none: its jobs get those that the shipped job of their code has.
 */
export function readLibraryFile(value: unknown): Entry[] {
  const { jobs } = readFile(value);
  const old = !jobs.some((j) => j.roles?.length);
  return checked(old ? jobs.map(withShippedRoles) : jobs, "jobs");
}

function withShippedRoles(j: LibraryJob): LibraryJob {
  const roles = shippedRoles(j.code);
  return roles.length ? { ...j, roles } : j;
}

/** Roles of the shipped job of a code, with or without the letter of a copy: those of a job that was written down before jobs had roles. */
export const shippedRoles = (code: string): Role[] => [...(library.find((j) => j.code === code.slice(0, CODE_LENGTH))?.roles ?? [])];

/** A code without the letter of its copy: two letters, a dash, two digits. */
const CODE_LENGTH = 5;

/** A library as one file (an export). */
export const libraryFile = (jobs: readonly Entry[], name?: string): LibraryFile => ({
  format: LIBRARY_FORMAT,
  ...(name ? { name } : {}),
  jobs: jobs.map(({ stage: _stage, ...j }) => j),
});

/** Conditions inside a job, with the path of each. */
function conditionsOf(j: LibraryJob): [path: string, when: unknown][] {
  const out: [string, unknown][] = [["when", j.when]];
  for (const key of ["after", "covers", "ask", "steps", "parts", "proof", "remainders", "variants"] as const)
    (j[key] ?? []).forEach((item, i) => out.push([`${key}[${i}].when`, (item as { when?: unknown }).when]));
  return out.filter(([, w]) => w !== undefined);
}

function conditionFault(when: unknown): string | undefined {
  for (const one of Array.isArray(when) ? when : [when])
    for (const [key, wanted] of Object.entries(one as Record<string, unknown>)) {
      if (!Array.isArray(wanted)) continue;
      const values = valuesOf(key as OptionKey).map(String);
      const wrong = wanted.find((v) => !values.includes(String(v)));
      if (wrong !== undefined) return `${key} is never ${wrong} (but ${values.join(", ")})`;
    }
  return undefined;
}

function checked(list: readonly LibraryJob[], root = ""): Entry[] {
  const at = (j: LibraryJob, i: number) => (root ? `${root}[${i}] (${j.code})` : j.code);
  const jobs = list.map((j) => ({ ...j, stage: STAGE_OF[j.code.slice(0, 2)] }));
  const codes = new Set<string>();
  const faults: Fault[] = [];
  jobs.forEach((j, i) => {
    if (!j.stage) faults.push({ path: at(j, i), message: `no stage has the letters ${j.code.slice(0, 2)}` });
    if (codes.has(j.code)) faults.push({ path: at(j, i), message: "stands twice" });
    codes.add(j.code);
  });
  jobs.forEach((j, i) => {
    const fault = (field: string, message: string) => faults.push({ path: `${at(j, i)}${field ? `.${field}` : ""}`, message });
    for (const [field, n] of [
      ...j.after.map((a, k) => [`after[${k}]`, a.job]),
      ...(j.covers ?? []).map((c, k) => [`covers[${k}]`, c.job]),
      ...(j.remainders ?? []).map((r, k) => [`remainders[${k}]`, r.before]),
    ])
      if (!codes.has(n)) fault(field, `names ${n}, which is no job`);
    const { best, likely, worst } = j.minutes;
    if (best > likely || likely > worst) fault("minutes", "best, likely, worst do not rise");
    const formulas: [string, string | number | undefined][] = [
      ["scale", j.scale],
      ["pieces.count", j.pieces?.count],
      ...(j.parts ?? []).map((p, k): [string, string | number] => [`parts[${k}].quantity`, p.quantity]),
    ];
    for (const [field, f] of formulas) {
      const wrong = typeof f === "string" ? faultOf(f, QUANTITY_NAMES) : undefined;
      if (wrong) fault(field, wrong);
    }
    for (const [field, w] of conditionsOf(j)) {
      const wrong = conditionFault(w);
      if (wrong) fault(field, wrong);
    }
  });
  if (faults.length) throw new InputError(faults);
  return jobs;
}

/** The library that ships with Wide Lane. */
export const library: readonly Entry[] = readLibrary([strip, openings, insulation, framing, panels, furniture, services]);
