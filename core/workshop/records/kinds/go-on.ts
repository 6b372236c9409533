// Going on against the clock of an open skin: by name, with why.

import { declared } from "./fields";

export interface GoOn {
  why: string;
}

export const GO_ON = declared<GoOn>({
  kind: "goon",
  one: "Going on against the clock",
  many: "Going on against the clock",
  words: "go-on decision",
  tab: "waits",
  intro: "The clock says sheet over; somebody goes on and answers for it.",
  title: { label: "Who says so", hint: "name" },
  by: "any",
  fields: [{ key: "why", label: "Why", type: "words", required: true }],
  says: (d) => d.why,
  tone: () => "warn",
  over: () => true,
});
