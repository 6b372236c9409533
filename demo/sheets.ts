// Set-out that the demo's workshop has measured: the window that is being cut, locked by two names; the next cuts of that van wait for
// their second measuring.

import { v7 } from "uuid";
import { calculator } from "../core/setout/calculators";
import type { Draft } from "../core/setout/engine/form";
import { blankDraft, toInput } from "../core/setout/engine/form";
import { sheetPrefill } from "../core/workshop/sheets/sheets";
import type { BuildRow, JobRow, Shop } from "../core/workshop/state/model";
import { type Conn, transaction } from "../db/pool";
import { writeSecond, writeSheet } from "../db/sheets/setout";
import { loadShop } from "../db/shop";

const BUILD = "night-bakery";
const MEASURED = ["opening", "roof-plan"] as const;
const BEFORE = 26 * 60;

export async function writeSheets(now: number): Promise<void> {
  await transaction(async (t) => {
    const shop = await loadShop(t);
    const build = shop.builds.find((b) => b.id === BUILD);
    for (const job of build?.jobs ?? [])
      if (job.state !== "done" && job.irreversible === "cut")
        for (const name of MEASURED) if (job.setOut.includes(name)) await keep(t, shop, build!, job, name, now - BEFORE);
  });
}

/** Fills a sheet from the van and the choices, as the lead would find it; left out where that is not enough, or says stop. */
async function keep(c: Conn, shop: Shop, build: BuildRow, job: JobRow, name: (typeof MEASURED)[number], at: number): Promise<void> {
  const sheet = calculator(name);
  const filled = sheetPrefill(shop, build, name, job.id);
  if (!filled) return;
  const draft: Draft = { ...blankDraft(sheet.fields), ...filled.draft };
  const typed = toInput(sheet.inputs, draft);
  if (typed.faults.length) return;
  const { input } = typed;
  const outcome = sheet.run(input);
  if (outcome.findings.some((f) => f.level === "stop")) return;
  const worst = outcome.findings.some((f) => f.level === "warn") ? "warn" : "ok";
  const id = v7();
  await writeSheet(
    c,
    {
      id,
      buildId: build.id,
      jobId: job.id,
      calculator: name,
      draft,
      input,
      basis: filled.basis,
      worst,
      massKg: outcome.massKg,
      by: "u-ines",
      at,
    },
    null,
  );
  // Who cuts had it measured twice.
  if (job.state === "todo") return;
  const read = Object.fromEntries(sheet.second(input, outcome).map((r) => [r.name, r.expected]));
  await writeSecond(c, id, read, "u-rosa", at + 40, true);
}
