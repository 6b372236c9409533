// Who there is to sign in, for the sign-in page and the workshop's list.

import { pool } from "@/db/pool";
import { loadWorkshop } from "@/db/shop";
import { listUsers, type User } from "@/db/users";

export const allUsers = (): Promise<User[]> => listUsers(pool());

/** The workshop's name, and the demo's people where it is the demo. */
export async function doorPlate(): Promise<{ workshop: string; people: { id: string; name: string; role: string }[] }> {
  const workshop = await loadWorkshop(pool());
  const people = workshop?.demo ? (await allUsers()).filter((u) => !u.retired).map((u) => ({ id: u.id, name: u.name, role: u.role })) : [];
  return { workshop: workshop?.name ?? "No workshop yet", people };
}
