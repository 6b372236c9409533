// The second measuring of a mark-out, from the other datum: what has to be read there, and whether the two agree.

/** Two measurings agree within this, mm, where the house says nothing else. */
export const AGREE_MM = 2;

export interface SecondReading {
  /** Stable within one sheet. */
  name: string;
  /** What is read, and from where. */
  label: string;
  /** What it comes to if the first measuring is right, mm. */
  expected: number;
}

/** A reading, expected to a tenth of a millimetre. */
export const second = (name: string, label: string, expected: number): SecondReading => ({
  name,
  label,
  expected: Math.round(expected * 10) / 10,
});

/** The readings that differ from what the first measuring says, with both; empty when all agree. */
export function disagreements(
  wanted: readonly SecondReading[],
  read: Readonly<Record<string, number>>,
  agreeMm = AGREE_MM,
): { label: string; first: number; second: number | null }[] {
  return wanted
    .filter((w) => read[w.name] === undefined || Math.abs(read[w.name] - w.expected) > agreeMm)
    .map((w) => ({ label: w.label, first: w.expected, second: read[w.name] ?? null }));
}
