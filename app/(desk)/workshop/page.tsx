import type { Metadata } from "next";
import { libraryInUse } from "@/server/state/library";
import { Workshop } from "@/ui/workshop/workshop";
import { leadState } from "../../_views/state";
import { workshopView } from "../../_views/workshop";

export const metadata: Metadata = { title: "Workshop" };

export default async function Page() {
  const state = await leadState();
  const { jobs } = await libraryInUse(state.now);
  return <Workshop view={await workshopView(state, jobs)} />;
}
