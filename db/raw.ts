// Rows as the database gives them, and how their columns and lists become what the application knows.

export type Raw = Record<string, string | number | null>;
export const json = <T>(v: unknown): T => JSON.parse(v as string) as T;
export const bool = (v: unknown) => v === 1;
export const text = (v: unknown) => v as string;
export const num = (v: unknown) => v as number;

export function grouped<T>(list: readonly Raw[], key: string, make: (r: Raw) => T): Map<string, T[]> {
  const out = new Map<string, T[]>();
  for (const r of list) {
    const k = r[key] as string;
    const at = out.get(k);
    if (at) at.push(make(r));
    else out.set(k, [make(r)]);
  }
  return out;
}

const made = new WeakMap<readonly Raw[], Map<string, unknown[]>>();

/** The same of rows that are kept: made once for the same list of them. Nothing else may go into what is made. */
export function groupedOnce<T>(list: readonly Raw[], key: string, make: (r: Raw) => T): Map<string, T[]> {
  let there = made.get(list) as Map<string, T[]> | undefined;
  if (!there) made.set(list, (there = grouped(list, key, make)));
  return there;
}
