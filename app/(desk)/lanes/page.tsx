import type { Metadata } from "next";
import { Lanes } from "@/ui/lanes/lanes";
import { lanesView } from "../../_views/lanes";
import { getState } from "../../_views/state";

export const metadata: Metadata = { title: "Lanes" };

export default async function Page({ searchParams }: { searchParams: Promise<{ job?: string }> }) {
  const { job } = await searchParams;
  return <Lanes view={lanesView(await getState())} selected={job} />;
}
