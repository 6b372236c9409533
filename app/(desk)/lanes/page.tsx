import type { Metadata } from "next";
import { otherAnswer, plansToCompare, warmPlanner } from "@/server/planning/planning";
import { Lanes } from "@/ui/lanes/lanes";
import { fitterLanes, lanesView } from "../../_views/lanes";
import { userState } from "../../_views/state";

export const metadata: Metadata = { title: "Lanes" };

export default async function Page({ searchParams }: { searchParams: Promise<{ against?: string }> }) {
  const { against } = await searchParams;
  const { state, user, mine } = await userState();
  if (user.role !== "lead") return <Lanes view={fitterLanes(state, mine)} />;
  warmPlanner(state);
  const number = against && /^\d{1,9}$/.test(against) ? Number(against) : undefined;
  const [{ list, plan }, other] = await Promise.all([plansToCompare(state.zone, number), otherAnswer(state.zone)]);
  return <Lanes view={lanesView(state, list, plan, other)} />;
}
