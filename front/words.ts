// The few answers that the front gives itself: in JSON to what asks for data, as a small page to a person.

import type { IncomingMessage, ServerResponse } from "node:http";
import { DATA_POLICY } from "./headers";

const PAGE = (title: string, text: string, link: boolean) => `<!doctype html>
<html lang="en-GB"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>${title} · Wide Lane</title></head>
<body><main><h1>${title}</h1><p>${text}</p>${link ? '<p><a href="/">Go to the start page</a></p>' : ""}</main></body></html>`;

export const WORDS: Record<number, [string, string]> = {
  400: ["This address can't be read", "There is a slip in it."],
  401: ["Sign in first", "Your sign-in has run out, or was ended."],
  403: ["This is not open to you", "Only the lead may see or do that."],
  404: ["There is nothing here", "It may have been handed over, or the address has a slip in it."],
  405: ["That can't be done here", "This address takes no such request."],
  411: ["How long is it?", "The request does not say how many bytes come with it."],
  413: ["That is too much at once", "The request is larger than this server takes here."],
  429: ["Too many requests", "Wait a moment, then try again."],
  503: ["The server is too busy", "This took too long and was given up. Try again in a moment."],
};

/** Whether a person looks at the answer: a browser that opens a page says so. */
const looks = (req: IncomingMessage): boolean =>
  (req.method === "GET" || req.method === "HEAD") && String(req.headers.accept ?? "").includes("text/html") && !req.headers.rsc;

/** Answers without asking anybody further back. A body that still comes is not read: the connection ends. */
export function answer(req: IncomingMessage, res: ServerResponse, status: number, more: Record<string, string> = {}, error?: string): void {
  if (res.headersSent) {
    res.destroy();
    return;
  }
  const [title, text] = WORDS[status] ?? ["That did not work", "The server could not answer."];
  const page = looks(req);
  const body = status < 400 ? "" : page ? PAGE(title, text, status !== 401) : JSON.stringify({ error: error ?? `${title}. ${text}` });
  const unread = Number(req.headers["content-length"] ?? 0) > 0 || req.headers["transfer-encoding"] !== undefined;
  res.writeHead(status, {
    ...(body ? { "Content-Type": page ? "text/html; charset=utf-8" : "application/json" } : {}),
    "Content-Length": Buffer.byteLength(body),
    "Content-Security-Policy": DATA_POLICY,
    "Cache-Control": "no-store",
    ...(unread ? { Connection: "close" } : {}),
    ...more,
  });
  res.end(req.method === "HEAD" ? undefined : body, () => {
    if (unread) req.destroy();
  });
}
