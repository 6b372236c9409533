// Tables and times for the benchmarks.

export const clock = (): number => performance.now();

export const timed = <T>(work: () => T): [T, number] => {
  const t = clock();
  const result = work();
  return [result, clock() - t];
};

export const ms = (n: number): string => `${Math.round(n)} ms`;

export const percent = (share: number, digits = 1): string => `${(100 * share).toFixed(digits)} %`;

/** The figure below which that share of a list lies; 0 of none. */
export const at = (list: readonly number[], share: number): number => {
  const sorted = [...list].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? 0;
};

/** A Markdown table, right-aligned. */
export function table(head: readonly string[], rows: readonly (readonly string[])[]): string {
  const widths = head.map((h, i) => Math.max(h.length, ...rows.map((r) => r[i].length)));
  const line = (cells: readonly string[]) => `| ${cells.map((c, i) => c.padStart(widths[i])).join(" | ")} |`;
  return [line(head), `|${widths.map((w) => `${"-".repeat(w + 1)}:`).join("|")}|`, ...rows.map(line)].join("\n");
}
