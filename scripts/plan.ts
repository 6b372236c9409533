// ./wide-lane plan: a problem file in, a plan on standard output. No database, no server.

import { makePlan } from "../core/plan/planner";
import { readProblem } from "../core/plan/read";
import { readArgs, whole } from "./args";
import { readFile } from "./files";
import { Stop } from "./stop";

const USAGE = "./wide-lane plan problem.json [--ms N | --iterations N] [--seed N]";

export default async function plan(args: string[]): Promise<number> {
  const a = readArgs(args, ["ms", "iterations", "seed"], [], USAGE);
  if (a.plain.length !== 1) throw new Stop(`one problem file is needed\nUsage: ${USAGE}`, 2);
  if (a.options.has("ms") && a.options.has("iterations")) throw new Stop("--ms and --iterations exclude each other", 2);
  const iterations = whole(a, "iterations", 0, 10_000_000);
  const result = makePlan(readFile(a.plain[0], readProblem), {
    seed: whole(a, "seed", 0, 2_147_483_647) ?? 1,
    ...(iterations === undefined ? { ms: whole(a, "ms", 0, 86_400_000) ?? 2000, clock: () => performance.now() } : { iterations }),
  });
  process.stdout.write(`${JSON.stringify(result, null, 1)}\n`);
  return 0;
}
