// Latest moments, counted back from the plan: by when a part has to be ordered, and samples of it asked for.

import { DAY, type Minute } from "../../time/zone";
import type { PartRow, Shop, SupplierRow } from "../state/model";
import { availableFrom, LEAD_DAYS } from "../stores/parts";

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

/** When a part could be used that is still to be ordered, were it asked for now; the days to see samples and to choose included. */
export function hereIfAsked(shop: Shop, part: PartRow, now: Minute): Minute {
  const supplier = shop.suppliers.find((s) => s.id === part.supplierId);
  return availableFrom(part, supplier, now, shop.workshop.goodsInMinutes).from + part.sampleDays * DAY;
}

/** Days by which the first user would then begin late. */
export const daysAtStake = (shop: Shop, part: PartRow, start: Minute, now: Minute): number =>
  Math.max(0, Math.ceil((hereIfAsked(shop, part, now) - start) / DAY));
