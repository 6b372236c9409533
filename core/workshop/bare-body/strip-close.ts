// What is still open when stripping closes, which job each thing will hurt, and from when.

import { jobWith } from "../../library/roles";
import type { Plan } from "../../plan/model";
import { type Minute, zoneOf } from "../../time/zone";
import { askedFor, behindHole, penetrationsIn } from "../openings/holes";
import { entriesOf } from "../records/kinds/of";
import type { BuildRow, JobRow, Shop } from "../state/model";
import { count } from "../state/say";
import { itemsIn, stripOpen } from "./removed-items";
import { COVERS, shellStates, ZONE_WORDS } from "./zones";

export interface OpenLine {
  text: string;
  /** The job it will hurt, and when that is planned. */
  hurts: string | null;
  at: Minute | null;
}

/**
 * Every open line before the strip is closed: things undecided or lying nowhere, templates, holes, rust and cleanness by
 * zone, the van's weight, and holes that are asked for but not in the list. Empty: it can close.
 */
export function stripClosing(shop: Shop, build: BuildRow, plan: Plan | undefined, now: Minute): OpenLine[] {
  const zone = zoneOf(shop.workshop.zone);
  const planned = new Map((plan?.jobs ?? []).map((j) => [j.id, zone.parse(j.start)]));
  const line = (text: string, job: JobRow | undefined): OpenLine => ({
    text,
    hurts: job && job.state !== "done" ? job.name : null,
    at: job ? (planned.get(job.id) ?? null) : null,
  });
  const first = (test: (j: JobRow) => boolean): JobRow | undefined =>
    build.jobs
      .filter((j) => j.state === "todo" && test(j))
      .sort((a, b) => (planned.get(a.id) ?? Number.POSITIVE_INFINITY) - (planned.get(b.id) ?? Number.POSITIVE_INFINITY))[0];
  const inner = (zones: readonly string[]) => first((j) => j.stage === "insulation" && j.zones.some((z) => zones.includes(z)));
  const out = stripOpen(build, { roles: ["strip-close"] }).map((text) => line(text, undefined));
  for (const r of itemsIn(build.records)) {
    if (r.closedAt !== null || r.data.fate !== "template") continue;
    const worn = Object.values(r.data.edges ?? {}).filter((e) => e !== "trusted").length;
    const job = first((j) => r.data.serves?.includes(j.code) ?? false);
    if (worn) out.push(line(`${r.title}: ${count(worn, "edge")} can't be trusted, scribe there`, job));
  }
  for (const z of shellStates(build, now)) {
    if (z.accepted) continue;
    if (z.holes || z.rust) {
      const words = [
        z.holes && `${count(z.holes, "hole")} open`,
        z.rust && `rust in ${count(z.rust, "place")}${z.stop ? ", through" : ""}`,
      ];
      out.push(line(`${ZONE_WORDS[z.zone]}: ${words.filter(Boolean).join(", ")}`, inner(COVERS[z.zone])));
    }
    if (z.id !== null && !z.holes && !z.rust) out.push(line(`${ZONE_WORDS[z.zone]}: not taken over as clean`, inner(COVERS[z.zone])));
  }
  const weigh = jobWith(build.jobs, "weigh-in");
  if (weigh && weigh.state !== "done") out.push(line("The van is not weighed", weigh));
  for (const a of askedFor(build, shop.leaks))
    out.push(
      line(
        `${a.title}: asked for, but not in the list of holes`,
        a.jobId === null ? inner(behindHole(a.side)) : build.jobs.find((j) => j.id === a.jobId),
      ),
    );
  if (!penetrationsIn(build.records).length)
    out.push(
      line(
        "No hole through the skin is listed yet: any more?",
        first((j) => j.stage === "openings"),
      ),
    );
  if (!entriesOf(build.records, "lastcall").length)
    out.push(
      line(
        `${build.client} has not been asked: any more holes?`,
        first((j) => j.stage === "openings"),
      ),
    );
  return out.sort((x, y) => (x.at ?? Number.POSITIVE_INFINITY) - (y.at ?? Number.POSITIVE_INFINITY));
}
