// Reads pictures on a thread of their own, one at a time, so that the server answers others meanwhile.

import path from "node:path";
import { Worker } from "node:worker_threads";
import { Refusal } from "../refusal";
import type { StoredPhoto } from "./prepare-photo";

const file = () => process.env.WIDE_LANE_PHOTO_WORKER ?? path.join(/*turbopackIgnore: true*/ process.cwd(), "dist", "photo-worker.mjs");

type Answer =
  | { photo: StoredPhoto }
  | { refused: { status: number; message: string; detail: Record<string, unknown> } }
  | { error: string };

let worker: Worker | undefined;
let last: Promise<unknown> = Promise.resolve();

/** No picture takes longer; one that does is given up, with the thread that is at it. */
const LONGEST_MS = 30_000;

/** The picture as it is kept. Throws the Refusal that reading it ended in. */
export function prepareInThread(input: Buffer): Promise<StoredPhoto> {
  const mine = last.then(() => ask(input));
  last = mine.catch(() => undefined);
  return mine;
}

function ask(input: Buffer): Promise<StoredPhoto> {
  return new Promise((resolve, reject) => {
    const at = (worker ??= new Worker(file()));
    at.ref();
    const over = () => {
      clearTimeout(late);
      at.off("message", onMessage);
      at.off("error", onError);
      at.off("exit", onExit);
      at.unref();
    };
    const lost = (e: Error) => {
      over();
      worker = undefined;
      void at.terminate();
      reject(e);
    };
    const late = setTimeout(() => lost(new Refusal(415, "This picture takes too long to read. Choose a smaller one.")), LONGEST_MS);
    const onError = (e: Error) => lost(e);
    const onExit = () => lost(new Error("the thread that reads pictures ended"));
    const onMessage = (a: Answer) => {
      over();
      if ("photo" in a) resolve({ ...a.photo, bytes: Buffer.from(a.photo.bytes), small: Buffer.from(a.photo.small) });
      else if ("refused" in a) reject(new Refusal(a.refused.status, a.refused.message, a.refused.detail));
      else reject(new Error(a.error));
    };
    at.on("message", onMessage);
    at.once("error", onError);
    at.once("exit", onExit);
    at.postMessage(new Uint8Array(input));
  });
}
