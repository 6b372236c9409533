// People with nothing ready: who, how long, what it is booked to.

import { describe, expect, it } from "vitest";
import type { Plan } from "../../plan/model";
import { job, NOW, testShop, zone } from "../testing/shop";
import { sayLost, withNothing } from "./lost-time";

const shop = () => testShop();
const planOf = (id: string, fitter: string, start: number): Plan =>
  ({ jobs: [{ id, fitters: [fitter], start: zone.show(start) }] }) as unknown as Plan;

describe("people with nothing ready", () => {
  it("are told with their open minutes, without breaks, until the next work", () => {
    const s = shop();
    const [ines] = s.fitters;
    // From 10:00, with a break from 12:00 to 12:45, to 14:00: 195 open minutes.
    const [idle] = withNothing(s, undefined, new Map([[ines.id, NOW + 240]]), [], NOW);
    expect(idle).toMatchObject({ fitterId: ines.id, name: ines.name, minutes: 195, cause: "plan", why: "" });
  });
  it("are none of those whom something fits whole; what traps or is too long for them does not count", () => {
    const s = shop();
    const [ines] = s.fitters;
    const free = new Map([[ines.id, NOW + 120]]);
    const of = (f: object) => withNothing(s, undefined, free, [{ crew: [ines.id], trap: null, fits: true, ...f }], NOW).length;
    expect([of({}), of({ trap: "would shut in" }), of({ fits: false }), of({ crew: ["x"] })]).toEqual([0, 1, 1, 1]);
  });
  it("the cause is what is in the way of the job that the plan had for them", () => {
    const s = shop();
    const [ines] = s.fitters;
    const free = new Map([[ines.id, NOW + 120]]);
    const first = job(s, "ST-01");
    first.parts = [];
    const cause = (id: string) => withNothing(s, planOf(id, ines.id, NOW), free, [], NOW)[0];
    expect(cause(first.id)).toMatchObject({ cause: "plan" });
    Object.assign(first, {
      remarks: [{ id: "r", jobId: first.id, kind: "x", text: "gas smell", stopsWork: true, saidBy: "u", saidAt: NOW }],
    });
    expect(cause(first.id)).toMatchObject({ cause: "stopped", why: `${first.name}, ${s.builds[0].name}: stopped: gas smell` });
    const fan = job(s, "OP-04");
    expect(cause(fan.id).cause).toBe("before");
  });
  it("sums are said by cause, the most first", () => {
    expect(
      sayLost([
        { cause: "part", minutes: 120 },
        { cause: "weather", minutes: 390 },
      ]),
    ).toBe("the weather 6.5 h, a part that is not here 2 h");
    expect(sayLost([])).toBe("");
  });
});
