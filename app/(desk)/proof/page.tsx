import type { Metadata } from "next";
import { allUsers } from "@/server/access/people";
import { Proof } from "@/ui/proof/proof";
import { proofView } from "../../_views/proof";
import { leadState } from "../../_views/state";

export const metadata: Metadata = { title: "Proof" };

export default async function Page() {
  const state = await leadState();
  const names = new Map((await allUsers()).map((u) => [u.id, u.name]));
  return <Proof view={proofView(state, names)} />;
}
