// Photos in the database: what those that came before look like, and their review.

import type { Pool } from "mysql2/promise";
import type { Look } from "@/core/workshop/proof/photo-look";
import { type Conn, insert, rows, run, toSql } from "../pool";

const parsed = (v: unknown) => (typeof v === "string" ? JSON.parse(v) : v) as Look;

/** Of the person's last approved photos, the newest first. */
export async function looksOfPerson(c: Conn, userId: string, most: number): Promise<Look[]> {
  const list = await rows<{ look: unknown }>(
    c,
    `SELECT d.look FROM photo p JOIN photo_review r ON r.photo_id = p.id AND r.verdict = 'approved' JOIN photo_data d ON d.sha256 = p.sha256
     WHERE p.taken_by = ? AND d.look IS NOT NULL ORDER BY p.taken_at DESC LIMIT ?`,
    [userId, most],
  );
  return list.map((r) => parsed(r.look));
}

/** Of every photo of the build but those of one shot, with what each shows. */
export async function looksOfOthers(c: Conn, buildId: string, shotId: string): Promise<{ look: Look; of: string }[]> {
  const list = await rows<{ look: unknown; text: string; name: string }>(
    c,
    `SELECT d.look, s.text, j.name FROM photo p JOIN proof_shot s ON s.id = p.proof_shot_id JOIN job j ON j.id = s.job_id
     JOIN photo_data d ON d.sha256 = p.sha256 WHERE j.build_id = ? AND s.id <> ? AND d.look IS NOT NULL`,
    [buildId, shotId],
  );
  return list.map((r) => ({ look: parsed(r.look), of: `${r.name}, ${r.text}` }));
}

/** The title of another hole of the build that this very photo is kept for; undefined where there is none. */
export async function otherHoleOf(c: Conn, buildId: string, recordId: string, sha256: string): Promise<string | undefined> {
  const [other] = await rows<{ title: string }>(
    c,
    `SELECT r.title FROM record_photo p JOIN record r ON r.id = p.record_id
     WHERE r.build_id = ? AND r.kind = 'penetration' AND r.id <> ? AND p.sha256 = ? LIMIT 1`,
    [buildId, recordId, sha256],
  );
  return other?.title;
}

export interface PhotoToReview {
  job_id: string;
  build_id: string;
  /** Of its job. */
  name: string;
  /** What the photo has to show. */
  text: string;
}

/** A photo with what it shows, of which job; locked, so that nobody else reviews it meanwhile. */
export async function photoToReview(c: Conn, id: string): Promise<PhotoToReview | undefined> {
  const [photo] = await rows<PhotoToReview>(
    c,
    `SELECT s.job_id, j.build_id, j.name, s.text FROM photo p JOIN proof_shot s ON s.id = p.proof_shot_id
     JOIN job j ON j.id = s.job_id WHERE p.id = ? FOR UPDATE`,
    [id],
  );
  return photo;
}

/** Whether there was a review to take back. */
export const dropReview = async (c: Conn, id: string): Promise<boolean> =>
  (await run(c, "DELETE FROM photo_review WHERE photo_id = ?", [id])) > 0;

/** The bytes of a photo, kept once by their content. */
export const storePhoto = (
  c: Conn,
  p: { sha256: string; mime: string; width: number; height: number; bytes: Buffer; small: Buffer; look: Look },
): Promise<number> =>
  run(c, "INSERT IGNORE INTO photo_data (sha256, mime, width, height, bytes, small, look) VALUES (?, ?, ?, ?, ?, ?, ?)", [
    p.sha256,
    p.mime,
    p.width,
    p.height,
    p.bytes,
    p.small,
    JSON.stringify(p.look),
  ]);

/** The bytes of a photo, small or as it is; undefined where there is none. */
export async function photoData(c: Conn | Pool, sha256: string, small: boolean): Promise<{ mime: string; bytes: Buffer } | undefined> {
  const [r] = await rows<{ mime: string; bytes: Buffer }>(
    c,
    `SELECT mime, ${small ? "small" : "bytes"} AS bytes FROM photo_data WHERE sha256 = ?`,
    [sha256],
  );
  return r;
}

/** What a record is that a photo is to be kept with; undefined where there is none. */
export async function recordToShow(c: Conn, id: string): Promise<{ build_id: string; title: string; kind: string } | undefined> {
  const [r] = await rows<{ build_id: string; title: string; kind: string }>(c, "SELECT build_id, title, kind FROM record WHERE id = ?", [
    id,
  ]);
  return r;
}

/** A photo of a record; the same once more only says what it shows. */
export const linkRecordPhoto = (
  c: Conn,
  p: { record: string; sha256: string; by: string; at: number; shows: string | null },
): Promise<number> =>
  run(
    c,
    "INSERT INTO record_photo (record_id, sha256, taken_by, taken_at, shows) VALUES (?, ?, ?, ?, ?) ON DUPLICATE KEY UPDATE shows = COALESCE(VALUES(shows), shows)",
    [p.record, p.sha256, p.by, toSql(p.at), p.shows],
  );

/** The shot that a photo is taken for; `name`: of its job. Undefined where there is none. */
export async function shotToTake(
  c: Conn,
  id: string,
): Promise<{ job_id: string; text: string; name: string; build_id: string } | undefined> {
  const [shot] = await rows<{ job_id: string; text: string; name: string; build_id: string }>(
    c,
    "SELECT s.job_id, s.text, j.name, j.build_id FROM proof_shot s JOIN job j ON j.id = s.job_id WHERE s.id = ?",
    [id],
  );
  return shot;
}

/** `again`: why it should be looked at once more. */
export const linkShotPhoto = (
  c: Conn,
  p: { id: string; shot: string; sha256: string; by: string; at: number; again: readonly string[] },
): Promise<void> =>
  insert(c, "photo", [
    { id: p.id, proof_shot_id: p.shot, sha256: p.sha256, taken_by: p.by, taken_at: toSql(p.at), look_again: JSON.stringify(p.again) },
  ]);

export async function reviewOf(c: Conn, photo: string): Promise<{ verdict: string; reviewed_by: string } | undefined> {
  const [r] = await rows<{ verdict: string; reviewed_by: string }>(c, "SELECT verdict, reviewed_by FROM photo_review WHERE photo_id = ?", [
    photo,
  ]);
  return r;
}

export const addReview = (c: Conn, r: { photo: string; verdict: string; reason: string; by: string; at: number }): Promise<void> =>
  insert(c, "photo_review", [{ photo_id: r.photo, verdict: r.verdict, reason: r.reason, reviewed_by: r.by, reviewed_at: toSql(r.at) }]);
