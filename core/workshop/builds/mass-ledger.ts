// The mass ledger of a build: what it weighed as it came, all that left it, what goes in, and what is left for people and luggage.

import { choiceOf } from "../../library/choices";
import { massLines } from "../../library/mass";
import type { Van } from "../../van/model";
import { FATE_WORDS, itemsIn } from "../bare-body/removed-items";
import { entriesOf } from "../records/kinds/of";
import { WEIGHED_WHEN, weighed } from "../records/kinds/weighing";
import type { BuildRow } from "../state/model";

export interface MassLine {
  what: string;
  /** Signed kilograms. */
  kg: number;
  /** When it was written down; null where it comes from the plan. */
  at: number | null;
  kind: "out" | "back" | "in";
}

export interface MassLedger {
  start: { kg: number; from: string; weighed: boolean };
  lines: MassLine[];
  /** Kilograms that left the van, and that came back or go in by its choices. */
  out: number;
  back: number;
  in: number;
  /** By these sums, empty, when it is ready. */
  ready: number;
  gross: number;
  /** For people, water, fuel beyond the weighing and luggage; below zero it is too heavy. */
  left: number;
  /** Weighings after the first, each with what the sums say for that moment where they can: stripped is start less what left. */
  later: { what: string; kg: number; off: number | null }[];
}

const round = (n: number): number => Math.round(n * 10) / 10;

/**
 * Kilograms. Ready = start − Σ of all that left + Σ of what came back + Σ of what is chosen (house figures); left = gross − ready.
 * Undecided things count as out until somebody decides; what stays on never left. Source: ST-n8. E.g. 2,100 as it came, 96 out,
 * 12 of it back, 420 chosen, gross 3,500: ready 2,436, left 1,064.
 */
export function massLedger(build: Pick<BuildRow, "records" | "options">, van: Pick<Van, "name" | "geometry">): MassLedger {
  const g = van.geometry;
  const scales = entriesOf(build.records, "weighing");
  const came = scales.filter((r) => r.data.when === "came").at(-1);
  const start = came
    ? { kg: round(weighed(came.data)), from: came.title, weighed: true }
    : { kg: g.axles.kerbFrontKg + g.axles.kerbRearKg, from: `the template of ${van.name}`, weighed: false };
  const lines: MassLine[] = [];
  for (const r of itemsIn(build.records)) {
    const d = r.data;
    if (d.fate === "stays on" || !d.kg) continue;
    lines.push({ what: `${r.title}, ${FATE_WORDS[d.fate]}`, kg: -d.kg, at: r.saidAt, kind: "out" });
    // It goes back in whether somebody has done so yet or not.
    if (d.fate === "keep") lines.push({ what: `${r.title}, back in its place`, kg: d.kg, at: r.closedAt, kind: "back" });
  }
  lines.sort((a, b) => (a.at ?? Number.POSITIVE_INFINITY) - (b.at ?? Number.POSITIVE_INFINITY));
  for (const { key, kg } of massLines(build.options, g)) lines.push({ what: choiceOf(key).label, kg, at: null, kind: "in" });
  const sum = (kind: MassLine["kind"]) => round(Math.abs(lines.filter((l) => l.kind === kind).reduce((n, l) => n + l.kg, 0)));
  const [out, back, added] = [sum("out"), sum("back"), sum("in")];
  const ready = round(start.kg - out + back + added);
  return {
    start,
    lines,
    out,
    back,
    in: added,
    ready,
    gross: g.axles.grossKg,
    left: round(g.axles.grossKg - ready),
    later: scales
      .filter((r) => r !== came)
      .map((r) => {
        const kg = round(weighed(r.data));
        const expected = r.data.when === "stripped" ? start.kg - out : r.data.when === "ready" ? ready : undefined;
        return { what: `${WEIGHED_WHEN[r.data.when]}, ${r.title}`, kg, off: expected === undefined ? null : round(kg - expected) };
      }),
  };
}
