import type { Metadata } from "next";
import { Library } from "@/ui/library/library";
import { libraryView } from "../../../_views/library";
import { getState } from "../../../_views/state";

export const metadata: Metadata = { title: "Job library" };

export default async function Page({ searchParams }: { searchParams: Promise<{ job?: string }> }) {
  const view = await libraryView(await getState());
  return <Library key={view.number} view={view} open={(await searchParams).job} />;
}
