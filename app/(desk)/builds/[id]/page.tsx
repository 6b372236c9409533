import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { allUsers } from "@/server/access/people";
import { FitterBuild } from "@/ui/builds/fitter";
import { BuildSheet } from "@/ui/builds/sheet";
import { buildView } from "../../../_views/build";
import { fitterBuildView } from "../../../_views/fitter";
import { userState } from "../../../_views/state";

interface Asked {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ job?: string }>;
}

export async function generateMetadata({ params }: Asked): Promise<Metadata> {
  const { id } = await params;
  const { state, mine } = await userState();
  return { title: mine.has(id) ? state.shop.builds.find((b) => b.id === id)?.name : "Build" };
}

export default async function Page({ params, searchParams }: Asked) {
  const { id } = await params;
  const { state, user, mine } = await userState();
  if (!mine.has(id)) notFound();
  const names = new Map((await allUsers()).map((u) => [u.id, u.name]));
  const { job } = await searchParams;
  if (user.role !== "lead") {
    const view = await fitterBuildView(state, id, user.fitterId ?? "", names);
    if (!view) notFound();
    return <FitterBuild key={id} view={view} open={job} />;
  }
  const view = await buildView(state, id, names);
  if (!view) notFound();
  return <BuildSheet key={id} view={view} open={job} />;
}
