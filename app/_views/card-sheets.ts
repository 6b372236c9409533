// The set-out of a job for its card.

import { calculator, findCalculator } from "@/core/setout/calculators";
import { sayResults } from "@/core/setout/engine/say-results";
import { jobSheets, outcomeOf, secondFault, sheetsMissing } from "@/core/workshop/sheets/job-sheets";
import { sheetNotices } from "@/core/workshop/sheets/sheets";
import { figure } from "@/core/workshop/state/house-figures";
import type { BuildRow, JobRow } from "@/core/workshop/state/model";
import type { State } from "@/server/planning/planning";
import type { CardJob } from "@/ui/card/view";
import type { SheetCard } from "@/ui/setout/sheet-card";

export function cardSheets(state: State, build: BuildRow, job: JobRow, reader: string, who: (user: string) => string): CardJob["setOut"] {
  const kept = jobSheets(build, job).map((s): SheetCard => {
    const outcome = outcomeOf(s);
    return {
      id: s.id,
      version: s.version,
      calculator: s.calculator,
      title: findCalculator(s.calculator)!.title,
      by: who(s.savedBy),
      at: s.savedAt,
      locked: s.lockedAt,
      notices: sheetNotices(state.shop, build, s, state.working?.plan, state.now),
      figures: sayResults(calculator(s.calculator), outcome.results),
      cuts: outcome.cuts,
      findings: outcome.findings,
      drawing: outcome.drawing,
      wanted: s.lockedAt === null ? calculator(s.calculator).second(s.input, outcome) : [],
      second: s.second && { by: s.secondBy ? who(s.secondBy) : "somebody", readings: s.second },
      secondWhyNot: secondFault(s, reader) ?? null,
      agreeMm: figure(build, "readingsAgree"),
    };
  });
  return {
    kept,
    missing: sheetsMissing(build, job).map((name) => ({ calculator: name, title: findCalculator(name)!.title })),
  };
}
