import type { Metadata } from "next";
import { Account } from "@/ui/account/account";
import { accountView } from "../_views/account";
import { requireUser } from "../_views/who";

export const metadata: Metadata = { title: "Your account" };
export const dynamic = "force-dynamic";

export default async function Page() {
  return <Account view={await accountView(await requireUser())} />;
}
