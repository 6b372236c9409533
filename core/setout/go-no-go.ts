// Go or no-go for work that opens the skin outdoors: the latest safe start, and what binds it.

import { CLOCK, minutesOf } from "../time/clock";
import { clock } from "./cure";
import { calculator, type Finding, is, list, object, outcome } from "./model";

interface Input {
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

/**
 * Chain = work × caution (1.4 unless told) + drying, which no hurry shortens. Limit = the earliest of sunset − 30 min, rain −
 * 45 min and the end of the shift. Latest safe start = limit − chain.
 */
export const goNoGo = calculator<Input>(
  { name: "go-no-go", title: "Go or no-go" },
  schema,
  () => [],
  ({ now, steps, caution = 1.4, sunset, rain, shiftEnd, marginDusk = 30, marginRain = 45 }) => {
    const work = steps.filter((s) => !s.drying).reduce((n, s) => n + s.minutes, 0);
    const drying = steps.filter((s) => s.drying).reduce((n, s) => n + s.minutes, 0);
    const limits: [string, number][] = [["dusk", minutesOf(sunset) - marginDusk]];
    if (rain) limits.push(["rain", minutesOf(rain) - marginRain]);
    if (shiftEnd) limits.push(["the end of the shift", minutesOf(shiftEnd)]);
    const [binds, limit] = limits.reduce((x, y) => (y[1] < x[1] ? y : x));
    const likely = work + drying;
    const careful = Math.round(work * caution + drying);
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
