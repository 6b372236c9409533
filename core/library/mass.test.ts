import { describe, expect, it } from "vitest";
import { massOf } from "./mass";
import { DEFAULT_OPTIONS } from "./options";

const more = (o: Partial<typeof DEFAULT_OPTIONS>) => massOf({ ...DEFAULT_OPTIONS, ...o }) - massOf(DEFAULT_OPTIONS);

describe("what choices weigh", () => {
  it.each([
    [{ fan: !DEFAULT_OPTIONS.fan }, -6],
    [{ windows: DEFAULT_OPTIONS.windows + 2 }, 28],
    [{ solar: 0 }, -12 * DEFAULT_OPTIONS.solar],
    [{ wetRoom: "tiled" as const }, 95],
    [{ lining: "soft" as const }, 24 - 62],
    [{ swivels: 2 }, 22],
    // How it is built weighs nothing of its own.
    [{ cutFrom: "inside" as const, sealing: "butyl" as const }, 0],
  ])("%j: %i kg", (o, kg) => expect(more(o)).toBe(kg));
  it("is never less than nothing", () => expect(massOf(DEFAULT_OPTIONS)).toBeGreaterThan(100));
});
