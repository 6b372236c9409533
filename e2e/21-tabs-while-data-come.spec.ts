// A tab that is picked while fresh data are on their way shows what is in it, however long they take.

import { expect, test } from "@playwright/test";
import { signIn } from "./people";

test("a tab picked while the page is read again is not empty, however slow the server is", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/builds/marlin-puppets");
  // Nothing that is read again comes before the end of this test.
  let letGo = () => {};
  const held = new Promise<void>((go) => {
    letGo = go;
  });
  let asked = 0;
  await page.route(
    (u) => u.pathname === "/builds/marlin-puppets",
    async (route) => {
      if (route.request().headers().rsc === undefined) return route.continue();
      asked++;
      await held;
      await route.continue();
    },
  );
  await page.getByRole("tab", { name: "Removed items" }).click();
  await page.getByRole("button", { name: "Add a weighing" }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByLabel("Where").fill("quarry, slip 9");
  await dialog.getByLabel("Front axle").fill("1210");
  await dialog.getByLabel("Rear axle").fill("990");
  await dialog.getByRole("button", { name: "Write it down" }).click();
  await expect.poll(() => asked).toBeGreaterThan(0);
  for (const [tab, inside] of [
    ["Jobs", /Floor boards cut and dry-fitted/],
    [/^Decisions/, /Decisions/],
    ["Cost", /in all about/],
  ] as const) {
    await page.getByRole("tab", { name: tab }).click();
    await expect(page.getByRole("tabpanel").getByText(inside).first()).toBeVisible();
  }
  letGo();
  await page.getByRole("tab", { name: "Removed items" }).click();
  await expect(page.getByText(/quarry, slip 9/).first()).toBeVisible();
  await page.unrouteAll({ behavior: "ignoreErrors" });
});
