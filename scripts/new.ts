// ./wide-lane new setout STAGE NAME: a new calculator's folder, ready to be filled in; without a name, what is made out of the folders.

import { execFileSync } from "node:child_process";
import { existsSync, mkdirSync, writeFileSync } from "node:fs";
import path from "node:path";
import { STAGES, type Stage } from "../core/setout/engine/define";
import { writeRegistry } from "./setout-registry";
import { Stop } from "./stop";

const USAGE = `Usage: ./wide-lane new setout [STAGE NAME]\nSTAGE: ${STAGES.join(", ")}. NAME: small letters and dashes, as plug-count. Without both, only the registry and docs/setout.md are made again.`;
const ROOT = path.resolve(import.meta.dirname, "..");

const camel = (name: string): string => name.replace(/-([a-z0-9])/g, (_m, c: string) => c.toUpperCase());
const words = (name: string): string => name[0].toUpperCase() + name.slice(1).replace(/-/g, " ");

/** The two files of a new calculator: one that works, with a formula to be replaced. */
export function template(stage: Stage, name: string): Record<string, string> {
  const id = camel(name);
  return {
    [`${name}.ts`]: `// ${words(name)}: say in one line what it works out.

import { defineCalculator } from "../../engine/define";
import { amount, house, size } from "../../engine/inputs";
import { outcome, round } from "../../engine/outcome";

const inputs = {
  length: size("Length", { from: "measured", help: "Where it is measured." }),
  minutesPerM: house(amount("Minutes a metre", { unit: "min" }), 5),
};

/** The formula, its source, and an example: 2,000 mm at 5 min a metre take 10 min. */
export const ${id} = defineCalculator({
  name: "${name}",
  title: "${words(name)}",
  stage: "${stage}",
  asks: "${words(name)}: what question does it answer?",
  inputs,
  example: { length: 2000 },
  results: { minutes: ["in all", "min"] },
  work: ({ length, minutesPerM }) => outcome({ minutes: round((length / 1000) * minutesPerM) }),
});
`,
    [`${name}.test.ts`]: `import { expect, it } from "vitest";
import { ${id} } from "./${name}";

it("takes 10 min for 2 m at 5 min a metre", () => {
  expect(${id}.run({ length: 2000 }).results).toEqual({ minutes: 10 });
});
`,
  };
}

/** The registry, then the reference that reads it: in a process of its own, since this one has read the old registry. */
function makeAgain(): void {
  writeRegistry();
  execFileSync(process.execPath, ["--import", "tsx", "-e", 'import("./scripts/setout-docs.ts").then((d) => d.writeDocs())'], { cwd: ROOT });
}

export default async function add(args: string[]): Promise<number> {
  const [what, stage, name, ...more] = args;
  if (what !== "setout" || more.length || (stage && !name)) throw new Stop(USAGE, 2);
  if (stage) {
    if (!STAGES.includes(stage as Stage)) throw new Stop(`there is no stage ${stage}\n${USAGE}`, 2);
    if (!/^[a-z][a-z0-9]*(-[a-z0-9]+)*$/.test(name)) throw new Stop(`${name} is no name for a calculator\n${USAGE}`, 2);
    const taken = STAGES.find((s) => existsSync(path.join(ROOT, "core/setout", s, name)));
    if (taken) throw new Stop(`core/setout/${taken}/${name} is there already`, 1);
    const folder = path.join(ROOT, "core/setout", stage, name);
    mkdirSync(folder);
    for (const [file, text] of Object.entries(template(stage as Stage, name))) writeFileSync(path.join(folder, file), text);
    console.log(`core/setout/${stage}/${name}/ is ready: fill in ${name}.ts and its test`);
  }
  makeAgain();
  return 0;
}
