// A whole opening before metal is cut: filled from the van, sized in inches, checked, measured twice, locked, printed, and in the plan.

import { expect, type Page, test } from "@playwright/test";
import { expectAccessible, signIn } from "./people";

interface Problem {
  builds: { id: string; jobs: { id: string; hold?: { minutes: number }; partsFrom?: string; minutes: { likely: number } }[] }[];
}

const jobIn = async (page: Page, id: string) => {
  const p = (await (await page.request.get("/api/problem")).json()) as Problem;
  return p.builds.flatMap((b) => b.jobs).find((j) => j.id === id)!;
};

test("a window is set out for its build, measured twice and locked; its parts and hold arrive in the plan", async ({ page, browser }) => {
  test.setTimeout(120_000);
  const id = "field-vet.OP-06a";
  await signIn(page, "Mara");
  await page.goto(`/builds/field-vet?job=${id}`);
  // Tried again: a click before the page is alive goes nowhere.
  await expect(async () => {
    await page.getByRole("link", { name: "Opening", exact: true }).click();
    await expect(page).toHaveURL(/set-out\?job=field-vet\.OP-06a&sheet=opening/, { timeout: 3000 });
  }).toPass();
  // The field is the template's: left-1 of a Drover L3H3, 1080 × 560 from 240 and 980.
  await expect(page.getByText("filled from the van and the choices, not kept yet")).toBeVisible();
  for (const [field, value] of [
    ["Field from", "240"],
    ["Field to", "1320"],
    ["Lower crease", "980"],
    ["Upper crease", "1540"],
  ])
    await expect(page.getByLabel(field, { exact: true })).toHaveValue(value);
  await page.getByLabel("Cut width").fill('38"');
  await page.getByLabel("Cut height").fill('18"');
  await page.getByLabel("Land the unit asks for").fill("50");
  await page.getByLabel("Along", { exact: true }).selectOption("fromLeft");
  await page.getByLabel("Along, by").fill("20");
  await expect(page.getByText(/land at the left is 20, 50 are asked/)).toBeVisible();
  await page.getByLabel("Along, by").fill("57.4");
  await expect(page.getByText(/land at the left/)).toHaveCount(0);
  await page.getByRole("button", { name: "Add a keep-out" }).click();
  const row = page.getByRole("row").last();
  for (const [field, value] of [
    ["What", "bed box"],
    ["From", "1250"],
    ["To", "1400"],
    ["Bottom", "0"],
    ["Top", "1500"],
    ["Gap", "10"],
  ])
    await row.getByLabel(field, { exact: true }).fill(value);
  await expect(page.getByText(/bed box overlaps it by/)).toBeVisible();
  await row.getByLabel("From", { exact: true }).fill("1290");
  await expect(page.getByText(/bed box overlaps/)).toHaveCount(0);
  await page.getByRole("button", { name: "Keep with the job" }).click();
  const kept = page.getByRole("region", { name: "Kept sheet" });
  await expect(kept).toContainText("version 1, Mara");

  // Whoever measured first can't be the second name.
  await expect(kept).toContainText("somebody else measures the second time");
  const other = await (await browser.newContext()).newPage();
  await signIn(other, "Teo");
  await other.goto(`/set-out?job=${id}&sheet=opening`);
  const second = other.getByRole("region", { name: "Kept sheet" });
  // The second measuring comes from the other datum; a wrong one is told and does not lock.
  await second.getByRole("button", { name: "Measure a second time" }).click();
  await second.getByLabel("From the field's right edge to the cut").fill("64");
  await second.getByLabel("From the upper crease down to the cut").fill("51.4");
  await second.getByLabel("Diagonal of the cut's square corners").fill("1068");
  await second.getByLabel("The other diagonal").fill("1068");
  await expect(second.getByText(/64 does not match the first measurement/)).toBeVisible();
  await second.getByRole("button", { name: "Compare and lock" }).click();
  await expect(second.getByText("The two measurements differ. Measure again, or correct the sheet.")).toBeVisible();
  await second.getByLabel("From the field's right edge to the cut").fill("57");
  await second.getByRole("button", { name: "Compare and lock" }).click();
  await expect(second).toContainText("two measurings agree");
  await other.close();
  await page.reload();
  await expect(kept).toContainText("two measurings agree");
  await expect(page.getByLabel("Cut width")).toBeDisabled();
  await expectAccessible(page);
  const pdf = await page.pdf({ format: "A4" });
  expect(pdf.subarray(0, 5).toString()).toBe("%PDF-");

  // Sealant and cure of the same job: their part and their hold come into it when they are signed.
  const sheets = page.getByRole("navigation", { name: "Sheets" });
  const before = await jobIn(page, id);
  await sheets.getByRole("button", { name: /^Sealant/ }).click();
  await page.getByRole("button", { name: "Keep with the job" }).click();
  await kept.getByRole("button", { name: "Sign and lock" }).click();
  await kept.getByRole("button", { name: "Compare and lock" }).click();
  await expect(kept).toContainText("two measurings agree");
  await sheets.getByRole("button", { name: /^Cure/ }).click();
  // Nothing is taken over from anybody else's product: the sheet is empty, and can't be kept.
  await expect(page.getByLabel("May be moved after")).toHaveValue("");
  await expect(page.getByRole("button", { name: "Keep with the job" })).toBeDisabled();
  for (const [field, value] of [
    ["May be moved after", "24"],
    ["Cures in the first 24 h", "3"],
    ["Cures from", "5"],
    ["Depth of the bead", "8"],
  ])
    await page.getByLabel(field, { exact: true }).fill(value);
  await page.getByLabel("Temperature there").fill("6");
  await page.getByRole("button", { name: "Keep with the job" }).click();
  await kept.getByRole("button", { name: "Sign and lock" }).click();
  await kept.getByRole("button", { name: "Compare and lock" }).click();
  await expect(kept).toContainText("two measurings agree");
  const after = await jobIn(page, id);
  expect(after.hold!.minutes).toBeGreaterThan(before.hold!.minutes);
  expect(after.partsFrom).toBeTruthy();
  await page.goto(`/builds/field-vet?job=${id}`);
  await expect(page.getByRole("link", { name: /^Opening\s*locked/ })).toBeVisible();
  await expect(
    page
      .getByRole("listitem")
      .filter({ hasText: /sealant.*pack/i })
      .first(),
  ).toBeVisible();

  // Another unit comes than the one it was set out for: the locked sheet says so.
  await page.goto("/stores");
  await page.getByLabel("Filter by part, build or supplier").fill("field vet left 1");
  await page
    .getByRole("button", { name: /^Change .*side window/i })
    .first()
    .click();
  await page.getByRole("combobox", { name: "State" }).selectOption("checked");
  await expect(page.getByLabel("Shelf")).toHaveValue("");
  await page.getByLabel("Wide", { exact: true }).fill('38"');
  await page.getByLabel("High", { exact: true }).fill("nine");
  await page.getByLabel("Corners", { exact: true }).fill("60");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText(/nine is no length|nine/).last()).toBeVisible();
  await page.getByLabel("High", { exact: true }).fill("455");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText(/side window saved/)).toBeVisible();
  await page.goto(`/set-out?job=${id}&sheet=opening`);
  await expect(kept.getByRole("alert")).toContainText("unit's cut-out is new: 965.2 × 455, corners 60");

  // The world contradicts it: the slider window's job is not touched, the roof plan is, when the client wants a skylight.
  await page.goto("/set-out?job=field-vet.OP-01&sheet=roof-plan");
  await page.getByRole("button", { name: "Keep with the job" }).click();
  await expect(kept).toContainText("version 1");
  await page.goto("/builds/field-vet?tab=van");
  const crown = page.getByRole("row").filter({ hasText: "Crown of the roof" });
  await crown.getByLabel(/first/).fill("52");
  await crown.getByLabel(/second/).fill("52");
  await crown.getByRole("button", { name: "Keep" }).click();
  await expect(crown).toContainText("8 mm more than the template");
  await page.goto("/set-out?job=field-vet.OP-01&sheet=roof-plan");
  await expect(kept.getByRole("alert")).toContainText("crown is 52 now, was 50");
});

