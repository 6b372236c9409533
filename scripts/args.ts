// Reads command line arguments; anything unknown is refused with the usage.

import { Stop } from "./stop";

export interface Args {
  plain: string[];
  options: Map<string, string>;
}

/** `values` take a value, `flags` none. */
export function readArgs(args: readonly string[], values: readonly string[], flags: readonly string[], usage: string): Args {
  const out: Args = { plain: [], options: new Map() };
  for (let i = 0; i < args.length; i++) {
    const a = args[i];
    if (!a.startsWith("--")) out.plain.push(a);
    else if (flags.includes(a.slice(2))) out.options.set(a.slice(2), "");
    else if (values.includes(a.slice(2)) && args[i + 1] !== undefined) out.options.set(a.slice(2), args[++i]);
    else throw new Stop(`${a} is not understood\nUsage: ${usage}`, 2);
  }
  return out;
}

/** A whole number option within bounds; undefined when it was not given. */
export function whole(args: Args, name: string, least: number, most: number): number | undefined {
  const text = args.options.get(name);
  if (text === undefined) return undefined;
  const n = Number(text);
  if (!Number.isInteger(n) || n < least || n > most)
    throw new Stop(`--${name}: expected a whole number from ${least} to ${most}, not ${text}`, 2);
  return n;
}
