// The unit that was chosen on the sheet of units side by side: until it is here and measured, roofs are planned with its cut.

import type { BuildRow, CutOut } from "../state/model";

const PREFIX = "Unit: ";

/** What the decision for a unit is called. */
export const unitTitle = (name: string): string => `${PREFIX}${name}`;

/** Corners of a unit of which only the cut along is known, mm: as the roof units that the library names have. */
const CORNER = 30;

/** Cut of the chosen fan or skylight by its sheet, square where only one side is known; undefined before one is chosen. */
export function chosenCut(build: Pick<BuildRow, "records" | "sheets">, which: "fan" | "skylight"): CutOut | undefined {
  const kind = which === "fan" ? /fan|vent/i : /sky|light|hatch/i;
  const chosen = build.records
    .filter((r) => r.kind === "decision" && r.title.startsWith(PREFIX) && kind.test(r.title))
    .sort((a, b) => b.saidAt - a.saidAt)[0];
  if (!chosen) return undefined;
  const name = chosen.title.slice(PREFIX.length).trim().toLowerCase();
  for (const s of build.sheets) {
    if (s.calculator !== "unit-choice") continue;
    const list = (s.input.candidates ?? []) as { name: string; cut: number }[];
    const c = list.find((x) => x.name.trim().toLowerCase() === name);
    if (c) return { w: c.cut, h: c.cut, r: CORNER };
  }
  return undefined;
}
