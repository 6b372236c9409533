// Every page and route of the application, found in its tree and not in a list.

import { readdirSync, statSync } from "node:fs";
import path from "node:path";

export interface Found {
  kind: "page" | "route";
  /** The path's parts; "[name]" stands for an id. */
  parts: string[];
  file: string;
}

export function routes(folder = "app"): Found[] {
  const out: Found[] = [];
  const walk = (dir: string, parts: string[]): void => {
    for (const name of readdirSync(dir)) {
      const file = path.join(dir, name);
      if (statSync(file).isDirectory()) {
        if (name.startsWith("_")) continue;
        walk(file, /^\(.*\)$/.test(name) ? parts : [...parts, name]);
      } else if (/^page\.(tsx|ts|jsx|js)$/.test(name)) out.push({ kind: "page", parts, file });
      else if (/^route\.(tsx|ts|js)$/.test(name)) out.push({ kind: "route", parts, file });
    }
  };
  walk(folder, []);
  return out;
}
