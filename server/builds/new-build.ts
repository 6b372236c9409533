// What a build that is being added would be: its network in sums, and its first dates among the others.

import { conflictsOf } from "@/core/library/conflicts";
import { buildNetwork, type NetworkJob } from "@/core/library/network";
import type { OptionKey, Options } from "@/core/library/options";
import { moneyOf } from "@/core/workshop/builds/money";
import { openChoices } from "@/core/workshop/builds/open-choices";
import type { NewBuildSums } from "@/core/workshop/builds/previews";
import { freshJob } from "@/core/workshop/state/from-network";
import type { BuildRow } from "@/core/workshop/state/model";
import { toProblem } from "@/core/workshop/state/problem";
import { instant } from "../action";
import { planInThread } from "../planning/plan-thread";
import { loadState } from "../planning/planning";
import { badField } from "../refusal";
import { libraryInUse } from "../state/library";

export interface NewBuildAsk {
  vanId: string;
  options: Options;
  openChoices?: OptionKey[];
  /** Local wall times; without them no dates are worked out. */
  arrives?: string;
  due?: string;
}

const NEW = "new-build";

/** Sums of the network; with dates, a plan of the whole shop with the build in it. Nothing is stored. */
export async function tryBuild(ask: NewBuildAsk): Promise<NewBuildSums> {
  const state = await loadState();
  const { shop, zone, now } = state;
  const van = shop.vans.find((v) => v.id === ask.vanId);
  if (!van) throw badField("vanId", "is no van we know");
  const library = await libraryInUse(now);
  const network = buildNetwork(ask.options, van.geometry, library.jobs);
  const jobs = network.map((j, seq) => freshJob(NEW, j, seq));
  const money = moneyOf(shop, jobs, now);
  const name = new Map(network.map((j) => [j.code, j.name]));
  const line = (j: NetworkJob) => ({
    code: j.code,
    name: j.name,
    minutes: j.minutes.likely,
    pieces: j.pieces && `${j.pieces.count} × ${j.pieces.name}`,
    means: j.means,
    after: j.after.map((a) => `${name.get(a.job)}: ${a.reason}`),
  });
  const sums: NewBuildSums = {
    conflicts: conflictsOf(ask.options, van.geometry),
    jobs: jobs.length,
    minutes: jobs.reduce((n, j) => n + j.minutes.likely, 0),
    photos: jobs.reduce((n, j) => n + j.shots.length, 0),
    questions: jobs.reduce((n, j) => n + j.questions.length, 0),
    parts: jobs.reduce((n, j) => n + j.parts.length, 0),
    cost: Math.round(money.toCome),
    currency: shop.workshop.currency,
    stages: [...new Set(network.map((j) => j.stage))].map((stage) => ({ stage, jobs: network.filter((j) => j.stage === stage).map(line) })),
  };
  if (!ask.arrives || !ask.due) return sums;
  const arrives = instant(state, ask.arrives, "arrives");
  const due = instant(state, ask.due, "due");
  if (due <= arrives) throw badField("due", "has to be after the arrival");
  const build: BuildRow = {
    id: NEW,
    name: "the new build",
    client: "",
    purpose: "",
    vanId: van.id,
    arrives,
    due,
    weight: 1,
    options: ask.options,
    openChoices: ask.openChoices ?? [],
    libraryVersion: library.number,
    readings: [],
    records: [],
    sheets: [],
    at: null,
    atSince: null,
    state: "active",
    version: 1,
    jobs,
  };
  const plan = await planInThread(toProblem({ ...shop, builds: [...shop.builds, build] }, now, state.published?.plan), {
    seed: 1,
    iterations: 0,
    local: true,
  });
  const finishOf = (id: string) => plan.builds.find((b) => b.id === id)?.finish ?? null;
  const finish = finishOf(NEW);
  const before = state.working?.plan;
  sums.dates = {
    finish,
    inTheWay: plan.unplaced
      .filter((u) => u.job.startsWith(`${NEW}.`))
      .map((u) => `${name.get(u.job.slice(NEW.length + 1)) ?? u.job}: ${u.reason}`),
    late: finish !== null && zone.parse(finish) > due,
    suggestedDue: finish && suggest(zone.parse(finish), zone),
    others: shop.builds.flatMap((b) => {
      const was = before?.builds.find((x) => x.id === b.id)?.finish ?? null;
      const will = finishOf(b.id);
      return was !== will ? [{ build: b.name, before: was, after: will }] : [];
    }),
    decide: openChoices(zone, build, van.geometry, library.jobs, plan, shop.suppliers).map((c) => ({
      label: c.label,
      by: c.by === null ? null : zone.show(c.by),
    })),
  };
  return sums;
}

/** A week behind the finish, on a working day, at the end of it. */
function suggest(finish: number, zone: { dayOf(t: number): number; dayStart(d: number): number; show(t: number): string }): string {
  let day = zone.dayOf(finish) + 7;
  while ((((day + 3) % 7) + 7) % 7 > 4) day++;
  return zone.show(zone.dayStart(day) + 17 * 60);
}
