// Sends an act to the server under an id of its own, and again under the same id while no answer comes: it is done once.

import { toast } from "sonner";
import { v7 } from "uuid";

export interface Fault {
  path: string;
  message: string;
}

export class SendError extends Error {
  readonly status: number;
  readonly faults: Fault[];
  /** Set when somebody else changed the thing meanwhile. */
  readonly stale?: { mine: Record<string, unknown>; theirs: Record<string, unknown>; version: number };
  /** What still hangs on a thing that is to be retired. */
  readonly hangs: string[];
  constructor(status: number, body: Record<string, unknown>) {
    super(typeof body.error === "string" ? body.error : "That did not work.");
    this.status = status;
    this.faults = Array.isArray(body.faults) ? (body.faults as Fault[]) : [];
    this.hangs = Array.isArray(body.hangs) ? body.hangs.map(String) : [];
    if (body.stale)
      this.stale = {
        mine: body.mine as Record<string, unknown>,
        theirs: body.theirs as Record<string, unknown>,
        version: body.version as number,
      };
  }
}

/** Pauses before an act is sent again, in milliseconds; after the last one it is given up. */
const PAUSES = [700, 1500, 3000, 5000, 8000, 12_000];
const WAITING = "no-answer-yet";

/** What can't be known is not claimed: the act may have been saved, and sending it again is safe. */
const GIVEN_UP =
  "No answer from the workshop's server. It isn't known whether this was saved. Look at it again once the network is back; doing it again is safe.";

interface Answer {
  status: number;
  body: Record<string, unknown>;
}

/** Nobody who answers so has done anything for good yet: the server is busy, or is just being started again. */
const mayCome = (a: Answer | undefined): boolean => a === undefined || a.status === 502 || a.status === 503 || a.status === 504;

/** Asks until an answer comes, and says meanwhile that none has. */
export async function untilAnswered(ask: () => Promise<Answer | undefined>, pauses: readonly number[] = PAUSES): Promise<Answer> {
  let told = false;
  try {
    for (let i = 0; ; i++) {
      const answer = await ask();
      if (!mayCome(answer)) return answer!;
      if (i >= pauses.length) return answer ?? { status: 0, body: { error: GIVEN_UP } };
      if (i >= 1 && !told) {
        told = true;
        toast.loading("No answer yet. Trying again …", { id: WAITING });
      }
      await new Promise((r) => setTimeout(r, pauses[i]));
    }
  } finally {
    if (told) toast.dismiss(WAITING);
  }
}

/** A typed figure that is none would become null, and so be lost in silence: it is sent as words, for the server to name its field. */
const figures = (_key: string, v: unknown) => (typeof v === "number" && Number.isNaN(v) ? "not a figure" : v);

/** POST, PATCH or DELETE of JSON to /api/PATH. Throws SendError. */
export async function send<T = Record<string, unknown>>(
  method: "POST" | "PATCH" | "DELETE",
  path: string,
  body: unknown = {},
  signal?: AbortSignal,
): Promise<T> {
  const id = v7();
  const text = JSON.stringify(body, figures);
  const { status, body: answer } = await untilAnswered(async () => {
    try {
      const headers = { "content-type": "application/json", "x-act-id": id };
      const r = await fetch(`/api/${path}`, { method, headers, body: text, signal });
      return { status: r.status, body: (await r.json().catch(() => ({}))) as Record<string, unknown> };
    } catch (e) {
      if ((e as Error).name === "AbortError") throw e;
      return undefined;
    }
  });
  if (status === 401) window.location.href = "/sign-in";
  if (status < 200 || status >= 300) throw new SendError(status, answer);
  return answer as T;
}

/** Uploads a file as form field "photo" and tells how far it is (0 to 1). */
export async function upload(path: string, file: File, onProgress: (share: number) => void): Promise<Record<string, unknown>> {
  const id = v7();
  const { status, body } = await untilAnswered(() => uploadOnce(path, id, file, onProgress));
  if (status >= 200 && status < 300) return body;
  throw new SendError(status, status === 0 ? { error: "No answer yet about this photo. It is still on this device; try again." } : body);
}

/** Undefined: no answer came. */
function uploadOnce(path: string, id: string, file: File, onProgress: (share: number) => void): Promise<Answer | undefined> {
  return new Promise((resolve) => {
    const form = new FormData();
    form.append("photo", file);
    const x = new XMLHttpRequest();
    x.open("POST", `/api/${path}`);
    x.setRequestHeader("x-act-id", id);
    x.responseType = "json";
    x.upload.onprogress = (e) => e.lengthComputable && onProgress(e.loaded / e.total);
    x.onload = () => resolve({ status: x.status, body: (x.response as Record<string, unknown>) ?? {} });
    x.onerror = () => resolve(undefined);
    x.send(form);
  });
}
