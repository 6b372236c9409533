import { describe, expect, it } from "vitest";
import { distance, type Look, lookAgain, lookAt } from "./photo-look";

const grey = (width: number, height: number, at: (x: number, y: number) => number) => ({
  width,
  height,
  data: Uint8Array.from({ length: width * height }, (_, i) => at(i % width, Math.floor(i / width))),
});
const nine = (at: (x: number, y: number) => number) => grey(9, 8, at).data;
const good: Look = { sharpness: 200, light: 120, clipped: 0.01, longSide: 3000, hash: "00ff00ff00ff00ff" };

describe("a photo that comes in", () => {
  it("is measured: edges, light, what is clipped, and a hash of its slopes", () => {
    // A chessboard of single pixels 100 and 150: the Laplacian is +200 and -200 by turns, its variance 200².
    const board = lookAt(
      grey(42, 42, (x, y) => ((x + y) % 2 ? 150 : 100)),
      nine((x) => x * 20),
      2000,
    );
    expect(board).toEqual({ sharpness: 40_000, light: 125, clipped: 0, longSide: 2000, hash: "ffffffffffffffff" });
    // An even slope has no edge at all; falling to the right, no bit is set.
    const slope = lookAt(
      grey(50, 10, (x) => x * 4 + 10),
      nine((x) => 200 - x),
      2000,
    );
    expect(slope.sharpness).toBe(0);
    expect(slope.hash).toBe("0000000000000000");
    const half = lookAt(
      grey(10, 10, (x) => (x < 5 ? 0 : 255)),
      nine((x) => (x < 4 ? x : 9 - x)),
      2000,
    );
    expect(half).toMatchObject({ light: 127.5, clipped: 1, hash: "f0f0f0f0f0f0f0f0" });
  });
  it("is good, or names what is wrong with it", () => {
    expect(lookAgain(good)).toEqual([]);
    expect(lookAgain({ ...good, sharpness: 59 })).toEqual(["blurred"]);
    expect(lookAgain({ ...good, light: 39 })).toEqual(["too dark"]);
    expect(lookAgain({ ...good, light: 216 })).toEqual(["too bright"]);
    expect(lookAgain({ ...good, clipped: 0.2 })).toEqual(["20 % of it is black or white"]);
    expect(lookAgain({ ...good, longSide: 800 })).toEqual(["only 800 pixels long"]);
  });
  it("is measured against what the same hand takes, and against other pieces", () => {
    expect(lookAgain({ ...good, sharpness: 100 }, [240, 260, 300])).toEqual(["blurred"]);
    expect(lookAgain({ ...good, sharpness: 105 }, [240, 260, 300])).toEqual([]);
    expect(distance("000000000000000f", "0000000000000001")).toBe(3);
    const others = [
      { hash: "00ff00ff00ff0000", of: "window, left" },
      { hash: "00ff00ff00ff0000", of: "window, right" },
    ];
    expect(lookAgain(good, [], others)).toEqual([]);
    expect(lookAgain({ ...good, hash: "00ff00ff00ff003f" }, [], others)).toEqual(["looks like the photo of window, left"]);
  });
});
