// ./wide-lane restore: puts a backup into the workshop's database, which has to be empty.

import { spawn } from "node:child_process";
import { createReadStream, existsSync } from "node:fs";
import mysql from "mysql2/promise";
import { readArgs } from "./args";
import { clientFor, withDatabase } from "./backup";
import { Stop } from "./stop";

export default async function restore(args: string[]): Promise<number> {
  const { plain } = readArgs(args, [], [], "./wide-lane restore FILE");
  if (plain.length !== 1) throw new Stop("say the file to read\nUsage: ./wide-lane restore FILE", 2);
  if (!existsSync(plain[0])) throw new Stop(`${plain[0]}: there is no such file`, 2);
  return withDatabase(async (url) => {
    const c = await mysql.createConnection(url);
    const [tables] = await c.query("SHOW TABLES");
    await c.end();
    if ((tables as unknown[]).length)
      throw new Stop(
        "this database is not empty; a restore would mix two workshops. Move .data/shop away first, or name an empty database in DATABASE_URL.",
      );
    const client = clientFor(url);
    const load = spawn("mariadb", [...client.args, client.name], { env: client.env, stdio: ["pipe", "inherit", "inherit"] });
    createReadStream(plain[0]).pipe(load.stdin);
    const code = await new Promise<number | null>((resolve) => load.once("close", resolve));
    if (code !== 0) throw new Stop("the restore failed; the words above say why");
    console.log("restored");
    return 0;
  });
}
