import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { allUsers } from "@/server/people";
import { BuildSheet } from "@/ui/build/sheet";
import { buildView } from "../../../_views/build";
import { leadState } from "../../../_views/state";

export const metadata: Metadata = { title: "Build" };

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ job?: string; tab?: string }>;
}) {
  const { id } = await params;
  const state = await leadState();
  const names = new Map((await allUsers()).map((u) => [u.id, u.name]));
  const view = await buildView(state, id, names);
  if (!view) notFound();
  const { job, tab } = await searchParams;
  return <BuildSheet key={id} view={view} open={job} tab={tab} />;
}
