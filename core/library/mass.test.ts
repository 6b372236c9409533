import { describe, expect, it } from "vitest";
import { vans } from "../van/model";
import { massOf } from "./mass";
import { DEFAULT_OPTIONS } from "./options";

const long = vans[1].geometry;
const more = (o: Partial<typeof DEFAULT_OPTIONS>) => massOf({ ...DEFAULT_OPTIONS, ...o }, long) - massOf(DEFAULT_OPTIONS, long);

describe("what choices weigh", () => {
  it.each([
    [{ fan: !DEFAULT_OPTIONS.fan }, -6],
    // Less bare wall takes less of the mats: 0.9 m² by a third at 3.6 kg.
    [{ windows: DEFAULT_OPTIONS.windows + 2 }, 28 - 1.1],
    [{ damping: "full" as const }, 46.5],
    [{ solar: 0 }, -12 * DEFAULT_OPTIONS.solar],
    [{ wetRoom: "tiled" as const }, 95],
    [{ lining: "soft" as const }, 24 - 62],
    [{ swivels: 2 }, 22],
    // How it is built weighs nothing of its own.
    [{ cutFrom: "inside" as const, sealing: "butyl" as const }, 0],
  ])("%j: %i kg", (o, kg) => expect(more(o)).toBeCloseTo(kg, 0));
  it("is never less than nothing", () => expect(massOf(DEFAULT_OPTIONS, long)).toBeGreaterThan(100));
});
