// Spares for later wishes: a gland and a port more, cheap before the lining and dear behind it.

import { jobWith } from "../../library/roles";
import type { Penetration } from "../records/kinds/hole";
import { figure } from "../state/house-figures";
import type { BuildRow } from "../state/model";
import { lateHole, penetrationsIn } from "./holes";

export interface Spare {
  title: string;
  side: Penetration["side"];
  minutesNow: number;
  minutesLater: number;
}

const SPARES: readonly Pick<Spare, "title" | "side">[] = [
  { title: "Spare gland for a cable", side: "roof" },
  { title: "Spare port", side: "left" },
];

/**
 * What could be proposed now: not in the list yet, and nothing behind it begun. Making it behind the lining adds cover, swarf once more
 * and the lining's own cut.
 */
export function sparesFor(build: Pick<BuildRow, "records" | "jobs" | "figures">): Spare[] {
  const now = figure(build, "smallHole");
  const swarf = jobWith(build.jobs, "swarf")?.minutes.likely ?? 0;
  const later = now + figure(build, "lateCover") + swarf + figure(build, "lateLining");
  return SPARES.filter((s) => !penetrationsIn(build.records).some((r) => r.title === s.title) && !lateHole(build, s.side)).map((s) => ({
    ...s,
    minutesNow: now,
    minutesLater: later,
  }));
}
