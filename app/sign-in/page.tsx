import type { Metadata } from "next";
import { redirect } from "next/navigation";
import { doorPlate } from "@/server/access/people";
import { SignIn } from "@/ui/sign-in/sign-in";
import { currentUser } from "../_views/who";

export const metadata: Metadata = { title: "Sign in" };
export const dynamic = "force-dynamic";

export default async function Page() {
  const user = await currentUser();
  if (user) redirect(user.role === "lead" ? "/" : "/card");
  return <SignIn {...(await doorPlate())} />;
}
