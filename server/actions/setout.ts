// Actions on the set-out sheets of builds: keep one, measure a second time, lock, open again.

import { v7 } from "uuid";
import { calculator as calculatorOf, findCalculator, titleOf } from "@/core/setout/calculators";
import type { Outcome } from "@/core/setout/engine/outcome";
import { disagreements } from "@/core/setout/engine/second";
import { outcomeOf, secondFault } from "@/core/workshop/sheets/job-sheets";
import { sheetPrefill } from "@/core/workshop/sheets/sheets";
import { figure } from "@/core/workshop/state/house-figures";
import type { BuildRow, SheetRow, Shop } from "@/core/workshop/state/model";
import { loadPlan } from "@/db/planning/plans";
import { deleteSheet, findSheet, unlockSheet, writeSecond, writeSheet } from "@/db/sheets/setout";
import { liftSheet } from "@/db/sheets/sheet-takes";
import { loadShop } from "@/db/shop";
import { action, body, type Change, change, is } from "../action";
import { badField, Refusal, Stale } from "../refusal";
import { bring } from "../sheets/sheet-effects";

const LEVELS = ["ok", "warn", "stop"] as const;
const worstOf = (o: Outcome): SheetRow["worst"] => LEVELS[Math.max(0, ...o.findings.map((f) => LEVELS.indexOf(f.level)))];

async function buildOf(x: Change, id: string): Promise<{ shop: Shop; build: BuildRow }> {
  const shop = await loadShop(x.c);
  const build = shop.builds.find((b) => b.id === id);
  if (!build) throw new Refusal(404, "There is no such build.");
  return { shop, build };
}

async function sheetOf(x: Change, id: string): Promise<SheetRow> {
  const sheet = await findSheet(x.c, id);
  if (!sheet) throw new Refusal(404, "There is no such sheet any more.");
  return sheet;
}

/** The job of a sheet that is locked no more has its own minutes, hold and quantities again. */
async function lift(x: Change, sheet: SheetRow, what: string): Promise<void> {
  const { build } = await buildOf(x, sheet.buildId);
  const job = build.jobs.find((j) => j.id === sheet.jobId);
  if (job?.state !== "todo") return;
  await liftSheet(x.c, sheet.id, job.id);
  await x.stale(`${build.name}: set-out ${titleOf(sheet.calculator)} of ${job.name} ${what}`);
}

