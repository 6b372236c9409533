import type { Metadata } from "next";
import { Kits } from "@/ui/stores/kits";
import { Stores } from "@/ui/stores/stores";
import { kitsView } from "../../_views/fitter";
import { onlyOf, userState } from "../../_views/state";
import { storesView } from "../../_views/stores";

export const metadata: Metadata = { title: "Stores" };

export default async function Page({ searchParams }: { searchParams: Promise<{ part?: string }> }) {
  const { state, user, mine } = await userState();
  if (user.role !== "lead") return <Kits view={kitsView(onlyOf(state, mine), user.fitterId ?? "")} />;
  return <Stores view={storesView(state)} part={(await searchParams).part} />;
}
