// The owner of a choice that is not made: whoever the build's papers name, else the client.

import type { OptionKey } from "../../library/options";
import { entriesOf } from "../records/kinds/of";
import type { BuildRow } from "../state/model";

export interface Owned {
  who: string;
  /** The client, or somebody on the client's side: asked with the client's questions. */
  client: boolean;
}

/** What was written down last counts. */
export function deciderOf(build: Pick<BuildRow, "client" | "records">, choice: OptionKey): Owned {
  const last = entriesOf(build.records, "decider").findLast((r) => r.closedAt === null && r.data.choice === choice);
  return last ? { who: last.title, client: last.data.side === "client" } : { who: build.client, client: true };
}
