import type { Metadata } from "next";
import { headers } from "next/headers";
import { notFound } from "next/navigation";
import { allUsers } from "@/server/access/people";
import { PrintCards } from "@/ui/builds/cards";
import { buildView } from "../../../../_views/build";
import { printCards } from "../../../../_views/print-cards";
import { leadState } from "../../../../_views/state";

export const metadata: Metadata = { title: "Job cards" };

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const state = await leadState();
  const names = new Map((await allUsers()).map((u) => [u.id, u.name]));
  const view = await buildView(state, id, names);
  if (!view) notFound();
  const h = await headers();
  const origin = `${h.get("x-forwarded-proto") ?? "http"}://${h.get("host") ?? "localhost"}`;
  return <PrintCards build={view.name} back={`/builds/${id}`} cards={await printCards(view, origin)} />;
}
