// The four releases of a bond: hands off, may be moved, may be soaked, fully cured; and which of them each follower waits for.

import { hasRole } from "../../library/roles";
import { findCalculator } from "../../setout/calculators";
import type { Minute } from "../../time/zone";
import type { ClockName } from "../records/kinds/clock";
import { entriesOf } from "../records/kinds/of";
import type { BuildRow, JobRow } from "../state/model";

export const RELEASES = ["hands off", "may be moved", "may be soaked", "fully cured"] as const satisfies readonly ClockName[];
export type Release = (typeof RELEASES)[number];

/** Minutes of each release by the job's kept cure sheet; none without one, or where it says that nothing cures. */
export function curedAfter(build: Pick<BuildRow, "sheets">, jobId: string): Partial<Record<Release, number>> {
  const sheet = build.sheets.find((s) => s.calculator === "cure" && s.jobId === jobId);
  if (!sheet) return {};
  try {
    const r = findCalculator("cure")!.run(sheet.input).results as Record<string, number | null | undefined>;
    const hours: [Release, number | null | undefined][] = [
      ["hands off", r.handsOffH],
      ["may be moved", r.moveAfterH],
      ["may be soaked", r.soakAfterH],
      ["fully cured", r.fullDays == null ? r.fullDays : r.fullDays * 24],
    ];
    return Object.fromEntries(hours.flatMap(([what, h]) => (h == null ? [] : [[what, Math.ceil(Math.round(h * 6000) / 100)]])));
  } catch {
    return {};
  }
}

/**
 * When a done job reaches a release: by the clock that somebody started for it, else by its cure sheet from the end of the work, else,
 * for all but the full cure, by its hold. Undefined where nothing says it. Tapping a clock off makes nothing cure sooner.
 */
export function releaseAt(
  build: Pick<BuildRow, "sheets" | "records">,
  job: Pick<JobRow, "id" | "endedAt" | "hold" | "irreversible">,
  release: Release,
): Minute | undefined {
  const clock = entriesOf(build.records, "clock")
    .filter((r) => r.jobId === job.id && r.data.what === release)
    .at(-1);
  if (clock) return clock.saidAt + clock.data.minutes;
  if (job.endedAt === null) return undefined;
  const minutes = curedAfter(build, job.id)[release];
  if (minutes !== undefined) return job.endedAt + minutes;
  return release !== "fully cured" && (job.hold.still || job.irreversible === "bond") && job.hold.minutes > 0
    ? job.endedAt + job.hold.minutes
    : undefined;
}

/** The release that a job waits for of a bond before it: water for the soak test, else moving and bearing a hand. */
export const releaseFor = (job: Pick<JobRow, "roles" | "tags">): Release =>
  hasRole(job, "soak-test") || job.tags.includes("water") ? "may be soaked" : "may be moved";

/** Bonds of a build that are not yet as far as a release, with the moment at which they are. */
export const notReleased = (
  build: Pick<BuildRow, "sheets" | "records" | "jobs">,
  release: Release,
  now: Minute,
): { job: JobRow; at: Minute }[] =>
  build.jobs.flatMap((job) => {
    const at = job.state === "done" && job.place === "van" ? releaseAt(build, job, release) : undefined;
    return at !== undefined && at > now ? [{ job, at }] : [];
  });

/** What a job waits for of the bonds that it follows beyond their hold, as "Fan may be soaked from Thu 14:20". */
export const releasesBefore = (
  build: Pick<BuildRow, "sheets" | "records" | "jobs">,
  job: Pick<JobRow, "roles" | "tags" | "after">,
  now: Minute,
  say: (at: Minute) => string,
): string[] => {
  const release = releaseFor(job);
  const before = new Set(job.after.filter((a) => !a.ignoreHold).map((a) => a.job));
  return (
    notReleased(build, release, now)
      // The hold itself is told by the order of the jobs.
      .filter(({ job: bond, at }) => before.has(bond.id) && at > bond.endedAt! + bond.hold.minutes)
      .map(({ job: bond, at }) => `${bond.name} ${release} from ${say(at)}`)
  );
};
