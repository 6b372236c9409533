// What locked sheets bring to their jobs, as the calculators work it out.

import { findCalculator } from "@/core/setout/calculators";
import { takesOf } from "@/core/workshop/sheets/sheet-takes";
import type { BuildRow, JobRow, SheetRow, Shop } from "@/core/workshop/state/model";
import type { Conn } from "@/db/pool";
import { bringSheet, liftSheet } from "@/db/sheets/sheet-takes";

/** Brings a locked sheet to a job that is not begun. */
export async function bring(c: Conn, shop: Shop, sheet: Pick<SheetRow, "id" | "calculator" | "input">, job: JobRow): Promise<void> {
  const outcome = findCalculator(sheet.calculator)!.run(sheet.input);
  const supplier = job.parts[0]?.supplierId ?? shop.suppliers.filter((s) => !s.retired)[0].id;
  await bringSheet(c, sheet.id, job.id, takesOf(sheet.calculator, job, outcome), outcome.parts, supplier);
}

/** Lifts what the locked sheets of a build say, does `work`, and brings it again to the jobs that are still there. */
export async function withoutLocked<T>(
  c: Conn,
  shop: Shop,
  build: BuildRow,
  jobs: () => readonly JobRow[],
  work: () => Promise<T>,
): Promise<T> {
  const todo = new Set(build.jobs.filter((j) => j.state === "todo").map((j) => j.id));
  const locked = build.sheets.filter((s) => s.lockedAt !== null && s.jobId !== null && todo.has(s.jobId));
  for (const s of locked) await liftSheet(c, s.id, s.jobId!);
  const result = await work();
  for (const s of locked) {
    const job = jobs().find((j) => j.id === s.jobId);
    if (job) await bring(c, shop, s, job);
  }
  return result;
}
