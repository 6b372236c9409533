// Takes the demo's photos: of everything finished; some still wait for the lead.

import { v7 } from "uuid";
import { DAY } from "../core/time/zone";
import { insert, pool, toSql, transaction } from "../db/pool";
import { storePhoto } from "../db/proof/photos";
import { loadShop } from "../db/shop";
import { LEAD } from "./people";
import { drawPhoto } from "./photos";

/** Photos of everything finished; the last ones still wait for the lead, one was sent back, one was forgotten. */
export async function takePhotos(now: number): Promise<void> {
  const shop = await loadShop(pool());
  const covered = new Set(shop.builds.flatMap((b) => b.jobs.filter((j) => j.state !== "todo").flatMap((j) => j.covers)));
  const recent = shop.builds
    .flatMap((b) => b.jobs)
    .filter((j) => j.state === "done" && !covered.has(j.id) && j.shots.length && now - j.endedAt! < 6 * DAY)
    .sort((a, b) => b.endedAt! - a.endedAt!);
  let sentBack = false;
  for (const b of shop.builds)
    for (const job of b.jobs) {
      if (job.state !== "done") continue;
      const open = recent.indexOf(job);
      for (const shot of job.shots) {
        // The newest finished job still lacks its last photo.
        if (open === 1 && shot === job.shots[job.shots.length - 1] && job.shots.length > 1) continue;
        const photo = await drawPhoto(b.name, job.name, shot.text);
        const id = v7();
        const taker = `u-${job.fitters[0]}`;
        await transaction(async (t) => {
          await storePhoto(t, photo);
          await insert(t, "photo", [
            { id, proof_shot_id: shot.id, sha256: photo.sha256, taken_by: taker, taken_at: toSql(job.endedAt! - 5) },
          ]);
          const back = !sentBack && open === 2;
          if (back) sentBack = true;
          if (open < 0 || open > 5 || back)
            await insert(t, "photo_review", [
              {
                photo_id: id,
                verdict: back ? "again" : "approved",
                reason: back ? "too dark, the tape can't be read" : "",
                reviewed_by: LEAD,
                reviewed_at: toSql(Math.min(now, job.endedAt! + 60)),
              },
            ]);
        });
      }
    }
}
