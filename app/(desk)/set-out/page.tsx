import type { Metadata } from "next";
import { allUsers } from "@/server/people";
import { SetOut } from "@/ui/setout/setout";
import { setOutView } from "../../_views/set-out";
import { leadState } from "../../_views/state";
import { requireLead } from "../../_views/who";

export const metadata: Metadata = { title: "Set-out" };

export default async function Page({ searchParams }: { searchParams: Promise<{ sheet?: string; build?: string; job?: string }> }) {
  const { sheet, build, job } = await searchParams;
  const user = await requireLead();
  const state = await leadState();
  const names = new Map((await allUsers()).map((u) => [u.id, u.name]));
  const view = await setOutView(state, { build, job }, user.role === "lead", names);
  return <SetOut key={`${view.of?.buildId ?? "loose"} ${view.of?.jobId ?? ""}`} view={view} sheet={sheet} />;
}
