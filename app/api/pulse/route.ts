// The newest event's id: open pages ask every few seconds and load anew when it changes.

import type { NextRequest } from "next/server";
import { pulse } from "@/server/pulse";
import { COOKIE, userOfToken } from "@/server/session";

export const dynamic = "force-dynamic";

export async function GET(request: NextRequest): Promise<Response> {
  if (!(await userOfToken(request.cookies.get(COOKIE)?.value))) return Response.json({ error: "Sign in first." }, { status: 401 });
  return Response.json({ event: await pulse() }, { headers: { "cache-control": "no-store" } });
}
