// The van templates that ship with Wide Lane, put into a new workshop, and into an older one as they have grown.

import { vans } from "@/core/van/model";
import { type Conn, insert, rows, run } from "../pool";

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

/** Gives templates of before there was full geometry the shipped one. */
export async function refreshVans(c: Conn): Promise<void> {
  for (const v of vans)
    await run(c, "UPDATE van_template SET geometry = ? WHERE id = ? AND JSON_EXTRACT(geometry, '$.inside') IS NULL", [
      JSON.stringify(v.geometry),
      v.id,
    ]);
}

/** How many vans stand in the yard now. */
export async function vansInYard(c: Conn): Promise<number> {
  const [r] = await rows<{ n: number }>(c, "SELECT COUNT(*) AS n FROM build WHERE state = 'active' AND at_place = 'yard'");
  return r.n;
}
