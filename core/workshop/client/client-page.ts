// How a build stands, for its client: stages, what was done lately, what comes next, what they have to say, and the date. No names, no money.

import { choiceOf } from "../../library/choices";
import { STAGES } from "../../library/schema";
import type { Plan } from "../../plan/model";
import { DAY, type Minute, zoneOf } from "../../time/zone";
import { releaseAt } from "../builds/releases";
import { workingDays } from "../state/dates";
import type { BuildRow, Shop } from "../state/model";
import { stageProgress } from "../state/progress";
import { count } from "../state/say";

type Stage = (typeof STAGES)[number];

const WORDS: Record<Stage, [name: string, means: string]> = {
  strip: ["Empty and clean", "everything comes out, holes and rust are treated"],
  openings: ["Windows and roof", "openings are cut, protected and sealed"],
  insulation: ["Insulation and floor", "warmth, quiet, and the floor everything stands on"],
  framing: ["Frame", "what linings and furniture are fixed to"],
  panels: ["Linings", "ceiling, walls and finished floor"],
  furniture: ["Furniture", "units, bed and worktop"],
  services: ["Water, power, heat", "connected and tried"],
};

export interface ClientPage {
  build: string;
  van: string;
  share: number;
  stages: { name: string; means: string; state: "finished" | "under way" | "to come"; words: string }[];
  /** Finished in the last week. */
  lately: string[];
  /** What rests: nobody works on it, and it is not forgotten. */
  rests: { what: string; until: Minute }[];
  next: { what: string; at: Minute }[];
  /** What the client has still to say, with the day by which it is needed. */
  asked: { what: string; planned: string; by: Minute | null }[];
  date: { due: Minute; finish: Minute | null; words: string };
}

const NEXT = 5;
const LATELY = 7;

/** `open`: what the client has not decided, as the build sheet lists it. `plan` is the one worked to. */
export function clientPage(
  shop: Shop,
  build: BuildRow,
  plan: Plan | undefined,
  open: readonly { key: BuildRow["openChoices"][number]; assumed: string; by: Minute | null; client: boolean }[],
  now: Minute,
): ClientPage {
  const zone = zoneOf(shop.workshop.zone);
  const planned = new Map((plan?.jobs ?? []).map((j) => [j.id, j]));
  const progress = stageProgress(build);
  const [done, all] = progress.reduce(([d, a], s) => [d + s.minutesDone, a + s.minutes], [0, 0]);
  const own = build.jobs.filter((j) => j.state === "done" && j.endedAt !== null && !j.byOthers);
  const finish = plan?.builds.find((b) => b.id === build.id)?.finish;
  return {
    build: build.name,
    van: shop.vans.find((v) => v.id === build.vanId)?.name ?? "",
    share: all ? Math.round((100 * done) / all) : 0,
    stages: STAGES.flatMap((stage) => {
      const s = progress.find((p) => p.stage === stage);
      if (!s) return [];
      const [name, means] = WORDS[stage];
      const state = s.done === s.all ? "finished" : s.done || s.running ? "under way" : "to come";
      return [{ name, means, state, words: state === "finished" ? "finished" : `${s.done} of ${s.all} ${s.all === 1 ? "job" : "jobs"}` }];
    }),
    lately: own
      .filter((j) => j.endedAt! > now - LATELY * DAY)
      .sort((a, b) => b.endedAt! - a.endedAt!)
      .map((j) => j.name),
    rests: own
      .map((j) => ({
        what: j.name,
        until: Math.max(releaseAt(build, j, "fully cured") ?? 0, j.hold.minutes && j.endedAt! + j.hold.minutes),
      }))
      .filter((r) => r.until > now),
    next: build.jobs
      .filter((j) => j.state === "todo" && planned.has(j.id))
      .map((j) => ({ what: j.name, at: zone.parse(planned.get(j.id)!.start) }))
      .sort((a, b) => a.at - b.at)
      .slice(0, NEXT),
    // What the house or somebody outside decides is no question to the client.
    asked: open.filter((c) => c.client).map((c) => ({ what: choiceOf(c.key).label, planned: c.assumed, by: c.by })),
    date: {
      due: build.due,
      finish: finish ? zone.parse(finish) : null,
      words: dateWords(
        shop,
        build,
        finish ? zone.parse(finish) : null,
        open.some((c) => c.client),
      ),
    },
  };
}

function dateWords(shop: Shop, build: BuildRow, finish: Minute | null, open: boolean): string {
  if (open) return "The day stands as agreed once the questions below are answered.";
  if (finish === null) return "We are working out the new day and will call you.";
  const late = finish > build.due ? Math.max(1, workingDays(shop, build.due, finish)) : 0;
  return late
    ? `By the plan of today it will be ${count(late, "working day")} later than agreed; we will call you about it.`
    : "By the plan of today it will be ready on the day agreed.";
}
