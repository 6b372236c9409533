// Lists as files for a spreadsheet.

import { parse } from "papaparse";
import { describe, expect, it } from "vitest";
import { csvOf } from "./csv";

describe("a list as CSV", () => {
  it("reads back as it was written, whatever stands in it", () => {
    const rows = [
      ["Door, left", 'say "no"', "two\nlines", 3.5],
      ["ä ö 文", "", "a-b", 0],
    ];
    const back = parse<string[]>(csvOf(["a", "b", "c", "d"], rows).trimEnd()).data;
    expect(back).toEqual([["a", "b", "c", "d"], ...rows.map((r) => r.map(String))]);
  });
  it("never becomes a formula", () => {
    for (const evil of ["=1+1", "+1", "@SUM(A1)", "-2+3", "\t=1"]) {
      const [, line] = csvOf(["a"], [[evil]]).split("\r\n");
      expect(line.replace(/^"/, ""), evil).toMatch(/^'/);
    }
  });
  it("of nothing has its head", () => expect(csvOf(["name", "kg"], [])).toBe("name,kg\r\n"));
});
