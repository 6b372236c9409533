// Released by two: one answers what is asked before a cut, another releases it on the card.

import { expect, test } from "@playwright/test";
import { expectAccessible, signIn } from "./people";

test("a cut waits for the release of somebody else than who answered", async ({ page, browser }) => {
  await signIn(page, "Mara");
  await page.goto("/workshop?tab=settings");
  const rule = page.getByLabel("Release what can't be undone");
  const save = async () => {
    const kept = page.waitForResponse((r) => r.request().method() === "PATCH");
    await page.getByRole("main").getByRole("button", { name: "Save" }).first().click();
    expect((await kept).status()).toBe(200);
  };
  await rule.check();
  await save();
  await page.reload();
  await expect(rule).toBeChecked();

  await page.goto("/card?job=field-vet.OP-04");
  const release = page.getByRole("region", { name: "Release" });
  await expect(release).toContainText(/still open before it/);
  await expect(release.getByRole("button")).toHaveCount(0);

  const other = await browser.newPage();
  await signIn(other, "Ines");
  const origin = new URL(page.url()).origin;
  const before = page.getByRole("region", { name: /^Before you/ });
  const asked = await before.getByRole("listitem").count();
  for (let n = 1; n <= 20; n++)
    await other.request.post("/api/jobs/field-vet.OP-04/answer", { headers: { origin }, data: { n, yes: true } });
  await other.close();
  expect(asked).toBeGreaterThan(0);

  await page.reload();
  await expectAccessible(page);
  await release.getByRole("button", { name: "Release" }).click();
  await expect(release).toContainText("Released to cut, by Mara");
  await release.getByRole("button", { name: "Hold back again" }).click();
  await expect(release).toContainText("Not released to cut yet");

  await page.goto("/workshop?tab=settings");
  await rule.uncheck();
  await save();
  await page.goto("/card?job=field-vet.OP-04");
  await expect(page.getByRole("heading", { name: /^Roof fan/ })).toBeVisible();
  await expect(release).toHaveCount(0);
});
