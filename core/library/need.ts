// How much of a material a build takes: one formula each, for the library's parts, the set-out sheets, the mass and the words.

/** The mats of the house: sheet in mm, mass in kg a square metre, waste and cover as shares. */
export const DAMPING = {
  sheet: { w: 1000, h: 460 },
  kgM2: 3.6,
  waste: 0.08,
  cover: { part: 0.33, full: 0.95 },
} as const;

/** Share of bare metal that a factory has matted, where it has: nothing of ours goes there. */
const FACTORY_MATS = 0.125;

/** Share of each bare panel that is covered with mats of ours, as chosen. */
export const matCover = (o: { damping: keyof typeof DAMPING.cover; factoryDamping: boolean }): number =>
  DAMPING.cover[o.damping] * (o.factoryDamping ? 1 - FACTORY_MATS : 1);

/** Floor boards as they lie along the van, and the widest distance between two battens under them; mm. */
export const FLOOR = { board: 1250, pitch: 400 } as const;

/** The frame of battens under a roof unit: width and thickness of a batten, play to the rib; mm. */
export const ROOF_FRAME = { b: 36, t: 20, play: 3 } as const;

/** What a roof unit's cut keeps clear of a rib: the long piece of its frame and the play; shaved, half of that piece has to be left. */
export const ribMargin = { whole: ROOF_FRAME.b + ROOF_FRAME.play, shaved: ROOF_FRAME.b / 2 + ROOF_FRAME.play } as const;

export interface Covered {
  m2: number;
  /** Share of it that is covered. */
  cover: number;
}

export interface MatNeed {
  areaM2: number;
  sheets: number;
  massKg: number;
}

/**
 * Mats for panels: area = Σ m²·cover; sheets = ⌈area·(1 + waste) ÷ sheet⌉, offcuts used on; mass = area·kg/m² (without what is
 * thrown away). Source: IN-n7.
 * Example: 20.7 m² at 0.95 with sheets of 0.46 m² and 8 % waste: 19.67 m², 47 sheets, 70.8 kg at 3.6 kg/m².
 */
export function matNeed(panels: readonly Covered[], sheet: { w: number; h: number; kgM2: number }, waste: number): MatNeed {
  const areaM2 = panels.reduce((sum, p) => sum + p.m2 * p.cover, 0);
  // Dust of binary fractions must not cost a sheet.
  const sheets = Math.ceil(Number(((areaM2 * (1 + waste) * 1e6) / (sheet.w * sheet.h)).toFixed(9)));
  return { areaM2, sheets, massKg: areaM2 * sheet.kgM2 };
}

/**
 * Places of floor battens along the van (mm from its front): a batten under each joint of the boards, ⌈span ÷ pitch⌉ equal gaps
 * between two joints, one at each end. Source: IN-n28. Throws RangeError where a size is not above nothing.
 * Example: 3050 long, boards of 1250, 400 at most: joints 1250 and 2500, gaps 4 × 312.5, 4 × 312.5 and 2 × 275: eleven battens.
 */
export function floorBattens(length: number, board: number = FLOOR.board, pitch: number = FLOOR.pitch): number[] {
  if (!(length > 0 && board > 0 && pitch > 0)) throw new RangeError("length, board and pitch must be above nothing");
  const out = [0];
  for (let from = 0; from < length; from += board) {
    const to = Math.min(length, from + board);
    const gaps = Math.ceil((to - from) / pitch - 1e-9);
    for (let i = 1; i <= gaps; i++) out.push(from + ((to - from) * i) / gaps);
  }
  return out;
}
