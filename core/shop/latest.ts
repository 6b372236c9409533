// Latest moments, counted back from the plan: by when a part has to be ordered, and samples of it asked for.

import { DAY, type Minute } from "../time/zone";
import type { PartRow, Shop, SupplierRow } from "./model";
import { availableFrom } from "./parts";

/** Where a supplier is not known. */
const LEAD_DAYS = 5;

/**
 * Days in which a supplier delivers in nine cases of ten, whole ones: the 90 % point of the triangle over best, likely and worst,
 * worst − √(0.1 · (worst − best) · (worst − likely)), or best + √(0.9 · (worst − best) · (likely − best)) where that lies before the likely one.
 */
export function leadNineOfTen(s: Pick<SupplierRow, "leadBestDays" | "leadLikelyDays" | "leadWorstDays">): number {
  const { leadBestDays: best, leadLikelyDays: likely, leadWorstDays: worst } = s;
  if (worst <= best) return worst;
  const upTo = (likely - best) / (worst - best);
  const days =
    upTo < 0.9 ? worst - Math.sqrt(0.1 * (worst - best) * (worst - likely)) : best + Math.sqrt(0.9 * (worst - best) * (likely - best));
  return Math.ceil(days - 1e-9);
}

/** The same of a supplier by id. */
export function leadOf(suppliers: readonly SupplierRow[], id: string): number {
  const supplier = suppliers.find((s) => s.id === id);
  return supplier ? leadNineOfTen(supplier) : LEAD_DAYS;
}

/** Latest moment to order a part: planned start of its first user − goods-in − the lead time kept in nine cases of ten. */
export const orderBy = (shop: Shop, supplierId: string, start: Minute): Minute =>
  start - shop.workshop.goodsInMinutes - leadOf(shop.suppliers, supplierId) * DAY;

/** Latest moment to ask for samples: the days to see them and to choose before it is ordered. Undefined where none are wanted. */
export const samplesBy = (shop: Shop, part: Pick<PartRow, "supplierId" | "sampleDays">, start: Minute): Minute | undefined =>
  part.sampleDays > 0 ? orderBy(shop, part.supplierId, start) - part.sampleDays * DAY : undefined;

/** Days by which the first user would begin late if a part that is still to be ordered, or chosen by samples, were asked for now. */
export function daysAtStake(shop: Shop, part: PartRow, start: Minute, now: Minute): number {
  const supplier = shop.suppliers.find((s) => s.id === part.supplierId);
  const here = availableFrom(part, supplier, now, shop.workshop.goodsInMinutes).from + part.sampleDays * DAY;
  return Math.max(0, Math.ceil((here - start) / DAY));
}
