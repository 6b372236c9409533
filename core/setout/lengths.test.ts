import { describe, expect, it } from "vitest";
import { parseLength, sayInches } from "./lengths";

describe("parseLength", () => {
  it.each([
    ["1234", 1234],
    ["123.4 cm", 1234],
    ["1,5 m", 1500],
    ["-20", -20],
    ['48 1/2"', 1231.9],
    ["4' 3\"", 1295.4],
    ["4' 3 1/4\"", 1301.75],
    ["4'", 1219.2],
    ['3/8"', 9.525],
    ['12"', 304.8],
    ["2 ft 6 in", 762],
  ])("reads %s", (text, mm) => expect(parseLength(text)).toBeCloseTo(mm, 6));
  it.each(["", "abc", "12 13", '1/0"', "12 kg", "'"])("refuses %s, naming the field", (text) => {
    expect(() => parseLength(text, "cut.w")).toThrow(/cut\.w/);
  });
});

describe("sayInches", () => {
  it("says sixteenths in their lowest terms", () => {
    expect(sayInches(1231.9)).toBe('48 1/2"');
    expect(sayInches(9.525)).toBe('3/8"');
    expect(sayInches(0)).toBe('0"');
    expect(sayInches(-25.4)).toBe('-1"');
    expect(sayInches(25.4 * 2.0625)).toBe('2 1/16"');
  });
  it("comes back within half a sixteenth", () => {
    for (let mm = 0; mm < 3000; mm += 7.3) expect(Math.abs(parseLength(sayInches(mm)) - mm)).toBeLessThanOrEqual(25.4 / 32 + 1e-9);
  });
});
