// Fills the frame: workshop, user, clock, counts.

import { shotState } from "@/core/workshop/proof/proof";
import type { State } from "@/server/planning/planning";
import type { FrameView } from "@/ui/frame/view";

export function frameView(state: State, user: FrameView["user"]): FrameView {
  const { shop, now } = state;
  return {
    workshop: shop.workshop.name,
    zone: shop.workshop.zone,
    now,
    fixed: !!process.env.WIDE_LANE_NOW,
    user: { name: user.name, role: user.role },
    event: String(state.change),
    waitingPhotos:
      user.role === "lead"
        ? shop.builds
            .flatMap((b) => b.jobs)
            .flatMap((j) => j.shots)
            .filter((s) => shotState(s) === "waiting").length
        : 0,
  };
}
