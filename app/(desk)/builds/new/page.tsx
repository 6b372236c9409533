import type { Metadata } from "next";
import { NewBuild } from "@/ui/build/new-build";
import { getState } from "../../../_views/state";
import { vanShape } from "../../../_views/van";

export const metadata: Metadata = { title: "Add a build" };

export default async function Page() {
  const { shop, zone, now } = await getState();
  return <NewBuild vans={shop.vans.map((v) => ({ id: v.id, insideCrew: v.insideCrew, ...vanShape(shop, v.id) }))} now={zone.show(now)} />;
}
