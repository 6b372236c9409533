// Reads what belongs to the workshop's state, kept until one of the tables behind it is written to.

import { newestChange } from "@/db/acts";
import { kept, keptAt, seesState } from "@/db/kept";
import { type Conn, pool, snapshot } from "@/db/pool";

/**
 * `read` is handed a connection that sees one state; what it gives is to be read and not written into. `change`: the number of the
 * newest change, where the caller has just read it; what is given knows of it, and perhaps of newer ones.
 */
export async function keptRead<T>(key: string, read: (c: Conn) => Promise<T>, change?: number): Promise<T> {
  return keptAt(change ?? (await newestChange(pool())), key, () =>
    snapshot(async (c) => {
      // Something may have been written since the number was read: what is seen now belongs to the number that is seen now.
      seesState(c, await newestChange(c));
      return kept(c, key, () => read(c));
    }),
  );
}
