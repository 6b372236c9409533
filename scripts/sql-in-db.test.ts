// All SQL of the application stands in db/.

import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { expect, it } from "vitest";

const files = ["app", "core", "front", "server", "standins", "ui", "workers"].flatMap((folder) =>
  readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((e) => e.isFile() && /\.tsx?$/.test(e.name) && !/\.test\.tsx?$|testing\.ts$/.test(e.name))
    .map((e) => path.join(e.parentPath, e.name)),
);

const STATEMENT = /["'`]\s*(?:SELECT\s.+\sFROM\s|INSERT\s(?:IGNORE\s)?INTO\s|UPDATE\s\w+\sSET\s|DELETE\sFROM\s|REPLACE\sINTO\s)/s;

it("no statement stands anywhere else", () => {
  expect(files.length).toBeGreaterThan(300);
  const found = files.filter((file) => STATEMENT.test(readFileSync(file, "utf8")));
  expect(found).toEqual([]);
});

it("nobody else reads or writes rows", () => {
  const found = files.filter((file) => {
    const names = /import \{([^}]*)\} from "(?:@\/|\.\.?\/)+db\/pool"/.exec(readFileSync(file, "utf8"))?.[1] ?? "";
    return /\b(?:insert|rows|run)\b/.test(names);
  });
  expect(found).toEqual([]);
});
