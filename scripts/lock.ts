// One launcher for one database: the file says which process has it, and since when, so that a dead one's lock is nobody's.

import { createHash } from "node:crypto";
import { mkdirSync, rmSync, writeFileSync } from "node:fs";
import path from "node:path";
import { readKnown, runs, self, writeKnown } from "./process";
import { Stop } from "./stop";

/** The lock's file: of the own database, in its folder; of one that DATABASE_URL names, by that name and the port served. */
export function lockFile(folder: string, url: string | undefined, port: number): string {
  if (!url) return path.join(folder, "running");
  const name = createHash("sha256").update(url).digest("hex").slice(0, 16);
  return path.join(path.dirname(folder), "locks", `${name}-${port}`);
}

/** Takes the lock, or throws a Stop that names who has it. What is returned lets it go. */
export function lock(file: string): () => void {
  mkdirSync(path.dirname(file), { recursive: true });
  for (let attempt = 0; ; attempt++) {
    try {
      writeFileSync(file, writeKnown(self()), { flag: "wx" });
      return () => {
        if (readKnown(file)?.pid === process.pid) rmSync(file, { force: true });
      };
    } catch (e) {
      if ((e as NodeJS.ErrnoException).code !== "EEXIST") throw new Stop(`${file} can't be written: ${(e as Error).message}`);
      const holder = readKnown(file);
      if (runs(holder) && holder!.pid !== process.pid)
        throw new Stop(
          `it is running already on this data (process ${holder!.pid}). Stop that one first, with Ctrl-C or kill ${holder!.pid}.`,
        );
      if (attempt > 3) throw new Stop(`${file} could not be taken over.`);
      // Whoever held it is dead.
      rmSync(file, { force: true });
    }
  }
}
