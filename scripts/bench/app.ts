// Fifty people at one server for a minute: how long they wait for views and for what they save.

import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { random } from "../../core/rng";
import { withServers } from "../with-demo";
import { at, table } from "./table";

const VIEWS = ["/", "/lanes", "/stores", "/builds", "/proof", "/card", "/workshop", "/set-out"];
const pause = (ms: number) => new Promise<void>((r) => setTimeout(r, ms));

interface Times {
  pulse: number[];
  view: number[];
  act: number[];
  errors: string[];
}

/** What a process takes, MB. */
export const memory = (pid: number): number =>
  Math.round(Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, "utf8"))?.[1] ?? 0) / 1024);

/** The section for docs/benchmarks.md, and what went wrong. */
export async function benchApp(people: number, seconds: number): Promise<{ text: string; errors: number }> {
  const folder = mkdtempSync(path.join(os.tmpdir(), "wl-bench-"));
  try {
    return await withServers(
      path.join(folder, "demo"),
      1,
      async ({ addresses: [address], servers: [server] }) => {
        const cookie = await signIn(address);
        const problem = (await (await fetch(`${address}/api/problem`, { headers: { cookie } })).json()) as {
          builds: { id: string; jobs: { id: string }[] }[];
        };
        const jobs = problem.builds.flatMap((b) => b.jobs.map((j) => j.id));
        // Each view drawn once; then a first minute of its own, so that what is measured after it is a server in use, not one just started.
        for (const v of VIEWS) await fetch(`${address}${v}`, { headers: { cookie } }).then((r) => r.text());
        const before = memory(server.pid);
        const minute = async (seed: number): Promise<Times> => {
          const times: Times = { pulse: [], view: [], act: [], errors: [] };
          const end = Date.now() + seconds * 1000;
          await Promise.all(Array.from({ length: people }, (_, i) => person(seed + i, address, cookie, jobs, end, times)));
          return times;
        };
        const first = await minute(1000);
        const times = await minute(0);
        const p95 = (list: readonly number[]) => `${Math.round(at(list, 0.95))} ms`;
        const row = (name: string, list: readonly number[]) => [
          name,
          String(list.length),
          (list.length / seconds).toFixed(1),
          `${Math.round(at(list, 0.5))} ms`,
          `${Math.round(at(list, 0.95))} ms`,
          `${Math.round(Math.max(0, ...list))} ms`,
        ];
        const text = `## Server

${people} people at one server for ${seconds} s, on the demo (${problem.builds.length} builds, ${jobs.length} jobs), database and people on the same ${os.cpus().length} cores. Each asks for news every
4 s, opens a view every 30 s and saves something every 30 s. Made by \`./wide-lane bench app --write\`.

${table(
  ["what", "asked", "a second", "half within", "95 of 100 within", "longest"],
  [row("news", times.pulse), row("views", times.view), row("saving", times.act)],
)}

In the first ${seconds} s after the server's start, before these: views 95 of 100 within ${p95(first.view)}, saving within ${p95(first.act)},
news within ${p95(first.pulse)}.

Errors: ${first.errors.length + times.errors.length}. Memory of the server: ${before} MB before, ${memory(server.pid)} MB after.
`;
        const errors = [...first.errors, ...times.errors];
        for (const e of errors.slice(0, 5)) console.log(e);
        return { text, errors: errors.length };
        // As in a workshop: without the checks that tests ask for.
      },
      { WIDE_LANE_CHECKED: "" },
    );
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** The lead of the demo, signed in: the cookies to send along. */
export async function signIn(address: string): Promise<string> {
  const page = await (await fetch(`${address}/sign-in`, { headers: { accept: "text/html" } })).text();
  const user = /"id":"([^"]+)"[^}]*"role":"lead"|\\"id\\":\\"([^"\\]+)\\"[^}]*\\"role\\":\\"lead/.exec(page);
  const r = await fetch(`${address}/api/session`, {
    method: "POST",
    headers: { origin: address, "content-type": "application/json" },
    body: JSON.stringify({ demoUser: user?.[1] ?? user?.[2] ?? "mara" }),
  });
  return r.headers
    .getSetCookie()
    .map((c) => c.split(";")[0])
    .join("; ");
}

async function person(i: number, address: string, cookie: string, jobs: readonly string[], end: number, times: Times): Promise<void> {
  const r = random(i + 1);
  let view = Date.now() + r() * 30_000;
  let act = Date.now() + r() * 30_000;
  let pulse = Date.now() + r() * 4000;
  const ask = async (list: number[], what: string, init: RequestInit = {}) => {
    const began = performance.now();
    try {
      const a = await fetch(`${address}${what}`, { ...init, headers: { cookie, origin: address, ...init.headers } });
      await a.text();
      if (a.status >= 400) times.errors.push(`${a.status} at ${what}`);
    } catch (e) {
      times.errors.push(`${what}: ${(e as Error).message}`);
    }
    list.push(performance.now() - began);
  };
  while (Date.now() < end) {
    const now = Date.now();
    if (now >= view) {
      view = now + 30_000;
      await ask(times.view, VIEWS[Math.floor(r() * VIEWS.length)]);
    } else if (now >= act) {
      act = now + 30_000;
      const job = jobs[Math.floor(r() * jobs.length)];
      const body = JSON.stringify({ kind: "other", text: `said by ${i}`, stopsWork: false });
      await ask(times.act, `/api/jobs/${encodeURIComponent(job)}/remark`, {
        method: "POST",
        headers: { "content-type": "application/json" },
        body,
      });
    } else if (now >= pulse) {
      pulse = now + 4000;
      await ask(times.pulse, "/api/pulse");
    }
    await pause(20);
  }
}
