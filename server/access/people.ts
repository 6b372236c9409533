// Who there is to sign in, for the sign-in page and the workshop's list; one's own account; who did what with access.

import { type Safekeeping, safekeepingLog } from "@/db/access/safekeeping";
import { type AuditRow, auditLog, listUsers, type SessionRow, secretsOf, sessionsOf } from "@/db/access/users";
import { pool } from "@/db/pool";
import { loadWorkshop } from "@/db/shop";

export const allUsers = () => listUsers(pool());

/** The workshop's name, and the demo's people where it is the demo. */
export async function doorPlate(): Promise<{ workshop: string; people: { id: string; name: string; role: string }[] }> {
  const workshop = await loadWorkshop(pool());
  const people = workshop?.demo ? (await allUsers()).filter((u) => !u.retired).map((u) => ({ id: u.id, name: u.name, role: u.role })) : [];
  return { workshop: workshop?.name ?? "No workshop yet", people };
}

export async function ownAccount(userId: string): Promise<{ sessions: SessionRow[]; second: boolean }> {
  const [sessions, own] = await Promise.all([sessionsOf(pool(), userId), secretsOf(pool(), userId)]);
  return { sessions, second: own?.secondSecret != null };
}

/** The newest entries of the access log, and the newest backups and trials. */
export async function accessAndBackups(): Promise<{ audit: AuditRow[]; safekeeping: Safekeeping[] }> {
  const [audit, safekeeping] = await Promise.all([auditLog(pool()), safekeepingLog(pool())]);
  return { audit, safekeeping };
}
