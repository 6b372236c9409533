// Sign in and out.

import type { NextRequest } from "next/server";
import { reader } from "@/core/plan/fault";
import {
  addressOf,
  cookieName,
  cookieValue,
  DEVICE_DAYS,
  deviceCookieName,
  SESSION_DAYS,
  setCookie,
  signOut,
} from "@/server/access/session";
import { type SignIn, signIn, signInDemo, signInSchema } from "@/server/access/sign-in";
import { Refusal } from "@/server/refusal";
import { answering, readJson, requireOwnPage } from "../answer";

export const dynamic = "force-dynamic";

const read = reader<SignIn>(signInSchema);
const DAY = 86_400;

export const POST = (request: NextRequest): Promise<Response> =>
  answering(request, async () => {
    requireOwnPage(request);
    const ask = read((await readJson(request)) ?? {});
    const { headers } = request;
    const device = cookieValue(headers.get("cookie"), deviceCookieName(headers));
    const from = { address: addressOf(headers), agent: headers.get("user-agent") ?? "", device };
    if (!ask.demoUser && !(ask.login && ask.password)) throw new Refusal(422, "Name and password are both needed.");
    const done = ask.demoUser
      ? await signInDemo(ask.demoUser, from)
      : await signIn({ ...ask, login: ask.login!, password: ask.password! }, from);
    if ("ask" in done) return Response.json({ ask: done.ask });
    const response = Response.json({ home: done.user.role === "lead" ? "/" : "/card" });
    response.headers.append("set-cookie", setCookie(cookieName(headers), done.token, SESSION_DAYS * DAY, headers));
    response.headers.append("set-cookie", setCookie(deviceCookieName(headers), done.device, DEVICE_DAYS * DAY, headers));
    return response;
  });

export const DELETE = (request: NextRequest): Promise<Response> =>
  answering(request, async () => {
    requireOwnPage(request);
    const { headers } = request;
    await signOut(cookieValue(headers.get("cookie"), cookieName(headers)));
    const response = Response.json({});
    response.headers.append("set-cookie", setCookie(cookieName(headers), "", 0, headers));
    response.headers.append("clear-site-data", '"cache"');
    return response;
  });
