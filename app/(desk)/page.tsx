import type { Metadata } from "next";
import { Yard } from "@/ui/yard/yard";
import { getState } from "../_views/state";
import { yardView } from "../_views/yard";

export const metadata: Metadata = { title: "Yard" };

export default async function Page() {
  return <Yard view={yardView(await getState())} />;
}
