// Writes a new build with its whole network of jobs.

import type { NetworkJob } from "@/core/library/network";
import type { Options } from "@/core/library/schema";
import { type Conn, insert } from "./pool";

export interface BuildInput {
  id: string;
  name: string;
  client: string;
  purpose: string;
  vanId: string;
  /** UTC, as SQL text. */
  arrives: string;
  due: string;
  createdAt: string;
  weight: number;
  options: Options;
  jobs: NetworkJob[];
  /** Known suppliers; a part of an unknown one goes to the first. */
  suppliers: string[];
}

export const jobId = (build: string, code: string): string => `${build}.${code}`;

/** Inserts build, jobs, crews, steps, precedences, covers, proof shots and part lines. */
export async function insertBuild(c: Conn, b: BuildInput): Promise<void> {
  const id = (code: string) => jobId(b.id, code);
  await insert(c, "build", [
    {
      id: b.id,
      name: b.name,
      client: b.client,
      purpose: b.purpose,
      van_template_id: b.vanId,
      arrives: b.arrives,
      due: b.due,
      weight: b.weight,
      options: b.options,
      created_at: b.createdAt,
    },
  ]);
  await insert(
    c,
    "job",
    b.jobs.map((j, seq) => ({
      id: id(j.code),
      build_id: b.id,
      code: j.code,
      stage: j.stage,
      name: j.name,
      seq,
      best_minutes: j.minutes.best,
      likely_minutes: j.minutes.likely,
      worst_minutes: j.minutes.worst,
      place: j.place,
      yard_ok: j.yardOk ?? false,
      bay_has: j.bay ?? [],
      zones: j.zones,
      needs_dry: j.needs?.dry ?? false,
      needs_daylight: j.needs?.daylight ?? false,
      needs_min_temp_c: j.needs?.minTempC,
      noisy: j.needs?.noisy ?? false,
      same_day: j.needs?.sameDay ?? false,
      hold_minutes: j.hold?.minutes ?? 0,
      hold_still: j.hold?.still ?? false,
      hold_keep_off: j.hold?.keepOff,
      hold_min_temp_c: j.hold?.minTempC,
      cautions: j.cautions,
      kit: j.kit ?? [],
    })),
  );
  const each = <T>(make: (j: NetworkJob) => T[]): T[] => b.jobs.flatMap(make);
  await insert(
    c,
    "job_crew",
    each((j) =>
      j.crew.map((k, i) => ({ job_id: id(j.code), n: i + 1, skill: k.skill, level: k.level ?? 1, people: k.count ?? 1, ticket: k.ticket })),
    ),
  );
  await insert(
    c,
    "job_step",
    each((j) => j.steps.map((text, i) => ({ job_id: id(j.code), n: i + 1, text }))),
  );
  await insert(
    c,
    "job_precedence",
    each((j) =>
      j.after.map((a) => ({ job_id: id(j.code), after_job_id: id(a.job), ignore_hold: a.ignoreHold ?? false, reason: a.reason })),
    ),
  );
  await insert(
    c,
    "job_cover",
    each((j) => j.covers.map((k) => ({ job_id: id(j.code), covered_job_id: id(k) }))),
  );
  await insert(
    c,
    "proof_shot",
    each((j) =>
      (j.proof ?? []).map((p, i) => ({
        id: `${id(j.code)}.shot${i + 1}`,
        job_id: id(j.code),
        n: i + 1,
        text: p.text,
        before_close_up: p.beforeCloseUp,
      })),
    ),
  );
  await insert(
    c,
    "part_line",
    each((j) =>
      (j.parts ?? []).map((p, i) => ({
        id: `${id(j.code)}.part${i + 1}`,
        job_id: id(j.code),
        name: p.name,
        quantity: p.quantity,
        unit: p.unit,
        supplier_id: b.suppliers.includes(p.supplier) ? p.supplier : b.suppliers[0],
      })),
    ),
  );
}
