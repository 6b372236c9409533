// ./wide-lane bench: speed and quality of the planner on generated problems with fixed seeds. `plan` are whole workshops,
// `plain` resource problems with known optima; without either, both. `--write` puts both into docs/benchmarks.md.
// `replan` replans after changes of one thing, beside a repair by hand. `app` puts fifty people at a server, `clicks` measures from click to paint, `pages` each page and act at the
// size of the demo and grown to forty builds. `known` looks for better lengths of the plain problems (takes hours).

import os from "node:os";
import { readArgs, whole } from "./args";
import { benchApp } from "./bench/app";
import { benchClicks } from "./bench/clicks";
import { findKnown } from "./bench/known";
import { benchPages } from "./bench/pages";
import { benchPlain } from "./bench/plain";
import { benchPlans, measure } from "./bench/plans";
import { benchReplans } from "./bench/replans";
import { writeSections } from "./bench/sections";
import { Stop } from "./stop";

const USAGE =
  "./wide-lane bench [plan | replan | plain | app [--people N] [--seconds N] | clicks | pages [--builds N] | known [--seconds N] [--jobs N]] [--write]";

export default async function bench(args: string[]): Promise<number> {
  const read = readArgs(args, ["seconds", "jobs", "people", "builds"], ["write"], USAGE);
  const [what = "all", ...more] = read.plain;
  if (what === "one") {
    console.log(JSON.stringify(measure(Number(more[0]))));
    return 0;
  }
  if (more.length || !["all", "plan", "replan", "plain", "app", "clicks", "pages", "known"].includes(what))
    throw new Stop(`Usage: ${USAGE}`, 2);
  if (what === "known") {
    findKnown(whole(read, "seconds", 1, 3600) ?? 600, whole(read, "jobs", 1, 1000));
    return 0;
  }
  if (what === "replan") {
    const { text, faults } = await benchReplans();
    if (read.options.has("write")) writeSections(text);
    console.log(`\n${text}`);
    return faults ? 1 : 0;
  }
  if (what === "pages") {
    const builds = whole(read, "builds", 8, 100) ?? 40;
    const text = await benchPages(builds, builds * 500, builds * 125);
    if (read.options.has("write")) writeSections(text);
    console.log(`\n${text}`);
    return 0;
  }
  if (what === "clicks") {
    const { text, slow } = await benchClicks();
    if (read.options.has("write")) writeSections(text);
    console.log(`\n${text}`);
    return slow ? 1 : 0;
  }
  if (what === "app") {
    const { text, errors } = await benchApp(whole(read, "people", 1, 1000) ?? 50, whole(read, "seconds", 5, 3600) ?? 60);
    if (read.options.has("write")) writeSections(text);
    console.log(`\n${text}`);
    return errors ? 1 : 0;
  }
  const plans = what === "plain" ? undefined : benchPlans();
  const plain = what === "plan" ? undefined : benchPlain();
  const text = `# Benchmarks

Made by \`./wide-lane bench --write\` on a machine with ${os.cpus().length} cores and ${Math.round(os.totalmem() / 2 ** 30)} GB of memory. Generated problems with fixed
seeds, one thread.

${[plans?.text, plain?.text].filter(Boolean).join("\n")}`;
  if (read.options.has("write") && what === "all") writeSections(text);
  else console.log(`\n${text}`);
  return (plans?.broken ?? 0) + (plain?.broken ?? 0) ? 1 : 0;
}
