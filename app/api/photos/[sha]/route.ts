// Serves a photo by its content hash; it never changes, so browsers may keep it.

import type { NextRequest } from "next/server";
import { photoBytes } from "@/server/photos";
import { COOKIE, userOfToken } from "@/server/session";

export const dynamic = "force-dynamic";

export async function GET(request: NextRequest, { params }: { params: Promise<{ sha: string }> }): Promise<Response> {
  if (!(await userOfToken(request.cookies.get(COOKIE)?.value))) return Response.json({ error: "Sign in first." }, { status: 401 });
  const { sha } = await params;
  const photo = /^[0-9a-f]{64}$/.test(sha) ? await photoBytes(sha, request.nextUrl.searchParams.has("small")) : undefined;
  if (!photo) return Response.json({ error: "There is no such photo." }, { status: 404 });
  return new Response(new Uint8Array(photo.bytes), {
    headers: { "content-type": photo.mime, "cache-control": "private, max-age=31536000, immutable", "x-content-type-options": "nosniff" },
  });
}
