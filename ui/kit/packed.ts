// Many rows of one shape, small on the wire: the names of the fields once, each word once, and figures in between.

export interface Packed {
  fields: readonly string[];
  /** Columns that hold words, by their place in `fields`. */
  worded: readonly number[];
  words: readonly string[];
  rows: readonly (readonly unknown[])[];
}

/** Rows with the same fields. A column whose values are all words (or null) goes out as places in a list of words. */
export function packed<T extends object>(list: readonly T[]): Packed {
  const fields = Object.keys(list[0] ?? {}) as (keyof T & string)[];
  const worded = fields.flatMap((f, i) => (list.every((r) => typeof r[f] === "string" || r[f] === null) ? [i] : []));
  const isWord = new Set(worded);
  const places = new Map<string, number>();
  const place = (word: string): number => {
    const there = places.get(word);
    if (there !== undefined) return there;
    places.set(word, places.size);
    return places.size - 1;
  };
  const rows = list.map((r) => fields.map((f, i) => (isWord.has(i) && r[f] !== null ? place(r[f] as string) : r[f])));
  return { fields, worded, words: [...places.keys()], rows };
}

/** The rows again, as they were. */
export function unpacked<T>(p: Packed): T[] {
  const isWord = new Set(p.worded);
  return p.rows.map((row) => {
    const out: Record<string, unknown> = {};
    for (const [i, f] of p.fields.entries()) out[f] = isWord.has(i) && row[i] !== null ? p.words[row[i] as number] : row[i];
    return out as T;
  });
}
