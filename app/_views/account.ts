// Fills the page of one's own account.

import { ownAccount } from "@/server/access/people";
import type { User } from "@/server/access/session";
import type { AccountView } from "@/ui/account/view";

export async function accountView(user: User): Promise<AccountView> {
  const { sessions, second } = await ownAccount(user.id);
  return {
    name: user.name,
    login: user.login,
    lead: user.role === "lead",
    second,
    sessions: sessions.map((s) => ({
      id: s.id,
      device: deviceName(s.agent),
      address: s.address,
      since: s.createdAt,
      seen: s.seenAt,
      mine: s.id === user.sessionId,
    })),
  };
}

/** What a browser calls itself, in few words: "Firefox on Android". */
export function deviceName(agent: string): string {
  const browser = [
    ["Edg/", "Edge"],
    ["Firefox/", "Firefox"],
    ["Chrome/", "Chrome"],
    ["Safari/", "Safari"],
  ].find(([sign]) => agent.includes(sign))?.[1];
  const system = [
    ["Android", "Android"],
    ["iPhone", "iPhone"],
    ["iPad", "iPad"],
    ["Windows", "Windows"],
    ["Mac OS", "Mac"],
    ["Linux", "Linux"],
  ].find(([sign]) => agent.includes(sign))?.[1];
  return [browser ?? "A browser", system && `on ${system}`].filter(Boolean).join(" ");
}
