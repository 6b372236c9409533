// Released by two: where the house says so, a second name stands behind what can't be undone. One has answered what is asked
// before it, another, the lead or a deputy, releases it.

import type { JobRow, Shop } from "../state/model";

type House = Pick<Shop, "workshop">;
type Step = Pick<JobRow, "irreversible" | "state" | "releasedBy" | "questions">;

/** Whether a job still waits for its release. */
export const wantsRelease = (shop: House, job: Pick<JobRow, "irreversible" | "state" | "releasedBy">): boolean =>
  shop.workshop.releaseCuts && job.irreversible !== null && job.state === "todo" && job.releasedBy === null;

/** Whether nothing but the release is missing: what is asked before it has been answered. */
export const readyForRelease = (shop: House, job: Step): boolean =>
  wantsRelease(shop, job) && job.questions.every((q) => q.answeredAt !== null);

/** Why this user can't release it, in words; undefined where they can. */
export function releaseFault(shop: House, job: Step & Pick<JobRow, "name">, userId: string): string | undefined {
  if (!shop.workshop.releaseCuts || job.irreversible === null) return `${job.name} asks for no release.`;
  if (job.state !== "todo") return `${job.name} has already started.`;
  const open = job.questions.filter((q) => q.answeredAt === null).length;
  if (open) return `${open} ${open === 1 ? "question is" : "questions are"} still open before it.`;
  if (job.questions.length && job.questions.every((q) => q.answeredBy === userId))
    return "You answered all of it yourself: somebody else releases it.";
  return undefined;
}
