// What could gain a day for a build: each measure is told once it has been replanned.

import type { NextRequest } from "next/server";
import { tryGains } from "@/server/planning/planning";
import { streamLines } from "@/server/planning/stream";

export const dynamic = "force-dynamic";

export function POST(request: NextRequest): Promise<Response> {
  return streamLines(request, async (_user, body, send) => {
    await tryGains(String(body.build ?? ""), (step) => send({ step }), request.signal);
    return {};
  });
}
