// A kept chain of coats, laid into the plan: each coat behind the first a job with its hold, at a drying place.

import { type Coat, coatHold } from "../../setout/time/coat-chain/coat-chain";
import { DRYING_PLACE } from "../starts/tools";
import type { BuildRow, SheetRow } from "../state/model";
import { type AskedJob, around } from "./extra-work";

/**
 * The coats behind the first, which is the job that the sheet is kept under. Each waits for the one before that was taken on, what
 * needs the pieces for the last: so the chain holds in whatever order its coats are taken on. Minutes and holds are the sheet's.
 */
export function chainOfCoats(build: BuildRow, sheet: Pick<SheetRow, "id" | "jobId" | "input">): AskedJob[] {
  const job = build.jobs.find((j) => j.id === sheet.jobId);
  const { coats, tempC } = sheet.input as { coats: Coat[]; tempC?: number };
  if (!job) return [];
  const key = (k: number) => `coat:${sheet.id}:${k}`;
  const taken = coats.map((_, k) => (k === 0 ? job : build.jobs.find((j) => j.extra === key(k))));
  const own = new Set(taken.flatMap((j) => j?.id ?? []));
  const needs = build.jobs.filter((j) => j.state === "todo" && !own.has(j.id) && j.after.some((a) => a.job === job.id)).map((j) => j.id);
  return coats.slice(1).map((coat, i): AskedJob => {
    const k = i + 1;
    const before = taken.slice(0, k).findLast((j) => j !== undefined)!;
    const next = taken.slice(k + 1).flatMap((j) => (j?.state === "todo" ? [j.id] : []));
    return {
      key: key(k),
      name: `${job.name}, ${k + 1} of ${coats.length}: ${coat.name}`,
      why: `the kept chain of coats for ${job.name}`,
      minutes: around(coat.minutes),
      stage: job.stage,
      zones: job.zones,
      bench: job.place === "bench",
      tools: job.place === "bench" ? [DRYING_PLACE] : [],
      tags: ["coat"],
      skill: job.crew[0]?.skill ?? "any",
      level: job.crew[0]?.level ?? 1,
      holdMinutes: Math.ceil(coatHold(coat, tempC)),
      steps: ["Dust off, and nothing that makes dust beside it until it is dry", coat.name, "Stamp when it went on"],
      shots: [],
      cautions: ["Mask and air as the tin says; rags laid out flat, not in a heap"],
      after: [before.id],
      before: [...next, ...needs],
    };
  });
}
