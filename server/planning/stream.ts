// Answers that come line by line (JSON, one a line) while something is worked out; the last line says how it ended.

import { sameOrigin, type User, userOf } from "../access/session";
import { answerError } from "../api";
import { Refusal } from "../refusal";

/** Lets a lead start `work`; every `send` is one line. Refusals before the first line come with their status. */
export async function streamLines(
  request: Request,
  work: (user: User, body: Record<string, unknown>, send: (line: object) => void) => Promise<object>,
): Promise<Response> {
  let user: User | undefined;
  let body: Record<string, unknown>;
  try {
    if (!sameOrigin(request.headers)) throw new Refusal(403, "This request does not come from Wide Lane's own pages.");
    user = await userOf(request.headers);
    if (!user) throw new Refusal(401, "Sign in first.");
    if (user.role !== "lead") throw new Refusal(403, "Only the lead may do that.");
    const read: unknown = await request.json().catch(() => ({}));
    body = read && typeof read === "object" && !Array.isArray(read) ? (read as Record<string, unknown>) : {};
  } catch (e) {
    const { status, body: words } = answerError(e, request.headers.get("x-request-id"));
    return Response.json(words, { status });
  }
  const encoder = new TextEncoder();
  const who = user;
  const stream = new ReadableStream({
    async start(controller) {
      let open = true;
      const send = (line: object) => {
        if (!open) return;
        try {
          controller.enqueue(encoder.encode(`${JSON.stringify(line)}\n`));
        } catch {
          // The page has gone away; the work goes on and stores what it has.
          open = false;
        }
      };
      try {
        send({ done: await work(who, body, send) });
      } catch (e) {
        const { status, body: words } = answerError(e, request.headers.get("x-request-id"));
        send({ failed: { status, ...words } });
      }
      try {
        controller.close();
      } catch {
        // Closed already by the page.
      }
    },
  });
  return new Response(stream, {
    headers: { "content-type": "application/x-ndjson", "cache-control": "no-store", "x-accel-buffering": "no" },
  });
}
