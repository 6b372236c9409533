// How cold slows what dries and cures, and clock times past midnight.

/** Cure slows to half for every ten degrees below 23 °C. */
export const coldFactor = (tempC: number): number => 2 ** ((23 - tempC) / 10);

/** "15:37", or "01:30, the day after": minutes from midnight of the first day. */
export function clock(minutes: number): string {
  const day = Math.floor(minutes / 1440);
  const m = minutes - day * 1440;
  const time = `${String(Math.floor(m / 60)).padStart(2, "0")}:${String(m % 60).padStart(2, "0")}`;
  return day === 0 ? time : `${time}, ${day === 1 ? "the day after" : `${day} days after`}`;
}
