"use client";
// What every list has above it: a search, an order, and the list as a file.

import { useMemo } from "react";
import { Button } from "./button";
import { type Cell, saveCsv } from "./csv";
import { useUrlChoice, useUrlText } from "./use-url";

export interface ListOf<T> {
  /** Of what: in the search's label, in the address and as the file's name. */
  name: string;
  /** All that a search looks at. */
  text(item: T): string;
  /** Ways to order it, by name; the first is the usual one. `undefined` keeps the order in which it came. */
  orders: Readonly<Record<string, ((a: T, b: T) => number) | undefined>>;
  head: readonly string[];
  cells(item: T): Cell[];
}

/** Items in which each word of a search stands, in an order. Pure, so that it can be tested. */
export function listed<T>(all: readonly T[], of: Pick<ListOf<T>, "text" | "orders">, find: string, order: string): T[] {
  const words = find.toLowerCase().split(/\s+/).filter(Boolean);
  const found = all.filter((i) => {
    const text = words.length ? of.text(i).toLowerCase() : "";
    return words.every((w) => text.includes(w));
  });
  const by = of.orders[order];
  return by ? found.sort(by) : found;
}

export const byText =
  <T,>(of: (item: T) => string) =>
  (a: T, b: T): number =>
    of(a).localeCompare(of(b));
export const byNumber =
  <T,>(of: (item: T) => number | null) =>
  (a: T, b: T): number =>
    (of(a) ?? Number.POSITIVE_INFINITY) - (of(b) ?? Number.POSITIVE_INFINITY) || 0;

/** The list as it is to be shown, and the tools to put above it. */
export function useListTools<T>(all: readonly T[], of: ListOf<T>): { shown: T[]; tools: React.ReactNode } {
  const key = of.name.replace(/\s+/g, "-");
  const names = Object.keys(of.orders);
  const [find, setFind] = useUrlText(`find-${key}`);
  const [order, setOrder] = useUrlChoice(`by-${key}`, names, names[0]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: how a list is searched does not change while it is shown
  const shown = useMemo(() => listed(all, of, find, order), [all, find, order]);
  const tools = (
    <div className="mb-2 flex flex-wrap items-center gap-2 print:hidden">
      <input
        type="search"
        aria-label={`Search ${of.name}`}
        placeholder={`search ${of.name}`}
        value={find}
        onChange={(e) => setFind(e.target.value)}
        className="h-8 w-48 rounded-md border bg-card px-2.5"
      />
      {names.length > 1 && (
        <label className="flex items-center gap-1.5">
          by
          <select
            aria-label={`Order ${of.name} by`}
            value={order}
            onChange={(e) => setOrder(e.target.value)}
            className="h-8 rounded-md border bg-card px-2"
          >
            {names.map((n) => (
              <option key={n}>{n}</option>
            ))}
          </select>
        </label>
      )}
      <Button disabled={!shown.length} onClick={() => saveCsv(key, of.head, shown.map(of.cells))} aria-label={`${of.name} as CSV`}>
        CSV
      </Button>
      {find && (
        <span className="text-muted" role="status">
          {shown.length} of {all.length}
        </span>
      )}
    </div>
  );
  return { shown, tools };
}
