import { describe, expect, it } from "vitest";
import type { PartRow } from "../state/model";
import { saySupplier, supplierRecord } from "./supplier-record";

const DAY = 1440;
let n = 0;
const part = (state: PartRow["state"], first: number | null, arrived: number | null, supplierId = "glass"): PartRow => ({
  id: `p${++n}`,
  jobId: "j",
  name: "window",
  quantity: 1,
  unit: "pc",
  supplierId,
  state,
  promisedAt: first,
  firstPromisedAt: first,
  arrivedAt: arrived,
  checkedAt: null,
  price: 0,
  shelf: "",
  note: "",
  cutOut: null,
  sampleDays: 0,
  contents: [],
  version: 1,
});

describe("a supplier's record", () => {
  it("counts by the first promise, the middle slip, and what was complete when opened", () => {
    const parts = [
      part("checked", 10 * DAY, 10 * DAY - 60),
      part("checked", 10 * DAY, 10 * DAY),
      part("wrong", 10 * DAY, 12 * DAY + 5),
      part("arrived", 10 * DAY, 17 * DAY),
      part("checked", null, 9 * DAY),
      part("promised", 30 * DAY, null),
      part("needed", null, null),
      part("checked", 10 * DAY, 99 * DAY, "timber"),
    ];
    // Slips 0, 0, 3, 7 days: the lower middle is 0. Opened: four, one of them wrong.
    const r = supplierRecord(parts, "glass");
    expect(r).toEqual({ open: 2, came: 5, promised: 4, inTime: 2, slipDays: 0, opened: 4, complete: 3, faults: 0 });
    expect(saySupplier(r)).toBe("5 lines came, 2 of 4 by the first promise, 3 of 4 complete and right");
    expect(saySupplier(supplierRecord(parts, "timber"))).toBe(
      "1 line came, 0 of 1 by the first promise, 89 days late in the middle, 1 of 1 complete and right",
    );
    expect(saySupplier(supplierRecord(parts, "nobody"))).toBe("nothing has come from them yet");
  });
});
