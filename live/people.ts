// Somebody who talks to the running server as a browser would: with a cookie, from its own pages.

export const addresses = (process.env.LIVE_URLS ?? "").split(" ").filter(Boolean);
export const base = addresses[0];

export interface Reply {
  status: number;
  text: string;
  headers: Headers;
  ms: number;
}

export class Person {
  cookie = "";
  constructor(readonly address = base) {}

  async ask(method: string, path: string, body?: unknown, headers: Record<string, string> = {}): Promise<Reply> {
    const began = performance.now();
    const raw =
      typeof body === "string" || body instanceof Uint8Array || body === undefined ? (body as string | undefined) : JSON.stringify(body);
    const r = await fetch(`${this.address}${path}`, {
      method,
      redirect: "manual",
      headers: {
        origin: this.address,
        ...(raw === undefined ? {} : { "content-type": "application/json" }),
        ...(this.cookie ? { cookie: this.cookie } : {}),
        ...headers,
      },
      body: raw,
    });
    const text = await r.text();
    return { status: r.status, text, headers: r.headers, ms: performance.now() - began };
  }

  /** Signs in as one of the demo's people. */
  async signIn(userId: string): Promise<this> {
    const r = await this.ask("POST", "/api/session", { demoUser: userId });
    if (r.status !== 200) throw new Error(`could not sign in as ${userId}: ${r.status} ${r.text}`);
    this.cookie = r.headers
      .getSetCookie()
      .map((c) => c.split(";")[0])
      .join("; ");
    return this;
  }

  act(path: string, body: unknown = {}, method = "POST", headers: Record<string, string> = {}): Promise<Reply> {
    return this.ask(method, `/api/${path}`, body, headers);
  }
}
