import type { Metadata } from "next";
import { myDrafts } from "@/server/builds/drafts";
import { BuildList } from "@/ui/builds/list";
import { buildCards } from "../../_views/build";
import { leadState } from "../../_views/state";
import { requireLead } from "../../_views/who";

export const metadata: Metadata = { title: "Builds" };

export default async function Page() {
  const state = await leadState();
  const user = await requireLead();
  const drafts = (await myDrafts(user.id)).map((d) => ({
    id: d.id,
    name: typeof d.data.name === "string" && d.data.name.trim() ? d.data.name : "no name yet",
    at: d.updatedAt,
  }));
  return <BuildList cards={buildCards(state)} zone={state.shop.workshop.zone} drafts={drafts} />;
}
