import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { clientPage } from "@/core/workshop/client/client-page";
import { allUsers } from "@/server/access/people";
import { ClientSheet } from "@/ui/builds/client/client-sheet";
import { buildView } from "../../../../_views/build";
import { leadState } from "../../../../_views/state";

export const metadata: Metadata = { title: "Client page" };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const state = await leadState();
  const view = await buildView(state, id, new Map((await allUsers()).map((u) => [u.id, u.name])));
  const build = state.shop.builds.find((b) => b.id === id);
  if (!view || !build) notFound();
  const page = clientPage(state.shop, build, (state.published ?? state.working)?.plan, view.openChoices, state.now);
  return <ClientSheet page={page} house={state.shop.workshop.name} zone={view.zone} now={state.now} back={`/builds/${id}`} />;
}
