// ./wide-lane sign-in-code LOGIN: a code for somebody who can't get in any more, made by whoever has the machine.

import { addAudit, endSessionsOf, setReset, userByLogin } from "../db/access/users";
import { closePool, pool, transaction } from "../db/pool";
import { cleanCode, hashPassword, newCode } from "../server/access/password";
import { readArgs } from "./args";
import { withDatabase } from "./client";
import { Stop } from "./stop";

const USAGE = "./wide-lane sign-in-code LOGIN";

export default async function signInCode(args: string[]): Promise<number> {
  const { plain } = readArgs(args, [], [], USAGE);
  if (plain.length !== 1) throw new Stop(`say whose\nUsage: ${USAGE}`, 2);
  return withDatabase(async (url) => {
    process.env.DATABASE_URL = url;
    try {
      const user = await userByLogin(pool(), plain[0]);
      if (!user) throw new Stop(`nobody signs in as ${plain[0]}`);
      const code = newCode();
      const hashed = await hashPassword(cleanCode(code));
      await transaction(async (c) => {
        await setReset(c, user.id, hashed, 72);
        await endSessionsOf(c, user.id);
        await addAudit(c, { userId: null, kind: "password", text: `a sign-in code for ${user.name} was made at the server` });
      });
      console.log(
        `${user.name} signs in as ${user.login} with this code, once, within three days:\n\n  ${code}\n\nThe password before it and the second factor are good no more.`,
      );
      return 0;
    } finally {
      await closePool();
    }
  });
}
