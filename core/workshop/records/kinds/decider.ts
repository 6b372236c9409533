// Who decides an open choice, where that is not the client.

import { CHOICES } from "../../../library/choices";
import { declared } from "./fields";

/** Closed: the client decides again. */
export interface Decider {
  /** Key of the choice. */
  choice: string;
  side: "client" | "house" | "outside";
}

const SIDES = { client: "the client's side", house: "the house", outside: "somebody outside" } as const;

export const DECIDER = declared<Decider>({
  kind: "decider",
  one: "Who decides",
  many: "Who decides what",
  words: "who decides",
  tab: "choices",
  intro:
    "A choice that is not made has an owner: the client, unless it says somebody else here. Who owns it is asked, reminded and named where work waits.",
  title: { label: "Who", hint: "name" },
  by: "lead",
  fields: [
    { key: "choice", label: "Decides", type: "choice", options: CHOICES.map((c) => [c.key, c.label] as const), required: true },
    { key: "side", label: "For", type: "choice", options: Object.entries(SIDES), required: true },
  ],
  says: (d) => `${CHOICES.find((c) => c.key === d.choice)?.label ?? d.choice} · for ${SIDES[d.side]}`,
  tone: () => "none",
  closes: "The client again",
});
