// All actions of the server, and the one place that answers a request for one.

import { cappedFaults, InputError } from "@/core/plan/fault";
import type { User } from "@/db/access/users";
import { mayReach } from "./access/works-on";
import { type Action, sentence } from "./action";
import { accountActions } from "./actions/account";
import { shellActions } from "./actions/bare-body";
import { benchActions } from "./actions/bench";
import { buildActions } from "./actions/builds";
import { courseActions } from "./actions/courses";
import { draftActions } from "./actions/drafts";
import { extraActions } from "./actions/extras";
import { helpActions } from "./actions/help";
import { jobActions } from "./actions/jobs";
import { libraryActions } from "./actions/library";
import { lostTimeActions } from "./actions/lost-time";
import { morningActions } from "./actions/morning";
import { optionActions } from "./actions/options";
import { orderActions } from "./actions/orders";
import { paperActions } from "./actions/papers";
import { partActions } from "./actions/parts";
import { planActions } from "./actions/plan";
import { proofActions } from "./actions/proof";
import { recordActions } from "./actions/records";
import { setoutActions } from "./actions/setout";
import { slotActions } from "./actions/slot";
import { spanActions } from "./actions/spans";
import { splitActions } from "./actions/split";
import { substituteActions } from "./actions/substitutes";
import { templateActions } from "./actions/templates";
import { toolActions } from "./actions/tools";
import { userActions } from "./actions/users";
import { workshopActions } from "./actions/workshop";
import { databaseRefusal } from "./database-words";
import { Refusal } from "./refusal";
import { log } from "./running/log";
import { once } from "./writing";

export const actions: readonly Action[] = [
  ...accountActions,
  ...userActions,
  ...planActions,
  ...jobActions,
  ...helpActions,
  ...courseActions,
  ...morningActions,
  ...buildActions,
  ...partActions,
  ...proofActions,
  ...workshopActions,
  ...spanActions,
  ...lostTimeActions,
  ...splitActions,
  ...substituteActions,
  ...orderActions,
  ...benchActions,
  ...recordActions,
  ...optionActions,
  ...draftActions,
  ...libraryActions,
  ...setoutActions,
  ...shellActions,
  ...extraActions,
  ...paperActions,
  ...slotActions,
  ...toolActions,
  ...templateActions,
];

/** The action for a path, with the ids that stood in it. */
export function findAction(method: string, path: readonly string[]): { action: Action; ids: string[] } | undefined {
  for (const action of actions) {
    const pattern = action.path.split("/");
    if (action.method !== method || pattern.length !== path.length) continue;
    if (pattern.every((p, i) => p === "*" || p === path[i])) return { action, ids: path.filter((_, i) => pattern[i] === "*") };
  }
  return undefined;
}

/** Runs an action for a user, or refuses. */
export async function perform(
  method: string,
  path: readonly string[],
  body: unknown,
  user: User | undefined,
  signal?: AbortSignal,
  actId?: string | null,
): Promise<unknown> {
  if (!user) throw new Refusal(401, "Sign in first.");
  const found = findAction(method, path);
  if (!found) throw new Refusal(404, "There is nothing of that name here.");
  if (found.action.role === "lead" && user.role !== "lead") throw new Refusal(403, "Only the lead may do that.");
  await mayReach(user, found.action.path, found.ids);
  // What is kept of a request is a quick hash: a password must not go into one, or it could be guessed from it.
  const request = `${method} ${path.join("/")} ${path[0] === "account" ? "" : JSON.stringify(body ?? {})}`;
  return (await once(user.id, actId, request, () => found.action.run(body, { user, ids: found.ids, signal }))) ?? {};
}

/** What went wrong, as status and JSON; the unexpected is logged and said plainly. `request`: its id, for the log and for whoever asks. */
export function answerError(e: unknown, request?: string | null): { status: number; body: Record<string, unknown> } {
  if (e instanceof Refusal) return { status: e.status, body: { error: e.message, ...e.detail } };
  if (e instanceof InputError) return { status: 422, body: { error: sentence(e), faults: cappedFaults(e.faults) } };
  // Whoever asked has gone away.
  if ((e as Error)?.name === "AbortError" || (e as Error)?.message === "aborted") return { status: 499, body: { error: "Stopped." } };
  const refused = databaseRefusal(e);
  if (refused) {
    log.warn({ err: e, request }, "the database refused");
    return { status: refused.status, body: { error: refused.message, ...refused.detail, ...(request ? { request } : {}) } };
  }
  log.error({ err: e, request }, "request failed");
  return {
    status: 500,
    body: {
      error: `The server ran into a fault of its own. It is safe to try again: nothing is done twice.${request ? ` If it goes on, tell the lead this number: ${request}` : ""}`,
      ...(request ? { request } : {}),
    },
  };
}
