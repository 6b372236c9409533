// Jobs of which a half could be prepared on the bench, while what the rest waits for is still to come.

import type { Plan, WhyKind } from "../../plan/model";
import type { Variant } from "../../plan/variants";
import { isExtra } from "../builds/extra-work";
import { figure } from "../state/house-figures";
import type { BuildRow, JobRow, Shop } from "../state/model";
import { toProblem } from "../state/problem";
import { type Split, splitFaults, splitOf, withSplit } from "./split";

/** What keeps a job from being fixed, but not from being set out, cut and fitted dry under a roof. */
const FIX_WAITS: ReadonlySet<WhyKind> = new Set(["part", "dry", "wind", "temperature", "hold"]);

export interface Preparable {
  job: JobRow;
  split: Split;
  /** What the rest waits for, in the plan's words. */
  waits: string;
}

/**
 * Of a build's jobs to do those that wait in the plan for a part, dry weather, less wind, warmth or a cure, and are long enough; the
 * longest first. A half of each, on the bench, behind all that the job itself waits for, as its outcome is settled then; but for what
 * cures, which is over and only left untouched.
 */
export function preparable(build: Pick<BuildRow, "jobs" | "figures">, plan: Pick<Plan, "jobs">): Preparable[] {
  const planned = new Map(plan.jobs.map((j) => [j.id, j]));
  const parts = new Set(build.jobs.flatMap((j) => splitOf(j)?.jobId ?? []));
  return build.jobs
    .flatMap((job): Preparable[] => {
      const why = planned.get(job.id)?.why?.[0];
      if (!why || !FIX_WAITS.has(why.kind) || isExtra(job) || parts.has(job.id) || job.minutes.likely < figure(build, "prepareFrom"))
        return [];
      const split: Split = {
        kind: "prepare",
        minutes: Math.round(job.minutes.likely / 2),
        bench: true,
        zones: [],
        after: job.after.map((a) => a.job).filter((id) => why.kind !== "hold" || id !== why.ref),
      };
      return splitFaults(job, split).length ? [] : [{ job, split, waits: why.text }];
    })
    .sort((a, b) => b.job.minutes.likely - a.job.minutes.likely || (a.job.id < b.job.id ? -1 : 1));
}

/** So many are tried: the longest. */
const MOST = 3;

/** The build as it would be with each of them prepared, to be tried like any measure to gain a day. */
export const preparedVariants = (shop: Shop, build: BuildRow, plan: Pick<Plan, "jobs">, now: number): Variant[] =>
  preparable(build, plan)
    .slice(0, MOST)
    .map(({ job, split, waits }) => {
      const changed = withSplit(build, job, split).build;
      const problem = toProblem({ ...shop, builds: shop.builds.map((b) => (b.id === build.id ? changed : b)) }, now);
      return {
        kind: "prepare",
        text: `${split.minutes} min of ${job.name} prepared on the bench, which ${waits.startsWith("waits") ? waits : `waits: ${waits}`}`,
        price: `${figure(shop, "settingUp")} min more, for setting up a second time`,
        money: Math.round((figure(shop, "settingUp") / 60) * shop.workshop.hourRate),
        build: problem.builds.find((b) => b.id === build.id)!,
      };
    });
