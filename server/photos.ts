// Takes a photo in, of a proof shot or of a mark: checks that it is one, brings it to size, stores it once by its content.

import { createHash } from "node:crypto";
import sharp from "sharp";
import { v7 } from "uuid";
import { HOLE_SHOWS } from "@/core/shop/hole-chain";
import { type Look, lookAgain, lookAt } from "@/core/shop/photo-look";
import { looksOfOthers, looksOfPerson, otherHoleOf } from "@/db/photos";
import { loadPlan } from "@/db/plans";
import { type Conn, insert, pool, rows, run, toSql } from "@/db/pool";
import type { User } from "@/db/users";
import { change } from "./action";
import { Refusal } from "./refusal";

export const MAX_BYTES = 25 * 1024 * 1024;
const LARGEST = 2000;
const SMALL = 480;
/** Sharpness means something only at one size. */
const LOOKED_AT = 1024;

export interface StoredPhoto {
  sha256: string;
  mime: string;
  width: number;
  height: number;
  bytes: Buffer;
  small: Buffer;
  look: Look;
}

/** Reads, turns upright and shrinks. Throws a Refusal when the bytes are no picture. */
export async function preparePhoto(input: Buffer): Promise<StoredPhoto> {
  if (input.length > MAX_BYTES) throw new Refusal(413, "The photo is larger than 25 MB.");
  try {
    const meta = await sharp(input).metadata();
    if (!["jpeg", "png", "webp", "heif"].includes(meta.format ?? "")) throw new Error("format");
    const { data, info } = await sharp(input)
      .rotate()
      .resize(LARGEST, LARGEST, { fit: "inside", withoutEnlargement: true })
      .jpeg({ quality: 84 })
      .toBuffer({ resolveWithObject: true });
    const look = await looked(data, Math.max(meta.width ?? 0, meta.height ?? 0));
    const small = await sharp(data).resize(SMALL, SMALL, { fit: "inside" }).jpeg({ quality: 74 }).toBuffer();
    return {
      sha256: createHash("sha256").update(data).digest("hex"),
      mime: "image/jpeg",
      width: info.width,
      height: info.height,
      bytes: data,
      small,
      look,
    };
  } catch {
    throw new Refusal(415, "That is no photo. Take a picture, or choose a JPEG, PNG or WebP file.");
  }
}

async function looked(picture: Buffer, longSide: number): Promise<Look> {
  const { data, info } = await sharp(picture)
    .resize(LOOKED_AT, LOOKED_AT, { fit: "inside" })
    .greyscale()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const nine = await sharp(picture).resize(9, 8, { fit: "fill" }).greyscale().raw().toBuffer();
  return lookAt({ width: info.width, height: info.height, data }, nine, longSide);
}

/** The bytes of a photo, kept once by their content. */
export const storeBytes = (c: Conn, photo: StoredPhoto) =>
  run(c, "INSERT IGNORE INTO photo_data (sha256, mime, width, height, bytes, small, look) VALUES (?, ?, ?, ?, ?, ?, ?)", [
    photo.sha256,
    photo.mime,
    photo.width,
    photo.height,
    photo.bytes,
    photo.small,
    JSON.stringify(photo.look),
  ]);

/** Stores a photo with something kept of a build (a mark, an item, a fault …); the same picture twice is kept once. */
export async function addRecordPhoto(user: User, recordId: string, input: Buffer, shows?: string): Promise<{ sha256: string }> {
  const photo = await preparePhoto(input);
  return change(user, async (x) => {
    const [r] = await rows<{ build_id: string; title: string; kind: string }>(
      x.c,
      "SELECT build_id, title, kind FROM record WHERE id = ? FOR UPDATE",
      [recordId],
    );
    if (!r) throw new Refusal(404, "There is no such record.");
    if (shows !== undefined && !(r.kind === "penetration" && (HOLE_SHOWS as readonly string[]).includes(shows)))
      throw new Refusal(422, `shows: a photo here can't be told to show "${shows.slice(0, 40)}".`);
    const other = r.kind === "penetration" ? await otherHoleOf(x.c, r.build_id, recordId, photo.sha256) : undefined;
    if (other) throw new Refusal(409, `This photo stands for ${other} already. Each hole has photos of its own.`);
    await storeBytes(x.c, photo);
    await run(
      x.c,
      "INSERT INTO record_photo (record_id, sha256, taken_by, taken_at, shows) VALUES (?, ?, ?, ?, ?) ON DUPLICATE KEY UPDATE shows = COALESCE(VALUES(shows), shows)",
      [recordId, photo.sha256, user.id, toSql(x.now), shows ?? null],
    );
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
  const photo = await preparePhoto(input);
  return change(user, async (x) => {
    const [shot] = await rows<{ job_id: string; text: string; name: string; build_id: string }>(
      x.c,
      "SELECT s.job_id, s.text, j.name, j.build_id FROM proof_shot s JOIN job j ON j.id = s.job_id WHERE s.id = ? FOR UPDATE",
      [shotId],
    );
    if (!shot) throw new Refusal(404, "There is no such photo to be taken.");
    if (user.role === "fitter") {
      const [on] = await rows(x.c, "SELECT 1 FROM job_fitter WHERE job_id = ? AND fitter_id = ?", [shot.job_id, user.fitterId ?? ""]);
      const planned = (await loadPlan(x.c, "published", x.zone))?.plan.jobs.find((p) => p.id === shot.job_id);
      if (!on && !planned?.fitters.includes(user.fitterId ?? "")) throw new Refusal(403, "This job is somebody else's.");
    }
    await storeBytes(x.c, photo);
    const id = v7();
    const again = await whyAgain(x.c, photo.look, user.id, shot.build_id, shotId);
    await insert(x.c, "photo", [
      {
        id,
        proof_shot_id: shotId,
        sha256: photo.sha256,
        taken_by: user.id,
        taken_at: toSql(x.now),
        look_again: JSON.stringify(again),
      },
    ]);
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

/** The bytes of a photo; undefined when there is none. */
export async function photoBytes(sha256: string, small: boolean): Promise<{ mime: string; bytes: Buffer } | undefined> {
  const [r] = await rows<{ mime: string; bytes: Buffer }>(
    pool(),
    `SELECT mime, ${small ? "small" : "bytes"} AS bytes FROM photo_data WHERE sha256 = ?`,
    [sha256],
  );
  return r;
}
