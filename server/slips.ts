// Slips of jobs as the pages ask for them.

import type { Slip } from "@/core/shop/slips";
import { pool } from "@/db/pool";
import { loadSlips } from "@/db/slips";

export const slipsNow = (): Promise<Map<string, Slip>> => loadSlips(pool());
