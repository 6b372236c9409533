// What a late part does in its build, job by job: asked for when somebody opens it.

import type { NextRequest } from "next/server";
import { loadState } from "@/server/planning/planning";
import { Refusal } from "@/server/refusal";
import { partDetail } from "../../../_views/stores";
import { answering, requireLead } from "../../answer";

export const dynamic = "force-dynamic";

export const GET = (request: NextRequest, { params }: { params: Promise<{ id: string }> }): Promise<Response> =>
  answering(request, async () => {
    await requireLead(request);
    const detail = partDetail(await loadState(), (await params).id);
    if (!detail) throw new Refusal(404, "There is no such part line any more.");
    return Response.json(detail, { headers: { "cache-control": "no-store" } });
  });
