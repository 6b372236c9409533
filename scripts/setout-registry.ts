// core/setout/registry.ts out of the folders of core/setout: one line a calculator, none by hand.

import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import path from "node:path";
import { STAGES } from "../core/setout/engine/define";

const ROOT = path.resolve(import.meta.dirname, "../core/setout");
const FILE = path.join(ROOT, "registry.ts");

/** The calculators by their folders, in the order of stages and names. */
export const folders = (): { stage: string; name: string }[] =>
  STAGES.flatMap((stage) =>
    readdirSync(path.join(ROOT, stage), { withFileTypes: true })
      .filter((d) => d.isDirectory())
      .map((d) => ({ stage, name: d.name }))
      .sort((a, b) => a.name.localeCompare(b.name)),
  );

/** What a folder's file exports as its calculator. */
function exported(stage: string, name: string): string {
  const text = readFileSync(path.join(ROOT, stage, name, `${name}.ts`), "utf8");
  const found = /export const (\w+) = defineCalculator\(/.exec(text);
  if (!found) throw new Error(`core/setout/${stage}/${name}/${name}.ts defines no calculator`);
  return found[1];
}

export function registryText(): string {
  const all = folders().map((f) => ({ ...f, as: exported(f.stage, f.name) }));
  const byPath = [...all].sort((a, b) => `${a.stage}/${a.name}`.localeCompare(`${b.stage}/${b.name}`));
  return [
    "// All calculators. Made by ./wide-lane new setout out of the folders beside it: not written by hand.",
    "",
    ...byPath.map((f) => `import { ${f.as} } from "./${f.stage}/${f.name}/${f.name}";`),
    "",
    "export const REGISTRY = [",
    ...all.map((f) => `  ${f.as},`),
    "] as const;",
    "",
  ].join("\n");
}

export const registryIsCurrent = (): boolean => readFileSync(FILE, "utf8") === registryText();
export const writeRegistry = (): void => writeFileSync(FILE, registryText());
