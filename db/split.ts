// A job that a part was split off, or that got it back.

import type { JobRow } from "@/core/shop/model";
import { type Conn, run } from "./pool";

export const setShare = (c: Conn, j: Pick<JobRow, "id" | "minutes" | "zones">): Promise<number> =>
  run(
    c,
    "UPDATE job SET best_minutes = ?, likely_minutes = ?, worst_minutes = ?, zones = ?, version = version + 1 WHERE id = ? AND state = 'todo'",
    [j.minutes.best, j.minutes.likely, j.minutes.worst, JSON.stringify(j.zones), j.id],
  );
