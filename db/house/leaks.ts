// Points of a type of van that have leaked.

import type { Pool } from "mysql2/promise";
import type { LeakPoint } from "@/core/workshop/state/model";
import { type Conn, rows, run } from "../pool";

export async function loadLeaks(c: Conn | Pool): Promise<LeakPoint[]> {
  const list = await rows<Record<string, string>>(c, "SELECT * FROM weep_point ORDER BY van_id, side, title");
  return list.map((r) => ({ vanId: r.van_id, side: r.side as LeakPoint["side"], title: r.title, place: r.place, found: r.found }));
}

/** Kept once; what was known of it stays. */
export async function addLeak(c: Conn, w: LeakPoint): Promise<void> {
  await run(c, "INSERT IGNORE INTO weep_point (van_id, side, title, place, found) VALUES (?, ?, ?, ?, ?)", [
    w.vanId,
    w.side,
    w.title.slice(0, 200),
    w.place.slice(0, 300),
    w.found.slice(0, 200),
  ]);
}