export const setoutActions = [
  // Keeps a sheet with a build and a job; `version` is of the sheet that was shown, none for a new one.
  action<{ jobId?: string; calculator: string; draft: Record<string, unknown>; input: Record<string, unknown>; version?: number }>(
    { method: "POST", path: "builds/*/sheets", role: "any" },
    body({ calculator: is.id, draft: { type: "object" }, input: { type: "object" } }, { jobId: is.id, version: is.version }),
    (b, { user, ids }) =>
      change(user, async (x) => {
        const { shop, build } = await buildOf(x, ids[0]);
        const job = b.jobId ? build.jobs.find((j) => j.id === b.jobId) : undefined;
        if (b.jobId && !job) throw badField("jobId", "is no job of this build");
        const calculator = findCalculator(b.calculator);
        if (!calculator) throw badField("calculator", "is no set-out sheet");
        if (JSON.stringify(b.draft).length > 60_000) throw badField("draft", "is too large");
        const outcome = calculator.run(b.input);
        const old = build.sheets.find((s) => s.calculator === b.calculator && s.jobId === (b.jobId ?? null));
        if (old?.lockedAt != null) throw new Refusal(409, `${calculator.title} is locked: two measurings agree. Open it again first.`);
        if (old && old.version !== b.version) throw new Stale(`The sheet ${calculator.title}`, {}, {}, old.version);
        const id = old?.id ?? v7();
        const plan = (await loadPlan(x.c, "working", x.zone))?.plan;
        await writeSheet(
          x.c,
          {
            id,
            buildId: build.id,
            jobId: b.jobId ?? null,
            calculator: b.calculator,
            draft: b.draft,
            input: b.input,
            basis: sheetPrefill(shop, build, b.calculator, b.jobId ?? null, plan, x.now)?.basis ?? {},
            worst: worstOf(outcome),
            massKg: outcome.massKg,
            by: user.id,
            at: x.now,
          },
          old ? old.version : null,
        );
        await x.event({
          kind: "sheet.saved",
          entity: "sheet",
          entityId: id,
          buildId: build.id,
          text: `set-out ${calculator.title}${job ? ` of ${job.name}` : ""} ${old ? "changed" : "begun"}`,
        });
        // What the plan goes by as it is kept, locked or not.
        if (job && calculator.plannedAtOnce) await x.stale(`${build.name}: set-out ${calculator.title} of ${job.name} is kept`);
        return { id };
      }),
  ),
  // The second measuring, from the other datum. It locks the sheet when it agrees and nothing in it says stop.
  action<{ version: number; readings: Record<string, number> }>(
    { method: "POST", path: "sheets/*/second", role: "any" },
    body({ version: is.version, readings: { type: "object", additionalProperties: { type: "number", minimum: 0, maximum: 100_000 } } }),
    (b, { user, ids }) =>
      change(user, async (x) => {
        const sheet = await sheetOf(x, ids[0]);
        if (sheet.version !== b.version) throw new Stale("The sheet", {}, {}, sheet.version);
        if (sheet.lockedAt !== null) throw new Refusal(409, "It is locked already.");
        const same = secondFault(sheet, user.id);
        if (same) throw new Refusal(409, same);
        const { shop, build } = await buildOf(x, sheet.buildId);
        const outcome = outcomeOf(sheet);
        const differ = disagreements(
          calculatorOf(sheet.calculator).second(sheet.input, outcome),
          b.readings,
          figure(build, "readingsAgree"),
        );
        const stop = outcome.findings.find((f) => f.level === "stop");
        const locks = differ.length === 0 && !stop;
        await writeSecond(x.c, sheet.id, b.readings, user.id, x.now, locks);
        const job = build.jobs.find((j) => j.id === sheet.jobId);
        if (locks && job && job.state === "todo") {
          await bring(x.c, shop, sheet, job);
          await x.stale(`${build.name}: set-out ${titleOf(sheet.calculator)} of ${job.name} is locked`);
        }
        await x.event({
          kind: locks ? "sheet.locked" : "sheet.second",
          entity: "sheet",
          entityId: sheet.id,
          buildId: build.id,
          text: locks
            ? `set-out ${titleOf(sheet.calculator)}${job ? ` of ${job.name}` : ""} locked: two measurings agree`
            : `second measuring of ${titleOf(sheet.calculator)}: ${differ.length ? differ.map((d) => `${d.label} ${d.second ?? "not read"}, not ${d.first}`).join("; ") : stop!.text}`.slice(
                0,
                500,
              ),
        });
        return { version: sheet.version + 1, locked: locks, differ, ...(stop ? { stop: stop.text } : {}) };
      }),
  ),
  action<{ version: number; why: string }>(
    { method: "POST", path: "sheets/*/unlock", role: "lead" },
    body({ version: is.version, why: is.words }),
    (b, { user, ids }) =>
      change(user, async (x) => {
        const sheet = await sheetOf(x, ids[0]);
        if (sheet.version !== b.version) throw new Stale("The sheet", {}, {}, sheet.version);
        await unlockSheet(x.c, sheet.id);
        if (sheet.lockedAt !== null) await lift(x, sheet, "is open again");
        await x.event({
          kind: "sheet.unlocked",
          entity: "sheet",
          entityId: sheet.id,
          buildId: sheet.buildId,
          text: `set-out ${titleOf(sheet.calculator)} opened again: ${b.why.trim()}`.slice(0, 500),
        });
      }),
  ),
  action({ method: "DELETE", path: "sheets/*", role: "lead" }, body({}), (_b, { user, ids }) =>
    change(user, async (x) => {
      const sheet = await sheetOf(x, ids[0]);
      if (sheet.lockedAt !== null) await lift(x, sheet, "is thrown away");
      await deleteSheet(x.c, sheet.id);
      if (findCalculator(sheet.calculator)?.plannedAtOnce) await x.stale(`set-out ${titleOf(sheet.calculator)} is thrown away`);
      await x.event({
        kind: "sheet.deleted",
        entity: "sheet",
        entityId: sheet.id,
        buildId: sheet.buildId,
        text: `set-out ${titleOf(sheet.calculator)} thrown away`,
      });
    }),
  ),
];
