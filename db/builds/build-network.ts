// Writes a new build, and the rows of jobs: for a new build, and for jobs that a change of options adds.

import type { OptionKey, Options } from "@/core/library/options";
import type { JobRow } from "@/core/workshop/state/model";
import { type Conn, insert, run, toSql } from "../pool";

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
  openChoices: OptionKey[];
  libraryVersion: number;
  jobs: JobRow[];
  /** Known suppliers; a part of an unknown one goes to the first. */
  suppliers: string[];
}

/** Inserts the build with all its jobs. */
export async function insertBuild(c: Conn, b: BuildInput): Promise<void> {
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
      open_choices: b.openChoices,
      library_version: b.libraryVersion,
      created_at: b.createdAt,
    },
  ]);
  await insertJobs(c, b.jobs, b.suppliers);
}

/** The columns of a job that its library entry fills. */
export const jobColumns = (j: JobRow) => ({
  code: j.code,
  stage: j.stage,
  name: j.name,
  seq: j.seq,
  best_minutes: j.minutes.best,
  likely_minutes: j.minutes.likely,
  worst_minutes: j.minutes.worst,
  place: j.place,
  yard_ok: j.yardOk,
  bay_has: j.bayHas,
  zones: j.zones,
  needs_dry: j.needs.dry,
  needs_daylight: j.needs.daylight,
  needs_min_temp_c: j.needs.minTempC,
  needs_max_temp_c: j.needs.maxTempC,
  needs_metal: j.needs.metal,
  needs_max_wind_ms: j.needs.maxWindMs,
  noisy: j.needs.noisy,
  same_day: j.needs.sameDay,
  hold_minutes: j.hold.minutes,
  hold_still: j.hold.still,
  hold_keep_off: j.hold.keepOff,
  hold_min_temp_c: j.hold.minTempC,
  cautions: j.cautions,
  kit: j.kit,
  means: j.means,
  tools: j.tools,
  roles: j.roles,
  tags: j.tags,
  irreversible: j.irreversible,
  piece_name: j.pieces?.name ?? null,
  pieces: j.pieces?.count ?? null,
  first_piece_asked: j.pieces?.first ?? false,
  time_box: j.timeBox,
  maker_minutes: j.makerMinutes ?? null,
  set_out: j.setOut,
  faults: j.faults,
  undecided: j.undecided,
  leaves: j.leaves,
});

/** Inserts jobs with crews, steps, questions, covers, proof shots, part lines; precedences only among these and what is there already. */
export async function insertJobs(c: Conn, jobs: readonly JobRow[], suppliers: readonly string[]): Promise<void> {
  await insert(
    c,
    "job",
    jobs.map((j) => ({
      id: j.id,
      build_id: j.buildId,
      extra: j.extra ?? null,
      not_before: j.notBefore === null ? null : toSql(j.notBefore),
      ...jobColumns(j),
    })),
  );
  await insertParts(c, jobs, suppliers);
  await insertSteps(c, jobs);
  await insertCrew(c, jobs);
  await insertLinks(c, jobs);
}

export const insertSteps = async (c: Conn, jobs: readonly JobRow[]): Promise<void> => {
  await insert(
    c,
    "job_step",
    jobs.flatMap((j) => j.steps.map((s) => ({ job_id: j.id, n: s.n, text: s.text, does: s.does }))),
  );
  await insert(
    c,
    "job_question",
    jobs.flatMap((j) => j.questions.map((q) => ({ job_id: j.id, n: q.n, text: q.text, unsure_by: q.unsureBy }))),
  );
};

export const insertCrew = (c: Conn, jobs: readonly JobRow[]): Promise<void> =>
  insert(
    c,
    "job_crew",
    jobs.flatMap((j) =>
      j.crew.map((k, i) => ({ job_id: j.id, n: i + 1, skill: k.skill, level: k.level, people: k.people, ticket: k.ticket })),
    ),
  );

/** Precedences and covers. */
export async function insertLinks(c: Conn, jobs: readonly JobRow[]): Promise<void> {
  await insert(
    c,
    "job_precedence",
    jobs.flatMap((j) => j.after.map((a) => ({ job_id: j.id, after_job_id: a.job, ignore_hold: a.ignoreHold, reason: a.reason }))),
  );
  await insert(
    c,
    "job_cover",
    jobs.flatMap((j) => j.covers.map((k) => ({ job_id: j.id, covered_job_id: k }))),
  );
}

/** Proof shots and part lines. */
async function insertParts(c: Conn, jobs: readonly JobRow[], suppliers: readonly string[]): Promise<void> {
  await insert(
    c,
    "proof_shot",
    jobs.flatMap((j) => j.shots.map((p) => ({ id: p.id, job_id: j.id, n: p.n, text: p.text, before_close_up: p.beforeCloseUp }))),
  );
  await insertPartLines(
    c,
    jobs.flatMap((j) => j.parts),
    suppliers,
  );
}

export const insertPartLines = (c: Conn, parts: readonly JobRow["parts"][number][], suppliers: readonly string[]): Promise<void> =>
  insert(
    c,
    "part_line",
    parts.map((p) => ({
      id: p.id,
      job_id: p.jobId,
      name: p.name,
      quantity: p.quantity,
      unit: p.unit,
      price: p.price,
      contents: JSON.stringify(p.contents),
      supplier_id: suppliers.includes(p.supplierId) ? p.supplierId : suppliers[0],
    })),
  );

/** Takes a job that nobody has begun out of its build. */
export const dropJob = (c: Conn, id: string): Promise<number> => run(c, "DELETE FROM job WHERE id = ? AND state = 'todo'", [id]);
