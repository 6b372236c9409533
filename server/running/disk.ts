// How much room is left where the data lie.

import { statfs } from "node:fs/promises";

/** Warned below the first, photos refused below the second: a full disk stops the database for everybody. */
export const LOW_DISK = 2 * 1024 ** 3;
export const LEAST_DISK = Number(process.env.WIDE_LANE_LEAST_DISK_MB ?? 512) * 1024 ** 2;

/** Bytes free where the data lie, looked at every few seconds at most; undefined: it can't be told. */
export async function diskFree(folder = process.env.WIDE_LANE_DATA): Promise<number | undefined> {
  if (!folder) return undefined;
  if (Date.now() - looked.at < 5000) return looked.free;
  const free = await statfs(folder).then(
    (s) => s.bavail * s.bsize,
    () => undefined,
  );
  looked = { at: Date.now(), free };
  return free;
}
let looked: { at: number; free: number | undefined } = { at: 0, free: undefined };
