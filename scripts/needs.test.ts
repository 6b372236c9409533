import { existsSync, readFileSync } from "node:fs";
import { expect, it } from "vitest";
import { checkNeeds, withCounts } from "./needs";

const text = readFileSync("docs/needs.md", "utf8");
const row = (id: string) => text.split("\n").find((l) => l.startsWith(`| ${id} |`))!;
const faultsOf = (changed: string) => checkNeeds(changed, existsSync).faults;

it("tells of every need once, names only files that are there, and counts right", () => {
  const { faults, counts } = checkNeeds(text, existsSync);
  expect(faults).toEqual([]);
  expect(counts.FULL + counts.PART + counts.TEXT + counts.NONE).toBe(403);
});

it("finds what is missing, what is there twice, and what is none of them", () => {
  expect(faultsOf(text.replace(`${row("OP-n8")}\n`, ""))).toContain("OP-n8 has no row");
  expect(faultsOf(text.replace(row("OP-n8"), `${row("OP-n8")}\n${row("OP-n8")}`))).toContain("OP-n8 has two rows");
  expect(faultsOf(text.replace("| OP-n8 |", "| OP-n99 |"))).toEqual(
    expect.arrayContaining(["OP-n8 has no row", "OP-n99 is none of the needs"]),
  );
});

it("takes nothing for full that names no test, nothing for a test that is not there, and no state that is none", () => {
  const full = row("OP-n8");
  const cells = full.split(" | ");
  const changed = (n: number, to: string) => text.replace(full, cells.map((c, i) => (i === n ? to : c)).join(" | "));
  expect(faultsOf(changed(4, "–"))).toContain("OP-n8 is FULL and names no test");
  expect(faultsOf(changed(4, "`core/setout/nowhere.test.ts`"))).toContain("OP-n8: there is no core/setout/nowhere.test.ts");
  expect(faultsOf(changed(2, "DONE"))).toContain("OP-n8: DONE is no state");
  expect(faultsOf(changed(2, "TEXT"))).toContain("OP-n8 is TEXT and names a test");
});

it("tells when the head no longer says what the rows come to, and writes it anew", () => {
  const wrong = withCounts(text, "403 needs: 403 FULL, 0 PART, 0 TEXT, 0 NONE.");
  expect(faultsOf(wrong)).toHaveLength(1);
  expect(withCounts(wrong, checkNeeds(text, existsSync).head)).toBe(text);
});
