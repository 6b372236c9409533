import type { Metadata } from "next";
import { allUsers } from "@/server/people";
import { SetOut } from "@/ui/setout/setout";
import { setOutView } from "../../_views/set-out";
import { onlyOf, userState } from "../../_views/state";

export const metadata: Metadata = { title: "Set-out" };

export default async function Page({ searchParams }: { searchParams: Promise<{ build?: string; job?: string }> }) {
  const { build, job } = await searchParams;
  const { state, user, mine } = await userState();
  const names = new Map((await allUsers()).map((u) => [u.id, u.name]));
  const view = await setOutView(onlyOf(state, mine), { build, job }, user, names);
  return <SetOut key={`${view.of?.buildId ?? "loose"} ${view.of?.jobId ?? ""}`} view={view} />;
}
