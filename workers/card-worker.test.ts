// The card's worker: a card opened once is there without a network; with the session it goes.

import { beforeEach, describe, expect, it } from "vitest";
import { answerOf, CARDS, keep, type Scope } from "./card-worker";

const HERE = "http://shop.test";

/** Caches that live in memory, as a browser's do. */
class Kept {
  readonly all = new Map<string, Response>();
  private key = (k: Request | string) => (typeof k === "string" ? k : k.url);
  async match(k: Request | string) {
    return this.all.get(this.key(k))?.clone();
  }
  async put(k: Request | string, v: Response) {
    this.all.set(this.key(k), v);
  }
  async delete(k: Request | string) {
    return this.all.delete(this.key(k));
  }
  async keys() {
    return [...this.all.keys()].map((url) => new Request(url));
  }
}

let stores: Map<string, Kept>;
let network: (url: string) => Response;
let asked: string[];
let scope: Scope;

beforeEach(() => {
  stores = new Map();
  asked = [];
  network = (url) => new Response(`of ${url}`);
  scope = {
    caches: {
      open: async (name: string) => {
        if (!stores.has(name)) stores.set(name, new Kept());
        return stores.get(name);
      },
      delete: async (name: string) => stores.delete(name),
    } as unknown as CacheStorage,
    fetch: async (r) => {
      asked.push(r.url);
      return network(r.url);
    },
  };
});

const page = (url: string) => {
  const r = new Request(HERE + url);
  Object.defineProperty(r, "mode", { value: "navigate" });
  return r;
};
const open = async (url: string) => (await answerOf(scope, page(url), HERE)!).text();
const cut = () => {
  network = () => {
    throw new TypeError("no network");
  };
};

describe("a card", () => {
  it("comes from the server while that answers, and from here when it does not", async () => {
    expect(await open("/card?job=a")).toBe(`of ${HERE}/card?job=a`);
    network = () => new Response("newer");
    expect(await open("/card?job=a")).toBe("newer");
    cut();
    expect(await open("/card?job=a")).toBe("newer");
  });
  it("that was never opened says so without a network", async () => {
    cut();
    expect(await open("/card?job=b")).toMatch(/not opened on this phone before/);
  });
  it("is forgotten as soon as the server sends its reader elsewhere", async () => {
    await open("/card");
    const away = new Response(null, { status: 200 });
    Object.defineProperty(away, "type", { value: "opaqueredirect" });
    network = () => away;
    await open("/card");
    expect(stores.has(CARDS)).toBe(false);
    cut();
    expect(await open("/card")).toMatch(/not opened/);
  });
  it("that fails on the server is shown as it is, and not kept", async () => {
    network = () => new Response("busy", { status: 503 });
    expect(await open("/card")).toBe("busy");
    expect(stores.get(CARDS)?.all.size ?? 0).toBe(0);
  });
  it("is one of thirty at most", async () => {
    for (let i = 0; i < 35; i++) await open(`/card?job=${i}`);
    expect(stores.get(CARDS)!.all.size).toBe(30);
    cut();
    expect(await open("/card?job=2")).toMatch(/not opened/);
    expect(await open("/card?job=34")).toBe(`of ${HERE}/card?job=34`);
  });
});

describe("everything else", () => {
  it("goes to the server: acts, other pages, photos, other sites", () => {
    expect(answerOf(scope, page("/lanes"), HERE)).toBeUndefined();
    expect(answerOf(scope, new Request(`${HERE}/api/photos/abc`), HERE)).toBeUndefined();
    expect(answerOf(scope, new Request(`${HERE}/card`, { method: "POST" }), HERE)).toBeUndefined();
    expect(answerOf(scope, new Request(`${HERE}/card`), HERE)).toBeUndefined();
    expect(answerOf(scope, new Request("http://other.test/_next/static/a.js"), HERE)).toBeUndefined();
  });
  it("that is a piece of the program is asked for once", async () => {
    const piece = () => answerOf(scope, new Request(`${HERE}/_next/static/a.js`), HERE)!.then((r) => r.text());
    expect(await piece()).toBe(`of ${HERE}/_next/static/a.js`);
    cut();
    expect(await piece()).toBe(`of ${HERE}/_next/static/a.js`);
  });
  it("that was loaded before the worker was there is kept when the page names it", async () => {
    await keep(scope, [`${HERE}/card?job=a`, "/_next/static/b.css", "http://other.test/_next/static/c.js", "/lanes"], HERE);
    expect(asked).toEqual([`${HERE}/card?job=a`, `${HERE}/_next/static/b.css`]);
    cut();
    expect(await open("/card?job=a")).toBe(`of ${HERE}/card?job=a`);
  });
});
