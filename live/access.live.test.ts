// Nobody in who shouldn't be: every page, route and act, found from the tree, asked by nobody, by whoever made a cookie up,
// by whoever was signed out, and by a fitter; with and without the framework's own headers. Status, and that the body carries nothing.

import { readFileSync } from "node:fs";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { closePool, pool, rows } from "@/db/pool";
import { doorOf, HANDLERS, PAGES } from "@/server/access/access";
import { actions } from "@/server/api";
import { base, Person } from "./people";
import { routes } from "./tree";

/** Words that stand nowhere but in the workshop's data. */
let secrets: string[] = [];
let ids: { build: string; job: string; sha: string; record: string };
const nobody = new Person();
const bogus = new Person();
const ended = new Person();
const fitter = new Person();
const lead = new Person();

const INSIDE: Record<string, string>[] = [
  {},
  { accept: "text/html" },
  { rsc: "1" },
  { rsc: "1", "next-router-prefetch": "1" },
  { rsc: "1", "next-router-state-tree": "%5B%22%22%2C%7B%7D%5D" },
  { "next-router-segment-prefetch": "/_tree", rsc: "1", "next-router-prefetch": "1" },
  { "x-middleware-subrequest": "middleware:middleware:middleware:middleware:middleware" },
  { "x-middleware-subrequest": "src/middleware:src/middleware:src/middleware" },
  { "x-nextjs-data": "1" },
  { "x-invoke-path": "/lanes", "x-invoke-status": "200", "x-matched-path": "/lanes" },
  { "x-forwarded-proto": "https", "x-forwarded-host": "evil", "x-forwarded-for": "127.0.0.1", "x-real-ip": "127.0.0.1" },
  { "x-wide-lane-address": "10.0.0.1", "x-wide-lane-user": "mara", authorization: "Bearer u-mara" },
];

const filled = (parts: readonly string[]): string =>
  `/${parts.map((p) => (p === "[sha]" ? ids.sha : p === "[id]" ? ids.build : p === "[...path]" ? "nothing" : p)).join("/")}`;

function carriesNothing(text: string): void {
  const found = secrets.filter((s) => text.includes(s));
  expect(found).toEqual([]);
  expect(text.length).toBeLessThan(1000);
}

beforeAll(async () => {
  const names = await rows<{ s: string }>(
    pool(),
    `SELECT name AS s FROM build UNION SELECT client FROM build UNION SELECT name FROM fitter UNION SELECT login FROM user UNION SELECT name FROM supplier
     UNION SELECT name FROM part_line UNION SELECT name FROM job UNION SELECT title FROM record UNION SELECT name FROM workshop`,
  );
  // Names that a hostile request gave something before are no secrets.
  secrets = names.map((r) => r.s).filter((s) => s.length > 4 && !/^(a name|rivet|body|shop)/i.test(s));
  expect(secrets.length).toBeGreaterThan(100);
  const one = async (sql: string) => (await rows<{ id: string }>(pool(), sql))[0].id;
  ids = {
    build: await one("SELECT id FROM build ORDER BY id LIMIT 1"),
    job: await one("SELECT id FROM job ORDER BY id LIMIT 1"),
    sha: await one("SELECT sha256 AS id FROM photo LIMIT 1"),
    record: await one("SELECT id FROM record LIMIT 1"),
  };
  bogus.cookie = "wide_lane=AAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAA; __Host-wide_lane=u-mara";
  await ended.signIn("mara");
  await ended.ask("DELETE", "/api/session");
  await fitter.signIn("u-teo");
  await lead.signIn("mara");
});
afterAll(closePool);

