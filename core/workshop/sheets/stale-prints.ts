// Prints of sheets that are older than what they show: thrown away before somebody cuts by one.

import { calculator } from "../../setout/calculators";
import { entriesOf } from "../records/kinds/of";
import type { BuildRow, SheetRow } from "../state/model";

export interface Print {
  by: string;
  at: number;
  /** Why it is old, in words; null: it shows what the sheet says now. */
  old: string | null;
}

/**
 * Prints of a sheet, the newest first. Old: a newer version was kept, or the van or the choices have changed (`notices`). Who printed is
 * the id of a user, as it is kept. Source: PL-n5.
 */
export function printsOf(build: Pick<BuildRow, "records">, sheet: Pick<SheetRow, "id" | "version">, notices: readonly string[]): Print[] {
  return entriesOf(build.records, "printed")
    .filter((r) => r.data.sheet === sheet.id)
    .sort((a, b) => b.saidAt - a.saidAt)
    .map((r) => ({
      by: r.saidBy,
      at: r.saidAt,
      old:
        r.data.version < sheet.version
          ? "a newer version of the sheet was kept"
          : notices.length
            ? "the van or the choices have changed"
            : null,
    }));
}

/** For the card: prints of a job's sheets that are old because a newer version was kept. */
export const oldPrintWords = (build: Pick<BuildRow, "records" | "sheets">, jobId: string): string[] =>
  build.sheets
    .filter((s) => s.jobId === jobId && printsOf(build, s, []).some((p) => p.old))
    .map((s) => `Throw away the print of ${calculator(s.calculator).title}: the sheet has changed since`);
