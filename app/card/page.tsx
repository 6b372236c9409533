import type { Metadata } from "next";
import { allUsers } from "@/server/access/people";
import { BenchCard } from "@/ui/card/bench-card";
import { cardView } from "../_views/card";
import { userState } from "../_views/state";

export const metadata: Metadata = { title: "Bench card" };
export const dynamic = "force-dynamic";

export default async function Page({ searchParams }: { searchParams: Promise<{ job?: string; fitter?: string }> }) {
  const { state, user } = await userState();
  const names = new Map((await allUsers()).map((u) => [u.id, u.name]));
  const view = await cardView(state, user, await searchParams, names);
  return <BenchCard key={view.job?.id ?? "none"} view={view} />;
}
