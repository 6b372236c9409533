// Worker thread that reads pictures, one after the other: decoding and looking at one takes a good part of a second.

import { parentPort } from "node:worker_threads";
import { preparePhoto } from "@/server/proof/prepare-photo";
import { Refusal } from "@/server/refusal";

parentPort?.on("message", (input: Uint8Array) => {
  preparePhoto(Buffer.from(input)).then(
    (photo) => parentPort?.postMessage({ photo }),
    (e: Error) =>
      parentPort?.postMessage(
        e instanceof Refusal ? { refused: { status: e.status, message: e.message, detail: e.detail } } : { error: e.message },
      ),
  );
});
