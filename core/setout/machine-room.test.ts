import { describe, expect, it } from "vitest";
import { machineRoom } from "./time/machine-room/machine-room";

const run = (input: object) => machineRoom.run(input);
const boards = [
  { name: "long side", length: 2440 },
  { name: "bed front", length: 1830 },
  { name: "rail", length: 600 },
];
const says = (input: object) => run(input).findings.map((f) => `${f.level} ${f.text}`);

describe("room at a machine", () => {
  it("needs twice the longest board and the machine, 1200 mm where nobody says", () => {
    expect(run({ floor: 6200, boards }).results).toEqual({
      needs: 6080,
      takes: 2500,
      spare: 120,
      tooLong: [],
      forTwo: ["long side", "bed front"],
    });
    expect(run({ floor: 6200, machine: 900, boards }).results).toMatchObject({ needs: 5780, takes: 2650 });
    expect(says({ floor: 6200, boards })[0]).toBe("ok 6080 mm of floor needed, 6200 there");
  });
  it("stops the boards that do not go through, and names them", () => {
    const short = run({ floor: 5000, boards });
    expect(short.results).toMatchObject({ takes: 1900, spare: -1080, tooLong: ["long side"], forTwo: ["bed front"] });
    expect(says({ floor: 5000, boards })[0]).toBe(
      "stop long side does not go through here: boards up to 1900 mm do. Cut down by hand first, or elsewhere",
    );
  });
  it("asks for somebody at the outfeed over 1600 mm, or as the house says", () => {
    expect(says({ floor: 6200, boards })[1]).toMatch(/^warn long side, bed front: longer than 1600 mm, a second pair of hands/);
    expect(says({ floor: 6200, hands: 2, boards })[1]).toMatch(/^ok .* the second one stands at the outfeed$/);
    expect(run({ floor: 6200, outfeed: 2500, boards }).results.forTwo).toEqual([]);
  });
  it("leaves guards to the house and the local rules", () => {
    expect(says({ floor: 6200, boards }).at(-1)).toMatch(/by the house's and the local rules$/);
  });
  it("refuses a floor no longer than the machine, by its field", () => {
    expect(() => run({ floor: 1000, boards })).toThrow(/floor/);
    expect(() => run({ floor: 6200, boards: [] })).toThrow();
  });
});
