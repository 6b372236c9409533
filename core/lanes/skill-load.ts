// How much of each skill the plan asks, week by week, of what the people who have it can give.

import type { OpenSet } from "../time/openset";
import type { Minute } from "../time/zone";

export interface SkillAsk {
  skill: string;
  level: number;
  /** Stretches of work in which so many are needed. */
  people: number;
  work: readonly (readonly [Minute, Minute])[];
}

export interface SkillGive {
  skills: Record<string, number>;
  open: OpenSet;
}

export interface SkillLoad {
  skill: string;
  weeks: { from: Minute; asked: number; given: number }[];
  /** How many have it on their own (level 2 or more). */
  people: number;
}

/** A helper at level 1 does not carry a job alone. */
const ALONE = 2;

/**
 * Minutes of each skill asked at level 2 or more, against the open minutes of those who have it so. One fitter with two skills gives
 * to both: a skill that is full is short for certain, one that is not may still be.
 */
export function skillLoad(weeks: readonly Minute[], asks: readonly SkillAsk[], gives: readonly SkillGive[]): SkillLoad[] {
  const own = asks.filter((a) => a.skill !== "any" && a.level >= ALONE);
  const skills = [...new Set(own.map((a) => a.skill))].sort();
  return skills.map((skill) => {
    const have = gives.filter((g) => (g.skills[skill] ?? 0) >= ALONE);
    const of = own.filter((a) => a.skill === skill);
    return {
      skill,
      people: have.length,
      weeks: weeks.slice(0, -1).map((from, i) => {
        const to = weeks[i + 1];
        const asked = of.reduce(
          (n, a) => n + a.people * a.work.reduce((m, [x, y]) => m + Math.max(0, Math.min(y, to) - Math.max(x, from)), 0),
          0,
        );
        return { from, asked, given: have.reduce((n, g) => n + g.open.minutes(from, to), 0) };
      }),
    };
  });
}
