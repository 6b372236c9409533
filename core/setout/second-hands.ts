// A job that needs a second pair of hands in its middle: when to start it so that the two meet and nobody waits.

import { CLOCK, minutesOf } from "../time/clock";
import { clock } from "./cure";
import { calculator, type Finding, is, list, object, outcome } from "./model";

interface Input {
  from: string;
  before: number;
  pair: number;
  after: number;
  helper: { from: string; to: string }[];
  kg?: number;
  glass?: boolean;
  propMinutes?: number;
}

/** Heavier than this, kg, and glass always, is for two. A house figure. */
const ALONE_KG = 15;

const schema = object(
  { from: CLOCK, before: is.amount, pair: is.size, after: is.amount, helper: list(object({ from: CLOCK, to: CLOCK }), 1) },
  { kg: is.amount, glass: { type: "boolean" }, propMinutes: is.amount },
);

/** The pair begins in the first free window of the helper that holds all of it; started so much before, nobody waits. Minutes. */
export const secondHands = calculator<Input>(
  { name: "second-hands", title: "A second pair of hands" },
  schema,
  ({ helper }) =>
    helper.flatMap((w, i) => (minutesOf(w.to) <= minutesOf(w.from) ? [{ path: `helper[${i}].to`, message: "lies before its begin" }] : [])),
  ({ from, before, pair, after, helper, kg = 0, glass, propMinutes }) => {
    const start = minutesOf(from);
    const ready = start + before;
    const windows = helper.map((w) => [minutesOf(w.from), minutesOf(w.to)] as const).sort((x, y) => x[0] - y[0]);
    const fits = windows.find(([a, z]) => Math.max(a, ready) + pair <= z);
    const forTwo = glass || kg > ALONE_KG;
    const findings: Finding[] = [];
    const alone = start + before + 2 * pair + after;
    if (!fits) {
      findings.push(
        forTwo
          ? { level: "stop", about: "helper", text: "nobody is free long enough, and this is never lifted alone" }
          : {
              level: "warn",
              about: "helper",
              text:
                propMinutes === undefined
                  ? `nobody is free long enough: a prop, or alone in twice the time, done ${clock(alone)}`
                  : `nobody is free long enough: a prop, one fitter, ${propMinutes} minutes more`,
            },
      );
      const done = propMinutes === undefined ? alone : start + before + pair + propMinutes + after;
      return outcome({ pairFrom: null, waits: null, startAt: null, doneAt: forTwo ? null : clock(done) }, { findings });
    }
    const pairFrom = Math.max(fits[0], ready);
    const waits = pairFrom - ready;
    const startAt = pairFrom - before;
    findings.push({
      level: waits ? "warn" : "ok",
      about: "from",
      text: waits
        ? `started ${from} it is ready ${clock(ready)} and waits ${waits} minutes; started ${clock(startAt)} nobody waits`
        : `the helper is booked ${clock(pairFrom)} to ${clock(pairFrom + pair)}, and free again`,
    });
    if (forTwo) findings.push({ level: "warn", about: "kg", text: "for two: never alone, whatever the hurry" });
    return outcome(
      {
        readyAt: clock(ready),
        waits,
        pairFrom: clock(pairFrom),
        pairTo: clock(pairFrom + pair),
        startAt: clock(startAt),
        doneAt: clock(pairFrom + pair + after),
        helperMinutes: pair,
        insteadOf: before + pair + after,
      },
      { findings },
    );
  },
);
