// Who of a job's crew is needed for all of it: by its kept sheet "Two hands, or a prop" the second one only for some minutes.

import { type Plan, plannedMinutes } from "../../plan/model";
import { pairMinutes } from "../../setout/time/pair-minutes/pair-minutes";
import { leftMinutes } from "../builds/left";
import type { BuildRow, FitterRow, JobRow, Shop } from "../state/model";
import { sayMinutes } from "../state/say";

export interface CrewAsked {
  skill: string;
  level: number;
  people: number;
  ticket: string | null;
  /** Minutes of the likely work that is left. */
  during?: { from: number; to: number };
}

type Asked = Pick<JobRow, "id" | "crew" | "minutes" | "state"> & Partial<Pick<JobRow, "helpers">>;

/** Minutes of a job's work that lie behind it: what was planned less what is left. */
export const behindMinutes = (shop: Parameters<typeof leftMinutes>[0], job: JobRow, now: number): number =>
  job.state === "todo" ? 0 : Math.max(0, plannedMinutes(job.minutes) - leftMinutes(shop, job, now));

/**
 * What the planner asks for. The sheet's minutes are stretched to the job's own; where it finds that one alone does it, the
 * second is not asked for at all, nor once so much lies `behind` the job that the part is over, or a helper was let go. The one
 * with the least skill asked for is who helps; nobody with a ticket does.
 */
export function crewAsked(build: Pick<BuildRow, "sheets"> | undefined, job: Asked, behind = 0): CrewAsked[] {
  const crew: CrewAsked[] = job.crew.map((c) => ({ ...c }));
  const people = crew.reduce((n, c) => n + c.people, 0);
  const sheet = build?.sheets.find((s) => s.calculator === pairMinutes.name && s.jobId === job.id && s.worst !== "stop");
  if (!sheet || people < 2 || job.state === "done") return crew;
  let told: { minutes: number; helper: { from: number; to: number } | null };
  try {
    told = pairMinutes.run(sheet.input).results as typeof told;
  } catch {
    return crew;
  }
  const at = crew.reduce((k, c, i) => (c.ticket === null && (k < 0 || c.level <= crew[k].level) ? i : k), -1);
  if (at < 0) return crew;
  const { people: _all, ...one } = crew[at];
  crew[at].people--;
  if (told.helper && !job.helpers?.some((h) => h.freedAt !== null)) {
    const stretch = told.minutes > 0 ? job.minutes.likely / told.minutes : 1;
    const first = Math.floor(told.helper.from * stretch);
    const to = Math.max(first + 1, Math.ceil(told.helper.to * stretch)) - behind;
    if (to > 0) crew.push({ ...one, people: 1, during: { from: Math.max(0, first - behind), to } });
  }
  return crew.filter((c) => c.people > 0);
}

/** Who of a planned job begins it: without those who are only needed later. */
export function beginners(p: {
  start: string;
  fitters: readonly string[];
  helpers?: readonly { fitter: string; work: readonly (readonly string[])[] }[];
}): string[] {
  const later = new Set(p.helpers?.flatMap((h) => (h.work.length && h.work[0][0] > p.start ? [h.fitter] : [])));
  return p.fitters.filter((f) => !later.has(f));
}

/** How many have to be there when it begins. */
export const neededAtStart = (crew: readonly CrewAsked[]): number =>
  crew.reduce((n, c) => n + (c.during && c.during.from > 0 ? 0 : c.people), 0);

/**
 * Who of those named to begin a job is there for a part only. Nobody, as long as fewer are named than are asked: the helper is
 * still to come. Else the one who is planned so; without a plan the first whom the others can do without.
 */
export function helperAmong(
  shop: Pick<Shop, "builds" | "fitters">,
  job: JobRow,
  crew: readonly string[],
  planned: readonly { fitter: string }[] = [],
  behind = 0,
): string | null {
  const asked = crewAsked(
    shop.builds.find((b) => b.id === job.buildId),
    job,
    behind,
  );
  if (!asked.some((c) => c.during) || crew.length < asked.reduce((n, c) => n + c.people, 0)) return null;
  const named = crew.find((f) => planned.some((h) => h.fitter === f));
  if (named) return named;
  const can = (id: string, c: CrewAsked) =>
    hasSkill(
      shop.fitters.find((f) => f.id === id),
      c,
    );
  const whole = asked.filter((c) => !c.during);
  const spare = [...crew].reverse().find((f) => whole.every((c) => crew.filter((g) => g !== f && can(g, c)).length >= c.people));
  return spare ?? null;
}

