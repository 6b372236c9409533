// Other choices in mid-build: what they would change, dates with it; and taking them.

import { sayChoice } from "@/core/library/choices";
import { conflictsOf } from "@/core/library/conflicts";
import { massOf } from "@/core/library/mass";
import { buildNetwork } from "@/core/library/network";
import { OPTION_KEYS, type Options } from "@/core/library/options";
import { changeOptions, type OptionChange } from "@/core/shop/change-options";
import { freshJob } from "@/core/shop/from-network";
import type { BuildRow, Shop } from "@/core/shop/model";
import type { OptionPreview } from "@/core/shop/previews";
import { withoutSheets, withSheets } from "@/core/shop/sheet-takes";
import { asMeasured } from "@/core/van/readings";
import { jobsOfVersion } from "@/db/library";
import { type Conn, pool } from "@/db/pool";
import { datesWith } from "./dates-with";
import { loadState } from "./planning";
import { Refusal } from "./refusal";

/** What the choices would make of a build's jobs, by the library it was made with. */
export async function optionChange(c: Conn | undefined, shop: Shop, build: BuildRow, options: Options): Promise<OptionChange> {
  const van = shop.vans.find((v) => v.id === build.vanId);
  if (!van) throw new Refusal(409, "The van's template is gone, so its jobs can't be worked out again.");
  const jobs = await jobsOfVersion(c ?? pool(), build.libraryVersion);
  // A locked sheet is no change of choices: jobs are compared without what their sheets say, and planned with it.
  const change = changeOptions(
    withoutSheets(build).jobs,
    buildNetwork(options, asMeasured(van.geometry, build.readings), jobs).map((j, seq) => freshJob(build.id, j, seq)),
  );
  return { ...change, jobs: withSheets(change.jobs, build.sheets) };
}

/** Works the change out and plans with it, without storing anything. */
export async function previewOptions(buildId: string, options: Options): Promise<OptionPreview> {
  const state = await loadState();
  const { shop } = state;
  const build = shop.builds.find((b) => b.id === buildId);
  if (!build) throw new Refusal(404, "There is no such build.");
  const change = await optionChange(undefined, shop, build, options);
  const van = shop.vans.find((v) => v.id === build.vanId);
  const line = (j: { name: string; stage: string; minutes: { likely: number } }) => ({
    name: j.name,
    stage: j.stage,
    minutes: j.minutes.likely,
  });
  return {
    chosen: OPTION_KEYS.filter((k) => build.options[k] !== options[k]).map(
      (k) => `${sayChoice(k, options[k])} instead of ${sayChoice(k, build.options[k]).split(": ")[1]}`,
    ),
    conflicts: conflictsOf(options, van?.geometry),
    added: change.added.map(line),
    dropped: change.dropped.map(line),
    changed: change.changed.map((x) => ({ name: x.next.name, stage: x.next.stage, minutes: x.minutes })),
    moved: change.moved.map((m) => ({ name: m.job.name, stage: m.job.stage, waitsFor: m.waitsFor, noLonger: m.noLonger })),
    lost: change.lost.map(({ name, stage }) => ({ name, stage })),
    reopened: change.reopened.map((r) => ({ name: r.old.name, stage: r.old.stage, minutes: r.again.minutes.likely, because: r.because })),
    minutes: change.minutes,
    cost: change.cost,
    wasted: change.wasted,
    kg: van ? Math.round(10 * (massOf(options, van.geometry) - massOf(build.options, van.geometry))) / 10 : 0,
    dates: await datesWith(state, { ...build, options, jobs: change.jobs }),
  };
}
