// What every page needs first: who asks. Sends away who may not see it.

import { cookies } from "next/headers";
import { redirect } from "next/navigation";
import { COOKIE, type User, userOfToken } from "@/server/session";

/** The signed-in user; else off to the sign-in. */
export async function requireUser(): Promise<User> {
  const user = await userOfToken((await cookies()).get(COOKIE)?.value);
  if (!user) redirect("/sign-in");
  return user;
}

/** The lead; fitters are sent to their card. */
export async function requireLead(): Promise<User> {
  const user = await requireUser();
  if (user.role !== "lead") redirect("/card");
  return user;
}
