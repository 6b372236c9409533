// Every act by JSON: checks origin and sign-in, hands over to the server's action, answers in JSON.

import type { NextRequest } from "next/server";
import { perform } from "@/server/api";
import { answering, readJson, requireOwnPage, requireUser } from "../answer";

export const dynamic = "force-dynamic";

const handle = (request: NextRequest, { params }: { params: Promise<{ path: string[] }> }): Promise<Response> =>
  answering(request, async () => {
    requireOwnPage(request);
    const user = await requireUser(request);
    const body = await readJson(request);
    const { path } = await params;
    return Response.json(await perform(request.method, path, body, user, request.signal, request.headers.get("x-act-id")));
  });

export { handle as DELETE, handle as PATCH, handle as POST };
