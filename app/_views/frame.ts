// Fills the frame: workshop, user, clock, counts, and what the finder knows.

import { shotState } from "@/core/shop/proof";
import type { State } from "@/server/planning";
import { pulse } from "@/server/pulse";
import type { Find, FrameView } from "@/ui/frame/view";

export async function frameView(state: State, user: FrameView["user"]): Promise<FrameView> {
  const { shop, now } = state;
  const find: Find[] = [];
  for (const b of shop.builds) {
    find.push({ label: b.name, detail: `build, ${b.client}`, href: `/builds/${b.id}` });
    for (const j of b.jobs)
      find.push({ label: `${j.code} ${j.name}`, detail: b.name, href: `/builds/${b.id}?job=${encodeURIComponent(j.id)}` });
    for (const p of b.jobs.flatMap((j) => j.parts))
      find.push({ label: p.name, detail: `part, ${b.name}`, href: `/stores?part=${encodeURIComponent(p.id)}` });
  }
  return {
    workshop: shop.workshop.name,
    zone: shop.workshop.zone,
    now,
    fixed: !!process.env.WIDE_LANE_NOW,
    user: { name: user.name, role: user.role },
    event: await pulse(),
    waitingPhotos: shop.builds
      .flatMap((b) => b.jobs)
      .flatMap((j) => j.shots)
      .filter((s) => shotState(s) === "waiting").length,
    find: user.role === "lead" ? find : [],
  };
}
