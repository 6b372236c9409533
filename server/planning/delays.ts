// Slips of jobs as the pages ask for them.

import type { Delay } from "@/core/workshop/planning/delays";
import { loadDelays } from "@/db/planning/delays";
import { keptRead } from "../state/kept-read";

/** Of starts put off by so many minutes at least. */
export const delaysNow = (from: number): Promise<Map<string, Delay>> => keptRead(`slips from ${from}`, (c) => loadDelays(c, from));
