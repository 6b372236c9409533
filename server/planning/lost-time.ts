// Lost time as the yard asks for it.

import type { LostTo } from "@/core/workshop/planning/lost-time";
import { lostSince } from "@/db/planning/lost-time";
import { toSql } from "@/db/pool";
import { keptRead } from "../state/kept-read";

/** Minutes lost by cause in the thirty days before a day (minutes of its beginning). */
export const lostLately = (dayStart: number): Promise<{ cause: LostTo; minutes: number }[]> =>
  keptRead(`lost before ${dayStart}`, (c) => lostSince(c, toSql(dayStart - 30 * 1440)));
