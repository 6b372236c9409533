// Sign in and out.

import type { NextRequest } from "next/server";
import { answerError } from "@/server/api";
import { Refusal } from "@/server/refusal";
import { COOKIE, cookieIsSecure, SESSION_DAYS, sameOrigin, signIn, signInDemo, signOut } from "@/server/session";

export const dynamic = "force-dynamic";

export async function POST(request: NextRequest): Promise<Response> {
  try {
    if (!sameOrigin(request.headers)) throw new Refusal(403, "This request does not come from Wide Lane's own pages.");
    const body = (await request.json().catch(() => ({}))) as Record<string, unknown>;
    const address = request.headers.get("x-forwarded-for")?.split(",")[0].trim() ?? "direct";
    let session: Awaited<ReturnType<typeof signIn>>;
    if (typeof body.demoUser === "string") session = await signInDemo(body.demoUser);
    else if (typeof body.login === "string" && typeof body.password === "string" && body.login && body.password)
      session = await signIn(body.login.trim(), body.password, address);
    else throw new Refusal(422, "Name and password are both needed.");
    const response = Response.json({ home: session.user.role === "lead" ? "/" : "/card" });
    response.headers.append("set-cookie", cookie(session.token, SESSION_DAYS * 86_400, request.headers));
    return response;
  } catch (e) {
    const { status, body } = answerError(e);
    return Response.json(body, { status });
  }
}

export async function DELETE(request: NextRequest): Promise<Response> {
  if (!sameOrigin(request.headers))
    return Response.json({ error: "This request does not come from Wide Lane's own pages." }, { status: 403 });
  await signOut(request.cookies.get(COOKIE)?.value);
  const response = Response.json({});
  response.headers.append("set-cookie", cookie("", 0, request.headers));
  return response;
}

function cookie(value: string, seconds: number, headers: Headers): string {
  const secure = cookieIsSecure(headers) ? "; Secure" : "";
  return `${COOKIE}=${value}; Path=/; Max-Age=${seconds}; HttpOnly; SameSite=Strict${secure}`;
}
