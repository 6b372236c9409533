// What a fitter may look at beside the card: the page of a van they work on, and where the kit of its jobs lies.

import { findCalculator } from "@/core/setout/calculators";
import { jobSheets } from "@/core/workshop/sheets/job-sheets";
import type { BuildRow, JobRow } from "@/core/workshop/state/model";
import { kitLines } from "@/core/workshop/stores/kit";
import type { State } from "@/server/planning/planning";
import type { FitterBuildView } from "@/ui/builds/fitter-view";
import type { KitsView } from "@/ui/stores/kits-view";
import { buildView } from "./build";
import { jobsOf } from "./card";

const linesOf = ({ shop, now }: State, b: BuildRow, j: JobRow) =>
  j.state === "done" ? [] : kitLines(shop, b, j, now).map(({ what, where, short }) => ({ what, where, short }));

/** A build without its client, its money and what only the lead weighs. */
export async function fitterBuildView(
  state: State,
  id: string,
  fitter: string,
  names: ReadonlyMap<string, string>,
): Promise<FitterBuildView | undefined> {
  const view = await buildView(state, id, names);
  const build = state.shop.builds.find((b) => b.id === id);
  if (!view || !build) return undefined;
  const mine = new Set(jobsOf(state, fitter).map((j) => j.id));
  return {
    zone: view.zone,
    now: view.now,
    id,
    name: view.name,
    purpose: view.purpose,
    vanName: view.vanName,
    where: view.where,
    due: view.date.due,
    finish: view.date.finish,
    stages: view.stages,
    jobs: view.jobs.map((j) => {
      const row = build.jobs.find((x) => x.id === j.id)!;
      return {
        id: j.id,
        code: j.code,
        stage: j.stage,
        name: j.name,
        state: j.state,
        place: j.place,
        from: j.from,
        to: j.to,
        who: j.who,
        hold: j.hold,
        likely: j.likely,
        after: j.after,
        steps: j.steps.map(({ n, text, done }) => ({ n, text, done })),
        kit: linesOf(state, build, row),
        sheets: jobSheets(build, row).map((s) => ({
          calculator: s.calculator,
          title: findCalculator(s.calculator)!.title,
          locked: s.lockedAt !== null,
        })),
        mine: mine.has(j.id),
      };
    }),
  };
}

/** The kit of the jobs of a fitter's vans that are not done, the fitter's own first, then as they are planned. */
export function kitsView(state: State, fitter: string): KitsView {
  const { shop, zone, now } = state;
  const starts = new Map((state.published?.plan.jobs ?? []).map((p) => [p.id, zone.parse(p.start)]));
  const mine = new Set(jobsOf(state, fitter).map((j) => j.id));
  const jobs = shop.builds.flatMap((b) =>
    b.jobs.flatMap((j) => {
      const lines = linesOf(state, b, j);
      return lines.length
        ? [
            {
              id: j.id,
              name: j.name,
              build: b.name,
              buildId: b.id,
              stage: j.stage,
              start: j.state === "started" ? j.startedAt : (starts.get(j.id) ?? null),
              underWay: j.state === "started",
              mine: mine.has(j.id),
              lines,
            },
          ]
        : [];
    }),
  );
  jobs.sort((a, b) => Number(b.mine) - Number(a.mine) || (a.start ?? 1e12) - (b.start ?? 1e12) || a.name.localeCompare(b.name));
  return { zone: shop.workshop.zone, now, jobs };
}
