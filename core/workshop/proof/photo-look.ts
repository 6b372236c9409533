// Looks a photo over when it comes in, while the fitter still stands there: sharp, light and large enough, and not one that was sent before.

/** Grey values 0 to 255, row by row, of the picture brought to 1024 on its long side. */
export interface Grey {
  width: number;
  height: number;
  data: Uint8Array;
}

export interface Look {
  /** Variance of the Laplacian: low when nothing in the picture has an edge. */
  sharpness: number;
  /** Mean grey, and the share of pixels that are all but black or white. */
  light: number;
  clipped: number;
  /** Long side as it came, px. */
  longSide: number;
  /** Difference hash, 64 bits as 16 hexadecimal digits. */
  hash: string;
}

/** Defaults; the second sharpness is a share of what the same person's approved photos have in the middle. */
export const LIMITS = { sharpness: 60, ofOwn: 0.4, dark: 40, bright: 215, clipped: 0.15, longSide: 1600, distance: 6 };

/** Needs at least 3 × 3 pixels. `nine`: the picture at 9 × 8, for the hash. */
export function lookAt(grey: Grey, nine: Uint8Array, longSide: number): Look {
  const { width: w, height: h, data } = grey;
  let sum = 0;
  let clipped = 0;
  for (const v of data) {
    sum += v;
    if (v <= 3 || v >= 252) clipped++;
  }
  let n = 0;
  let mean = 0;
  let squares = 0;
  // Welford's running mean and sum of squares: no second pass, no loss on large pictures.
  for (let y = 1; y < h - 1; y++)
    for (let x = 1; x < w - 1; x++) {
      const i = y * w + x;
      const l = data[i - w] + data[i + w] + data[i - 1] + data[i + 1] - 4 * data[i];
      n++;
      const d = l - mean;
      mean += d / n;
      squares += d * (l - mean);
    }
  let hash = "";
  for (let y = 0; y < 8; y++)
    for (const half of [0, 4]) {
      let four = 0;
      for (let x = half; x < half + 4; x++) four = four * 2 + (nine[y * 9 + x] < nine[y * 9 + x + 1] ? 1 : 0);
      hash += four.toString(16);
    }
  const round = (v: number) => Math.round(v * 100) / 100;
  return { sharpness: round(n ? squares / n : 0), light: round(sum / data.length), clipped: round(clipped / data.length), longSide, hash };
}

/** Bits in which two hashes differ. */
export function distance(a: string, b: string): number {
  let n = 0;
  for (let i = 0; i < 16; i++) for (let d = Number.parseInt(a[i], 16) ^ Number.parseInt(b[i], 16); d; d &= d - 1) n++;
  return n;
}

/**
 * Why it should be looked at again, in words for the fitter; empty: good. `own`: sharpness of the same person's last approved
 * photos; `others`: photos of other pieces of the same build. The lead's word stays the last.
 */
export function lookAgain(look: Look, own: readonly number[] = [], others: readonly { hash: string; of: string }[] = []): string[] {
  const out: string[] = [];
  const sorted = [...own].sort((a, b) => a - b);
  const middle = sorted.length ? sorted[Math.floor(sorted.length / 2)] : 0;
  if (look.sharpness < LIMITS.sharpness || look.sharpness < LIMITS.ofOwn * middle) out.push("blurred");
  if (look.light < LIMITS.dark) out.push("too dark");
  else if (look.light > LIMITS.bright) out.push("too bright");
  else if (look.clipped > LIMITS.clipped) out.push(`${Math.round(100 * look.clipped)} % of it is black or white`);
  if (look.longSide < LIMITS.longSide) out.push(`only ${look.longSide} pixels long`);
  const same = others.find((o) => distance(o.hash, look.hash) <= LIMITS.distance);
  if (same) out.push(`looks like the photo of ${same.of}`);
  return out;
}
