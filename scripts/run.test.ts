// What a start refuses, in words that say what to do.

import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { createServer } from "node:net";
import os from "node:os";
import path from "node:path";
import { afterAll, describe, expect, it } from "vitest";
import { freePort, runningUrl } from "./database";
import { lock } from "./run";
import { checkPort } from "./serve";

const folder = mkdtempSync(path.join(os.tmpdir(), "wl-run-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

describe("lock", () => {
  it("refuses a second start on the same data, with the process that has it", () => {
    // Process 1 is always there.
    writeFileSync(path.join(folder, "running"), "1");
    expect(() => lock(folder)).toThrow(/running already on this data \(process 1\)/);
  });
  it("takes over what a dead process left behind, and lets go", () => {
    writeFileSync(path.join(folder, "running"), "999999999");
    const unlock = lock(folder);
    unlock();
    lock(folder)();
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
