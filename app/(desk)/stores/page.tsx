import type { Metadata } from "next";
import { Stores } from "@/ui/stores/stores";
import { leadState } from "../../_views/state";
import { storesView } from "../../_views/stores";

export const metadata: Metadata = { title: "Stores" };

export default async function Page({ searchParams }: { searchParams: Promise<{ part?: string }> }) {
  return <Stores view={storesView(await leadState())} part={(await searchParams).part} />;
}
