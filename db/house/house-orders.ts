// Orders of the house by name.

import type { Pool } from "mysql2/promise";
import type { Options } from "@/core/library/options";
import { type Conn, insert, rows, run } from "../pool";

export interface HouseOrder {
  id: string;
  name: string;
  choices: Partial<Options>;
}

export async function houseOrders(c: Conn | Pool): Promise<HouseOrder[]> {
  const list = await rows<{ id: string; name: string; choices: string }>(c, "SELECT id, name, choices FROM house_order ORDER BY name");
  return list.map((r) => ({ id: r.id, name: r.name, choices: JSON.parse(r.choices) as Partial<Options> }));
}

export const addHouseOrder = (c: Conn, o: HouseOrder & { by: string; at: string }) =>
  insert(c, "house_order", [{ id: o.id, name: o.name, choices: o.choices, made_by: o.by, made_at: o.at }]);

export const dropHouseOrder = (c: Conn, id: string): Promise<number> => run(c, "DELETE FROM house_order WHERE id = ?", [id]);
