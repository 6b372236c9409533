// What a start refuses, in words that say what to do.

import { spawn } from "node:child_process";
import { existsSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { createServer } from "node:net";
import os from "node:os";
import path from "node:path";
import { afterAll, describe, expect, it, vi } from "vitest";
import { outdated } from "./daily";
import { freePort, runningUrl } from "./database";
import { lock, lockFile } from "./lock";
import { endProcess, known, runs, writeKnown } from "./process";
import { checkPort } from "./serve";
import { supervise } from "./supervise";

const folder = mkdtempSync(path.join(os.tmpdir(), "wl-run-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

describe("lock", () => {
  const file = path.join(folder, "running");
  it("refuses a second start on the same data, with the process that has it", () => {
    // Process 1 is always there.
    writeFileSync(file, writeKnown(known(1)));
    expect(() => lock(file)).toThrow(/running already on this data \(process 1\)/);
  });
  it("takes over what a dead process left behind, also when its number is somebody else's by now", () => {
    for (const left of ["999999999 1", "1 1", "nonsense", ""]) {
      writeFileSync(file, left);
      lock(file)();
    }
    lock(file)();
    expect(existsSync(file)).toBe(false);
  });
  it("is of the database, not of the folder", () => {
    const own = lockFile("/x/.data/shop", undefined, 3200);
    const [a, b] = ["mysql://u:p@h/one", "mysql://u:p@h/two"].map((u) => lockFile("/x/.data/shop", u, 3200));
    expect(new Set([own, a, b, lockFile("/x/.data/shop", "mysql://u:p@h/one", 3201)]).size).toBe(4);
  });
});

describe("a process", () => {
  it("is known by its number and the moment it was started, and is ended only if it is the same", async () => {
    const child = spawn("sleep", ["60"]);
    const k = known(child.pid!);
    expect(runs(k)).toBe(true);
    expect(runs({ ...k, started: "1" })).toBe(false);
    expect(await endProcess({ ...k, started: "1" })).toBe(true);
    expect(runs(k)).toBe(true);
    expect(await endProcess(k)).toBe(true);
    expect(runs(k)).toBe(false);
  });
});

describe("supervise", () => {
  const fast = { pauses: [1, 2, 4], deaths: 4, withinMs: 60_000 };
  const part = () => {
    let die: (code: number) => void = () => undefined;
    const ended = new Promise<number | null>((resolve) => {
      die = resolve;
    });
    return { ended, die: (code: number) => die(code), stop: async () => die(0) };
  };
  it("starts what died again, tells it, and ends it when asked", async () => {
    const made: ReturnType<typeof part>[] = [];
    const said: string[] = [];
    const start = async () => {
      made.push(part());
      return made.at(-1)!;
    };
    const s = await supervise("It", start, (t) => said.push(t), fast);
    made[0].die(1);
    await vi.waitFor(() => expect(made.length).toBe(2));
    await vi.waitFor(() => expect(said.at(-1)).toMatch(/runs again/));
    expect(s.now).toBe(made[1]);
    await s.stop();
    await new Promise((r) => setTimeout(r, 30));
    expect(made.length).toBe(2);
  });
  it("tries again when a start fails, and gives up loudly what does nothing but die", async () => {
    let n = 0;
    const said: string[] = [];
    const start = async () => {
      if (n++ === 1) throw new Error("no room");
      const p = part();
      if (n > 1) setTimeout(() => p.die(9), 1);
      else setTimeout(() => p.die(1), 5);
      return p;
    };
    const s = await supervise("It", start, (t) => said.push(t), fast);
    await expect(s.failed).rejects.toThrow(/died 4 times within 1 minutes. It is not started again/);
    expect(said.join()).toContain("no room");
  });
});

describe("backups that are thrown away", () => {
  it("are all but the newest of fourteen days and of six months", () => {
    const names = Array.from({ length: 400 }, (_, i) => {
      const d = new Date(Date.UTC(2026, 0, 1) + i * 43_200_000);
      return `wide-lane-${d.toISOString().slice(0, 19).replaceAll(":", "-")}.sql`;
    });
    const gone = outdated([...names, "mine.sql", "wide-lane-notes.txt"]);
    const kept = names.filter((n) => !gone.includes(n));
    expect(gone.some((n) => !n.startsWith("wide-lane-2026"))).toBe(false);
    // 400 half days end in July: fourteen days of it, and the newest of January to July, six of them.
    expect(kept.length).toBe(14 + 5);
    expect(kept.at(-1)).toBe(names.at(-1));
  });
});

describe("checkPort", () => {
  it("names a port that is taken, and another to use", async () => {
    const port = await freePort();
    const server = createServer();
    await new Promise<void>((resolve) => server.listen(port, "127.0.0.1", resolve));
    await expect(checkPort("127.0.0.1", port)).rejects.toThrow(`port ${port} is taken by another program. Choose one: --port ${port + 1}`);
    await new Promise((resolve) => server.close(resolve));
    await expect(checkPort("127.0.0.1", port)).resolves.toBeUndefined();
  });
  it("says when the address is not this machine's", async () => {
    await expect(checkPort("203.0.113.9", 3210)).rejects.toThrow(/can't be used/);
  });
});

describe("runningUrl", () => {
  it("knows that nothing runs where nothing was started, or where it has died", async () => {
    expect(await runningUrl(folder)).toBeUndefined();
    writeFileSync(path.join(folder, "url"), `mysql://a:b@127.0.0.1:${await freePort()}/x`);
    expect(await runningUrl(folder)).toBeUndefined();
  });
});
