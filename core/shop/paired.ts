// Who of a job's crew is needed for all of it: by its kept sheet "Two hands, or a prop" the second one only for some minutes.

import { pairMinutes } from "../setout/pair-minutes";
import type { BuildRow, JobRow } from "./model";

export interface CrewAsked {
  skill: string;
  level: number;
  people: number;
  ticket: string | null;
  /** Minutes of the job's likely work. */
  during?: { from: number; to: number };
}

/**
 * What the planner asks for. The sheet's minutes are stretched to the job's own; where it finds that one alone does it, the
 * second is not asked for at all. The one with the least skill asked for is who helps; nobody with a ticket does.
 */
export function crewAsked(
  build: Pick<BuildRow, "sheets"> | undefined,
  job: Pick<JobRow, "id" | "crew" | "minutes" | "state">,
): CrewAsked[] {
  const crew: CrewAsked[] = job.crew.map((c) => ({ ...c }));
  const people = crew.reduce((n, c) => n + c.people, 0);
  const sheet = build?.sheets.find((s) => s.calculator === pairMinutes.name && s.jobId === job.id && s.worst !== "stop");
  if (!sheet || people < 2 || job.state !== "todo") return crew;
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
  if (told.helper) {
    const stretch = told.minutes > 0 ? job.minutes.likely / told.minutes : 1;
    const from = Math.floor(told.helper.from * stretch);
    crew.push({ ...one, people: 1, during: { from, to: Math.max(from + 1, Math.ceil(told.helper.to * stretch)) } });
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

/** A second one who comes later, in words. */
export function helperWords(build: Pick<BuildRow, "sheets"> | undefined, job: Pick<JobRow, "id" | "crew" | "minutes" | "state">): string[] {
  const asked = crewAsked(build, job);
  const helper = asked.find((c) => c.during);
  if (helper?.during) return [`A second person from minute ${helper.during.from} to ${helper.during.to}, free for the rest`];
  const fewer = asked.reduce((n, c) => n + c.people, 0) < job.crew.reduce((n, c) => n + c.people, 0);
  return fewer ? ["One alone does it, with the prop of its sheet"] : [];
}
