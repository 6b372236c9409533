// How sure the dates of the plan at hand are: played through many times, each told as it is done.

import type { NextRequest } from "next/server";
import { playChances } from "@/server/planning/planning";
import { streamLines } from "@/server/planning/stream";

export const dynamic = "force-dynamic";

export function POST(request: NextRequest): Promise<Response> {
  return streamLines(request, async (_user, _body, send) => ({
    chances: await playChances((step) => send({ step }), request.signal),
  }));
}
