// The state of the workshop, loaded once a request however many components ask, and only for whoever may see it.

import { cache } from "react";
import { loadState, type State } from "@/server/planning";
import type { User } from "@/server/session";
import { requireLead, requireUser } from "./who";

const load = cache(loadState);

/** For the views of the desk. */
export async function leadState(): Promise<State> {
  await requireLead();
  return load();
}

/** For the card, which shows its user what is theirs. */
export async function cardState(): Promise<{ state: State; user: User }> {
  const user = await requireUser();
  return { state: await load(), user };
}
