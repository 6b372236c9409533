// A list as a file that any spreadsheet opens.

import { unparse } from "papaparse";

export type Cell = string | number | boolean | null;

/**
 * Rows with a head as CSV, by RFC 4180. Words that a spreadsheet would take for a formula stand behind an apostrophe.
 * csvOf(["name", "kg"], [["Door, left", 3.5]]) is 'name,kg\r\n"Door, left",3.5\r\n'.
 */
export function csvOf(head: readonly string[], rows: readonly (readonly Cell[])[]): string {
  const text = unparse({ fields: [...head], data: rows.map((r) => [...r]) }, { escapeFormulae: true, newline: "\r\n" });
  return text.endsWith("\r\n") ? text : `${text}\r\n`;
}

/** Hands a text to the browser to be saved. */
export function save(name: string, text: string, type: string): void {
  const url = URL.createObjectURL(new Blob([text], { type }));
  const a = document.createElement("a");
  a.href = url;
  a.download = name;
  a.click();
  URL.revokeObjectURL(url);
}

/** Saves a list as a file. The mark at its start tells a spreadsheet that it is UTF-8. */
export const saveCsv = (name: string, head: readonly string[], rows: readonly (readonly Cell[])[]): void =>
  save(`${name}.csv`, `\uFEFF${csvOf(head, rows)}`, "text/csv;charset=utf-8");
