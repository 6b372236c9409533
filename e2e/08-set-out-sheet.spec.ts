// Numbers before metal is cut: a sheet is filled in, what is wrong is said where it stands, the files are saved.

import { readFileSync } from "node:fs";
import { expect, test } from "@playwright/test";
import { expectAccessible, signIn } from "./people";

test("an opening is set out in inches, its land found too small, moved, checked and saved", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/set-out?sheet=opening");
  await expect(page.getByLabel("Drawing: Opening")).toBeVisible();
  await expect(page.getByText("diagonal", { exact: true }).locator("xpath=following-sibling::dd")).toHaveText("1234.8 mm");
  // 44" by 20 1/2", with more land asked for than there is below.
  await page.getByLabel("Cut width").fill('44"');
  await page.getByLabel("Cut height").fill('20 1/2"');
  await page.getByLabel("Land the unit asks for").fill("60");
  await expect(page.getByText("land at the bottom is 55, 60 are asked: 5 up")).toBeVisible();
  await page.getByLabel("Up, by").fill("60");
  await expect(page.getByText(/land at the bottom/)).toHaveCount(0);
  // A wall that comes later.
  await page.getByRole("button", { name: "Add a keep-out" }).click();
  for (const [field, value] of [
    ["What", "bathroom wall"],
    ["From", "2495"],
    ["To", "2530"],
    ["Bottom", "0"],
    ["Top", "2000"],
    ["Gap", "20"],
  ])
    await page.getByRole("row").last().getByLabel(field, { exact: true }).fill(value);
  await expect(page.getByText(/bathroom wall overlaps it by/)).toBeVisible();
  await page.getByRole("button", { name: "Take out keep-out 1" }).click();
  await expect(page.getByText(/bathroom wall overlaps/)).toHaveCount(0);
  // Two diagonals of what was marked.
  await page.getByLabel("Measured diagonal, lower left up").fill("1230");
  await page.getByLabel("Measured diagonal, lower right up").fill("1240");
  await expect(page.getByText(/out of square by 10/)).toBeVisible();
  await expectAccessible(page);
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "DXF" }).click();
  expect(readFileSync(await (await download).path(), "latin1")).toMatch(/EOF\n$/);
  // What was typed is still there after a reload.
  await page.reload();
  await expect(page.getByLabel("Cut width")).toHaveValue('44"');
  await page.getByRole("button", { name: "Start afresh" }).click();
  await expect(page.getByLabel("Cut width")).toHaveValue("1120");
});

test("every sheet can be opened, and nonsense is refused by its field", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/set-out?sheet=cure");
  await expect(page.getByText("hardened through after").locator("xpath=following-sibling::dd")).toHaveText("14.22 days");
  await page.getByLabel("Temperature there").fill("cold");
  await expect(page.getByText("Temperature there cold is no number")).toBeVisible();
  // Folded by stage until somebody opens one.
  const folds = page.getByRole("navigation", { name: "Sheets" }).locator("details:not([open])");
  for (let n = await folds.count(); n > 0; n--) await folds.first().locator("summary").click();
  const sheets = page.getByRole("navigation", { name: "Sheets" }).getByRole("button");
  const n = await sheets.count();
  expect(n).toBeGreaterThan(30);
  for (let i = 0; i < n; i++) {
    await sheets.nth(i).click();
    await expect(sheets.nth(i)).toHaveAttribute("aria-current", "true");
    if ((await sheets.nth(i).textContent()) !== "Cure") await expect(page.getByRole("heading", { name: "Results" })).toBeVisible();
  }
});

test("Set-out opens on a build with the numbers that are needed next, found by question, place and stage", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/set-out");
  const needed = page.getByRole("region", { name: "Numbers needed next" });
  // The soonest job first, each sheet as a question, with how far it is.
  const first = needed.getByRole("article").first();
  await expect(first.getByRole("listitem").first()).toContainText("?");
  await expect(first).toContainText(/by |under way/);
  await expect(first).toContainText(/not started|filled, not locked|says stop|contradicted/);
  await expectAccessible(page);
  // Another build keeps its place in the address.
  await page.getByRole("navigation", { name: "Build" }).getByRole("link", { name: "Field vet" }).click();
  await expect(page).toHaveURL(/build=field-vet/);
  const all = await needed.getByRole("article").count();
  // By place: only what belongs there.
  await page
    .getByRole("region", { name: "By place" })
    .getByRole("button", { name: /^roof / })
    .click();
  await expect(page).toHaveURL(/place=roof/);
  await expect(needed.getByRole("heading", { name: /Numbers needed next: roof/ })).toBeVisible();
  expect(await needed.getByRole("article").count()).toBeLessThan(all);
  await page.getByRole("button", { name: "show the whole van" }).click();
  // By its question: the sheet opens with the job of this build that it is for.
  await page.getByLabel("Ask for a sheet").fill("how many mats");
  const found = page.getByRole("region", { name: "Found" });
  await expect(found.getByRole("listitem")).toHaveCount(1);
  await found.getByRole("link", { name: /^Open Damping mats/ }).click();
  await expect(page).toHaveURL(/job=field-vet\.IN-01&sheet=damping/);
  await expect(page.getByText("How many damping mats, and where do they go?")).toBeVisible();
  await page.getByRole("link", { name: "Set-out" }).last().click();
  await expect(page).toHaveURL(/build=field-vet/);
  // By stage, folded until asked for.
  const stage = page.getByRole("region", { name: "By stage" });
  await expect(stage.getByRole("link").first()).toBeHidden();
  await stage.getByText("Openings", { exact: true }).click();
  await stage.getByRole("link", { name: /^Roof plan/ }).click();
  await expect(page.getByLabel("Drawing: Roof plan")).toBeVisible();
});
