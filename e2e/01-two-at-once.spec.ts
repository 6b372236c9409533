// Two at once, on the demo as it ships: who is busy there is known before anybody has changed anything.

import { expect, test } from "@playwright/test";
import { expectAccessible, signIn } from "./people";

test("what could be in work beside what is under way is told, with who is free for it", async ({ page }) => {
  await signIn(page, "Mara");
  const send = async (path: string, data: object) =>
    expect((await page.request.post(`/api/${path}`, { headers: { origin: new URL(page.url()).origin }, data })).status(), path).toBe(200);
  await page.goto("/builds/beekeepers");
  await send("jobs/beekeepers.FU-07/act", { act: "pause" });
  await page.reload();
  const beside = page.getByRole("region", { name: "Side by side" });
  const pair = beside.getByRole("listitem").filter({ hasText: "Worktop scribed" }).first();
  await expect(pair).toContainText("Rosa");
  await expect(pair).toContainText(/under way, Nils|Batteries/);
  await expectAccessible(page);
  await send("jobs/beekeepers.FU-07/act", { act: "start" });
  await page.reload();
  await expect(beside.getByRole("listitem").filter({ hasText: "Worktop scribed" })).toHaveCount(0);
  // As it was: nothing is stale for those that come after.
  await send("plan", { quick: true });
});