/** The helper of a job under way. */
export interface Help {
  /** On it now; null: still to come, or let go. */
  here: string | null;
  /** Minutes of work from now in which they are needed, and what they have to be able to do; null: no more. */
  during: { from: number; to: number } | null;
  skill: string;
  level: number;
  /** Let go before. */
  freed: boolean;
}

/** How a job under way stands with its second person; undefined where none is asked for a part of it. */
export function helpOf(shop: Shop, job: JobRow, now: number): Help | undefined {
  if (job.state !== "started") return undefined;
  const build = shop.builds.find((b) => b.id === job.buildId);
  const asked = crewAsked(build, job, behindMinutes(shop, job, now)).find((c) => c.during);
  const during = asked?.during ?? null;
  const here = job.helpers?.find((h) => h.freedAt === null)?.fitter ?? null;
  const freed = job.helpers?.some((h) => h.freedAt !== null) ?? false;
  // Everybody asked for is on it to the end: nobody is still to come.
  const full = here === null && job.fitters.length >= job.crew.reduce((n, c) => n + c.people, 0);
  return (during || here || freed) && !full ? { here, during, freed, skill: asked?.skill ?? "any", level: asked?.level ?? 1 } : undefined;
}

/** Who is to come to a job under way, by the first of some plans that names somebody; undefined: nobody, or they are on it. */
export function comesTo(plans: readonly (Plan | undefined)[], job: Pick<JobRow, "id" | "fitters">): string | undefined {
  const named = plans.map((plan) => plan?.jobs.find((p) => p.id === job.id)?.helpers?.[0]?.fitter).find((f) => f !== undefined);
  return named !== undefined && !job.fitters.includes(named) ? named : undefined;
}

/** How it stands with the second person, in words; `name` of whoever is there. */
export function sayHelp({ during, here }: Help, name: string | null): string {
  const who = name ?? "A second person";
  if (!during) return here ? `The part that needs two is over: ${who} is free` : "One goes on alone";
  const soon = during.from > 0 ? `in ${sayMinutes(during.from)} of work` : "now";
  return `${who} is needed ${soon}, for ${sayMinutes(during.to - during.from)}`;
}

/** Whether somebody can do what a slot asks, ticket aside. */
export const hasSkill = (f: Pick<FitterRow, "skills"> | undefined, asks: { skill: string; level: number }): boolean =>
  (asks.skill === "any" ? Math.max(0, ...Object.values(f?.skills ?? {})) : (f?.skills[asks.skill] ?? 0)) >= asks.level;

/** Who is on a job under way as far as the plan goes: without a helper whose part is over. */
export function onIt(job: JobRow, asked: readonly CrewAsked[]): { fitters: string[]; helpers: string[] } {
  const helps = new Set(job.helpers?.flatMap((h) => (h.freedAt === null ? [h.fitter] : [])));
  const part = asked.some((c) => c.during);
  return part
    ? { fitters: job.fitters, helpers: job.fitters.filter((f) => helps.has(f)) }
    : { fitters: job.fitters.filter((f) => !helps.has(f)), helpers: [] };
}

/** A second one who comes later, in words. */
export function helperWords(build: Pick<BuildRow, "sheets"> | undefined, job: Asked): string[] {
  if (job.state !== "todo") return [];
  const asked = crewAsked(build, job);
  const helper = asked.find((c) => c.during);
  if (helper?.during) return [`A second person from minute ${helper.during.from} to ${helper.during.to}, free for the rest`];
  const fewer = asked.reduce((n, c) => n + c.people, 0) < job.crew.reduce((n, c) => n + c.people, 0);
  return fewer ? ["One alone does it, with the prop of its sheet"] : [];
}
