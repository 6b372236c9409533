// A set-out sheet that somebody printed: of which version, so that an old print is known on every device.

import { declared } from "./fields";

export interface Printed {
  /** Id and version of the sheet. */
  sheet: string;
  version: number;
}

export const PRINTED = declared<Printed>({
  kind: "printed",
  one: "A print",
  many: "Prints",
  words: "print of a sheet",
  tab: "records",
  intro: "Kept by the Print button of a sheet.",
  title: { label: "Which sheet", hint: "" },
  by: "any",
  fields: [
    { key: "sheet", label: "Sheet", type: "words", required: true },
    { key: "version", label: "Version", type: "number", min: 1, max: 1_000_000, whole: true, required: true },
  ],
  says: (d) => `version ${d.version}`,
  tone: () => "none",
  over: () => true,
});
