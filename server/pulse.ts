// Whether something has happened since: the id of the newest event.

import { lastEvent } from "@/db/events";
import { pool } from "@/db/pool";

export const pulse = (): Promise<string> => lastEvent(pool());
