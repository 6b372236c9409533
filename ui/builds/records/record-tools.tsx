"use client";
// Search, order and file of a list of what was written down about a build.

import { byNumber, byText, useListTools } from "../../kit/list-tools";
import { local } from "../../kit/time";

interface Written {
  title: string;
  by: string;
  saidAt: number;
  closedAt: number | null;
}

/** The entries as they are to be shown, and the tools to put above them; a list of one needs none. */
export function useRecordTools<T extends Written>(
  list: readonly T[],
  name: string,
  zone: string,
  says: (entry: T) => string,
): { shown: T[]; tools: React.ReactNode } {
  const { shown, tools } = useListTools(list, {
    name,
    text: (r) => [r.title, says(r), r.by].join(" "),
    orders: {
      "as they came": undefined,
      newest: byNumber((r: T) => -r.saidAt),
      name: byText((r: T) => r.title),
      "open first": byNumber((r: T) => (r.closedAt === null ? 0 : 1)),
    },
    head: ["what", "it says", "by", "at", "closed"],
    cells: (r) => [r.title, says(r), r.by, local(zone, r.saidAt), r.closedAt === null ? "" : local(zone, r.closedAt)],
  });
  return { shown, tools: list.length > 1 ? tools : null };
}
