import { createServer, type Server } from "node:http";
import type { AddressInfo } from "node:net";
import { afterEach, expect, it } from "vitest";
import { watchForHang } from "./hang";

const open: { server: Server; unwatch: () => void }[] = [];
afterEach(() => {
  for (const { server, unwatch } of open.splice(0)) {
    unwatch();
    server.closeAllConnections();
    server.close();
  }
});

/** A server that answers its n-th question after so many milliseconds, or never; what is told when it is called hung. */
async function watched(answers: (n: number) => number | null): Promise<{ hung: number; asked: number }> {
  const seen = { hung: 0, asked: 0 };
  const server = createServer((_, res) => {
    const after = answers(seen.asked++);
    if (after !== null) setTimeout(() => res.end("yes"), after);
  });
  await new Promise<void>((r) => server.listen(0, "127.0.0.1", r));
  const unwatch = watchForHang(`http://127.0.0.1:${(server.address() as AddressInfo).port}`, () => seen.hung++, 20, 400);
  open.push({ server, unwatch });
  return seen;
}
const ms = (n: number) => new Promise((r) => setTimeout(r, n));

it("ends a server that never answers, once", async () => {
  const seen = await watched(() => null);
  await expect.poll(() => seen.hung, { timeout: 5000 }).toBe(1);
  await ms(600);
  expect(seen.hung).toBe(1);
});

it("ends one that answered at first and then does no more", async () => {
  const seen = await watched((n) => (n < 3 ? 0 : null));
  await expect.poll(() => seen.hung, { timeout: 5000 }).toBe(1);
  expect(seen.asked).toBeGreaterThanOrEqual(4);
});

it("leaves one alone that answers late, however often", async () => {
  const seen = await watched(() => 150);
  await expect.poll(() => seen.asked, { timeout: 10_000 }).toBeGreaterThan(6);
  expect(seen.hung).toBe(0);
});
