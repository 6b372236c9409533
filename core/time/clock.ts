// Clock times as minutes of the day, and back.

/** "08:05" as 485. */
export const minutesOf = (clock: string): number => Number(clock.slice(0, 2)) * 60 + Number(clock.slice(3, 5));

/** A time of the day as the forms take it. */
export const CLOCK = { type: "string", pattern: "^([01]\\d|2[0-3]):[0-5]\\d$" } as const;
