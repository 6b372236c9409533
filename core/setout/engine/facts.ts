// What a sheet of a build can start from: the van as measured, what was chosen, and what its units turned out to be.

import type { Options } from "../../library/options";
import type { Role } from "../../library/roles";
import type { Geometry } from "../../van/model";
import type { Draft } from "./form";

/** The hole that a unit asks for, mm. */
export interface Cut {
  w: number;
  h: number;
  r: number;
}

export interface Facts {
  geometry: Geometry;
  options: Options;
  /** What the job is to rules, and which of its copies it is (0, 1 …). */
  roles: readonly Role[];
  copy: number;
  /** Holes that its units ask for, as measured at goods-in: of the job itself, and of the units on the roof. */
  unit?: Cut;
  roofUnits?: { fan?: Cut; skylight?: Cut };
  /** What the layout puts where, mm behind the bulkhead. */
  uses?: readonly { name: string; at: number }[];
}

export interface Prefill {
  draft: Draft;
  /** The facts it stands on, by name: when one of them changes, the sheet is contradicted. */
  basis: Record<string, number | string>;
  /** Some of what the calculator asks for is known to nobody but the tape or the client: it is left empty. */
  partial?: true;
}

/** A job's code without the letter of its copy, and which copy it is: the letter b is the second (1); no letter, no copy. */
export function copyOf(code: string): { kind: string; copy?: number } {
  const letter = /[a-d]$/.exec(code)?.[0];
  return letter ? { kind: code.slice(0, -1), copy: letter.charCodeAt(0) - 97 } : { kind: code };
}

/** What a job's sheets can start from, before anything of its build is known but the van and the choices. */
export function factsOf(job: { code: string; roles: readonly Role[] } | undefined, geometry: Geometry, options: Options): Facts {
  return { geometry, options, roles: job?.roles ?? [], copy: (job && copyOf(job.code).copy) ?? 0 };
}

/** What has changed beneath a sheet since it was filled, in words; empty when nothing has. */
export function contradictions(then: Prefill["basis"], now: Prefill["basis"] | undefined): string[] {
  if (!now) return Object.keys(then).length ? ["what it stood on is no longer part of this build"] : [];
  return Object.keys({ ...then, ...now }).flatMap((k) => {
    if (then[k] === now[k]) return [];
    if (!(k in now)) return [`${k} is gone (was ${then[k]})`];
    if (!(k in then)) return [`${k} is new: ${now[k]}`];
    return [`${k} is ${now[k]} now, was ${then[k]}`];
  });
}
