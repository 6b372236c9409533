import type { Metadata } from "next";
import { Workshop } from "@/ui/workshop/workshop";
import { leadState } from "../../_views/state";
import { workshopView } from "../../_views/workshop";

export const metadata: Metadata = { title: "Workshop" };

export default async function Page() {
  return <Workshop view={await workshopView(await leadState())} />;
}