describe("the table of doors", () => {
  it("knows every page and route of the tree, and nothing that isn't there", () => {
    const found = routes();
    const pages = found.filter((f) => f.kind === "page").map((f) => f.parts.map((p) => (p.startsWith("[") ? "*" : p)).join("/"));
    expect(pages.sort()).toEqual(Object.keys(PAGES).sort());
    const own = found
      .filter((f) => f.kind === "route" && !f.parts.includes("[...path]"))
      .flatMap((f) => {
        const at = f.parts.map((p) => (p.startsWith("[") ? "*" : p)).join("/");
        const code = readFileSync(f.file, "utf8");
        return ["GET", "POST", "PATCH", "DELETE", "PUT"]
          .filter((m) => new RegExp(`export (const|async function|function) ${m}\\b`).test(code))
          .map((m) => `${m} ${at}`);
      });
    expect(own.sort()).toEqual(Object.keys(HANDLERS).sort());
  });
  it("is closed to what is not in it", () => {
    for (const p of ["_next/data/x.json", "_next/image", "lanes.rsc", "api", "app", ".env", "_next/static/../../package.json"])
      expect(doorOf("GET", p.split("/")), p).toBeUndefined();
    for (const m of ["POST", "PUT", "PATCH", "DELETE", "OPTIONS", "TRACE"]) expect(doorOf(m, ["lanes"]), m).toBeUndefined();
  });
});

describe("every page and route of the tree", () => {
  const all = () => routes().map((f) => ({ ...f, url: filled(f.parts) }));
  it("shows nothing to nobody, to a made-up cookie, and to a session that is over", async () => {
    for (const { url, parts } of all())
      for (const who of [nobody, bogus, ended])
        for (const headers of INSIDE)
          for (const method of ["GET", "HEAD", "POST"]) {
            if (parts[0] === "sign-in" && method !== "POST") continue;
            if (url === "/api/session") continue;
            const r = await who.ask(method, url, method === "POST" ? {} : undefined, headers);
            const where = `${method} ${url} ${JSON.stringify(headers)}`;
            expect([307, 401, 403, 404], where).toContain(r.status);
            if (r.status === 307) expect(r.headers.get("location"), where).toBe("/sign-in");
            carriesNothing(r.text);
          }
  });
  it("shows a fitter what is a fitter's, and nothing of the lead's", async () => {
    const open = new Set(["card", "account", "sign-in", "api/pulse", "api/session", "api/photos/[sha]", "api/lanes/[id]", "api/[...path]"]);
    // What a fitter may look at: held against their own vans below.
    for (const p of ["(desk)/lanes", "(desk)/set-out", "(desk)/stores", "(desk)/builds/[id]"]) open.add(p.replace("(desk)/", ""));
    let asked = 0;
    for (const { url, parts } of all()) {
      if (open.has(parts.join("/"))) continue;
      for (const headers of INSIDE)
        for (const method of ["GET", "HEAD", "POST"]) {
          const r = await fitter.ask(method, url, method === "POST" ? {} : undefined, headers);
          expect([307, 403, 404, 422, 411, 413], `${method} ${url} ${JSON.stringify(headers)}`).toContain(r.status);
          if (r.status === 307) expect(r.headers.get("location")).toBe("/card");
          carriesNothing(r.text);
          asked++;
        }
    }
    expect(asked).toBeGreaterThan(300);
    for (const url of ["/card", "/account", "/api/pulse"]) expect((await fitter.ask("GET", url)).status, url).toBe(200);
  });
  it("lets a fitter look at lanes, set-out and kits, and shows nothing of vans they do not work on", async () => {
    const builds = await rows<{ id: string; name: string; client: string }>(
      pool(),
      "SELECT id, name, client FROM build WHERE state = 'active'",
    );
    const has = (text: string, words: readonly string[]) => words.filter((w) => w.length > 4 && text.includes(w));
    const clients = builds.map((b) => b.client);
    const leads = await rows<{ s: string }>(
      pool(),
      "SELECT login AS s FROM user WHERE role = 'lead' UNION SELECT title FROM record WHERE kind = 'decision'",
    );
    // Somebody with jobs on these vans: no client, no money, nothing of what the lead decides.
    const mine = builds.filter((b) => b.id !== "new");
    for (const url of ["/lanes", "/set-out", "/stores", `/builds/${mine[0].id}`]) {
      const r = await fitter.ask("GET", url);
      expect(r.status, url).toBe(200);
      expect(has(r.text, clients), url).toEqual([]);
      expect(
        has(
          r.text,
          leads.map((l) => l.s),
        ),
        url,
      ).toEqual([]);
    }
    // Somebody without a job on any: no van at all, by no way in.
    const made = JSON.parse((await lead.act("fitters", { name: "Onlooker", calendarId: "shop", skills: {}, tickets: [] })).text) as {
      id: string;
    };
    const user = JSON.parse((await lead.act("users", { login: "onlooker", name: "Onlooker", role: "fitter", fitterId: made.id })).text) as {
      id: string;
    };
    const onlooker = await new Person().signIn(user.id);
    const planned = await rows<{ id: string }>(
      pool(),
      `SELECT DISTINCT j.build_id AS id FROM plan_job p JOIN job j ON j.id = p.job_id
       WHERE p.plan_id = (SELECT id FROM plan WHERE kind = 'published' ORDER BY number DESC LIMIT 1)`,
    );
    const closed = builds.filter((b) => planned.some((p) => p.id === b.id));
    expect(closed.length).toBeGreaterThan(3);
    const job = async (b: string) => (await rows<{ id: string }>(pool(), "SELECT id FROM job WHERE build_id = ? LIMIT 1", [b]))[0].id;
    for (const url of ["/set-out", "/stores", "/card"]) {
      const r = await onlooker.ask("GET", url);
      expect(r.status, url).toBe(200);
      expect(
        has(
          r.text,
          closed.flatMap((b) => [b.name, b.client]),
        ),
        url,
      ).toEqual([]);
    }
    for (const b of closed) {
      for (const headers of INSIDE) {
        const r = await onlooker.ask("GET", `/builds/${b.id}`, undefined, headers);
        expect(has(r.text, [b.name, b.client]), b.id).toEqual([]);
      }
      const r = await onlooker.ask("GET", `/set-out?build=${b.id}&job=${await job(b.id)}`);
      expect(has(r.text, [b.name, b.client]), b.id).toEqual([]);
    }
    const detail = await onlooker.ask("GET", `/api/lanes/${await job(closed[0].id)}`);
    expect((JSON.parse(detail.text) as { parts: unknown[] }).parts).toEqual([]);
  });
  it("opens to the lead", async () => {
    for (const { url, kind } of all())
      if (kind === "page" && url !== "/sign-in") expect((await lead.ask("GET", url)).status, url).toBe(200);
  });
});

