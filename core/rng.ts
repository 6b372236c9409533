// A small seeded random source (mulberry32): the same seed gives the same numbers on every machine.

export type Random = () => number;

/** Numbers in [0, 1), determined by the seed. */
export function random(seed: number): Random {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = a;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** A whole number in [a, b]. */
export const between = (r: Random, a: number, b: number): number => a + Math.floor(r() * (b - a + 1));

export const pick = <T>(r: Random, list: readonly T[]): T => list[Math.floor(r() * list.length)];

/** A seed from text (FNV-1a), so that a stand-in answers the same for the same thing. */
export function seedOf(text: string): number {
  let h = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) h = Math.imul(h ^ text.charCodeAt(i), 0x01000193);
  return h >>> 0;
}
