// Actions on proof: the lead approves a photo or asks for it again.

import { proofApproved } from "@/core/workshop/proof/proof";
import type { Conn } from "@/db/pool";
import { addReview, dropReview, type PhotoToReview, photoToReview, reviewOf } from "@/db/proof/photos";
import { loadShop } from "@/db/shop";
import { action, body, change } from "../action";
import { replan } from "../planning/planning";
import { badField, Refusal } from "../refusal";

interface Review {
  verdict: "approved" | "again";
  reason?: string;
}

async function photoOf(c: Conn, id: string): Promise<PhotoToReview> {
  const photo = await photoToReview(c, id);
  if (!photo) throw new Refusal(404, "There is no such photo.");
  return photo;
}

export const proofActions = [
  action<Review>(
    { method: "POST", path: "photos/*/review", role: "lead" },
    body({ verdict: { type: "string", enum: ["approved", "again"] } }, { reason: { type: "string", maxLength: 300 } }),
    async (b, { user, ids }) => {
      const reason = b.reason?.trim() ?? "";
      if (b.verdict === "again" && !reason) throw badField("reason", "say what the next photo has to show");
      const opened = await change(user, async (x) => {
        const photo = await photoOf(x.c, ids[0]);
        const old = await reviewOf(x.c, ids[0]);
        if (old) throw new Refusal(409, `This photo was ${old.verdict === "approved" ? "approved" : "sent back"} already.`);
        const before = await approvedNow(x.c, photo.job_id);
        await addReview(x.c, { photo: ids[0], verdict: b.verdict, reason, by: user.id, at: x.now });
        await x.event({
          kind: b.verdict === "approved" ? "photo.approved" : "photo.again",
          entity: "photo",
          entityId: ids[0],
          buildId: photo.build_id,
          text:
            b.verdict === "approved" ? `${photo.name}: "${photo.text}" approved` : `${photo.name}: "${photo.text}" asked again, ${reason}`,
        });
        const after = await approvedNow(x.c, photo.job_id);
        if (!before && after) await x.stale(`the photos of ${photo.name} are approved`);
        return !before && after;
      });
      // The stop line is open: the plan follows at once.
      if (opened)
        await replan(user.id).catch((e) => {
          if (!(e instanceof Refusal)) throw e;
        });
      return { opened };
    },
  ),
  // A look that was a slip of the finger: taken back as long as nothing has been begun that buries what the photo shows.
  action({ method: "DELETE", path: "photos/*/review", role: "lead" }, body({}), (_b, { user, ids }) =>
    change(user, async (x) => {
      const photo = await photoOf(x.c, ids[0]);
      const shop = await loadShop(x.c);
      const over = shop.builds.flatMap((b) => b.jobs).find((j) => j.covers.includes(photo.job_id) && j.state !== "todo");
      if (over) throw new Refusal(409, `${over.name} was started after this photo was looked at: it can't be taken back any more.`);
      if (!(await dropReview(x.c, ids[0]))) throw new Refusal(409, "Nobody has looked at this photo yet.");
      await x.event({
        kind: "photo.unreviewed",
        entity: "photo",
        entityId: ids[0],
        buildId: photo.build_id,
        text: `${photo.name}: "${photo.text}" waits for a look again`,
      });
      await x.stale(`a photo of ${photo.name} waits for a look again`);
    }),
  ),
];

async function approvedNow(c: Parameters<typeof loadShop>[0], jobId: string): Promise<boolean> {
  const shop = await loadShop(c);
  const job = shop.builds.flatMap((b) => b.jobs).find((j) => j.id === jobId);
  return job ? proofApproved(job) === true : false;
}
