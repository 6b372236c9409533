// The first time somebody does a kind of job: more time, a guide, and somebody who looks at the first piece.

import { figure } from "../state/house-figures";
import type { JobRow, PracticeRow, Shop } from "../state/model";

/** Times the likely minutes, at the first and at the second time; from then on none. */
const factors = (shop: Pick<Shop, "workshop">): readonly number[] => [figure(shop, "firstTime"), figure(shop, "secondTime")];

/** A job's kind: its code without the letter of one of several. */
export const kindOf = (code: string): string => code.replace(/[a-z]$/, "");

export const timesDone = (practice: readonly PracticeRow[], fitter: string, code: string): number =>
  practice.filter((p) => p.fitterId === fitter && kindOf(p.code) === kindOf(code)).reduce((n, p) => n + p.times, 0);

/** A kind has a norm of the house once somebody has done it so often. */
const NORM = 2;

/**
 * Who of the house takes longer over a job, being new to its kind, and how many times as long. Nobody where nobody of the house has
 * done the kind: there the library's minutes are all there is. Who has one of its skills at the highest level needs no more time.
 */
export function newTo(
  shop: Pick<Shop, "practice" | "fitters" | "workshop">,
  job: Pick<JobRow, "code" | "crew">,
): { fitter: string; factor: number }[] {
  if (!shop.fitters.some((f) => timesDone(shop.practice, f.id, job.code) >= NORM)) return [];
  return shop.fitters.flatMap((f) => {
    const master = job.crew.some((c) => c.skill !== "any" && (f.skills[c.skill] ?? 0) >= MASTER);
    const factor = master ? undefined : factors(shop)[timesDone(shop.practice, f.id, job.code)];
    return factor === undefined || f.retired ? [] : [{ fitter: f.id, factor }];
  });
}
/** Who has a skill at this level needs no more time for a new kind of it. */
const MASTER = 3;

/** What a job's crew has to know of who does it for the first or second time. */
export function firstTimeWords(
  shop: Pick<Shop, "practice" | "fitters" | "workshop">,
  job: Pick<JobRow, "code" | "minutes" | "state">,
  crew: readonly string[],
): string[] {
  if (job.state === "done") return [];
  return crew.flatMap((id) => {
    const n = timesDone(shop.practice, id, job.code);
    const factor = factors(shop)[n];
    if (factor === undefined) return [];
    const name = shop.fitters.find((f) => f.id === id)?.name ?? id;
    const likely = Math.round(job.minutes.likely * factor);
    return [
      `${n === 0 ? "First" : "Second"} time for ${name}: allow ${factor} ×, about ${likely} min${n === 0 ? "; the guide at hand, level 3 looks at the first piece" : ""}`,
    ];
  });
}
