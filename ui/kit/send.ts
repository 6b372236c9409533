// Sends an action to the server; what went wrong comes back as one typed error with the server's own words.

export interface Fault {
  path: string;
  message: string;
}

export class SendError extends Error {
  readonly status: number;
  readonly faults: Fault[];
  /** Set when somebody else changed the thing meanwhile. */
  readonly stale?: { mine: Record<string, unknown>; theirs: Record<string, unknown>; version: number };
  constructor(status: number, body: Record<string, unknown>) {
    super(typeof body.error === "string" ? body.error : "That did not work.");
    this.status = status;
    this.faults = Array.isArray(body.faults) ? (body.faults as Fault[]) : [];
    if (body.stale)
      this.stale = {
        mine: body.mine as Record<string, unknown>,
        theirs: body.theirs as Record<string, unknown>,
        version: body.version as number,
      };
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
  let response: Response;
  try {
    response = await fetch(`/api/${path}`, {
      method,
      headers: { "content-type": "application/json" },
      body: JSON.stringify(body, figures),
      signal,
    });
  } catch (e) {
    if ((e as Error).name === "AbortError") throw e;
    throw new SendError(0, { error: "The workshop's server can't be reached. Nothing was changed; try again when the network is back." });
  }
  const answer = (await response.json().catch(() => ({}))) as Record<string, unknown>;
  if (response.status === 401) window.location.href = "/sign-in";
  if (!response.ok) throw new SendError(response.status, answer);
  return answer as T;
}

/** Uploads a file as form field "photo" and tells how far it is (0 to 1). */
export function upload(path: string, file: File, onProgress: (share: number) => void): Promise<Record<string, unknown>> {
  return new Promise((resolve, reject) => {
    const form = new FormData();
    form.append("photo", file);
    const x = new XMLHttpRequest();
    x.open("POST", `/api/${path}`);
    x.responseType = "json";
    x.upload.onprogress = (e) => e.lengthComputable && onProgress(e.loaded / e.total);
    x.onload = () =>
      x.status < 300
        ? resolve((x.response as Record<string, unknown>) ?? {})
        : reject(new SendError(x.status, (x.response as Record<string, unknown>) ?? {}));
    x.onerror = () => reject(new SendError(0, { error: "The photo did not get through. It is still on this phone; try again." }));
    x.send(form);
  });
}
