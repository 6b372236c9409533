import { describe, expect, it } from "vitest";
import { at, testShop } from "../testing/shop";
import { noiseWords } from "./noise";

describe("noise hours", () => {
  const shop = testShop();
  const say = (clock: string) => noiseWords(shop, at(`2027-03-03T${clock}`));
  it("count down to the first and the last noise, and say when it is over", () => {
    expect(say("06:00")).toBeUndefined();
    expect(say("08:05")).toBe("noise from 08:30, in 25 min");
    expect(say("08:30")).toBeUndefined();
    expect(say("12:00")).toBeUndefined();
    expect(say("16:50")).toBe("last noise in 40 min");
    expect(say("15:30")).toBe("last noise in 2 h");
    expect(say("17:30")).toBe("quiet since 17:30");
  });
  it("are no matter where any hour will do", () => {
    const free = { ...shop, workshop: { ...shop.workshop, noiseFrom: null, noiseTo: null } };
    expect(noiseWords(free, at("2027-03-03T23:00"))).toBeUndefined();
    const open = { ...shop, workshop: { ...shop.workshop, noiseTo: null } };
    expect(noiseWords(open, at("2027-03-03T23:00"))).toBeUndefined();
  });
});
