// Reads a library file and tries it with many choices, line by line how far it is; the last line says what it would change.

import type { NextRequest } from "next/server";
import { tryLibrary } from "@/server/actions/library";
import { streamLines } from "@/server/planning/stream";

export const dynamic = "force-dynamic";

export function POST(request: NextRequest): Promise<Response> {
  return streamLines(request, (_user, body, send) =>
    tryLibrary(Number(body.base), body.file, (trying) => send({ trying }), request.signal),
  );
}
