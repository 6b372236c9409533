// Fifty people who do something, lose the answer, ask again under the same id, at whichever server answers.

import { randomUUID } from "node:crypto";
import sharp from "sharp";
import { type Random, random } from "../../core/rng";
import { Late, within } from "../within";
import { type Deed, type Houseful, nextDeed, type TraceKind } from "./acts";

export interface Outcome {
  kind: TraceKind;
  mark: string;
  /** Acknowledged; refused for good; or nobody knows, since the torture ended before an answer came. */
  state: "acknowledged" | "refused" | "unknown";
}

export interface Tally {
  sent: number;
  retried: number;
  cut: number;
  acknowledged: number;
  refused: number;
  reads: number;
  /** Longest time from the first try to the answer, ms. */
  longest: number;
  outcomes: Outcome[];
  /** Answers that began and did not end, although whoever asked had hung up. */
  letGo: string[];
  /** Answers that no server should give. */
  faults: string[];
}

export interface Crowd {
  tally: Tally;
  /** Nobody begins anything new; resolves when all that was begun has its answer. */
  hold(): Promise<void>;
  go(): void;
  end(): Promise<void>;
}

const LONGEST_MS = 60_000;
/** Whoever waits for an answer hangs up after this. */
const PATIENCE_MS = 20_000;
/** Hanging up does not always end the reading of an answer that has begun; then it is let go of. */
const LET_GO_MS = 25_000;
const pause = (ms: number) => new Promise<void>((r) => setTimeout(r, ms));

export function crowd(
  addresses: readonly string[],
  cookies: readonly { cookie: string; lead: boolean }[],
  h: Houseful,
  seed: number,
): Crowd {
  const tally: Tally = {
    sent: 0,
    retried: 0,
    cut: 0,
    acknowledged: 0,
    refused: 0,
    reads: 0,
    longest: 0,
    outcomes: [],
    letGo: [],
    faults: [],
  };
  let held = false;
  let over = false;
  let release: () => void = () => undefined;
  let gate: Promise<void> = Promise.resolve();
  const busy = new Set<Promise<void>>();

  const person = async (i: number): Promise<void> => {
    const r = random(seed * 1000 + i);
    const me = cookies[i % cookies.length];
    for (let n = 0; !over; n++) {
      await pause(150 + r() * 1200);
      await gate;
      if (over) return;
      const work = r() < 0.35 ? look(r, me.cookie) : act(r, me, `mark ${seed}-${i}-${n}`);
      busy.add(work);
      await work.finally(() => busy.delete(work));
    }
  };

  const look = async (r: Random, cookie: string): Promise<void> => {
    const path = r() < 0.7 ? "/api/pulse" : r() < 0.5 ? "/card" : "/";
    tally.reads++;
    const looked = fetch(`${addresses[Math.floor(r() * addresses.length)]}${path}`, {
      headers: { cookie },
      redirect: "manual",
      signal: AbortSignal.timeout(PATIENCE_MS),
    }).then((a) => a.text());
    // A view may fail while its database is dead; what counts is what was saved.
    await within(path, LET_GO_MS, looked).catch((e) => {
      if (e instanceof Late) tally.letGo.push(e.message);
    });
  };

  const act = async (r: Random, me: { cookie: string; lead: boolean }, mark: string): Promise<void> => {
    const deed = await nextDeed(r, mark, me.lead, h, () => picture(r));
    const id = randomUUID();
    const began = Date.now();
    tally.sent++;
    for (let attempt = 0; ; attempt++) {
      const address = addresses[Math.floor(r() * addresses.length)];
      // Now and then the answer is lost on its way: whoever asked does not know whether it was done.
      const cuts = attempt === 0 && r() < 0.12;
      const signal = cuts ? AbortSignal.timeout(5 + Math.floor(r() * 120)) : AbortSignal.timeout(PATIENCE_MS);
      const a = await within(deed.path, LET_GO_MS, send(address, me.cookie, id, deed, signal)).catch((e) => {
        if (e instanceof Late) tally.letGo.push(e.message);
        return undefined;
      });
      if (a && ![500, 502, 503, 504, 507].includes(a.status)) {
        tally.longest = Math.max(tally.longest, Date.now() - began);
        const done = a.status >= 200 && a.status < 300;
        if (done) tally.acknowledged++;
        else tally.refused++;
        if (deed.trace)
          tally.outcomes.push({
            ...deed.trace,
            mark: deed.trace.mark || String(a.body.sha256 ?? ""),
            state: done ? "acknowledged" : "refused",
          });
        return;
      }
      if (cuts) tally.cut++;
      else if (a?.status === 500) tally.faults.push(`500 at ${deed.method} ${deed.path}: ${JSON.stringify(a.body).slice(0, 200)}`);
      if (Date.now() - began > LONGEST_MS) {
        if (deed.trace?.mark) tally.outcomes.push({ ...deed.trace, state: "unknown" });
        tally.faults.push(`no answer in ${LONGEST_MS / 1000} s: ${deed.method} ${deed.path}`);
        return;
      }
      tally.retried++;
      await pause(Math.min(3000, 150 * 2 ** attempt) * (0.5 + r()));
    }
  };

  const all = cookies.map((_, i) => person(i));
  return {
    tally,
    hold: async () => {
      if (!held) {
        held = true;
        gate = new Promise((go) => {
          release = go;
        });
      }
      while (busy.size) await Promise.all(busy);
    },
    go: () => {
      held = false;
      release();
      gate = Promise.resolve();
    },
    end: async () => {
      over = true;
      release();
      await Promise.all(all);
    },
  };
}

async function send(
  address: string,
  cookie: string,
  id: string,
  deed: Deed,
  signal: AbortSignal,
): Promise<{ status: number; body: Record<string, unknown> }> {
  const headers: Record<string, string> = { cookie, origin: address, "x-act-id": id };
  let body: BodyInit;
  if (deed.photo) {
    const form = new FormData();
    form.append("photo", new Blob([new Uint8Array(deed.photo)], { type: "image/jpeg" }), "p.jpg");
    body = form;
  } else {
    headers["content-type"] = "application/json";
    body = JSON.stringify(deed.body);
  }
  const r = await fetch(`${address}/api/${deed.path}`, { method: deed.method, headers, body, signal });
  return { status: r.status, body: (await r.json().catch(() => ({}))) as Record<string, unknown> };
}

/** A picture like no other. */
function picture(r: Random): Promise<Buffer> {
  const data = Buffer.from(Array.from({ length: 48 * 48 }, () => Math.floor(r() * 256)));
  return sharp(data, { raw: { width: 48, height: 48, channels: 1 } })
    .jpeg()
    .toBuffer();
}
