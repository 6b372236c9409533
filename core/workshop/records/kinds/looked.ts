// A place that later work will cover, looked over: what was there, or that nothing was.

import { declared } from "./fields";

export interface Looked {
  found: string;
}

export const LOOKED = declared<Looked>({
  kind: "looked",
  one: "A place looked over",
  many: "Places looked over",
  words: "looked for",
  tab: "items",
  intro: "Places that set-outs say will be covered: looked over for clips, trims, brackets, screws and harness.",
  title: { label: "Where", hint: "left wall, ribs 2 and 3" },
  by: "any",
  fields: [{ key: "found", label: "What was there", type: "words", required: true, hint: "nothing" }],
  says: (d) => d.found,
  tone: () => "ok",
  over: () => true,
});
