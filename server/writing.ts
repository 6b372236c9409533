// The one way to change something: one transaction that begins with the workshop's lock, and remembers what the act was answered with.

import { AsyncLocalStorage } from "node:async_hooks";
import { createHash } from "node:crypto";
import { beginChange, completeAnswer, keepAnswer, keptAnswer } from "@/db/acts";
import { type Conn, pool, transaction } from "@/db/pool";
import { Refusal } from "./refusal";

/** What a client asked for, under an id that it made itself. */
interface Asked {
  userId: string;
  actId: string;
  request: string;
  /** Its answer is kept already: what else it changes belongs to the same act. */
  kept: boolean;
}

const asked = new AsyncLocalStorage<Asked>();

/** Thrown inside a transaction that finds its act done: whoever asked gets the same answer again. */
class DoneAlready extends Error {
  readonly answer: unknown;
  constructor(answer: unknown) {
    super("this act is done already");
    this.answer = answer;
  }
}

const ACT_ID = /^[A-Za-z0-9-]{8,64}$/;

/**
 * Runs an act once, however often it is sent: an answer that is kept is given again, and two that come at the same moment
 * end in one. Without an id it is run each time. Refuses (422) an id that stood for something else.
 */
export async function once<T>(userId: string, actId: string | undefined | null, request: string, work: () => Promise<T>): Promise<T> {
  if (!actId) return work();
  if (!ACT_ID.test(actId)) throw new Refusal(400, "The id of this act is not as expected: 8 to 64 letters, digits and dashes.");
  const hash = createHash("sha256").update(request).digest("hex");
  const again = (old: { request: string; answer: unknown }): T => {
    if (old.request !== hash) throw new Refusal(422, "This id was used for another act. Reload the page and try again.");
    return old.answer as T;
  };
  const old = await keptAnswer(pool(), userId, actId);
  if (old) return again(old);
  const mine: Asked = { userId, actId, request: hash, kept: false };
  try {
    const answer = await asked.run(mine, work);
    if (mine.kept) await completeAnswer(pool(), userId, actId, answer);
    return answer;
  } catch (e) {
    if (e instanceof DoneAlready) return again(e.answer as { request: string; answer: unknown });
    throw e;
  }
}

/** So many changes wait for their turn in one server at most; more than that and the workshop is better told to wait. */
const LONGEST_QUEUE = 300;
const turns = globalThis as { wideLaneTurns?: { last: Promise<unknown>; waiting: number } };

/** How many changes wait in this server, for the metrics. */
export const changesWaiting = (): number => turns.wideLaneTurns?.waiting ?? 0;

/** One change after the other within this server, so that those who wait for the workshop's lock don't take up the connections of those who read. */
async function inTurn<T>(work: () => Promise<T>): Promise<T> {
  const queue = (turns.wideLaneTurns ??= { last: Promise.resolve(), waiting: 0 });
  if (queue.waiting >= LONGEST_QUEUE)
    throw new Refusal(503, "Too much is being saved at this moment. Trying again in a little while helps.");
  const before = queue.last;
  let over: () => void = () => undefined;
  queue.last = new Promise<void>((resolve) => {
    over = resolve;
  });
  queue.waiting++;
  try {
    await before;
    return await work();
  } finally {
    queue.waiting--;
    over();
  }
}

/** A transaction that changes something; `act` is the number of the change. */
export async function writing<T>(work: (c: Conn, act: number) => Promise<T>): Promise<T> {
  const mine = asked.getStore();
  const result = await inTurn(() => write(mine, work));
  if (mine) mine.kept = true;
  return result;
}

const write = <T>(mine: Asked | undefined, work: (c: Conn, act: number) => Promise<T>): Promise<T> =>
  transaction(
    async (c) => {
      const act = (await beginChange(c)) ?? 0;
      const keeps = mine !== undefined && !mine.kept;
      if (keeps) {
        const old = await keptAnswer(c, mine.userId, mine.actId);
        if (old) throw new DoneAlready(old);
      }
      const made = await work(c, act);
      if (keeps) await keepAnswer(c, mine.userId, mine.actId, mine.request, made);
      return made;
      // An act with an id finds out by itself whether it was done.
    },
    pool(),
    mine !== undefined && !mine.kept,
  );
