// What a fitter may see and touch: builds that they have a job on, and photos of those.

import type { Pool } from "mysql2/promise";
import { type Conn, rows } from "../pool";

const NEWEST_PUBLISHED = "(SELECT id FROM plan WHERE kind = 'published' ORDER BY number DESC LIMIT 1)";

/** Whether a fitter has a job on a build, in fact or by the published plan; while nothing is published, whoever takes a job up has one. */
export async function fitterWorksOn(c: Conn | Pool, fitterId: string, buildId: string): Promise<boolean> {
  const [r] = await rows<{ yes: number }>(
    c,
    `SELECT EXISTS (SELECT 1 FROM job_fitter f JOIN job j ON j.id = f.job_id WHERE f.fitter_id = ? AND j.build_id = ?)
       OR EXISTS (SELECT 1 FROM plan_job_fitter f JOIN job j ON j.id = f.job_id
                  WHERE f.fitter_id = ? AND j.build_id = ? AND f.plan_id = ${NEWEST_PUBLISHED})
       OR NOT EXISTS (SELECT 1 FROM plan_job p JOIN job j ON j.id = p.job_id WHERE j.build_id = ? AND p.plan_id = ${NEWEST_PUBLISHED}) AS yes`,
    [fitterId, buildId, fitterId, buildId, buildId],
  );
  return r.yes === 1;
}

/** Whether a fitter may see a photo: of a build they work on, or taken by themselves. */
export async function mayFitterSee(c: Pool, userId: string, fitterId: string, sha256: string): Promise<boolean> {
  const list = await rows<{ build_id: string; taken_by: string }>(
    c,
    `SELECT j.build_id, p.taken_by FROM photo p JOIN proof_shot s ON s.id = p.proof_shot_id JOIN job j ON j.id = s.job_id WHERE p.sha256 = ?
     UNION SELECT r.build_id, p.taken_by FROM record_photo p JOIN record r ON r.id = p.record_id WHERE p.sha256 = ?`,
    [sha256, sha256],
  );
  for (const p of list) if (p.taken_by === userId || (await fitterWorksOn(c, fitterId, p.build_id))) return true;
  return false;
}

const BUILD_OF = {
  records: "SELECT build_id FROM record WHERE id = ?",
  remainders: "SELECT j.build_id FROM remainder r JOIN job j ON j.id = r.job_id WHERE r.id = ?",
  sheets: "SELECT build_id FROM setout_sheet WHERE id = ?",
} as const;

/** The build that a record, a remainder or a set-out sheet belongs to; undefined: there is no such thing. */
export async function buildOfThing(c: Conn | Pool, kind: "records" | "remainders" | "sheets", id: string): Promise<string | undefined> {
  const [r] = await rows<{ build_id: string }>(c, BUILD_OF[kind], [id]);
  return r?.build_id;
}
