// Heat and noise of the house, the order of a build, and what is put aside until something wakes it.

import { expect, test } from "@playwright/test";
import { expectAccessible, signIn } from "./people";

test("a bay is heated for some hours; noise hours that make no sense name what is wrong with them", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/workshop?tab=away");
  await page.getByRole("button", { name: "Add a time" }).click();
  const form = page.getByRole("dialog", { name: "Away, closed or heated" });
  await form.getByLabel("Who, or which bay").selectOption({ label: "Wet bay heated to 16 °C" });
  await form.getByLabel("From", { exact: true }).fill("2026-12-09T08:00");
  await form.getByLabel("To", { exact: true }).fill("2026-12-09T16:00");
  await form.getByLabel("Reason").fill("seal in the cold");
  await form.getByRole("button", { name: "Save" }).click();
  const row = page.getByRole("listitem").filter({ hasText: "seal in the cold" });
  await expect(row).toContainText("heated Wed 9 Dec 08:00");
  // 8 h and 90 min ahead at 4 an hour.
  await expect(row).toContainText("to 16 °C, allowed by Mara · 38 €");
  await expectAccessible(page);
  await row.getByRole("button", { name: "Take out" }).click();
  await expect(row).toHaveCount(0);
  await page.getByRole("tab", { name: "Settings and forecast" }).click();
  const week = page.getByLabel("Other noise hours on");
  await week.fill("sat nine to noon");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText('sat nine to noon: say "sat quiet" or "sat 09:00-13:00"')).toBeVisible();
  await expect(week).toHaveValue("sat nine to noon");
  await week.fill("sat 09:00-13:00, sun quiet");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("Saved. Replan to use it.")).toBeVisible();
  await page.goto("/workshop?tab=settings");
  await expect(page.getByLabel("Other noise hours on")).toHaveValue("sat 09:00-13:00, sun quiet");
  await expectAccessible(page);
});

test("the order of a build is told apart in forced steps and habits, kept by name and tried on another build", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/builds/night-bakery?tab=choices");
  const order = page.getByRole("region", { name: "Order of the house" });
  await order.getByLabel("Keep this build's order as").fill("Bakery order");
  await order.getByRole("button", { name: "Keep", exact: true }).click();
  await expect(order.getByRole("listitem").filter({ hasText: "Bakery order" })).toContainText("as this build is made");
  await order.getByRole("button", { name: "Which steps are forced?" }).click();
  await expect(order.getByText(/^Of \d+ steps \d+ are forced and \d+ are habits\.$/)).toBeVisible();
  await expect(order.getByText(/habit, may move: /).first()).toBeVisible();
  await expectAccessible(page);
  await page.goto("/builds/field-vet?tab=choices");
  const kept = page.getByRole("region", { name: "Order of the house" }).getByRole("listitem").filter({ hasText: "Bakery order" });
  const differs = await kept.getByText("instead of").count();
  if (differs) {
    await kept.getByRole("button", { name: "What would it change here?" }).click();
    await expect(page.getByRole("dialog", { name: "By the order Bakery order" })).toContainText("planned finish");
    await page.keyboard.press("Escape");
  }
  await kept.getByRole("button", { name: "Forget" }).click();
  await expect(kept).toHaveCount(0);
});

test("a page that takes longer than the pulse is shown all the same", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/builds/night-bakery?tab=choices");
  const order = page.getByRole("region", { name: "Order of the house" });
  const named = order.getByRole("listitem").filter({ hasText: "Slow order" });
  let asked = 0;
  await page.route(
    (u) => u.pathname === "/builds/night-bakery",
    async (route) => {
      if (route.request().headers().rsc === undefined) return route.continue();
      asked++;
      await new Promise((r) => setTimeout(r, 6000));
      await route.continue();
    },
  );
  await order.getByLabel("Keep this build's order as").fill("Slow order");
  await order.getByRole("button", { name: "Keep", exact: true }).click();
  await expect(named).toHaveCount(1);
  await named.getByRole("button", { name: "Forget" }).click();
  await expect(named).toHaveCount(0);
  // Once for each act: the pulse comes by while the page is on its way, and waits for it.
  expect(asked).toBe(2);
  await page.unrouteAll({ behavior: "ignoreErrors" });
});

