// Reads the files that the planner's command line takes; every fault in one line, exit 2.

import { readFileSync } from "node:fs";
import { InputError } from "../core/plan/fault";
import { Stop } from "./stop";

/** Reads JSON through a reader. Throws Stop (exit 2) with one line a fault. */
export function readFile<T>(file: string, reader: (json: unknown) => T): T {
  let text: string;
  try {
    text = readFileSync(file, "utf8");
  } catch (e) {
    throw new Stop(`${file}: can't be read (${(e as NodeJS.ErrnoException).code ?? "unknown"})`, 2);
  }
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (e) {
    throw new Stop(`${file}: is no JSON: ${(e as Error).message}`, 2);
  }
  try {
    return reader(json);
  } catch (e) {
    if (!(e instanceof InputError)) throw e;
    throw new Stop(e.faults.map((f) => `${file}: ${f.path}: ${f.message}`).join("\n"), 2);
  }
}
