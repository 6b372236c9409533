// What holds in the database whatever happened: each line of it broken is told.

import type { Pool } from "mysql2/promise";
import { rows } from "@/db/pool";

const CHECKS: [what: string, sql: string][] = [
  [
    "two vans in one bay",
    "SELECT at_place FROM build WHERE state = 'active' AND at_place IS NOT NULL AND at_place <> 'yard' GROUP BY at_place HAVING COUNT(*) > 1",
  ],
  [
    "a van in a bay that isn't there",
    "SELECT b.id FROM build b LEFT JOIN bay y ON y.id = b.at_place WHERE b.state = 'active' AND b.at_place <> 'yard' AND b.at_place IS NOT NULL AND y.id IS NULL",
  ],
  [
    "two holes of one number",
    "SELECT build_id FROM record WHERE kind = 'penetration' GROUP BY build_id, JSON_VALUE(data, '$.no') HAVING COUNT(*) > 1",
  ],
  ["a job under way without a beginning", "SELECT id FROM job WHERE state = 'started' AND (started_at IS NULL OR running_since IS NULL)"],
  [
    "a job that runs though it is not under way",
    "SELECT id FROM job WHERE state <> 'started' AND running_since IS NOT NULL AND by_others IS NULL",
  ],
  ["a done job without an end", "SELECT id FROM job WHERE state = 'done' AND ended_at IS NULL"],
  ["somebody at two jobs at once", "SELECT fitter_id FROM job_fitter WHERE running = 1 GROUP BY fitter_id HAVING COUNT(*) > 1"],
  [
    "somebody at work on a job that is not under way",
    "SELECT f.job_id FROM job_fitter f JOIN job j ON j.id = f.job_id WHERE f.running = 1 AND j.state <> 'started'",
  ],
  ["two suppliers of one name", "SELECT name FROM supplier GROUP BY name HAVING COUNT(*) > 1"],
  ["two builds of one name", "SELECT name FROM build WHERE state = 'active' GROUP BY name HAVING COUNT(*) > 1"],
  ["a change that was never counted", "SELECT e.id FROM event e, workshop w WHERE e.act > w.acts"],
  ["two edits of one library version", "SELECT base FROM library_version WHERE base IS NOT NULL GROUP BY base HAVING COUNT(*) > 1"],
  ["plan numbers with a gap", "SELECT MAX(number) FROM plan WHERE kind = 'published' HAVING MAX(number) <> COUNT(*)"],
  ["more than one working plan", "SELECT kind FROM plan WHERE kind = 'working' GROUP BY kind HAVING COUNT(*) > 1"],
  ["a photo without bytes", "SELECT p.id FROM photo p LEFT JOIN photo_data d ON d.sha256 = p.sha256 WHERE d.sha256 IS NULL"],
  ["photo bytes that are not what they are called", "SELECT sha256 FROM photo_data WHERE sha256 <> SHA2(bytes, 256)"],
  ["a workshop more or less than one", "SELECT COUNT(*) AS n FROM workshop HAVING n <> 1"],
  ["an answer that can't be read", "SELECT id FROM act_answer WHERE NOT JSON_VALID(answer)"],
];

/** Every check that does not hold, with the first rows of it. */
export async function brokenInvariants(c: Pool): Promise<string[]> {
  const out: string[] = [];
  for (const [what, sql] of CHECKS) {
    const found = await rows<Record<string, unknown>>(c, sql);
    if (found.length) out.push(`${what}: ${JSON.stringify(found.slice(0, 3))}`);
  }
  return out;
}
