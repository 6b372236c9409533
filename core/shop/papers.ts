// What the papers of a build (consents, work of others, traps, metal behind cuts, taped cavities) hold up and have to say.

import { consentBefore } from "./consent";
import { bareMembers, membersBefore, memberWords } from "./members";
import type { BuildRow, JobRow, Shop } from "./model";
import { othersBefore } from "./others";
import { roundMissing } from "./rounds";
import { seatWords } from "./seats";
import { tapedBefore } from "./sparks";
import { trapsBefore, trapWords } from "./traps";

/** What a job that is not begun yet waits for, in words. */
export const papersBefore = (build: BuildRow, job: JobRow): string[] => [
  ...consentBefore(build, job),
  ...membersBefore(build, job),
  ...trapsBefore(build, job),
  ...othersBefore(build, job),
  ...bareMembers(build, job),
  ...tapedBefore(build, job),
];

/** What its fitter has to know of them. */
export function paperWords(shop: Pick<Shop, "bays">, build: BuildRow, job: JobRow): string[] {
  const round = job.place === "van" && job.state === "todo" ? roundMissing(shop, build) : undefined;
  return [...(round ? [round] : []), ...trapWords(build, job), ...memberWords(build, job), ...seatWords(build, job)];
}
