// Other choices in mid-build: what they would change, dates with it; and taking them.

import { sayChoice } from "@/core/library/choices";
import { conflictsOf } from "@/core/library/conflicts";
import { massOf } from "@/core/library/mass";
import { OPTION_KEYS, type Options } from "@/core/library/options";
import { massLedger } from "@/core/workshop/builds/mass-ledger";
import type { OptionPreview } from "@/core/workshop/builds/previews";
import { datesWith } from "../planning/dates-with";
import { loadState } from "../planning/planning";
import { Refusal } from "../refusal";
import { optionChange } from "./option-change";

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
    left: van ? { now: massLedger(build, van).left, after: massLedger({ ...build, options }, van).left } : null,
    dates: await datesWith(state, { ...build, options, jobs: change.jobs }),
  };
}
