// The van templates that ship with Wide Lane, put into a new workshop.

import { vans } from "@/core/van/model";
import { type Conn, insert, rows } from "../pool";

export const insertVans = (c: Conn): Promise<void> =>
  insert(
    c,
    "van_template",
    vans.map((v) => ({
      id: v.id,
      name: v.name,
      length_mm: v.lengthMm,
      width_mm: v.widthMm,
      height_mm: v.heightMm,
      wheelbase_mm: v.wheelbaseMm,
      inside_crew: v.insideCrew,
      geometry: v.geometry,
    })),
  );

/** How many vans stand in the yard now. */
export async function vansInYard(c: Conn): Promise<number> {
  const [r] = await rows<{ n: number }>(c, "SELECT COUNT(*) AS n FROM build WHERE state = 'active' AND at_place = 'yard'");
  return r.n;
}
