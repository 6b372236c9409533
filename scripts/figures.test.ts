// Every figure of the house that can be set is one that some rule goes by.

import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { expect, it } from "vitest";
import { FIGURE_NAMES } from "@/core/workshop/state/house-figures";

const code = ["core/workshop", "app", "server", "ui"]
  .flatMap((folder) => readdirSync(folder, { recursive: true }).map((name) => path.join(folder, String(name))))
  .filter((file) => /\.tsx?$/.test(file) && !file.includes(".test.") && !file.endsWith("house-figures.ts"))
  .map((file) => readFileSync(file, "utf8"))
  .join("\n");

it.each(FIGURE_NAMES)("some rule asks for %s", (name) => {
  expect(code).toContain(`"${name}"`);
});
