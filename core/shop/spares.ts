// Spares for later wishes: a gland and a port more, cheap before the lining and dear behind it.

import type { BuildRow } from "./model";
import { lateHole, penetrationsIn } from "./penetrations";
import type { Penetration } from "./records";

/** Minutes to cut, coat and close one small hole, and what making it behind the lining adds: cover, swarf once more, the lining's cut. House figures. */
const SMALL_MINUTES = 25;
const BEHIND_MINUTES = 20 + 70 + 20;

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

/** What could be proposed now: not in the list yet, and nothing behind it begun. */
export const sparesFor = (build: Pick<BuildRow, "records" | "jobs">): Spare[] =>
  SPARES.filter((s) => !penetrationsIn(build.records).some((r) => r.title === s.title) && !lateHole(build, s.side)).map((s) => ({
    ...s,
    minutesNow: SMALL_MINUTES,
    minutesLater: SMALL_MINUTES + BEHIND_MINUTES,
  }));
