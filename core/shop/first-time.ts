// The first time somebody does a kind of job: more time, a guide, and somebody who looks at the first piece.

import type { JobRow, PracticeRow, Shop } from "./model";

/** Times the likely minutes, at the first and at the second time. House figures. */
const FACTORS = [1.5, 1.2] as const;

/** A job's kind: its code without the letter of one of several. */
export const kindOf = (code: string): string => code.replace(/[a-z]$/, "");

export const timesDone = (practice: readonly PracticeRow[], fitter: string, code: string): number =>
  practice.filter((p) => p.fitterId === fitter && kindOf(p.code) === kindOf(code)).reduce((n, p) => n + p.times, 0);

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
