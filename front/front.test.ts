// The front's own pieces: paths that can be read in one way only, headers that nobody outside may say, and the queue before pages.

import { describe, expect, it } from "vitest";
import { cleanHeaders, pagePolicy, safeHeaders } from "./headers";
import { targetOf } from "./path";
import { Queue } from "./queue";

describe("a path", () => {
  it("is taken apart as everybody else reads it", () => {
    expect(targetOf("/")).toEqual({ path: [], search: "" });
    expect(targetOf("/builds/field-vet.OP-04?job=a%20b")).toEqual({ path: ["builds", "field-vet.OP-04"], search: "?job=a%20b" });
    expect(targetOf("/%6canes")?.path).toEqual(["lanes"]);
  });
  it("that could be read in two ways is refused", () => {
    for (const bad of [
      undefined,
      "",
      "lanes",
      "//lanes",
      "/lanes/",
      "/./lanes",
      "/../lanes",
      "/%2e%2e/x",
      "/a%2fb",
      "/a%5cb",
      "/a\\b",
      "/%ff",
      "/a%00",
      "/x?y=%ff",
      `/${"a".repeat(300)}`,
      `/${"a/".repeat(3000)}`,
      "/a#b",
    ])
      expect(targetOf(bad), bad).toBeUndefined();
  });
});

describe("headers", () => {
  const proxies = new Set(["10.0.0.1", "10.0.0.2"]);
  it("of a proxy count only where a setting names it; the last address that is no proxy is whose it is", () => {
    const forged = {
      "x-forwarded-for": "1.2.3.4",
      "x-forwarded-proto": "https",
      "x-forwarded-host": "evil",
      forwarded: "for=1.2.3.4",
      "x-real-ip": "1.2.3.4",
    };
    const h: Record<string, string> = { ...forged };
    expect(cleanHeaders(h, "::ffff:192.168.0.9", proxies)).toEqual({ address: "192.168.0.9", https: false });
    expect(h).toEqual({ "x-wide-lane-address": "192.168.0.9" });
    const through: Record<string, string> = { ...forged, "x-forwarded-for": "6.6.6.6, 192.168.0.9, 10.0.0.2" };
    expect(cleanHeaders(through, "10.0.0.1", proxies)).toEqual({ address: "192.168.0.9", https: true });
    expect(through).toEqual({ "x-wide-lane-address": "192.168.0.9", "x-forwarded-proto": "https", "x-forwarded-host": "evil" });
    expect(cleanHeaders({ "x-forwarded-for": "nonsense" }, "10.0.0.1", proxies).address).toBe("10.0.0.1");
  });
  it("that belong to the framework's insides, or to this server, are taken out", () => {
    const h: Record<string, string> = {
      "x-middleware-subrequest": "a",
      "x-invoke-path": "/",
      "next-action": "x",
      "x-matched-path": "/",
      "x-wide-lane-address": "1.1.1.1",
      "x-request-id": "mine",
      "content-security-policy": "x",
      accept: "text/html",
    };
    cleanHeaders(h, "1.1.1.1", proxies);
    expect(h).toEqual({ accept: "text/html", "x-wide-lane-address": "1.1.1.1" });
  });
  it("forbid inline code but by nonce, and ask for https only where it is there", () => {
    expect(pagePolicy("abc", ["'sha256-x'"])).toMatch(
      /script-src 'self' 'nonce-abc' 'strict-dynamic';.*style-src-elem 'self' 'nonce-abc' 'sha256-x';/,
    );
    expect(safeHeaders(true)["Strict-Transport-Security"]).toMatch(/max-age/);
    expect(safeHeaders(false)["Strict-Transport-Security"]).toBeUndefined();
  });
});

describe("the queue", () => {
  it("lets so many in at once, the others in their order, and turns a crowd away", async () => {
    const q = new Queue(2, 2);
    const [a, b] = [await q.enter()!, await q.enter()!];
    const order: string[] = [];
    const c = q.enter()!.then((leave) => {
      order.push("c");
      return leave;
    });
    const d = q.enter()!.then((leave) => {
      order.push("d");
      return leave;
    });
    expect(q.enter()).toBeUndefined();
    a();
    a();
    const leave = await c;
    expect(order).toEqual(["c"]);
    b();
    await d;
    expect(order).toEqual(["c", "d"]);
    leave();
    expect(q.length).toBe(0);
  });
});
