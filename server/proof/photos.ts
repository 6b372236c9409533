// Takes a photo in, of a proof shot or of a mark: checks that it is one, brings it to size, stores it once by its content.

import { v7 } from "uuid";
import { HOLE_SHOWS } from "@/core/workshop/openings/hole-steps";
import { type Look, lookAgain } from "@/core/workshop/proof/photo-look";
import { mayFitterSee } from "@/db/access/seen-by";
import type { User } from "@/db/access/users";
import { isOnJob } from "@/db/builds/jobs";
import { loadPlan } from "@/db/planning/plans";
import { type Conn, pool } from "@/db/pool";
import {
  linkRecordPhoto,
  linkShotPhoto,
  looksOfOthers,
  looksOfPerson,
  otherHoleOf,
  photoData,
  recordToShow,
  shotToTake,
  storePhoto,
} from "@/db/proof/photos";
import { worksOn } from "../access/works-on";
import { change } from "../action";
import { Refusal } from "../refusal";
import { diskFree, LEAST_DISK } from "../running/disk";
import { prepareInThread } from "./photo-thread";
import { MAX_BYTES, type StoredPhoto } from "./prepare-photo";

export { MAX_BYTES };

/** So many uploads are read into memory at once; the others wait, and a crowd is told to come back. */
const AT_ONCE = 2;
const MOST_WAITING = 30;
const turns = { running: 0, waiting: [] as (() => void)[] };

/** Runs `work` when it is this photo's turn. */
export async function inPhotoTurn<T>(work: () => Promise<T>): Promise<T> {
  if (turns.running < AT_ONCE) turns.running++;
  else {
    if (turns.waiting.length >= MOST_WAITING)
      throw new Refusal(503, "Many photos are coming in at this moment. Try again in a little while.");
    await new Promise<void>((go) => turns.waiting.push(go));
  }
  try {
    return await work();
  } finally {
    const next = turns.waiting.shift();
    if (next) next();
    else turns.running--;
  }
}

/** Reads a picture off the main thread; none is taken while the disk is all but full, so that the database goes on. */
async function takeIn(input: Buffer): Promise<StoredPhoto> {
  const free = await diskFree();
  if (free !== undefined && free < LEAST_DISK)
    throw new Refusal(507, "The server's disk is all but full, so no photo can be kept. It is still on this device. Tell the lead.");
  return prepareInThread(input);
}

/** Stores a photo with something kept of a build (a mark, an item, a fault …); the same picture twice is kept once. */
export async function addRecordPhoto(user: User, recordId: string, input: Buffer, shows?: string): Promise<{ sha256: string }> {
  const photo = await takeIn(input);
  return change(user, async (x) => {
    const r = await recordToShow(x.c, recordId);
    if (!r) throw new Refusal(404, "There is no such record.");
    await worksOn(x.c, user, r.build_id);
    if (shows !== undefined && !(r.kind === "penetration" && (HOLE_SHOWS as readonly string[]).includes(shows)))
      throw new Refusal(422, `shows: a photo here can't be told to show "${shows.slice(0, 40)}".`);
    const other = r.kind === "penetration" ? await otherHoleOf(x.c, r.build_id, recordId, photo.sha256) : undefined;
    if (other) throw new Refusal(409, `This photo stands for ${other} already. Each hole has photos of its own.`);
    await storePhoto(x.c, photo);
    await linkRecordPhoto(x.c, { record: recordId, sha256: photo.sha256, by: user.id, at: x.now, shows: shows ?? null });
    await x.event({
      kind: `${r.kind}.photo`,
      entity: "record",
      entityId: recordId,
      buildId: r.build_id,
      text: `${r.kind}: photo of ${r.title}${shows ? `, ${shows}` : ""}`.slice(0, 500),
    });
    return { sha256: photo.sha256 };
  });
}

/** Stores a photo for a proof shot: bytes, record and event in one transaction; `again`: why the fitter should look at it once more. */
export async function addPhoto(user: User, shotId: string, input: Buffer): Promise<{ id: string; sha256: string; again: string[] }> {
  const photo = await takeIn(input);
  return change(user, async (x) => {
    const shot = await shotToTake(x.c, shotId);
    if (!shot) throw new Refusal(404, "There is no such photo to be taken.");
    if (user.role === "fitter") {
      const on = await isOnJob(x.c, shot.job_id, user.fitterId ?? "");
      const planned = (await loadPlan(x.c, "published", x.zone))?.plan.jobs.find((p) => p.id === shot.job_id);
      if (!on && !planned?.fitters.includes(user.fitterId ?? "")) throw new Refusal(403, "This job is somebody else's.");
    }
    await storePhoto(x.c, photo);
    const id = v7();
    const again = await whyAgain(x.c, photo.look, user.id, shot.build_id, shotId);
    await linkShotPhoto(x.c, { id, shot: shotId, sha256: photo.sha256, by: user.id, at: x.now, again });
    await x.event({
      kind: "photo.taken",
      entity: "photo",
      entityId: id,
      buildId: shot.build_id,
      text: `${shot.name}: photo "${shot.text}"`,
    });
    return { id, sha256: photo.sha256, again };
  });
}

/** The sharpness that one hand usually has is that of so many photos. */
const OWN = 20;

/** Against what the same hand took before, and against the other pieces of the build. */
async function whyAgain(c: Conn, look: Look, userId: string, buildId: string, shotId: string): Promise<string[]> {
  const own = await looksOfPerson(c, userId, OWN);
  const others = await looksOfOthers(c, buildId, shotId);
  return lookAgain(
    look,
    own.map((l) => l.sharpness),
    others.map((o) => ({ hash: o.look.hash, of: o.of })),
  );
}

/** The bytes of a photo for somebody who may see it: the lead all, a fitter those of builds they work on and their own. */
export async function photoFor(user: User, sha256: string, small: boolean): Promise<{ mime: string; bytes: Buffer } | undefined> {
  if (user.role !== "lead" && !(await mayFitterSee(pool(), user.id, user.fitterId ?? "", sha256))) return undefined;
  return photoBytes(sha256, small);
}

/** The bytes of a photo; undefined when there is none. */
export const photoBytes = (sha256: string, small: boolean): Promise<{ mime: string; bytes: Buffer } | undefined> =>
  photoData(pool(), sha256, small);
