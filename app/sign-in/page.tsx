import type { Metadata } from "next";
import { cookies } from "next/headers";
import { redirect } from "next/navigation";
import { doorPlate } from "@/server/people";
import { COOKIE, userOfToken } from "@/server/session";
import { SignIn } from "@/ui/sign-in/sign-in";

export const metadata: Metadata = { title: "Sign in" };
export const dynamic = "force-dynamic";

export default async function Page() {
  const user = await userOfToken((await cookies()).get(COOKIE)?.value);
  if (user) redirect(user.role === "lead" ? "/" : "/card");
  return <SignIn {...(await doorPlate())} />;
}