describe("every act", () => {
  const path = (p: string) =>
    p
      .replace(/^builds\/\*/, `builds/${ids.build}`)
      .replace(/^jobs\/\*/, `jobs/${ids.job}`)
      .replace(/^records\/\*/, `records/${ids.record}`)
      .replaceAll("*", "x");
  it("is refused to nobody, to a made-up cookie, to a session that is over, and to another site's page", async () => {
    expect(actions.length).toBeGreaterThan(80);
    for (const a of actions) {
      for (const who of [nobody, bogus, ended]) {
        const r = await who.act(path(a.path), {}, a.method);
        expect(r.status, `${a.method} ${a.path}`).toBe(401);
        carriesNothing(r.text);
      }
      for (const headers of [{ origin: "http://evil" }, { "sec-fetch-site": "cross-site" }] as Record<string, string>[]) {
        const r = await lead.act(path(a.path), {}, a.method, headers);
        expect(r.status, `${a.method} ${a.path}`).toBe(403);
      }
    }
  });
  it("of the lead is refused to a fitter, whatever the body", async () => {
    for (const a of actions.filter((x) => x.role === "lead")) {
      const r = await fitter.act(path(a.path), { any: 1 }, a.method);
      expect(r.status, `${a.method} ${a.path}`).toBe(403);
      carriesNothing(r.text);
    }
  });
  it("on a van that a fitter has no job on is refused to them", async () => {
    const [{ id: build }] = await rows<{ id: string }>(
      pool(),
      `SELECT b.id FROM build b WHERE b.state = 'active' AND EXISTS (SELECT 1 FROM job j JOIN plan_job_fitter f ON f.job_id = j.id WHERE j.build_id = b.id)
       LIMIT 1`,
    );
    // Somebody new, whom no plan knows.
    const made = JSON.parse((await lead.act("fitters", { name: "Newcomer", calendarId: "shop", skills: {}, tickets: [] })).text) as {
      id: string;
    };
    const added = JSON.parse(
      (await lead.act("users", { login: "newcomer", name: "Newcomer", role: "fitter", fitterId: made.id })).text,
    ) as { id: string };
    const newcomer = await new Person().signIn(added.id);
    for (const a of actions.filter((x) => x.role === "any" && x.path.startsWith("builds/*"))) {
      const r = await newcomer.act(a.path.replace("*", build), {}, a.method);
      expect(r.status, a.path).toBe(403);
      carriesNothing(r.text);
    }
    const photo = await newcomer.ask("GET", `/api/photos/${ids.sha}`);
    expect(photo.status).toBe(404);
    expect((await lead.ask("GET", `/api/photos/${ids.sha}`)).status).toBe(200);
    expect((await lead.act(`fitters/${made.id}/retire`, { version: 1, retired: true, anyway: true })).status).toBe(200);
    const card = await newcomer.ask("GET", "/card");
    const clients = await rows<{ client: string }>(pool(), "SELECT client FROM build WHERE state = 'active'");
    expect(clients.filter((c) => card.text.includes(c.client))).toEqual([]);
  });
});

