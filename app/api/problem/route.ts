// The planning problem as a file in the open format, for the command line or another tool.

import type { NextRequest } from "next/server";
import { noteExport } from "@/server/access/audit";
import { currentProblem } from "@/server/planning/planning";
import { answering, requireLead } from "../answer";

export const dynamic = "force-dynamic";

export const GET = (request: NextRequest): Promise<Response> =>
  answering(request, async () => {
    const user = await requireLead(request);
    const { problem } = await currentProblem();
    await noteExport(user, request.headers, "planning problem");
    return new Response(JSON.stringify(problem, null, 1), {
      headers: {
        "content-type": "application/json",
        "content-disposition": `attachment; filename="problem-${problem.now.slice(0, 10)}.json"`,
      },
    });
  });
