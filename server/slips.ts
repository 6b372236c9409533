// Slips of jobs as the pages ask for them.

import type { Slip } from "@/core/workshop/planning/delays";
import { loadSlips } from "@/db/slips";
import { keptRead } from "./kept-read";

/** Of starts put off by so many minutes at least. */
export const slipsNow = (from: number): Promise<Map<string, Slip>> => keptRead(`slips from ${from}`, (c) => loadSlips(c, from));
