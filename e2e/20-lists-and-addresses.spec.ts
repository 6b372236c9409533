// Lists and places: searched, ordered and saved; kept in the address; focus comes back; what hangs on something is asked first.

import { readFileSync } from "node:fs";
import { expect, test } from "@playwright/test";
import { signIn } from "./people";

test("stores are ordered and searched, the address keeps it, and the file has what is shown", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/stores");
  // Of some hundred lines only those near the window are drawn.
  expect(await page.locator("[id^='part-']").count()).toBeLessThan(60);
  await page.getByRole("button", { name: /^All/ }).click();
  await page.getByLabel("Order by").selectOption("supplier");
  await page.getByLabel("Filter by part, build or supplier").fill("fan night bakery");
  await expect(page).toHaveURL(/show=all/);
  await page.reload();
  await expect(page.getByLabel("Order by")).toHaveValue("supplier");
  await expect(page.getByLabel("Filter by part, build or supplier")).toHaveValue("fan night bakery");
  await expect(page.getByRole("heading", { level: 2, name: /^from / }).first()).toBeVisible();
  const lines = await page.locator("[id^='part-']").count();
  const saving = page.waitForEvent("download");
  await page.getByRole("button", { name: "CSV" }).click();
  const file = readFileSync((await (await saving).path())!, "utf8")
    .trimEnd()
    .split("\r\n");
  expect(file).toHaveLength(lines + 1);
  expect(file[0]).toContain("part,quantity,build");
  // From another page and back, it is where it was.
  await page
    .getByRole("link", { name: /Night bakery/ })
    .first()
    .click();
  await expect(page).toHaveURL(/builds\/night-bakery/);
  await expect(page).toHaveTitle(/Night bakery/);
  await page.goBack();
  await expect(page.getByLabel("Filter by part, build or supplier")).toHaveValue("fan night bakery");
});

test("what is written down of a build is searched, ordered and saved too", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/builds/night-bakery?tab=items");
  // Other tests may have written more down: how many there are, and how many fit, is read from the list itself.
  await page.getByLabel("Search removed items").fill("partition window");
  const status = page.getByRole("status").filter({ hasText: /^\d+ of \d+$/ });
  const [found, all] = (await status.textContent())!.split(" of ").map(Number);
  expect(found).toBeGreaterThan(0);
  expect(found).toBeLessThan(all);
  const panel = page.getByRole("tabpanel");
  await expect(panel.getByRole("button", { name: /^Partition with window/ })).toBeVisible();
  await expect(panel.getByRole("button", { name: /^Shelf rails, right/ })).toHaveCount(0);
  await expect(page).toHaveURL(/find-removed-items=/);
  const saving = page.waitForEvent("download");
  await page.getByRole("button", { name: "removed items as CSV" }).click();
  const file = readFileSync((await (await saving).path())!, "utf8")
    .trimEnd()
    .split("\r\n");
  expect(file).toHaveLength(found + 1);
  expect(file[1]).toContain("Partition with window");
  await page.getByLabel("Search removed items").fill("");
  await expect(panel.getByRole("button", { name: /^Shelf rails, right/ })).toBeVisible();
  await page.getByLabel("Order removed items by").selectOption("newest");
  await expect(page).toHaveURL(/by-removed-items=newest/);
});

test("tabs, sheets and lanes have their place in the address, and a sheet its title", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/builds/night-bakery");
  await page.getByRole("tab", { name: /^Removed items/ }).click();
  await page.reload();
  await expect(page.getByRole("tab", { name: /^Removed items/ })).toHaveAttribute("aria-selected", "true");
  await page.goto("/set-out?build=none");
  await page.getByLabel("Ask for a sheet").fill("cable gland");
  await page.getByRole("link", { name: /^Open Cable through the roof/ }).click();
  await expect(page).toHaveURL(/sheet=cable/);
  await expect(page).toHaveTitle(/^Cable through the roof/);
  await page.goto("/lanes");
  await page.getByRole("radio", { name: "days" }).click();
  await page.getByRole("radio", { name: "fitters" }).click();
  await page.reload();
  await expect(page.getByRole("radio", { name: "days" })).toHaveAttribute("aria-checked", "true");
  await expect(page.getByRole("radio", { name: "fitters" })).toHaveAttribute("aria-checked", "true");
});