test("what is dragged in the drawing writes its figures back, and its findings are numbered there", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/set-out?sheet=opening");
  const cut = page.getByRole("button", { name: /^Move the cut/ });
  const by = page.getByLabel("Along, by");
  // Tried again: a key before the page is alive goes nowhere.
  await expect(async () => {
    await page.getByLabel("Along", { exact: true }).selectOption("fromLeft");
    await by.fill("100");
    await cut.press("Shift+ArrowRight");
    await expect(by).toHaveValue("110", { timeout: 2000 });
  }).toPass();
  const from = (await cut.locator("circle").boundingBox())!;
  const [x, y] = [from.x + from.width / 2, from.y + from.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x - 20, y, { steps: 5 });
  await page.mouse.move(x - 500, y, { steps: 10 });
  await page.mouse.up();
  await expect(by).toHaveValue("0");
  const finding = page.getByRole("button", { name: /land at the left is 0/ });
  await expect(finding).toHaveAttribute("title", "Number 1 in the drawing");
  await expect(page.getByLabel("Drawing: Opening").getByText("1", { exact: true })).toBeVisible();
  await page.getByRole("button", { name: "Undo move" }).click();
  await expect(by).toHaveValue("110");

  // A roof's unit: the search follows it, in a worker.
  await page.getByRole("navigation", { name: "Sheets" }).getByRole("button", { name: "Roof plan" }).click();
  const unit = page.getByRole("button", { name: /^Move / }).first();
  await unit.press("ArrowRight");
  await expect(page.getByLabel("Wished at").first()).not.toHaveValue("");
  await expect(page.getByLabel("… across").first()).not.toHaveValue("");
  await expectAccessible(page);
});
