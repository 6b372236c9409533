// Go or no-go for work that opens the skin outdoors: the latest safe start, and what binds it.

import { CLOCK, minutesOf } from "../time/clock";
import { clock } from "./cure";
import { calculator, type Finding, is, list, object, outcome } from "./model";

export interface Input {
  now?: string;
  steps: { name: string; minutes: number; drying?: boolean }[];
  caution?: number;
  sunset: string;
  rain?: string;
  shiftEnd?: string;
  marginDusk?: number;
  marginRain?: number;
}

const schema = object(
  {
    steps: list(object({ name: is.name, minutes: is.amount }, { drying: { type: "boolean" } }), 1),
    sunset: CLOCK,
  },
  {
    now: CLOCK,
    caution: { type: "number", minimum: 1, maximum: 3 },
    rain: CLOCK,
    shiftEnd: CLOCK,
    marginDusk: is.amount,
    marginRain: is.amount,
  },
);

/** House figures: how much longer than likely work is taken to be, and minutes kept before dusk and before rain. */
export const GO = { caution: 1.4, marginDusk: 30, marginRain: 45 } as const;

/** Minutes until it is watertight, with caution: likely work × caution + drying, which no hurry shortens. Source: PL-n32. */
export function carefulMinutes(steps: Input["steps"], caution: number = GO.caution): number {
  const sum = (drying: boolean) => steps.filter((s) => !!s.drying === drying).reduce((n, s) => n + s.minutes, 0);
  return Math.round(sum(false) * caution + sum(true));
}

/**
 * Chain = work × caution (1.4 unless told) + drying, which no hurry shortens. Limit = the earliest of sunset − 30 min, rain −
 * 45 min and the end of the shift. Latest safe start = limit − chain.
 */
export const goNoGo = calculator<Input>(
  { name: "go-no-go", title: "Go or no-go" },
  schema,
  () => [],
  ({ now, steps, caution = GO.caution, sunset, rain, shiftEnd, marginDusk = GO.marginDusk, marginRain = GO.marginRain }) => {
    const work = steps.filter((s) => !s.drying).reduce((n, s) => n + s.minutes, 0);
    const drying = steps.filter((s) => s.drying).reduce((n, s) => n + s.minutes, 0);
    const limits: [string, number][] = [["dusk", minutesOf(sunset) - marginDusk]];
    if (rain) limits.push(["rain", minutesOf(rain) - marginRain]);
    if (shiftEnd) limits.push(["the end of the shift", minutesOf(shiftEnd)]);
    const [binds, limit] = limits.reduce((x, y) => (y[1] < x[1] ? y : x));
    const likely = work + drying;
    const careful = carefulMinutes(steps, caution);
    const latest = limit - careful;
    const findings: Finding[] = [
      latest < 0
        ? {
            level: "stop",
            about: "steps",
            text: `no: it takes longer than the day has before ${binds}; fewer openings, a second person, or a bay`,
          }
        : now !== undefined && minutesOf(now) > latest
          ? {
              level: "stop",
              about: "now",
              text: `no: it had to begin by ${clock(latest)}; ${binds} binds. Wait, do less of it, or take it indoors`,
            }
          : { level: "ok", about: "steps", text: `go until ${clock(latest)}; ${binds} binds` },
      { level: "warn", about: "steps", text: "only with a dry skin, and with cover sheet, coat and sealant on the van" },
    ];
    return outcome(
      {
        limit: clock(Math.max(0, limit)),
        binds,
        likelyMinutes: likely,
        carefulMinutes: careful,
        likelyStart: limit - likely < 0 ? null : clock(limit - likely),
        latestStart: latest < 0 ? null : clock(latest),
      },
      { findings },
    );
  },
);
