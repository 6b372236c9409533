// Changes of state one after the other, each known by its number; and what each act was answered with.

import type { Pool } from "mysql2/promise";
import { seesState } from "./kept";
import { BEGIN_CHANGE, type Conn, insert, rows, run, sqlNow } from "./pool";

/**
 * Begins a change of state: the first statement of every transaction that writes. It holds the workshop's row until the
 * transaction is over, so whatever is read after it is what the last change left behind. The number it raises orders
 * changes as they were committed, whichever server made them and whatever its clock says.
 * The number of this change; undefined while there is no workshop.
 */
export async function beginChange(c: Conn): Promise<number | undefined> {
  await run(c, BEGIN_CHANGE);
  const [w] = await rows<{ acts: number }>(c, "SELECT acts FROM workshop LIMIT 1");
  // Until it writes something, this change sees what the last one left behind.
  if (w) seesState(c, w.acts - 1);
  return w?.acts;
}

/** The number of the newest change: it moves when, and only when, something was changed. */
export async function newestChange(c: Conn | Pool): Promise<number> {
  const [w] = await rows<{ acts: number }>(c, "SELECT acts FROM workshop LIMIT 1");
  return w?.acts ?? 0;
}

export interface KeptAnswer {
  /** SHA-256 of what was asked. */
  request: string;
  answer: unknown;
}

/** What an act of this user was answered with; undefined: it was not done yet. */
export async function keptAnswer(c: Conn | Pool, userId: string, actId: string): Promise<KeptAnswer | undefined> {
  const [r] = await rows<{ request: string; answer: string }>(c, "SELECT request, answer FROM act_answer WHERE user_id = ? AND id = ?", [
    userId,
    actId,
  ]);
  return r && { request: r.request, answer: JSON.parse(r.answer) };
}

/** An answer as it is kept: a sign-in code is told once, and stands nowhere after. */
function keepable(answer: unknown): string {
  if (!answer || typeof answer !== "object" || !("code" in answer)) return JSON.stringify(answer ?? {});
  const { code: _told, ...rest } = answer;
  return JSON.stringify(rest);
}

export const keepAnswer = async (c: Conn, userId: string, actId: string, request: string, answer: unknown): Promise<void> =>
  insert(c, "act_answer", [{ user_id: userId, id: actId, request, answer: keepable(answer), at: await sqlNow(c) }]);

/** Completes a kept answer with what was found out after the change was written. */
export const completeAnswer = (c: Conn | Pool, userId: string, actId: string, answer: unknown): Promise<number> =>
  run(c, "UPDATE act_answer SET answer = ? WHERE user_id = ? AND id = ?", [keepable(answer), userId, actId]);

/** Answers are kept for a month: longer than any device goes without a network. */
export const forgetAnswers = (c: Conn | Pool): Promise<number> =>
  run(c, "DELETE FROM act_answer WHERE at < UTC_TIMESTAMP(3) - INTERVAL 30 DAY LIMIT 5000");
