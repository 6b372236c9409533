import { expect, it } from "vitest";
import { Late, within } from "./within";

it("hands on what comes in time, a failure as well", async () => {
  expect(await within("a number", 1000, Promise.resolve(7))).toBe(7);
  await expect(within("a number", 1000, Promise.reject(new Error("no such number")))).rejects.toThrow("no such number");
});

it("gives up what never comes, and names it", async () => {
  const late = within("the third node", 20, new Promise(() => undefined));
  await expect(late).rejects.toThrow(Late);
  await expect(late).rejects.toThrow("the third node: nothing came in 0 s");
});
