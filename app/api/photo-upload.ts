// Takes the upload of a photo: who may, and what is wrong with it. How long it may be the front has seen to.

import type { NextRequest } from "next/server";
import type { User } from "@/server/access/session";
import { inPhotoTurn, MAX_BYTES } from "@/server/proof/photos";
import { Refusal } from "@/server/refusal";
import { once } from "@/server/writing";
import { answering, requireOwnPage, requireUser } from "./answer";

/** Answers with what `keep` made of the file in the form's field "photo", or with the fault. */
export const takePhoto = (request: NextRequest, keep: (user: User, bytes: Buffer) => Promise<object>): Promise<Response> =>
  answering(request, async () => {
    requireOwnPage(request);
    const user = await requireUser(request);
    if (Number(request.headers.get("content-length") ?? 0) > MAX_BYTES + 10_000) throw new Refusal(413, "The photo is larger than 25 MB.");
    const kept = await inPhotoTurn(async () => {
      const form = await request.formData().catch(() => undefined);
      const file = form?.get("photo");
      if (!(file instanceof File))
        throw new Refusal(422, "No photo came with the request.", { faults: [{ path: "photo", message: "is missing" }] });
      const bytes = Buffer.from(await file.arrayBuffer());
      // The address says which photo it is; the same act sent again brings the same bytes.
      return once(user.id, request.headers.get("x-act-id"), `POST ${request.nextUrl.pathname} ${file.size}`, () => keep(user, bytes));
    });
    return Response.json(kept);
  });
