// What every route handler does first and last: who asks, from where, how long the body may be, and how a fault is answered.

import type { NextRequest } from "next/server";
import { sameOrigin, type User, userOf } from "@/server/access/session";
import { answerError } from "@/server/api";
import { Refusal } from "@/server/refusal";

const DEEPEST = 60;

/** Runs a handler; what it throws is answered in JSON. */
export async function answering(request: NextRequest, work: () => Promise<Response>): Promise<Response> {
  try {
    return await work();
  } catch (e) {
    const { status, body } = answerError(e, request.headers.get("x-request-id"));
    const wait = typeof body.wait === "number" ? { "retry-after": String(body.wait) } : undefined;
    return Response.json(body, { status, headers: wait });
  }
}

/** Refuses what another site makes a browser send. */
export function requireOwnPage(request: NextRequest): void {
  if (!sameOrigin(request.headers)) throw new Refusal(403, "This request does not come from Wide Lane's own pages.");
}

export async function requireUser(request: NextRequest): Promise<User> {
  const user = await userOf(request.headers);
  if (!user) throw new Refusal(401, "Sign in first.");
  return user;
}

export async function requireLead(request: NextRequest): Promise<User> {
  const user = await requireUser(request);
  if (user.role !== "lead") throw new Refusal(403, "Only the lead may do that.");
  return user;
}

/** The body as JSON; the front has seen to it that it is no longer than its door takes. */
export async function readJson(request: NextRequest): Promise<unknown> {
  const text = await request.text();
  if (!text) return {};
  if (deeper(text, DEEPEST)) throw new Refusal(422, `The request is nested more than ${DEEPEST} deep.`);
  try {
    return JSON.parse(text);
  } catch {
    throw new Refusal(400, "The request is not JSON.");
  }
}

/** Whether brackets are nested deeper than that, without reading it as JSON. */
function deeper(text: string, most: number): boolean {
  let depth = 0;
  let quoted = false;
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i);
    if (quoted) {
      if (c === 92) i++;
      else if (c === 34) quoted = false;
    } else if (c === 34) quoted = true;
    else if (c === 91 || c === 123) {
      if (++depth > most) return true;
    } else if (c === 93 || c === 125) depth--;
  }
  return false;
}
