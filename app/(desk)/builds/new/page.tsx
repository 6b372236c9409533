import type { Metadata } from "next";
import { myDrafts } from "@/server/builds/drafts";
import { type DraftData, NewBuild } from "@/ui/builds/new-build";
import { leadState } from "../../../_views/state";
import { requireLead } from "../../../_views/who";

export const metadata: Metadata = { title: "Add a build" };

export default async function Page({ searchParams }: { searchParams: Promise<{ draft?: string }> }) {
  const { shop, zone, now } = await leadState();
  const { draft: asked } = await searchParams;
  const user = await requireLead();
  const draft = asked ? (await myDrafts(user.id)).find((d) => d.id === asked) : undefined;
  return (
    <NewBuild
      vans={shop.vans}
      now={zone.show(now)}
      house={shop.workshop.house}
      {...(draft ? { draft: { id: draft.id, data: draft.data as Partial<DraftData> } } : {})}
    />
  );
}
