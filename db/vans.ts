// The van templates that ship with Wide Lane, put into a new workshop.

import vans from "@/core/library/vans.json";
import { type Conn, insert } from "./pool";

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
