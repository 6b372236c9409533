// The fitter gets the numbers: the set-out on the card, a second measuring under another name, without a network; on a phone.

import { expect, test } from "@playwright/test";
import { expectAccessible, signIn } from "./people";

const PHONE = { width: 390, height: 844 };
const JOB = "/card?job=night-bakery.OP-06b";

test("a job's set-out stands on its card, and another name measures it a second time", async ({ browser }) => {
  const pageOf = async (name: string) => {
    const page = await (await browser.newContext({ viewport: PHONE })).newPage();
    await signIn(page, name);
    await page.goto(JOB);
    // The card's own code has begun: what is folded open before that may close again.
    await page.evaluate(() => navigator.serviceWorker.ready);
    return page;
  };
  const opening = (page: Awaited<ReturnType<typeof pageOf>>) =>
    page.getByRole("region", { name: "Set-out" }).locator("details").filter({ hasText: "Opening" }).first();

  // Ines measured first: she can't be the second name.
  const ines = await pageOf("Ines");
  await opening(ines).locator("summary").click();
  await expect(opening(ines)).toContainText("somebody else measures the second time");
  await expect(opening(ines)).toContainText(/diagonal\s*[\d.]+ mm/);

  const teo = await pageOf("Teo");
  await opening(teo).locator("summary").click();
  await expect(opening(teo).getByRole("img", { name: /^Drawing/ })).toBeVisible();
  await teo.getByRole("button", { name: "Larger, to read from a distance" }).click();
  const words = await opening(teo)
    .locator("svg text")
    .first()
    .evaluate((e) => e.getBoundingClientRect().height);
  expect(words).toBeGreaterThan(14);
  await expectAccessible(teo);
  await opening(teo).getByRole("button", { name: "Measure a second time" }).click();
  const fields = opening(teo).locator("form input");
  const n = await fields.count();
  expect(n).toBe(4);
  for (let i = 0; i < n; i++) await fields.nth(i).fill("1");
  const answered = teo.waitForResponse((r) => r.url().includes("/second"));
  await opening(teo).getByRole("button", { name: "Compare and lock" }).click();
  const { differ } = (await (await answered).json()) as { differ: { label: string; first: number }[] };
  await expect(opening(teo)).toContainText("The two measurements differ");
  for (const d of differ) await opening(teo).getByLabel(d.label).fill(String(d.first));
  await opening(teo).getByRole("button", { name: "Compare and lock" }).click();
  await expect(opening(teo).locator("summary")).toContainText("locked");
});

test("a card that was opened once is there without a network, and gone after signing out", async ({ browser }) => {
  const context = await browser.newContext({ viewport: PHONE });
  const page = await context.newPage();
  await signIn(page, "Dora");
  await page.goto("/card?job=night-bakery.OP-06a");
  await page.evaluate(() => navigator.serviceWorker.ready);
  // The worker keeps the page and what it is made of once it is told.
  const kept = () =>
    page.evaluate(async () =>
      (await caches.has("wide-lane-cards")) ? (await (await caches.open("wide-lane-cards")).keys()).map((k) => k.url) : [],
    );
  await expect.poll(async () => (await kept()).some((url) => url.includes("OP-06a"))).toBe(true);
  await expect.poll(() => page.evaluate(async () => (await (await caches.open("wide-lane-pieces")).keys()).length)).toBeGreaterThan(5);
  await context.setOffline(true);
  await page.reload();
  await expect(page.getByRole("heading", { level: 2, name: /Side window: cut and set/ })).toBeVisible();
  await page.getByRole("region", { name: "Set-out" }).locator("summary").first().click();
  await expect(page.getByRole("region", { name: "Set-out" }).getByRole("img", { name: /^Drawing/ })).toBeVisible();
  await expect(page.getByText(/No network: you can read this card/)).toBeVisible();
  await context.setOffline(false);
  await page.getByRole("button", { name: "Sign out" }).click();
  await expect(page).toHaveURL(/sign-in/);
  expect(await page.evaluate(() => caches.has("wide-lane-cards"))).toBe(false);
});

test("what is found is written down on the card", async ({ page }) => {
  await page.setViewportSize(PHONE);
  await signIn(page, "Teo");
  await page.goto(JOB);
  await page.getByText("Write something down").click();
  await page.getByRole("button", { name: "A circuit: measured volts" }).click();
  const form = page.getByRole("dialog");
  await form.getByLabel("What it feeds").fill("beacon on the roof");
  await form.getByLabel("Fed from").fill("fuse box");
  await form.getByLabel("Its connector").fill("behind the pillar, left");
  await form.getByLabel("Opened by").selectOption("unplugged");
  await form.getByLabel("Measured, V").fill("12.4");
  await form.getByRole("button", { name: "Write it down" }).click();
  await expect(form).toHaveCount(0);
  await page.getByText(/open things? on this van/).click();
  await expect(page.getByRole("button", { name: /^beacon on the roof/ })).toContainText("12.4 V");
});

test("nothing is wider than a phone, and what is touched on a card is large enough", async ({ page }) => {
  test.setTimeout(120_000);
  await page.setViewportSize(PHONE);
  await signIn(page, "Mara");
  const tabs = ["jobs", "openings", "choices", "van", "marks", "shell", "items", "papers", "waits", "records", "cost"];
  for (const path of [
    "/",
    "/lanes",
    "/lanes?job=night-bakery.FU-08",
    "/builds",
    "/builds/new",
    "/set-out?sheet=cable",
    "/stores",
    "/proof",
    "/workshop?tab=people",
    "/workshop/library",
    "/account",
    "/builds/night-bakery/cards",
    ...tabs.map((t) => `/builds/night-bakery?tab=${t}`),
    JOB,
  ]) {
    await page.goto(path);
    expect([path, await page.evaluate(() => document.documentElement.scrollWidth)]).toEqual([path, PHONE.width]);
  }
  const small = await page.evaluate(() =>
    [...document.querySelectorAll("button, select, summary, main a, input:not([type=checkbox])")]
      .filter((e) => !e.closest(".sr-only") && !e.classList.contains("sr-only") && e.getBoundingClientRect().width > 0)
      .filter((e) => e.getBoundingClientRect().height < 44 || e.getBoundingClientRect().width < 44)
      .map((e) => `${e.tagName} ${e.textContent?.slice(0, 40)}`),
  );
  expect(small).toEqual([]);
});
