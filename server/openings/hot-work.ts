// A cut that is begun opens its entry of sparks and swarf by itself, and closes its sparks when it ends: nobody has to think of it.

import { v7 } from "uuid";
import { throwsChips } from "@/core/workshop/openings/hot-work";
import type { HotWork } from "@/core/workshop/records/kinds/hot-work";
import { entriesOf } from "@/core/workshop/records/kinds/of";
import type { JobRow, Shop } from "@/core/workshop/state/model";
import type { User } from "@/db/access/users";
import { deleteRecord } from "@/db/records/papers";
import { addRecord, setRecordData } from "@/db/records/records";
import type { Change } from "../action";

const entryOf = (shop: Shop, job: JobRow) =>
  entriesOf(shop.builds.find((b) => b.id === job.buildId)?.records ?? [], "sparks")
    .filter((r) => r.jobId === job.id)
    .at(-1);

export async function hotWorkBegin(x: Change, user: User, shop: Shop, job: JobRow): Promise<void> {
  if (!throwsChips(job) || job.state !== "todo" || entryOf(shop, job)) return;
  const data: HotWork = { tool: "jigsaw" };
  await addRecord(x.c, {
    id: v7(),
    buildId: job.buildId,
    jobId: job.id,
    kind: "sparks",
    title: job.name,
    data,
    saidBy: user.id,
    saidAt: x.now,
  });
}

/** The last chip fell at the latest when the work ended. */
export async function hotWorkEnd(x: Change, user: User, shop: Shop, job: JobRow): Promise<void> {
  const entry = entryOf(shop, job);
  if (!entry || entry.data.stamps?.last) return;
  await setRecordData(x.c, entry.id, { ...entry.data, stamps: { ...entry.data.stamps, last: { by: user.name, at: x.now } } }, null);
}

/** A start that is taken back leaves no entry behind. */
export async function hotWorkUndo(x: Change, shop: Shop, job: JobRow): Promise<void> {
  const entry = entryOf(shop, job);
  if (entry && !entry.data.stamps) await deleteRecord(x.c, entry.id);
}
