import type { Metadata } from "next";
import { allUsers } from "@/server/people";
import { Proof } from "@/ui/proof/proof";
import { proofView } from "../../_views/proof";
import { getState } from "../../_views/state";

export const metadata: Metadata = { title: "Proof" };

export default async function Page() {
  const names = new Map((await allUsers()).map((u) => [u.id, u.name]));
  return <Proof view={proofView(await getState(), names)} />;
}
