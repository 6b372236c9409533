// ./wide-lane check: does a plan keep every hard rule of its problem?

import { checkPlan } from "../core/plan/check/check";
import { readPlan, readProblem } from "../core/plan/read";
import { readArgs } from "./args";
import { readFile } from "./files";
import { Stop } from "./stop";

const USAGE = "./wide-lane check problem.json plan.json";

export default async function check(args: string[]): Promise<number> {
  const { plain } = readArgs(args, [], [], USAGE);
  if (plain.length !== 2) throw new Stop(`a problem file and a plan file are needed\nUsage: ${USAGE}`, 2);
  const breaches = checkPlan(readFile(plain[0], readProblem), readFile(plain[1], readPlan));
  if (!breaches.length) {
    console.log("valid");
    return 0;
  }
  for (const b of breaches) console.log(`${b.rule}: ${b.text}`);
  return 1;
}
