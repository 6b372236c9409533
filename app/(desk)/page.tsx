import type { Metadata } from "next";
import { figure } from "@/core/workshop/state/house-figures";
import { delaysNow } from "@/server/planning/delays";
import { lostLately } from "@/server/planning/lost-time";
import { Yard } from "@/ui/yard/yard";
import { allOpenChoices } from "../_views/open-choices";
import { leadState } from "../_views/state";
import { yardView } from "../_views/yard";

export const metadata: Metadata = { title: "Yard" };

export default async function Page() {
  const state = await leadState();
  const [open, slips, lost] = await Promise.all([
    allOpenChoices(state),
    delaysNow(figure(state.shop, "delayFrom")),
    lostLately(state.zone.dayStart(state.zone.dayOf(state.now))),
  ]);
  return <Yard view={yardView(state, open, slips, lost)} />;
}
