// The zones of a van on a chosen day: bare, in work, held, waiting for proof, closed.

export type ZoneState = "bare" | "work" | "hold" | "proof" | "closed";

/** What the drawing has to know of a job: when it is (fact or plan, minutes), where, and what it closes. */
export interface ZoneJob {
  name: string;
  stage: string;
  zones: string[];
  from: number | null;
  to: number | null;
  holdMinutes: number;
  /** Zones to keep off during the hold; "all" for every one; null for none but its own. */
  keepOff: string[] | "all" | null;
  still: boolean;
  /** It shuts in what lies behind it in its zones. */
  closes: boolean;
  /** Required photos of it that are not approved. */
  openProof: number;
  /** When whatever covers it starts; null while nothing is planned to. */
  coveredFrom: number | null;
}

export interface ZoneAt {
  zone: string;
  state: ZoneState;
  /** Stage of the work, for its colour. */
  stage?: string;
  /** In words. */
  says: string;
}

export const DRAWN_ZONES = ["nose", "left", "right", "rear", "floor", "ceiling", "roof", "underside"] as const;

/** Outer zones have no lining: they are closed when all work on them is over. */
const OUTER = new Set(["roof", "underside", "nose"]);

/** Every zone's state at a moment, and whether the van must not be moved. What is in work goes before holds, holds before missing proof. */
export function zonesAt(jobs: readonly ZoneJob[], at: number): { zones: ZoneAt[]; still: string | null } {
  const zones = DRAWN_ZONES.map((zone): ZoneAt => {
    const here = jobs.filter((j) => j.zones.includes(zone) && j.from !== null && j.to !== null);
    const work = here.filter((j) => j.from! <= at && at < j.to!).sort((a, b) => a.zones.length - b.zones.length)[0];
    if (work) return { zone, state: "work", stage: work.stage, says: `${work.name} in work` };
    const hold = jobs.find((j) => {
      if (j.to === null || j.to > at || at >= j.to + j.holdMinutes) return false;
      return j.keepOff === "all" || (j.keepOff ?? j.zones).includes(zone);
    });
    if (hold) return { zone, state: "hold", stage: hold.stage, says: `held: ${hold.name}` };
    const ended = here.filter((j) => j.to! <= at);
    const proof = ended.filter((j) => j.openProof > 0 && (j.coveredFrom === null || j.coveredFrom > at));
    const photos = proof.reduce((n, j) => n + j.openProof, 0);
    if (photos)
      return {
        zone,
        state: "proof",
        says: `waits for ${photos} ${photos === 1 ? "photo" : "photos"}: ${proof.map((j) => j.name).join(", ")}`,
      };
    const closed = OUTER.has(zone)
      ? here.length > 0 && ended.length === jobs.filter((j) => j.zones.includes(zone)).length && ended.at(-1)
      : ended.findLast((j) => j.closes);
    if (closed) return { zone, state: "closed", says: `closed by ${closed.name}` };
    return { zone, state: "bare", says: ended.length ? `open, last ${ended.at(-1)!.name}` : "bare" };
  });
  const still = jobs.find((j) => j.still && j.to !== null && j.to <= at && at < j.to + j.holdMinutes);
  return { zones, still: still ? still.name : null };
}

/** Jobs that shut a zone in, by what can't be undone about them. */
export const CLOSING = new Set(["close-up", "screw-down", "tank"]);
