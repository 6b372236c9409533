// The job library as a file in the open format: the one in use, or a version of it.

import type { NextRequest } from "next/server";
import { libraryFile } from "@/core/library/library";
import { libraryInUse, libraryOf } from "@/server/library";
import { loadState } from "@/server/planning";
import { COOKIE, userOfToken } from "@/server/session";

export const dynamic = "force-dynamic";

export async function GET(request: NextRequest): Promise<Response> {
  const user = await userOfToken(request.cookies.get(COOKIE)?.value);
  if (!user) return Response.json({ error: "Sign in first." }, { status: 401 });
  if (user.role !== "lead") return Response.json({ error: "Only the lead may do that." }, { status: 403 });
  const { shop, now } = await loadState();
  const current = await libraryInUse(now);
  const asked = request.nextUrl.searchParams.get("version");
  const number = asked === null ? current.number : Number(asked);
  if (!Number.isInteger(number) || number < 1 || number > current.number)
    return Response.json({ error: `There is no version ${asked}.` }, { status: 404 });
  const jobs = number === current.number ? current.jobs : await libraryOf(number);
  return new Response(JSON.stringify(libraryFile(jobs, `${shop.workshop.name}, version ${number}`), null, 1), {
    headers: { "content-type": "application/json", "content-disposition": `attachment; filename="job-library-${number}.json"` },
  });
}
