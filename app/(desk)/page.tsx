import type { Metadata } from "next";
import { figure } from "@/core/workshop/state/house-figures";
import { delaysNow } from "@/server/planning/delays";
import { Yard } from "@/ui/yard/yard";
import { allOpenChoices } from "../_views/open-choices";
import { leadState } from "../_views/state";
import { yardView } from "../_views/yard";

export const metadata: Metadata = { title: "Yard" };

export default async function Page() {
  const state = await leadState();
  return <Yard view={yardView(state, await allOpenChoices(state), await delaysNow(figure(state.shop, "delayFrom")))} />;
}
