// The state of the workshop, loaded once a request however many components ask, and only for whoever may see it.

import { cache } from "react";
import { buildsOf } from "@/core/workshop/state/seen-by";
import type { User } from "@/server/access/session";
import { loadState, type State } from "@/server/planning/planning";
import { requireLead, requireUser } from "./who";

const load = cache(loadState);

/** For the views of the lead. */
export async function leadState(): Promise<State> {
  await requireLead();
  return load();
}

export interface Seen {
  state: State;
  user: User;
  /** The vans that the user works on; all of them for the lead. */
  mine: ReadonlySet<string>;
}

/** For views that show each user what is theirs: the card, and what a fitter may look at. */
export async function userState(): Promise<Seen> {
  const user = await requireUser();
  const state = await load();
  const builds = user.role === "lead" ? state.shop.builds : buildsOf(state.shop, state.published?.plan, user.fitterId ?? "");
  return { state, user, mine: new Set(builds.map((b) => b.id)) };
}

/** The same workshop with the vans in `mine` only: nothing of others can get out of it. */
export const onlyOf = (state: State, mine: ReadonlySet<string>): State => ({
  ...state,
  shop: { ...state.shop, builds: state.shop.builds.filter((b) => mine.has(b.id)) },
});
