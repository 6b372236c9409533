// A part line's state in words.

import { sayDay } from "@/core/plan/words";
import type { Zone } from "@/core/time/zone";
import type { PartRow } from "@/core/workshop/state/model";

export function partWords(zone: Zone, p: Pick<PartRow, "state" | "promisedAt" | "shelf" | "note">): string {
  switch (p.state) {
    case "needed":
      return "not ordered yet";
    case "ordered":
      return "ordered, no date";
    case "promised":
      return `promised ${sayDay(zone, p.promisedAt!)}`;
    case "arrived":
      return "here, not checked";
    case "checked":
      return `here${p.shelf ? `, shelf ${p.shelf}` : ""}`;
    case "wrong":
      return `came wrong${p.note ? `: ${p.note}` : ""}`;
  }
}
