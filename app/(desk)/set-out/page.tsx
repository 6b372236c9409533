import type { Metadata } from "next";
import { findCalculator } from "@/core/setout/calculators";
import { allUsers } from "@/server/access/people";
import { libraryInUse } from "@/server/state/library";
import { SetOutHome } from "@/ui/setout/home";
import { SetOut } from "@/ui/setout/setout";
import { setOutView } from "../../_views/set-out";
import { setOutHome } from "../../_views/set-out-home";
import { onlyOf, userState } from "../../_views/state";

type Asked = Promise<{ build?: string; job?: string; sheet?: string }>;

/** The sheet's own title: the page adds its job and build, whichever of the two comes first. */
export async function generateMetadata({ searchParams }: { searchParams: Asked }): Promise<Metadata> {
  const { sheet } = await searchParams;
  return { title: (sheet && findCalculator(sheet)?.title) || "Set-out" };
}

/** A sheet, where one is named or a job is; else which numbers are needed next. */
export default async function Page({ searchParams }: { searchParams: Asked }) {
  const { build, job, sheet } = await searchParams;
  const { state, user, mine } = await userState();
  const names = new Map((await allUsers()).map((u) => [u.id, u.name]));
  if (!job && !sheet) {
    const { jobs } = await libraryInUse(state.now);
    const home = setOutHome(onlyOf(state, mine), build, names, jobs);
    return <SetOutHome key={home.of?.id ?? "none"} view={home} />;
  }
  const view = await setOutView(onlyOf(state, mine), { build, job }, user, names);
  return <SetOut key={`${view.of?.buildId ?? "loose"} ${view.of?.jobId ?? ""}`} view={view} />;
}
