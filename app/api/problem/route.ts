// The planning problem as a file in the open format, for the command line or another tool.

import type { NextRequest } from "next/server";
import { currentProblem } from "@/server/planning";
import { COOKIE, userOfToken } from "@/server/session";

export const dynamic = "force-dynamic";

export async function GET(request: NextRequest): Promise<Response> {
  const user = await userOfToken(request.cookies.get(COOKIE)?.value);
  if (!user) return Response.json({ error: "Sign in first." }, { status: 401 });
  if (user.role !== "lead") return Response.json({ error: "Only the lead may do that." }, { status: 403 });
  const { problem } = await currentProblem();
  return new Response(JSON.stringify(problem, null, 1), {
    headers: {
      "content-type": "application/json",
      "content-disposition": `attachment; filename="problem-${problem.now.slice(0, 10)}.json"`,
    },
  });
}