describe("headers", () => {
  it("let no inline code run without the nonce of this one answer, and nobody frame a page", async () => {
    const [a, b] = [
      await lead.ask("GET", "/", undefined, { accept: "text/html" }),
      await lead.ask("GET", "/", undefined, { accept: "text/html" }),
    ];
    const policy = a.headers.get("content-security-policy")!;
    const nonce = /'nonce-([^']+)'/.exec(policy)?.[1];
    expect(nonce).toBeTruthy();
    expect(policy).toContain("frame-ancestors 'none'");
    expect(policy).not.toMatch(/script-src[^;]*unsafe/);
    expect(policy).not.toMatch(/style-src-elem[^;]*unsafe/);
    expect(b.headers.get("content-security-policy")).not.toBe(policy);
    const scripts = a.text.match(/<script\b[^>]*>/g) ?? [];
    expect(scripts.length).toBeGreaterThan(3);
    expect(scripts.filter((s) => !s.includes(`nonce="${nonce}"`))).toEqual([]);
    expect((a.text.match(/<style\b[^>]*>/g) ?? []).filter((s) => !s.includes(`nonce="${nonce}"`))).toEqual([]);
    expect(a.text).not.toMatch(/\son[a-z]+="/);
    for (const h of ["permissions-policy", "cross-origin-opener-policy", "cross-origin-resource-policy", "x-request-id"])
      expect(a.headers.get(h), h).toBeTruthy();
    expect(a.headers.get("x-powered-by")).toBeNull();
    // Nobody outside can make it think that it is reached by https: no proxy is named here.
    expect(
      (await nobody.ask("GET", "/sign-in", undefined, { "x-forwarded-proto": "https" })).headers.get("strict-transport-security"),
    ).toBeNull();
  });
  it("tells that it is alive and ready without telling anything else", async () => {
    expect((await nobody.ask("GET", "/health")).text).toBe('{"alive":true}');
    expect(JSON.parse((await nobody.ask("GET", "/ready")).text)).toEqual({ ready: true, database: true, schema: true, disk: true });
  });
});

it("asks the address that was given", () => expect(base).toMatch(/^http:\/\/127\.0\.0\.1:\d+$/));
