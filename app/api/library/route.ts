// The job library as a file in the open format: the one in use, or a version of it.

import type { NextRequest } from "next/server";
import { libraryFile } from "@/core/library/library";
import { noteExport } from "@/server/access/audit";
import { loadState } from "@/server/planning/planning";
import { Refusal } from "@/server/refusal";
import { libraryInUse, libraryOf } from "@/server/state/library";
import { answering, requireLead } from "../answer";

export const dynamic = "force-dynamic";

export const GET = (request: NextRequest): Promise<Response> =>
  answering(request, async () => {
    const user = await requireLead(request);
    const { shop, now } = await loadState();
    const current = await libraryInUse(now);
    const asked = request.nextUrl.searchParams.get("version");
    const number = asked === null ? current.number : Number(asked);
    if (!Number.isInteger(number) || number < 1 || number > current.number) throw new Refusal(404, "There is no such version.");
    const jobs = number === current.number ? current.jobs : await libraryOf(number);
    await noteExport(user, request.headers, `job library, version ${number}`);
    return new Response(JSON.stringify(libraryFile(jobs, `${shop.workshop.name}, version ${number}`), null, 1), {
      headers: { "content-type": "application/json", "content-disposition": `attachment; filename="job-library-${number}.json"` },
    });
  });
