// Which migration a database has come to.

import type { Pool } from "mysql2/promise";
import { rows } from "./pool";

export async function schemaVersion(c: Pool): Promise<number> {
  const [r] = await rows<{ version: number | string }>(c, "SELECT MAX(CAST(version AS UNSIGNED)) AS version FROM schema_version");
  return Number(r?.version ?? 0);
}
