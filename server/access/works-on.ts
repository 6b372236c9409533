// Which vans a fitter works on, by the published plan or in fact: on others they see and change nothing.

import { buildOfThing, fitterWorksOn } from "@/db/access/seen-by";
import type { User } from "@/db/access/users";
import { type Conn, pool } from "@/db/pool";
import { Refusal } from "../refusal";

/** Refuses a fitter who has no job on that build. */
export async function worksOn(c: Conn, user: User, buildId: string): Promise<void> {
  if (user.role === "lead" || (await fitterWorksOn(c, user.fitterId ?? "", buildId))) return;
  throw new Refusal(403, "You have no job on this van. Ask the lead to put you on one.");
}

/** The same for any act that names a build, a record, a remainder or a sheet in its path; acts on jobs look at who is on the job themselves. */
export async function mayReach(user: User, path: string, ids: readonly string[]): Promise<void> {
  if (user.role === "lead") return;
  const [head] = path.split("/");
  const build =
    head === "builds"
      ? ids[0]
      : head === "records" || head === "remainders" || head === "sheets"
        ? await buildOfThing(pool(), head, ids[0])
        : undefined;
  if (build === undefined || (await fitterWorksOn(pool(), user.fitterId ?? "", build))) return;
  throw new Refusal(403, "You have no job on this van. Ask the lead to put you on one.");
}
