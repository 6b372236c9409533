// docs/benchmarks.md in its sections: what was measured again takes the place of its section, the others stay.

import { existsSync, readFileSync, writeFileSync } from "node:fs";

/** A text's sections of the second level, by their headings; what stands before the first under "". */
export function sectionsOf(text: string): Map<string, string> {
  const out = new Map<string, string>();
  let name = "";
  for (const line of text.split("\n")) {
    const m = /^## (.*)$/.exec(line);
    if (m) name = m[1];
    out.set(name, `${out.get(name) ?? ""}${line}\n`);
  }
  return out;
}

/** Puts sections of a file in the place of those with the same headings; new ones at the end. */
export function writeSections(text: string, file = "docs/benchmarks.md"): void {
  const all = sectionsOf(existsSync(file) ? readFileSync(file, "utf8") : "");
  for (const [name, section] of sectionsOf(text)) if (name || !all.has("")) all.set(name, section);
  const parts = [...all.values()].map((s) => s.trim()).filter(Boolean);
  writeFileSync(file, `${parts.join("\n\n")}\n`);
}
