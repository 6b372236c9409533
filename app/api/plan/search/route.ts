// A longer search: every better plan is told while it runs; stopping keeps the best so far.

import type { NextRequest } from "next/server";
import { replan } from "@/server/planning/planning";
import { streamLines } from "@/server/planning/stream";

export const dynamic = "force-dynamic";

const LONGEST = 120;

export function POST(request: NextRequest): Promise<Response> {
  return streamLines(request, async (user, body, send) => {
    const seconds = Math.min(LONGEST, Math.max(1, Number(body.seconds) || 10));
    const { plan, came } = await replan(user.id, {
      ms: seconds * 1000,
      local: body.local === true,
      onBetter: (better) => send({ better }),
      signal: request.signal,
    });
    return { cost: plan.cost, steps: plan.iterations, came };
  });
}
