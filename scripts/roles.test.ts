// Rules ask for roles: no code of a job stands in the code of the application, but in the library, the demo and tests.

import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { expect, it } from "vitest";
import { library } from "@/core/library/library";
import { mayShare, ROLE_NAMES, ROLES } from "@/core/library/roles";

const FOLDERS = ["app", "core", "db", "server", "standins", "ui", "workers"];
const isTest = (file: string): boolean => /\.test\.tsx?$|\.testing\.ts$|\/testing\/|\/testing\.ts$/.test(file);

const files = FOLDERS.flatMap((folder) =>
  readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((e) => e.isFile() && /\.tsx?$/.test(e.name))
    .map((e) => path.join(e.parentPath, e.name)),
).filter((file) => !isTest(file));

it("no job's code stands in the code", () => {
  expect(files.length).toBeGreaterThan(400);
  const letters = [...new Set(library.map((j) => j.code.slice(0, 2)))].join("|");
  const code = new RegExp(`(?<![A-Za-z])(?:${letters})-\\d`);
  const found = files.flatMap((file) =>
    readFileSync(file, "utf8")
      .split("\n")
      .flatMap((line, i) => (code.test(line) ? [`${file}:${i + 1}: ${line.trim()}`] : [])),
  );
  expect(found).toEqual([]);
});

it("docs/library-format.md names every role, with its rule", () => {
  const doc = readFileSync("docs/library-format.md", "utf8");
  for (const r of ROLE_NAMES) {
    const more = mayShare(r) ? " (several may)" : "";
    expect(doc, r).toContain(`| \`${r}\`${more} | ${ROLES[r].what} | ${ROLES[r].rule} |`);
  }
});
