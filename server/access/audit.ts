// Who took data out: noted where leads see it.

import { addAudit } from "@/db/access/users";
import { pool } from "@/db/pool";
import { addressOf, type User } from "./session";

export const noteExport = (user: User, headers: Headers, what: string): Promise<void> =>
  addAudit(pool(), { userId: user.id, kind: "export", text: `${user.name} took out: ${what}`, address: addressOf(headers) });
