// Choices that the client has not made: what hangs on each, and by when it has to be made.

import { choiceOf, sayChoice } from "../../library/choices";
import { hangingOn } from "../../library/impact";
import type { Entry } from "../../library/library";
import type { OptionKey, Options } from "../../library/options";
import type { Plan } from "../../plan/model";
import { DAY, type Zone } from "../../time/zone";
import type { Geometry } from "../../van/model";
import { leadOf } from "../planning/latest";
import { jobId } from "../state/from-network";
import { figure } from "../state/house-figures";
import type { BuildRow, JobRow, SupplierRow } from "../state/model";
import { deciderOf } from "./deciders";

export interface OpenChoice {
  key: OptionKey;
  label: string;
  /** Who decides it, and whether for the client. */
  owner: string;
  client: boolean;
  /** What is planned until it is made. */
  assumed: string;
  /** Jobs of this build that would be others, in order; those begun are left out. */
  holds: { id: string; name: string }[];
  /** Jobs begun or done that another answer would change: too late for them. */
  passed: string[];
  /** The first of them in the plan, and the last moment for an answer; null when none is planned. Minutes. */
  first: number | null;
  by: number | null;
}

/** That many working days (Monday to Friday) before an instant, at the same wall time. */
function workingDaysBefore(zone: Zone, at: number, days: number): number {
  let day = zone.dayOf(at);
  for (let left = days; left > 0; ) {
    day--;
    if ((((day + 3) % 7) + 7) % 7 < 5) left--;
  }
  return zone.dayStart(day) + (at - zone.dayStart(zone.dayOf(at)));
}

/** The longest way, in nine cases of ten, of a part of the job that is not ordered yet; seeing samples of it included. */
function leadMinutes(job: JobRow, suppliers: readonly SupplierRow[]): number {
  const days = job.parts
    .filter((p) => p.state === "needed" && suppliers.some((s) => s.id === p.supplierId))
    .map((p) => leadOf(suppliers, p.supplierId) + p.sampleDays);
  return Math.max(0, ...days) * DAY;
}

/** Which open choices each job hangs on, by code: what the store keeps with the jobs. */
export function undecidedOf(
  open: readonly OptionKey[],
  options: Options,
  geometry: Geometry,
  library: readonly Entry[],
): Map<string, OptionKey[]> {
  const out = new Map<string, OptionKey[]>();
  for (const key of open) for (const code of hangingOn(key, options, geometry, library)) out.set(code, [...(out.get(code) ?? []), key]);
  return out;
}

/** The open choices of a build, soonest first; the last moment leaves time to order what hangs on it. */
export function openChoices(
  zone: Zone,
  build: BuildRow,
  geometry: Geometry,
  library: readonly Entry[],
  plan: Plan | undefined,
  suppliers: readonly SupplierRow[] = [],
): OpenChoice[] {
  const byId = new Map(build.jobs.map((j) => [j.id, j]));
  const starts = new Map((plan?.jobs ?? []).map((j) => [j.id, zone.parse(j.start)]));
  return build.openChoices
    .map((key): OpenChoice => {
      const jobs = hangingOn(key, build.options, geometry, library).flatMap((code) => byId.get(jobId(build.id, code)) ?? []);
      const todo = jobs.filter((j) => j.state === "todo");
      const planned = todo.flatMap((j) => starts.get(j.id) ?? []);
      const first = planned.length ? Math.min(...planned) : null;
      // What hangs on it is ordered only after the answer: each job's own parts count back from its start.
      const latest = todo.flatMap((j) => {
        const start = starts.get(j.id);
        return start === undefined ? [] : workingDaysBefore(zone, start - leadMinutes(j, suppliers), figure(build, "reactionDays"));
      });
      const owner = deciderOf(build, key);
      return {
        key,
        label: choiceOf(key).label,
        owner: owner.who,
        client: owner.client,
        assumed: sayChoice(key, build.options[key]).split(": ")[1],
        holds: todo.map(({ id, name }) => ({ id, name })),
        passed: jobs.filter((j) => j.state !== "todo").map((j) => j.name),
        first,
        by: latest.length ? Math.min(...latest) : null,
      };
    })
    .sort((a, b) => (a.by ?? Infinity) - (b.by ?? Infinity));
}
