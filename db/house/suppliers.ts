// What is still to come from a supplier.

import { type Conn, rows } from "../pool";

/** Part lines of active builds that are not checked in yet; `name` is one of them. */
export async function openLines(c: Conn, supplierId: string): Promise<{ n: number; name: string }> {
  const [open] = await rows<{ n: number; name: string }>(
    c,
    `SELECT COUNT(*) AS n, MIN(p.name) AS name FROM part_line p JOIN job j ON j.id = p.job_id JOIN build b ON b.id = j.build_id
     WHERE p.supplier_id = ? AND p.state <> 'checked' AND j.state <> 'done' AND b.state = 'active'`,
    [supplierId],
  );
  return { n: Number(open.n), name: open.name };
}
