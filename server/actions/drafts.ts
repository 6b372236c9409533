// Builds that are being added: kept as they are typed, to go on with later.

import { v7 } from "uuid";
import { deleteDraft, saveDraft } from "@/db/builds/drafts";
import { action, body, change, is } from "../action";
import { Refusal } from "../refusal";

export const draftActions = [
  action<{ id?: string; data: Record<string, unknown> }>(
    { method: "POST", path: "drafts", role: "lead" },
    body({ data: { type: "object" } }, { id: is.id }),
    (b, { user }) =>
      change(user, async (x) => {
        if (JSON.stringify(b.data).length > 20_000) throw new Refusal(422, "The draft is too large.");
        const id = b.id ?? v7();
        await saveDraft(x.c, id, user.id, b.data, x.now);
        return { id };
      }),
  ),
  action({ method: "DELETE", path: "drafts/*", role: "lead" }, body({}), (_b, { user, ids }) =>
    change(user, (x) => deleteDraft(x.c, ids[0], user.id)),
  ),
];
