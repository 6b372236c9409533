import type { Metadata } from "next";
import { Library } from "@/ui/library/library";
import { libraryView } from "../../../_views/library";
import { leadState } from "../../../_views/state";

export const metadata: Metadata = { title: "Job library" };

export default async function Page() {
  const view = await libraryView(await leadState());
  return <Library key={view.number} view={view} />;
}
