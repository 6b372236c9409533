// First piece, then the run: of work in several pieces, the check of the first releases the rest.

import { figure } from "../state/house-figures";
import type { JobRow, Shop } from "../state/model";

type Batch = Pick<JobRow, "name" | "pieces" | "firstPiece" | "state">;

/** Whether the rest of a batch still waits for its first piece to be signed. */
export const batchLocked = (job: Pick<JobRow, "pieces" | "firstPiece">): boolean =>
  job.pieces?.first === true && job.pieces.count > 1 && job.firstPiece === null;

/** Why a count can't be written down, in words; undefined where it can. One piece may be made before anybody signs. */
export const countFault = (job: Batch, done: number): string | undefined =>
  batchLocked(job) && done > 1 ? `${job.name}: the first piece is not signed yet. The rest waits for its check.` : undefined;

/** Whether somebody may sign the first piece: the lead, or who has a skill that the job asks for at the level that the house sets. */
export function maySign(
  shop: Pick<Shop, "fitters" | "workshop">,
  job: Pick<JobRow, "crew">,
  user: { role: string; fitterId: string | null },
): boolean {
  if (user.role === "lead") return true;
  const level = figure(shop, "signsFrom");
  const skills = shop.fitters.find((f) => f.id === user.fitterId && !f.retired)?.skills ?? {};
  return job.crew.some((c) => (c.skill === "any" ? Object.values(skills).some((l) => l >= level) : (skills[c.skill] ?? 0) >= level));
}

/** Why the first piece can't be signed, in words; undefined where it can. */
export function signFault(job: Batch): string | undefined {
  if (!job.pieces?.first || job.pieces.count < 2) return `${job.name} asks for no first piece.`;
  if (job.firstPiece !== null) return `The first piece of ${job.name} is signed already.`;
  if (job.state !== "started" && job.state !== "paused") return `Start ${job.name} first: there is no piece to check yet.`;
  if (job.pieces.done < 1) return "Count the first piece, then check it.";
  return undefined;
}
