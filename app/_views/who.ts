// What every page needs first: who asks. Nothing is loaded for whoever may not see it.

import { cookies, headers } from "next/headers";
import { redirect } from "next/navigation";
import { cookieName, type User, userOfToken } from "@/server/access/session";

/** Who is signed in; undefined: nobody. */
export async function currentUser(): Promise<User | undefined> {
  return userOfToken((await cookies()).get(cookieName(await headers()))?.value);
}

/** The signed-in user; else off to the sign-in. */
export async function requireUser(): Promise<User> {
  const user = await currentUser();
  if (!user) redirect("/sign-in");
  return user;
}

/** The lead; fitters are sent to their card. */
export async function requireLead(): Promise<User> {
  const user = await requireUser();
  if (user.role !== "lead") redirect("/card");
  return user;
}