test("a parked thing wakes when its day has come and asks for itself in the yard; a figure read off at a hold is kept", async ({
  page,
}) => {
  await signIn(page, "Mara");
  await page.goto("/builds/marlin-puppets?tab=waits");
  const parked = page.getByRole("region", { name: "Parked things" });
  const dialog = page.getByRole("dialog");
  await parked.getByRole("button", { name: /^Add/ }).click();
  await dialog.getByLabel("What", { exact: true }).fill("Clamping ring of the flue");
  await dialog.getByLabel("It wakes").selectOption("day");
  await dialog.getByLabel("Whose it is").fill("Teo");
  await dialog.getByRole("button", { name: "Write it down" }).click();
  await expect(dialog.getByRole("alert").first()).toContainText("missing");
  await dialog.getByLabel("Day").fill("2026-11-25");
  await dialog.getByRole("button", { name: "Write it down" }).click();
  await expect(parked.getByText("its day, 2026-11-25, has come")).toBeVisible();
  const warmth = page.getByRole("region", { name: "Warmth read off" });
  await warmth.getByRole("button", { name: /^Add/ }).click();
  await dialog.getByLabel("Where").fill("at the worktop");
  await dialog.getByLabel("Temperature, °C").fill("14,5");
  await dialog.getByRole("button", { name: "Write it down" }).click();
  await expect(warmth.getByRole("listitem")).toContainText("14.5 °C on 2026-11-25 at 10:42");
  await expectAccessible(page);
  await page.goto("/");
  await expect(page.getByText("Parked: Clamping ring of the flue")).toBeVisible();
});

test("a job is split, tried on the plan first, and is one job again when its part is left", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/builds/darkroom-van");
  await page
    .getByRole("button", { name: /Walls up/ })
    .first()
    .click();
  await page.getByRole("button", { name: "Split it" }).first().click();
  const dialog = page.getByRole("dialog", { name: "Split Walls up" });
  await dialog.getByLabel("Minutes of the part").fill("9000");
  await dialog.getByRole("button", { name: "What would it do?" }).click();
  await expect(dialog.getByText(/has to leave 15 minutes on either side/).first()).toBeVisible();
  await dialog.getByLabel("Minutes of the part").fill("90");
  await dialog.getByRole("button", { name: "What would it do?" }).click();
  await expect(dialog.getByText(/Darkroom van: planned finish/)).toBeVisible({ timeout: 20_000 });
  await expectAccessible(page);
  await dialog.getByRole("button", { name: "Split it" }).click();
  const found = page.getByRole("region", { name: "Extra work found" });
  const part = found.getByRole("listitem").filter({ hasText: "Walls up: prepared" });
  await expect(part).toBeVisible();
  await part.getByRole("button", { name: /^Leave/ }).click();
  await page.getByRole("dialog").getByRole("textbox").first().fill("one goes on with it after all");
  await page
    .getByRole("dialog")
    .getByRole("button", { name: /^Leave/ })
    .click();
  await expect(part).toHaveCount(0);
});

test("what a unit hides comes before it; the client's page says the date, and names nobody", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/builds/darkroom-van?tab=waits");
  const reach = page.getByRole("region", { name: "Access before it closes" });
  const dialog = page.getByRole("dialog");
  await reach.getByRole("button", { name: /^Add/ }).click();
  await dialog.getByLabel("Unit or panel").fill("Base units by the slider");
  await dialog.getByLabel("Set by job").fill("FU-06");
  await dialog.getByLabel("Fastened to what job makes").fill("ZZ-09");
  await dialog.getByRole("button", { name: "Write it down" }).click();
  await expect(reach.getByText("Base units by the slider: ZZ-09 is no job of this build")).toBeVisible();
  await expectAccessible(page);
  await page.goto("/builds/darkroom-van/client");
  await expect(page.getByRole("heading", { name: "The day" })).toBeVisible();
  const text = (await page.getByRole("article").textContent())!;
  for (const name of ["Ines", "Teo", "Rosa", "Nils", "Malik", "Dora", "€"]) expect(text).not.toContain(name);
  await expectAccessible(page);
});
