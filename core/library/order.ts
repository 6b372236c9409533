// The order of a build's jobs: what is forced by a rule whatever the house does, and what is a habit of the house that may move.

import type { Geometry } from "../van/model";
import { ancestors } from "./check-network";
import { CHOICES } from "./choices";
import { conflictsOf } from "./conflicts";
import type { Entry } from "./library";
import { buildNetwork } from "./network";
import type { OptionKey, Options } from "./options";

export interface OrderStep {
  before: string;
  after: string;
  reason: string;
  /** The schools by which alone it stands like this; none: it is forced. */
  habits: { key: OptionKey; label: string; other: string }[];
}

const SCHOOLS = CHOICES.filter((c) => c.kind === "school");
export const SCHOOL_KEYS: readonly OptionKey[] = SCHOOLS.map((c) => c.key);

/** The schools of a build's choices alone: an order of the house that other builds can be made by. */
export const schoolsOf = (o: Options): Partial<Options> => Object.fromEntries(SCHOOL_KEYS.map((k) => [k, o[k]]));

/** What a house order contradicts in a build, in words; empty where it can be built like that. */
export const forbiddenIn = (options: Options, choices: Partial<Options>, geometry: Geometry): string[] =>
  conflictsOf({ ...options, ...choices }, geometry)
    .filter((c) => c.level === "stop")
    .map((c) => c.text);

/** Schools in which two sets of choices differ, in words. */
export const differsIn = (options: Options, choices: Partial<Options>): string[] =>
  SCHOOLS.flatMap((c) => {
    const to = choices[c.key];
    if (to === undefined || to === options[c.key]) return [];
    const say = (v: unknown) => c.values.find((x) => x.value === v)?.label ?? String(v);
    return [`${c.label}: ${say(to)} instead of ${say(options[c.key])}`];
  });

/**
 * Every step of one job behind another in a build, told apart: a habit stands only by a school that could be another one here
 * (one that contradicts nothing else that is chosen); all else is forced. Each school is tried by itself.
 */
export function orderOf(options: Options, geometry: Geometry, jobs: readonly Entry[]): OrderStep[] {
  const now = buildNetwork(options, geometry, jobs);
  const names = new Map(now.map((j) => [j.code, j.name]));
  const others = SCHOOLS.flatMap((c) =>
    c.values
      .filter((v) => v.value !== options[c.key])
      .map((v) => ({ c, v, o: { ...options, [c.key]: v.value } as Options }))
      .filter(({ o }) => !forbiddenIn(o, {}, geometry).length)
      .map(({ c: choice, v, o }) => {
        const network = buildNetwork(o, geometry, jobs);
        return {
          key: choice.key,
          label: choice.label,
          other: v.label,
          codes: new Set(network.map((j) => j.code)),
          before: ancestors(network),
        };
      }),
  );
  return now.flatMap((j) =>
    j.after
      .filter((a) => names.has(a.job))
      .map((a) => ({
        before: names.get(a.job)!,
        after: j.name,
        reason: a.reason,
        habits: others
          .filter((o) => o.codes.has(a.job) && o.codes.has(j.code) && !o.before.get(j.code)!.has(a.job))
          .map(({ key, label, other }) => ({ key, label, other })),
      })),
  );
}
