// Every write by JSON: checks origin and sign-in, hands over to the server's action, answers in JSON.

import type { NextRequest } from "next/server";
import { answerError, perform } from "@/server/api";
import { Refusal } from "@/server/refusal";
import { COOKIE, sameOrigin, userOfToken } from "@/server/session";

export const dynamic = "force-dynamic";

const MAX_JSON = 256 * 1024;

async function handle(request: NextRequest, { params }: { params: Promise<{ path: string[] }> }): Promise<Response> {
  try {
    if (!sameOrigin(request.headers)) throw new Refusal(403, "This request does not come from Wide Lane's own pages.");
    const user = await userOfToken(request.cookies.get(COOKIE)?.value);
    if (!user) throw new Refusal(401, "Sign in first.");
    const text = await request.text();
    if (text.length > MAX_JSON) throw new Refusal(413, "That is too much at once.");
    let body: unknown;
    try {
      body = text ? JSON.parse(text) : {};
    } catch {
      throw new Refusal(400, "The request is no JSON.");
    }
    const { path } = await params;
    return Response.json(await perform(request.method, path, body, user, request.signal));
  } catch (e) {
    const { status, body } = answerError(e);
    return Response.json(body, { status });
  }
}

export { handle as DELETE, handle as PATCH, handle as POST };
