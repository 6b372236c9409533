// The drafts of whoever is signed in.

import { type Draft, draftsOf } from "@/db/builds/drafts";
import { pool } from "@/db/pool";

export type { Draft };

export const myDrafts = (userId: string): Promise<Draft[]> => draftsOf(pool(), userId);
