// The number of the newest change: open pages ask for it every few seconds and reload when it has changed.

import type { NextRequest } from "next/server";
import { pulse } from "@/server/running/pulse";
import { answering, requireUser } from "../answer";

export const dynamic = "force-dynamic";

export const GET = (request: NextRequest): Promise<Response> =>
  answering(request, async () => {
    await requireUser(request);
    return Response.json({ event: await pulse() }, { headers: { "cache-control": "no-store" } });
  });
