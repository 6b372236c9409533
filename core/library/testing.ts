// For tests: random choices, and one build's network as a planning problem.

import * as fc from "fast-check";
import type { Problem } from "../plan/model";
import { vans } from "../van/model";
import { shippedRoles } from "./library";
import { buildNetwork } from "./network";
import { DEFAULT_OPTIONS, OPTION_KEYS, type OptionKey, type Options, valuesOf } from "./options";

/** A job of the shipped library by its code, as far as rules ask: what it is to them. */
export const shipped = (code: string) => ({ code, roles: shippedRoles(code) });

/** Any combination of choices, contradictory ones too. */
export const anyOptions: fc.Arbitrary<Options> = fc.record(
  Object.fromEntries(OPTION_KEYS.map((k) => [k, fc.constantFrom(...(valuesOf(k) as unknown[]))])),
) as unknown as fc.Arbitrary<Options>;

export const anyVan = fc.constantFrom(...vans);

export const FULL: Options = {
  ...DEFAULT_OPTIONS,
  windows: 4,
  rearWindows: true,
  skylight: true,
  rack: true,
  solar: 3,
  swivels: 2,
  lettering: true,
  water: "under-floor",
  wetRoom: "tiled",
  gas: "tank",
  heater: "gas",
  benchSeat: true,
  wardrobe: true,
  vapour: "membrane",
  framing: "frame-first",
  fixing: "inserts",
};

/** Full, but with pods and a bed across instead of the rear side windows. */
export const PODS: Options = { ...FULL, windows: 2, pods: true, bed: "across", insulation: "spray", vapour: "none", coats: "trial-first" };

const OFF: Partial<Record<OptionKey, unknown>> = Object.fromEntries(
  OPTION_KEYS.filter((k) => typeof DEFAULT_OPTIONS[k] === "boolean" || typeof DEFAULT_OPTIONS[k] === "number").map((k) => [
    k,
    typeof DEFAULT_OPTIONS[k] === "boolean" ? false : 0,
  ]),
);
export const BARE: Options = {
  ...DEFAULT_OPTIONS,
  ...(OFF as Partial<Options>),
  water: "none",
  wetRoom: "none",
  gas: "none",
  heater: "none",
  kitchen: "none",
  lining: "soft",
  firstFix: "warm-side",
};

/** A shop with one build of these choices. */
export function shopOf(o: Options, van = vans[1]): Problem {
  const day = [
    ["08:00", "12:00"],
    ["12:45", "17:00"],
  ];
  return {
    format: "wide-lane/problem@1",
    zone: "Europe/Lisbon",
    now: "2027-03-01T07:30",
    calendars: [{ id: "shop", week: Object.fromEntries(["mon", "tue", "wed", "thu", "fri"].map((d) => [d, day])) }],
    bays: [{ id: "b1", name: "Long bay", has: ["indoor", "heated", "lit", "lift", "roof-access", "scales"], tempC: 18 }],
    yard: { places: 2, has: ["wash"], work: true },
    fitters: ["a", "b"].map((id) => ({
      id,
      name: id,
      calendar: "shop",
      skills: { body: 3, trim: 3, electric: 3, joinery: 3, plumbing: 3, paint: 3, gas: 3 },
      tickets: [{ id: "gas" }, { id: "mains" }, { id: "seats" }],
    })),
    shuntMinutes: 20,
    builds: [
      {
        id: "k",
        name: "Test",
        arrives: "2027-03-01T08:00",
        due: "2027-05-01T17:00",
        weight: 1,
        heightMm: van.heightMm,
        lengthMm: van.lengthMm,
        insideCrew: 3,
        jobs: buildNetwork(o, van.geometry).map((j) => ({
          id: `k.${j.code}`,
          stage: j.stage,
          name: j.name,
          minutes: j.minutes,
          place: j.place,
          yardOk: j.yardOk,
          bay: j.bay,
          zones: j.zones,
          crew: j.crew,
          needs: j.needs,
          hold: j.hold,
          after: j.after.map((a) => ({ job: `k.${a.job}`, ignoreHold: a.ignoreHold })),
          covers: j.covers.map((c) => `k.${c}`),
          proofApproved: j.proof.some((p) => p.beforeCloseUp) ? false : undefined,
          state: "todo" as const,
        })),
      },
    ],
  };
}
