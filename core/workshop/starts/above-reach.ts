// Work above reach: what has to stand there, and who.

import type { Van } from "../../van/model";
import { figure } from "../state/house-figures";
import type { JobRow, Shop } from "../state/model";

/** Told to whoever works on a roof that nobody reaches from the ground. */
export function highWords(
  shop: Pick<Shop, "workshop">,
  van: Pick<Van, "heightMm"> | undefined,
  job: Pick<JobRow, "zones" | "place" | "state" | "crew" | "tools">,
): string[] {
  if (!van || van.heightMm <= figure(shop, "reach") || job.place !== "van" || job.state === "done" || !job.zones.includes("roof"))
    return [];
  const people = job.crew.reduce((n, c) => n + c.people, 0);
  return [
    [
      `Above reach (${van.heightMm} mm): ${job.tools.includes("roof platform") ? "its platform is booked" : "platform or ladder"}`,
      people < 2 && "a second person by name stands by",
      "on the roof spreader boards, dry, no more people than the body's sheet allows",
    ]
      .filter(Boolean)
      .join("; "),
  ];
}