test("in Lanes arrows work at once, one key leads to the panel, Esc closes it, and dialogs give the focus back", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/lanes");
  await page.keyboard.press("ArrowRight");
  const panel = page.getByRole("complementary", { name: /^Job / });
  await expect(panel).toBeVisible();
  await page.keyboard.press("w");
  await expect(panel).toBeFocused();
  await page.keyboard.press("Escape");
  await expect(panel).toHaveCount(0);
  await expect(page.locator("[id^='block-']:focus")).toHaveCount(1);
  const opener = page.getByRole("button", { name: "Compare with published" });
  await opener.click();
  await expect(page.getByRole("dialog")).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(opener).toBeFocused();
});

test("what hangs on a lead's sign-in is said before it is retired", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/workshop?tab=users");
  const row = page.getByRole("listitem").filter({ hasText: "signs in as teo" });
  await row.getByRole("button", { name: "Retire" }).click();
  const ask = page.getByRole("dialog", { name: "Retire Teo?" });
  await expect(ask).toContainText(/planned jobs of/);
  await ask.getByRole("button", { name: "Keep" }).click();
  await expect(row.getByRole("button", { name: "Retire" })).toBeFocused();
  await expect(row).not.toContainText("Bring back");
});

test("a plan on paper has no buttons, and all of it", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/lanes");
  await page.evaluate(() => window.dispatchEvent(new Event("beforeprint")));
  await expect(page.getByRole("heading", { level: 1, name: /^Plan by builds/ })).toBeVisible();
  expect(await page.locator("main button").count()).toBe(0);
  expect(await page.locator("main tbody tr").count()).toBeGreaterThan(200);
  await page.evaluate(() => window.dispatchEvent(new Event("afterprint")));
  await expect(page.getByRole("region", { name: "Lane of Night bakery" })).toBeVisible();
});

test("a part that is ordered without a date says what waits for it, job by job once it is opened", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/stores?show=order");
  const first = page.locator("[id^='part-']").first();
  const line = page.locator(`[id='${await first.getAttribute("id")}']`);
  const name = await first.locator("p").first().getAttribute("title");
  await first.getByRole("button", { name: /^Ordered/ }).click();
  await page.getByRole("button", { name: /^On the way/ }).click();
  await page.getByLabel("Filter by part, build or supplier").fill(name!);
  const summary = line.getByText(/no date promised.* for it\./);
  await expect(summary).toBeVisible();
  const waiting = Number(/(\d+) jobs? waits? for it/.exec((await summary.textContent())!)![1]);
  expect(waiting).toBeGreaterThan(0);
  const asked = page.waitForResponse((r) => r.url().includes("/api/stores/"));
  await summary.click();
  expect((await asked).status()).toBe(200);
  const names = await line.locator("dt", { hasText: "Waiting" }).locator("xpath=following-sibling::dd[1]").textContent();
  expect(names!.length).toBeGreaterThan(5);
});

test("the cost by stage is drawn to the numbers of its table", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/builds/coast-rangers?tab=cost");
  const chart = page.getByRole("img", { name: /^Cost by stage/ });
  const bars = chart.locator(".recharts-bar-rectangle path");
  await expect(bars.first()).toBeVisible();
  const number = (s: string) => Number(s.replace(/,/g, ""));
  const rows = await page
    .locator("main table tbody tr")
    .evaluateAll((all) => all.map((r) => [...r.children].map((c) => c.textContent ?? "")));
  const stages = rows.slice(0, -1);
  const shapes = await bars.evaluateAll((all) =>
    all.map((b) => b.getBoundingClientRect()).map((r) => ({ at: Math.round(r.y / 8), wide: r.width })),
  );
  const drawn = shapes.reduce((sum, s) => sum + s.wide, 0);
  const said = number(rows.at(-1)!.at(-1)!);
  expect(said).toBeGreaterThan(0);
  // One scale for all: the longest stage takes the share of the whole that its number says.
  const longest = Math.max(...stages.map((r) => number(r.at(-1)!)));
  const lines = new Map<number, number>();
  for (const s of shapes) lines.set(s.at, (lines.get(s.at) ?? 0) + s.wide);
  expect(Math.max(...lines.values()) / drawn).toBeCloseTo(longest / said, 1);
});
