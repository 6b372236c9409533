// What the lanes' panel says of one job.

import type { NextRequest } from "next/server";
import { buildsOf } from "@/core/workshop/state/seen-by";
import { loadState } from "@/server/planning/planning";
import { Refusal } from "@/server/refusal";
import { fitterDetail, jobDetail } from "../../../_views/lanes";
import { answering, requireUser } from "../../answer";

export const dynamic = "force-dynamic";

export const GET = (request: NextRequest, { params }: { params: Promise<{ id: string }> }): Promise<Response> =>
  answering(request, async () => {
    const user = await requireUser(request);
    const { id } = await params;
    const state = await loadState();
    const detail =
      user.role === "lead"
        ? jobDetail(state, id)
        : fitterDetail(state, id, new Set(buildsOf(state.shop, state.published?.plan, user.fitterId ?? "").map((b) => b.id)));
    if (!detail) throw new Refusal(404, "There is no such job any more.");
    return Response.json(detail, { headers: { "cache-control": "no-store" } });
  });
