import { describe, expect, it } from "vitest";
import { vans } from "../van/model";
import { massOf } from "./mass";
import { DEFAULT_OPTIONS } from "./options";
import { quantitiesOf } from "./quantities";

const long = vans[1].geometry;
const q = quantitiesOf(DEFAULT_OPTIONS, long);
const more = (o: Partial<typeof DEFAULT_OPTIONS>) => massOf({ ...DEFAULT_OPTIONS, ...o }, long) - massOf(DEFAULT_OPTIONS, long);

describe("what choices weigh", () => {
  it.each([
    [{ fan: !DEFAULT_OPTIONS.fan }, -6],
    // Less bare wall, 0.9 m²: less of the mats (a third at 3.6 kg), of fibre (1 kg/m²) and of boards (3.3).
    [{ windows: DEFAULT_OPTIONS.windows + 2 }, 28 - 1.1 - 0.9 * 4.3],
    [{ damping: "full" as const }, 46.5],
    [{ solar: 0 }, -12 * DEFAULT_OPTIONS.solar],
    [{ wetRoom: "tiled" as const }, 95],
    [{ lining: "soft" as const }, -2.3 * q.liningM2],
    [{ insulation: "spray" as const }, 0.52 * q.liningM2],
    [{ vapour: "membrane" as const }, 0.2 * q.liningM2],
    [{ floorFinish: "round-furniture" as const }, -q.floorM2],
    [{ floor: "bonded" as const }, 1.4 * q.floorM2 - 0.475 * q.floorBattenM],
    [{ walls: "follow" as const }, -0.1 * 0.475 * (q.wallBattenM + q.ceilingBattenM)],
    [{ fixing: "adhesive" as const }, 2],
    [{ swivels: 2 }, 22],
    // How it is built weighs nothing of its own.
    [{ cutFrom: "inside" as const, sealing: "butyl" as const }, 0],
  ])("%j: %i kg", (o, kg) => expect(more(o)).toBeCloseTo(kg, 0));
  it("is never less than nothing", () => expect(massOf(DEFAULT_OPTIONS, long)).toBeGreaterThan(100));
});
