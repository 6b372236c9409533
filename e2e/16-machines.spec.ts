// A machine among the shared tools: its hours, its floor, and the sheet that says which boards go through there.

import { expect, test } from "@playwright/test";
import { expectAccessible, signIn } from "./people";

test("a machine has hours and a floor, and the sheet knows them", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/workshop?tab=tools");
  const saw = page.getByRole("main").getByRole("listitem").filter({ hasText: "mitre saw" });
  await expect(saw).toContainText("boards up to 2200 mm: the floor leaves no more; boards over 2000 mm: somebody at the outfeed");
  await expect(page.getByRole("listitem").filter({ hasText: "spray booth" })).toContainText("only from 07:00 to 19:00");

  await expectAccessible(page);
  await saw.getByRole("button", { name: "Change" }).click();
  const form = page.getByRole("dialog");
  await form.getByLabel("Worked with from").fill("12:00");
  await form.getByLabel("Worked with to").fill("09:00");
  await form.getByRole("button", { name: "Save" }).click();
  await expect(form.getByText("is not after it opens")).toBeVisible();
  await form.getByLabel("Worked with from").fill("07:00");
  await form.getByLabel("Worked with to").fill("18:30");
  await form.getByRole("button", { name: "Save" }).click();
  await expect(form).toBeHidden();
  await expect(saw).toContainText("only from 07:00 to 18:30");
});

test("the room at a machine says which boards do not go through", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/set-out?sheet=machine-room");
  await expect(page.getByText("6080 mm of floor needed, 6200 there")).toBeVisible();
  await page.getByLabel("Floor along the cut").fill("5000");
  await expect(page.getByText(/^long side does not go through here: boards up to 1900 mm do/)).toBeVisible();
});
