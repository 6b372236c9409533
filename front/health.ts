// /health: this server is alive. /ready: it can do its work (database, schema, disk). Neither tells anything of the workshop.

import { schemaVersion } from "@/db/migrate-version";
import { pool } from "@/db/pool";
import { diskFree, LEAST_DISK } from "@/server/running/disk";

export interface Ready {
  ready: boolean;
  database: boolean;
  schema: boolean;
  disk: boolean;
}

export async function isReady(): Promise<Ready> {
  const wanted = Number(process.env.WIDE_LANE_SCHEMA ?? 0);
  const version = await Promise.race([
    schemaVersion(pool()).catch(() => undefined),
    new Promise<undefined>((r) => setTimeout(() => r(undefined), 2000)),
  ]);
  const free = await diskFree();
  const database = version !== undefined;
  const schema = database && version >= wanted;
  const disk = free === undefined || free >= LEAST_DISK;
  return { ready: database && schema && disk, database, schema, disk };
}
