// Which tables a statement reads or writes, from its text.

/** Tables that are no part of the workshop's state: sign-ins, answers, leases and what the launcher keeps. */
const ASIDE = new Set([
  "session",
  "sign_in_brake",
  "known_device",
  "audit",
  "safekeeping",
  "plan_lease",
  "act_answer",
  "launcher_turn",
  "table_change",
]);

/** Stands for every table: the statement is none that this file understands. */
export const EVERY_TABLE = "*";

const NAMED = /\b(?:FROM|JOIN|INTO|UPDATE(?:\s+IGNORE)?)\s+`?([a-z_]+)`?/gi;
const READS = /^\s*(?:SELECT|WITH)\b/i;
const WRITES = /^\s*(?:INSERT(?:\s+IGNORE)?\s+INTO|REPLACE\s+INTO|UPDATE|DELETE)\b/i;
/** What is another thing each time it is asked, or is asked in order to write. */
const NOT_THE_SAME = /\b(?:UTC_TIMESTAMP|NOW|CURRENT_\w+|RAND|UUID|LAST_INSERT_ID|GET_LOCK|information_schema|FOR\s+UPDATE)\b/i;

const named = (sql: string): string[] => [...new Set([...sql.matchAll(NAMED)].map((m) => m[1].toLowerCase()))];

const known = new Map<string, readonly string[] | undefined>();

/**
 * The tables that a SELECT reads. Undefined where its answer may change although no change was written to them.
 * Example: "SELECT * FROM job j JOIN build b ON …" reads ["job", "build"].
 */
export function tablesRead(sql: string): readonly string[] | undefined {
  if (known.has(sql)) return known.get(sql);
  const tables = named(sql);
  const sure = READS.test(sql) && !NOT_THE_SAME.test(sql) && tables.length > 0 && !tables.some((t) => ASIDE.has(t));
  const found = sure ? tables : undefined;
  // Texts of statements are few; made up ones with values in them would not be.
  if (known.size < 2000) known.set(sql, found);
  return found;
}

/**
 * The tables of the state that a statement writes, without those that the database's own rules write along.
 * Example: "DELETE FROM job WHERE id = ?" gives { tables: ["job"], deletes: true }; "UPDATE session SET …" gives none.
 */
export function tablesWritten(sql: string): { tables: readonly string[]; deletes: boolean } {
  if (!WRITES.test(sql)) return { tables: [EVERY_TABLE], deletes: false };
  // The text behind ON DUPLICATE KEY UPDATE names columns.
  const tables = named(sql.replace(/\bON\s+DUPLICATE\s+KEY\s+UPDATE\b[\s\S]*$/i, ""));
  if (!tables.length) return { tables: [EVERY_TABLE], deletes: false };
  return { tables: tables.filter((t) => !ASIDE.has(t)), deletes: /^\s*(?:DELETE|REPLACE)\b/i.test(sql) };
}
