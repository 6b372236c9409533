// The log of one build, newest first.

import { type LogLine, buildLog as read } from "@/db/events";
import { pool } from "@/db/pool";

export const buildLog = (buildId: string): Promise<LogLine[]> => read(pool(), buildId, 60);
