// How often lettering left an outline in this house.

import type { Facts, Prefill } from "../../engine/facts";

export function prefill({ known }: Facts): Prefill | undefined {
  const share = known?.ghostShare();
  if (share === undefined) return undefined;
  return { draft: { share: String(share), ghost: "not known" }, basis: { "share that needed it": share }, partial: true };
}
