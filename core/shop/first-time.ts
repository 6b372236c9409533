// The first time somebody does a kind of job: more time, a guide, and somebody who looks at the first piece.

import type { JobRow, PracticeRow, Shop } from "./model";

/** Times the likely minutes, at the first and at the second time. House figures. */
const FACTORS = [1.5, 1.2] as const;

/** A job's kind: its code without the letter of one of several. */
export const kindOf = (code: string): string => code.replace(/[a-z]$/, "");

export const timesDone = (practice: readonly PracticeRow[], fitter: string, code: string): number =>
  practice.filter((p) => p.fitterId === fitter && kindOf(p.code) === kindOf(code)).reduce((n, p) => n + p.times, 0);

/** A kind has a norm of the house once somebody has done it so often. */
const NORM = 2;

/**
 * By how much a job takes longer because it is the first or second time for everybody who is to do it. 1 where one of them has
 * done it before, has the skill at the highest level, or where nobody of the house has done the kind: there the library's minutes are all
 * there is.
 */
export function firstTimeFactor(
  shop: Pick<Shop, "practice" | "fitters">,
  job: Pick<JobRow, "code" | "crew">,
  crew: readonly string[],
): number {
  if (!crew.length || !shop.fitters.some((f) => timesDone(shop.practice, f.id, job.code) >= NORM)) return 1;
  const factors = crew.map((id) => {
    const fitter = shop.fitters.find((f) => f.id === id);
    const master = job.crew.some((c) => c.skill !== "any" && (fitter?.skills[c.skill] ?? 0) >= MASTER);
    return master ? 1 : (FACTORS[timesDone(shop.practice, id, job.code)] ?? 1);
  });
  return Math.min(...factors);
}
/** Who has a skill at this level needs no more time for a new kind of it. */
const MASTER = 3;

/** What a job's crew has to know of who does it for the first or second time. */
export function firstTimeWords(
  shop: Pick<Shop, "practice" | "fitters">,
  job: Pick<JobRow, "code" | "minutes" | "state">,
  crew: readonly string[],
): string[] {
  if (job.state === "done") return [];
  return crew.flatMap((id) => {
    const n = timesDone(shop.practice, id, job.code);
    const factor = FACTORS[n];
    if (factor === undefined) return [];
    const name = shop.fitters.find((f) => f.id === id)?.name ?? id;
    const likely = Math.round(job.minutes.likely * factor);
    return [
      `${n === 0 ? "First" : "Second"} time for ${name}: allow ${factor} ×, about ${likely} min${n === 0 ? "; the guide at hand, level 3 looks at the first piece" : ""}`,
    ];
  });
}
