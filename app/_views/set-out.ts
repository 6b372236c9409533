// Fills the set-out view: loose, or for a build and one of its jobs.

import { CALCULATORS, calculator, findCalculator } from "@/core/setout/calculators";
import { askedJobs } from "@/core/workshop/builds/asked-work";
import { outcomeOf, secondFault } from "@/core/workshop/sheets/job-sheets";
import { houseDraft } from "@/core/workshop/sheets/sheet-figures";
import { sayTakes, takesOf } from "@/core/workshop/sheets/sheet-takes";
import { sheetNotices, sheetPrefill } from "@/core/workshop/sheets/sheets";
import { printsOf } from "@/core/workshop/sheets/stale-prints";
import { figure } from "@/core/workshop/state/house-figures";
import type { JobRow, SheetRow } from "@/core/workshop/state/model";
import { claimOf } from "@/core/workshop/stores/claims";
import type { State } from "@/server/planning/planning";
import { versionsOf } from "@/server/sheets/setout";
import type { KeptSheet, SetOutView } from "@/ui/setout/view";

export async function setOutView(
  state: State,
  asked: { build?: string; job?: string },
  reader: { id: string; role: string },
  userNames: ReadonlyMap<string, string>,
): Promise<SetOutView> {
  const { shop } = state;
  const plan = state.working?.plan;
  const base = {
    zone: shop.workshop.zone,
    lead: reader.role === "lead",
    builds: shop.builds.map(({ id, name }) => ({ id, name })),
    house: Object.fromEntries(CALCULATORS.map((c) => [c.name, houseDraft(shop.workshop.figures, c.name).draft])),
  };
  const build = shop.builds.find((b) => (asked.job ? b.jobs.some((j) => j.id === asked.job) : b.id === asked.build));
  if (!build) return { ...base, of: null };
  const job = build.jobs.find((j) => j.id === asked.job);
  const jobOf = (s: SheetRow) => build.jobs.find((j) => j.id === s.jobId);
  const who = (id: string | null) => (id ? (userNames.get(id) ?? id) : "somebody");
  const kept = await Promise.all(
    build.sheets.map(
      async (s): Promise<KeptSheet> => ({
        id: s.id,
        jobId: s.jobId,
        jobName: jobOf(s)?.name ?? null,
        calculator: s.calculator,
        draft: s.draft,
        worst: s.worst,
        by: who(s.savedBy),
        at: s.savedAt,
        second: s.second && { by: who(s.secondBy), readings: s.second },
        locked: s.lockedAt,
        version: s.version,
        takes: takesWords(s, jobOf(s)),
        notices: sheetNotices(shop, build, s, plan, state.now),
        prints: printsOf(build, s, sheetNotices(shop, build, s, plan, state.now)).map((p) => ({ ...p, by: who(p.by) })),
        claim: claimView(claimOf(build, s)),
        asks: askedJobs(shop, build, state.now)
          .filter((a) => a.key.includes(s.id))
          .map((a) => a.name),
        wanted: calculator(s.calculator).second(s.input, outcomeOf(s)),
        secondWhyNot: secondFault(s, reader.id) ?? null,
        agreeMm: figure(build, "readingsAgree"),
        versions: (await versionsOf(s.id)).map(({ n, by, at }) => ({ n, by, at })),
      }),
    ),
  );
  return {
    ...base,
    of: {
      buildId: build.id,
      buildName: build.name,
      jobId: job?.id ?? null,
      jobName: job?.name ?? null,
      jobs: build.jobs.flatMap((j) => {
        const calculators = j.setOut.filter((k) => findCalculator(k));
        return calculators.length ? [{ id: j.id, name: j.name, calculators }] : [];
      }),
      kept,
      fromPlan: CALCULATORS.filter((c) => c.fromPlan).map((c) => c.name),
      prefills: Object.fromEntries(
        CALCULATORS.flatMap((c) => {
          const p = sheetPrefill(shop, build, c.name, job?.id ?? null, plan, state.now);
          return p ? [[c.name, p.draft]] : [];
        }),
      ),
    },
  };
}

const claimView = (c: ReturnType<typeof claimOf>): KeptSheet["claim"] =>
  c ? { note: c.note, parts: c.parts.map(({ id, name, version }) => ({ id, name, version })) } : null;

/** What a sheet makes of its job, or would if it were locked now. */
function takesWords(s: SheetRow, job: JobRow | undefined): string | null {
  if (!job) return null;
  if (s.lockedAt !== null) return sayTakes(s.takes ?? null);
  return sayTakes(takesOf(s.calculator, job, outcomeOf(s)));
}
