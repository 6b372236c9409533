// Where one absence would stop a skill: work to come that one fitter alone can do, and whom to train on which job.

import type { Plan } from "../../plan/model";
import { type Minute, zoneOf } from "../../time/zone";
import { barredFrom } from "../starts/barred";
import type { FitterRow, JobRow, Shop } from "../state/model";

export interface SoleSkill {
  fitterId: string;
  /** "electric at level 3", "gas at level 2 with a gas ticket" */
  what: string;
  jobs: number;
  /** The next of these jobs, with its build and, where it is planned, its start. */
  next: { name: string; build: string; at: Minute | null };
  /** Who comes nearest to it, and could learn on that job; null where nobody has begun. */
  train: string | null;
}

type Demand = JobRow["crew"][number];

const levelOf = (f: FitterRow, skill: string): number =>
  skill === "any" ? Math.max(0, ...Object.values(f.skills)) : (f.skills[skill] ?? 0);

function able(f: FitterRow, d: Demand, on: string): boolean {
  if (f.retired || levelOf(f, d.skill) < d.level) return false;
  return !d.ticket || f.tickets.some((t) => t.id === d.ticket && (!t.until || t.until >= on));
}

/** Skills that hang on one fitter alone, the most work first. `plan` is the one worked to. */
export function soleSkills(shop: Shop, plan: Plan | undefined, now: Minute): SoleSkill[] {
  const zone = zoneOf(shop.workshop.zone);
  const planned = new Map((plan?.jobs ?? []).map((j) => [j.id, zone.parse(j.start)]));
  const found = new Map<string, { d: Demand; f: FitterRow; jobs: { job: JobRow; build: string; at: Minute | null }[] }>();
  for (const b of shop.builds)
    for (const job of b.jobs) {
      if (job.state === "done") continue;
      const at = planned.get(job.id) ?? null;
      const on = zone.show(at ?? now).slice(0, 10);
      for (const d of job.crew) {
        if (d.skill === "any" && !d.ticket) continue;
        const who = shop.fitters.filter((f) => able(f, d, on) && !barredFrom(f, job).length);
        if (who.length !== 1) continue;
        const key = `${who[0].id} ${d.skill} ${d.level} ${d.ticket ?? ""}`;
        const entry = found.get(key) ?? { d, f: who[0], jobs: [] };
        entry.jobs.push({ job, build: b.name, at });
        found.set(key, entry);
      }
    }
  return [...found.values()]
    .map(({ d, f, jobs }) => {
      const first = jobs.sort((a, b) => (a.at ?? Number.POSITIVE_INFINITY) - (b.at ?? Number.POSITIVE_INFINITY))[0];
      const pupil = shop.fitters
        .filter((x) => x.id !== f.id && !x.retired && levelOf(x, d.skill) > 0)
        .sort((a, b) => levelOf(b, d.skill) - levelOf(a, d.skill) || a.name.localeCompare(b.name))[0];
      return {
        fitterId: f.id,
        what: `${d.skill === "any" ? "work" : d.skill} at level ${d.level}${d.ticket ? ` with a ${d.ticket} ticket` : ""}`,
        jobs: jobs.length,
        next: { name: first.job.name, build: first.build, at: first.at },
        train: pupil?.name ?? null,
      };
    })
    .sort((a, b) => b.jobs - a.jobs || a.what.localeCompare(b.what));
}
