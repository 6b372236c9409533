// Takes the upload of a photo: who may, how large, and what is wrong with it.

import type { NextRequest } from "next/server";
import { answerError } from "@/server/api";
import { MAX_BYTES } from "@/server/photos";
import { Refusal } from "@/server/refusal";
import { COOKIE, sameOrigin, userOfToken } from "@/server/session";

/** Answers with what `keep` made of the file in the form's field "photo", or with the fault. */
export async function takePhoto(
  request: NextRequest,
  keep: (user: NonNullable<Awaited<ReturnType<typeof userOfToken>>>, bytes: Buffer) => Promise<object>,
): Promise<Response> {
  try {
    if (!sameOrigin(request.headers)) throw new Refusal(403, "This request does not come from Wide Lane's own pages.");
    const user = await userOfToken(request.cookies.get(COOKIE)?.value);
    if (!user) throw new Refusal(401, "Sign in first.");
    if (Number(request.headers.get("content-length") ?? 0) > MAX_BYTES + 10_000) throw new Refusal(413, "The photo is larger than 25 MB.");
    const form = await request.formData().catch(() => undefined);
    const file = form?.get("photo");
    if (!(file instanceof File))
      throw new Refusal(422, "No photo came with the request.", { faults: [{ path: "photo", message: "is missing" }] });
    return Response.json(await keep(user, Buffer.from(await file.arrayBuffer())));
  } catch (e) {
    const { status, body } = answerError(e);
    return Response.json(body, { status });
  }
}
