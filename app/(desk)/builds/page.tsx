import type { Metadata } from "next";
import { BuildList } from "@/ui/build/list";
import { buildCards } from "../../_views/build";
import { getState } from "../../_views/state";

export const metadata: Metadata = { title: "Builds" };

export default async function Page() {
  const state = await getState();
  return <BuildList cards={buildCards(state)} zone={state.shop.workshop.zone} />;
}
