// Fills the first page of Set-out: which numbers a build needs next, which are settled, and where on the van they belong.

import type { Entry } from "@/core/library/library";
import { findCalculator } from "@/core/setout/calculators";
import { numbersNeeded, soonestBuild } from "@/core/workshop/sheets/needed-next";
import type { State } from "@/server/planning/planning";
import type { SetOutHomeView } from "@/ui/setout/home-view";
import { vanShape } from "./van";

/** Asked of in place of a build: sheets that belong to none. */
const NONE = "none";

/** `asked`: a build's id, "none", or nothing: then the build that needs numbers soonest. */
export function setOutHome(
  state: State,
  asked: string | undefined,
  userNames: ReadonlyMap<string, string>,
  library: readonly Entry[],
): SetOutHomeView {
  const { shop, now } = state;
  const plan = (state.published ?? state.working)?.plan;
  const build = asked === NONE ? undefined : (shop.builds.find((b) => b.id === asked) ?? soonestBuild(shop, plan, now) ?? shop.builds[0]);
  const base = { zone: shop.workshop.zone, now, builds: shop.builds.map(({ id, name }) => ({ id, name })), stages: stagesOf(library) };
  if (!build) return { ...base, of: null };
  const who = (id: string | null) => (id ? (userNames.get(id) ?? id) : null);
  const needed = numbersNeeded(shop, build, plan, now);
  return {
    ...base,
    of: {
      id: build.id,
      name: build.name,
      van: vanShape(shop, build.vanId),
      needed: needed.map(({ job, start, people, sheets }) => ({
        id: job.id,
        name: job.name,
        stage: job.stage,
        zones: job.zones,
        under: job.state !== "todo",
        start,
        people,
        sheets,
      })),
      done: build.sheets
        .filter((s) => s.lockedAt !== null)
        .map((s) => {
          const job = build.jobs.find((j) => j.id === s.jobId);
          return {
            id: s.id,
            calculator: s.calculator,
            jobId: s.jobId,
            jobName: job?.name ?? null,
            by: [who(s.savedBy), who(s.secondBy)].filter((x, i, all): x is string => x !== null && all.indexOf(x) === i),
          };
        }),
      jobs: build.jobs.flatMap((j) => {
        const calculators = j.setOut.filter((name) => findCalculator(name));
        return calculators.length ? [{ id: j.id, name: j.name, stage: j.stage, done: j.state === "done", calculators }] : [];
      }),
    },
  };
}

/** By sheet: the stages whose jobs ask for it. */
function stagesOf(library: readonly Entry[]): Record<string, string[]> {
  const out: Record<string, string[]> = {};
  for (const j of library)
    for (const name of j.setOut ?? []) {
      out[name] ??= [];
      if (!out[name].includes(j.stage)) out[name].push(j.stage);
    }
  return out;
}
