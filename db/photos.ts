// Photos in the database: what those that came before look like, and their review.

import type { Look } from "@/core/workshop/proof/photo-look";
import { type Conn, rows, run } from "./pool";

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
