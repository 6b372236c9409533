// The shape of a van template, as the drawings take it.

import type { Shop } from "@/core/workshop/state/model";
import type { VanShape } from "@/ui/van/plan";

/** The template's shape; a plain long van where the template is gone. */
export function vanShape(shop: Pick<Shop, "vans">, id: string): VanShape {
  const v = shop.vans.find((x) => x.id === id);
  if (!v) return { name: id, lengthMm: 5990, widthMm: 2050, heightMm: 2530, wheelbaseMm: 4035, cabMm: 1750, frontAxleMm: 950 };
  return {
    name: v.name,
    lengthMm: v.lengthMm,
    widthMm: v.widthMm,
    heightMm: v.heightMm,
    wheelbaseMm: v.wheelbaseMm,
    cabMm: Number(v.geometry.cabMm),
    frontAxleMm: Number(v.geometry.frontAxleMm),
  };
}
