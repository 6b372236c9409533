// Vans one after the other in each bay, in the published order: when the next one may come, as the one before has left.

import type { Minute } from "../time/zone";
import type { Compiled, Job } from "./compile";
import type { Fit } from "./fit";

/** Jobs are told in the order in which they are laid: that of their published starts. */
export class BayOrder {
  /** Who left each bay last and when, as it is now and as published. */
  private readonly left = new Map<number, { build: number; at: Minute; published: Minute }>();
  private readonly c: Compiled;

  constructor(c: Compiled) {
    this.c = c;
  }

  /** The van of a job can be at a place at the soonest. The gap between two vans is as published, at most the time a shunt takes. */
  entry(j: Job, place: number): Minute {
    const before = this.left.get(place);
    if (!j.van || place === this.c.yard || !before || before.build === j.build) return Number.NEGATIVE_INFINITY;
    return before.at + Math.min(this.c.shunt, j.published!.start - before.published);
  }

  /** A job was laid there. */
  laid(j: Job, place: number, fit: Fit): void {
    if (!j.van) return;
    const last = this.left.get(place);
    const same = last?.build === j.build ? last : undefined;
    this.left.set(place, {
      build: j.build,
      at: Math.max(fit.end + (j.still ? j.hold : 0), same?.at ?? 0),
      published: Math.max(j.still ? j.published!.holdUntil : j.published!.end, same?.published ?? 0),
    });
  }
}
