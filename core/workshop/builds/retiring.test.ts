// What hangs on a bay, a fitter, a sign-in: told before it is retired.

import { describe, expect, it } from "vitest";
import type { Plan } from "../../plan/model";
import { job, NOW, testBuild, testShop } from "../testing/shop";
import { hangsOnBay, hangsOnFitter, hangsOnUser } from "./retiring";

const shop = testShop([testBuild("a"), testBuild("b")]);
const row = (id: string, place: string, fitters: string[]) => ({ id, place, fitters, start: "2027-03-04T08:00", end: "2027-03-04T09:00" });
const plan = {
  jobs: [row("a.ST-01", "b1", ["teo"]), row("a.ST-03", "b1", ["rosa"]), row("b.ST-01", "b1", ["teo"]), row("b.ST-03", "b2", ["teo"])],
} as unknown as Plan;

describe("what hangs on", () => {
  it("a bay: its planned work, what only it has, and that it is the last", () => {
    const [first] = hangsOnBay(shop, plan, "b1");
    expect(first).toBe("3 planned jobs of Field vet, Build b");
    const one = { ...shop, bays: shop.bays.slice(0, 1) };
    expect(hangsOnBay(one, undefined, one.bays[0].id).at(-1)).toBe("it is the last bay");
    const plain = { ...shop, bays: shop.bays.map((b) => ({ ...b, has: ["lift"] })) };
    expect(hangsOnBay(plain, undefined, "b1")).toEqual([]);
    const alone = { ...plain, bays: plain.bays.map((b, i) => ({ ...b, has: i ? [] : ["lift"] })) };
    expect(hangsOnBay(alone, undefined, alone.bays[0].id)).toEqual(["no other bay has lift"]);
  });
  it("a fitter: their work, what nobody else can do, their sign-in; nothing where there is nothing", () => {
    const said = hangsOnFitter(shop, plan, NOW, "teo", [
      { name: "Teo", fitterId: "teo" },
      { name: "Mara", fitterId: null },
    ]);
    expect(said[0]).toBe("3 planned jobs of Field vet, Build b");
    expect(said.at(-1)).toBe("Teo signs in with this card");
    expect(hangsOnFitter({ ...shop, builds: [] }, undefined, NOW, "teo", [])).toEqual([]);
  });
  it("a sign-in: work of whoever uses it, and how many leads are left", () => {
    const begun = job(shop, "ST-04");
    Object.assign(begun, { state: "started", fitters: ["teo"] });
    expect(hangsOnUser(shop, plan, { role: "fitter", fitterId: "teo" }, 2)).toEqual([
      `at work now: ${begun.name}, Field vet`,
      "3 planned jobs of Field vet, Build b",
    ]);
    expect(hangsOnUser(shop, plan, { role: "lead", fitterId: null }, 1)).toEqual(["one lead is left, who then can't be replaced"]);
    expect(hangsOnUser(shop, plan, { role: "fitter", fitterId: null }, 1)).toEqual([]);
  });
});
