// Slips of jobs as the pages ask for them.

import type { Slip } from "@/core/shop/slips";
import { loadSlips } from "@/db/slips";
import { keptRead } from "./kept-read";

export const slipsNow = (): Promise<Map<string, Slip>> => keptRead("slips", loadSlips);
