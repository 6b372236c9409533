// Each page and a few acts, one after the other by one person: how long the server takes, how many queries it asks, how much it sends.

import { mkdtempSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { freePort } from "../database";
import { withServers } from "../with-demo";
import { memory, signIn } from "./app";
import type { Size } from "./many-builds";
import { at, table } from "./table";

const PAGES = ["/", "/lanes", "/builds", "/builds/field-vet", "/set-out?build=field-vet", "/stores", "/proof", "/workshop", "/card"];
const ROUNDS = 12;

interface Measured {
  what: string;
  ms: number[];
  queries: number[];
  bytes: number;
}

/** Measures at the demo's own size and grown to `builds`. */
export async function benchPages(builds: number, parts: number, photos: number): Promise<string> {
  const small = await measure();
  const big = await measure({ builds, parts, photos });
  const of = (m: Measured | undefined) =>
    m
      ? [`${Math.round(at(m.ms, 0.5))} / ${Math.round(at(m.ms, 0.95))} ms`, String(at(m.queries, 0.5)), `${Math.round(m.bytes / 1024)} kB`]
      : ["", "", ""];
  return `## Pages and acts

One person, one request after the other, ${ROUNDS} times each; server and database on ${os.cpus().length} cores. Time: half / 95 of 100 within. On the demo
(${small.size.builds} builds, ${small.size.jobs} jobs, ${small.size.parts} part lines, ${small.size.photos} photos), and grown to ${big.size.builds} builds, ${big.size.jobs} jobs, ${big.size.parts} part lines, ${big.size.photos} photos. Before
each page something was written, so that nothing that is kept answers it alone. Made by \`./wide-lane bench pages --write\`.

${table(
  ["what", "demo", "queries", "sent", "grown", "queries ", "sent "],
  small.list.map((m) => [m.what, ...of(m), ...of(big.list.find((b) => b.what === m.what))]),
)}

Memory of the server: ${small.memory} MB on the demo, ${big.memory} MB grown.
`;
}

async function measure(grow?: {
  builds: number;
  parts: number;
  photos: number;
}): Promise<{ list: Measured[]; size: Size; memory: number }> {
  const folder = mkdtempSync(path.join(os.tmpdir(), "wl-pages-"));
  const port = await freePort();
  try {
    return await withServers(
      path.join(folder, "demo"),
      1,
      async ({ addresses: [address], servers: [server], databaseUrl }) => {
        process.env.DATABASE_URL = databaseUrl;
        const { growTo } = await import("./many-builds");
        const { closePool } = await import("../../db/pool");
        const size = await growTo(grow?.builds ?? 0, grow?.parts ?? 0, grow?.photos ?? 0);
        await closePool();
        const cookie = await signIn(address);
        const list = await all(address, cookie, port);
        return { list, size, memory: memory(server.pid) };
      },
      { WIDE_LANE_CHECKED: "", WIDE_LANE_METRICS_PORT: String(port) },
    );
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

async function all(address: string, cookie: string, port: number): Promise<Measured[]> {
  const queries = async (): Promise<number> =>
    Number(/^wide_lane_queries_total (\d+)/m.exec(await (await fetch(`http://127.0.0.1:${port}/metrics`)).text())?.[1] ?? 0);
  const ask = async (m: Measured, url: string, init: RequestInit = {}): Promise<void> => {
    const before = await queries();
    const began = performance.now();
    const a = await fetch(`${address}${url}`, { ...init, headers: { cookie, origin: address, ...init.headers } });
    const body = await a.arrayBuffer();
    m.ms.push(performance.now() - began);
    if (a.status >= 400) throw new Error(`${a.status} at ${url}: ${Buffer.from(body).toString().slice(0, 200)}`);
    m.queries.push((await queries()) - before);
    m.bytes = body.byteLength;
  };
  const problem = (await (await fetch(`${address}/api/problem`, { headers: { cookie } })).json()) as {
    builds: { jobs: { id: string; state: unknown }[] }[];
  };
  const jobs = problem.builds.flatMap((b) => b.jobs);
  const under = jobs.find((j) => typeof j.state === "object" && j.state !== null && "started" in j.state)!;
  const json = { method: "POST", headers: { "content-type": "application/json" } };
  const remark = (n: number) => ({ ...json, body: JSON.stringify({ kind: "other", text: `measured ${n}`, stopsWork: false }) });
  const say = (n: number) =>
    fetch(`${address}/api/jobs/${under.id}/remark`, { ...remark(n), headers: { ...json.headers, cookie, origin: address } }).then((r) =>
      r.text(),
    );
  const list: Measured[] = [];
  const named = (what: string): Measured => {
    const m = { what, ms: [], queries: [], bytes: 0 };
    list.push(m);
    return m;
  };
  // As a server in use: a first round that is not counted.
  for (const p of PAGES) for (let n = 0; n < 6; n++) await fetch(`${address}${p}`, { headers: { cookie } }).then((r) => r.text());
  for (const p of PAGES) {
    const m = named(p);
    for (let n = 0; n < ROUNDS; n++) {
      await say(n);
      await ask(m, p);
    }
  }
  const tick = named("a tick on the card");
  for (let n = 0; n < ROUNDS; n++)
    await ask(tick, `/api/jobs/${under.id}/step`, { ...json, body: JSON.stringify({ n: 1, done: n % 2 === 0 }) });
  const remarks = named("a remark");
  for (let n = 0; n < ROUNDS; n++) await ask(remarks, `/api/jobs/${under.id}/remark`, remark(100 + n));
  const news = named("asking for news");
  for (let n = 0; n < ROUNDS; n++) await ask(news, "/api/pulse");
  return list;
}
