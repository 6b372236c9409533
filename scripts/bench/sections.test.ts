import { mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { expect, it } from "vitest";
import { writeSections } from "./sections";

it("puts a section in the place of the old one and leaves the others", () => {
  const file = path.join(mkdtempSync(path.join(os.tmpdir(), "wl-sections-")), "b.md");
  writeFileSync(file, "# B\n\nhead\n\n## One\n\nold\n\n## Two\n\nstays\n");
  writeSections("# Other\n\n## One\n\nnew\n\n## Three\n\nadded\n", file);
  expect(readFileSync(file, "utf8")).toBe("# B\n\nhead\n\n## One\n\nnew\n\n## Two\n\nstays\n\n## Three\n\nadded\n");
});
