// A fitter is ill: the wall is left alone as far as it can be, and goes back when the cause is gone.

import { expect, test } from "@playwright/test";
import { signIn } from "./people";

test("a fitter is ill for two days: few jobs move, no date does, and the plan goes back when the fitter does", async ({ page }) => {
  test.setTimeout(150_000);
  await page.setViewportSize({ width: 390, height: 844 });
  await signIn(page, "Mara");
  const replan = async (): Promise<number> => {
    await page.goto("/lanes");
    await page.getByRole("button", { name: "Replan", exact: true }).click();
    await expect(page.getByText("Replanned")).toBeVisible({ timeout: 40_000 });
    await page.goto("/lanes");
    const words = (await page.getByText(/(nothing|\d+ jobs?) would move/).textContent())!;
    return Number(/(\d+) jobs? would move/.exec(words)?.[1] ?? 0);
  };
  const usual = await replan();
  await page.goto("/workshop?tab=away");
  await page.getByRole("button", { name: "Add a time" }).click();
  const form = page.getByRole("dialog", { name: "Away, closed or heated" });
  await form.getByLabel("Who, or which bay").selectOption({ label: "Teo away" });
  await form.getByLabel("From", { exact: true }).fill("2026-11-26T07:00");
  await form.getByLabel("To", { exact: true }).fill("2026-11-27T18:00");
  await form.getByLabel("Reason").fill("ill");
  await form.getByRole("button", { name: "Save" }).click();
  const row = page.getByRole("listitem").filter({ hasText: "ill" }).filter({ hasText: "Teo" });
  await expect(row).toBeVisible();
  await page.goto("/lanes");
  await expect(page.getByText("stale:")).toBeVisible();
  const ill = await replan();
  // A tenth of the wall at the most, and not for nothing.
  expect(ill).toBeGreaterThan(0);
  expect(ill).toBeLessThanOrEqual(usual + 30);
  await page.getByRole("button", { name: "Compare with published" }).click();
  await expect(page.getByRole("dialog", { name: "What would move" })).toContainText("No date moves.");
  await page.keyboard.press("Escape");
  // Back after all: nothing moves any more that did for it.
  await page.goto("/workshop?tab=away");
  await row.getByRole("button", { name: "Take out" }).click();
  await expect(row).toHaveCount(0);
  expect(await replan()).toBe(usual);
});
