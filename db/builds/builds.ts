// Where a build's van stands, and what of its work is open.

import { type Conn, rows, run, toSql } from "../pool";

/** The van stands at a place from a minute on; null: it has left the yard. */
export const setPlace = (c: Conn, id: string, place: string | null, at: number): Promise<number> =>
  run(c, "UPDATE build SET at_since = IF(at_place <=> ?, at_since, ?), at_place = ?, version = version + 1 WHERE id = ?", [
    place,
    place === null ? null : toSql(at),
    place,
    id,
  ]);

/** Names of its jobs that are not done, in the order of the work. */
export const openJobs = async (c: Conn, build: string): Promise<string[]> =>
  (await rows<{ name: string }>(c, "SELECT name FROM job WHERE build_id = ? AND state <> 'done' ORDER BY seq", [build])).map((j) => j.name);

/** The build whose van stands at a place; undefined where none does. */
export async function standsIn(c: Conn, place: string): Promise<string | undefined> {
  const [b] = await rows<{ name: string }>(c, "SELECT name FROM build WHERE at_place = ? AND state = 'active'", [place]);
  return b?.name;
}
