// Serves a photo by its content hash; it never changes, so browsers may keep it.

import type { NextRequest } from "next/server";
import { photoFor } from "@/server/proof/photos";
import { Refusal } from "@/server/refusal";
import { answering, requireUser } from "../../answer";

export const dynamic = "force-dynamic";

export const GET = (request: NextRequest, { params }: { params: Promise<{ sha: string }> }): Promise<Response> =>
  answering(request, async () => {
    const user = await requireUser(request);
    const { sha } = await params;
    const photo = /^[0-9a-f]{64}$/.test(sha) ? await photoFor(user, sha, request.nextUrl.searchParams.has("small")) : undefined;
    if (!photo) throw new Refusal(404, "There is no such photo.");
    return new Response(new Uint8Array(photo.bytes), {
      headers: { "content-type": photo.mime, "cache-control": "private, max-age=31536000, immutable", "x-content-type-options": "nosniff" },
    });
  });
