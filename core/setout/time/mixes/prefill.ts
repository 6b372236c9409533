// Pieces of the job and what one takes; how long its adhesive stays open is on the tub.

import type { Facts, Prefill } from "../../engine/facts";

export function prefill({ known }: Facts): Prefill | undefined {
  const job = known?.job();
  if (!job) return undefined;
  const pieces = job.pieces ?? 1;
  const each = Math.max(1, Math.round(job.minutes.likely / pieces));
  return { draft: { pieces: String(pieces), pieceMinutes: String(each) }, basis: { pieces, "minutes a piece": each }, partial: true };
}
