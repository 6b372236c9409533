// Builds, jobs, parts, people, sheets and records by a few letters.

import type { NextRequest } from "next/server";
import { findAnything } from "@/server/state/find";
import { answering, requireLead } from "../answer";

export const dynamic = "force-dynamic";

export const GET = (request: NextRequest): Promise<Response> =>
  answering(request, async () => {
    await requireLead(request);
    const found = await findAnything(request.nextUrl.searchParams.get("q") ?? "");
    return Response.json({ found }, { headers: { "cache-control": "no-store" } });
  });
