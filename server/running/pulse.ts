// Whether something has happened since: the number of the newest change.

import { newestChange } from "@/db/acts";
import { pool } from "@/db/pool";

export const pulse = async (): Promise<string> => String(await newestChange(pool()));
