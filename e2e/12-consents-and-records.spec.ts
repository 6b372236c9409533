// The papers of a build: owner and consents, work of others, walk-rounds, traps, fixings, metal, sparks, the chain of a hole, a kit.

import { expect, test } from "@playwright/test";
import { expectAccessible, signIn } from "./people";

test("a consent is the registered owner's, and its work waits for it", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/builds/night-bakery?tab=papers");
  const owner = page.getByRole("region", { name: "Owner, payer, user" });
  // One a build, no more: it is there, and turns out to be somebody else's van.
  await expect(owner.getByRole("button", { name: /^Add/ })).toHaveCount(0);
  await owner.getByRole("button", { name: /^Crumb & Ember/ }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByLabel("Registered owner").fill("Ember Holdings");
  await dialog.getByLabel("Belted seats ordered").fill("4");
  await dialog.getByLabel("Belted seats drawn").fill("two");
  await dialog.getByRole("button", { name: "Keep" }).click();
  // What was typed stays, the fault stands at its field.
  await expect(dialog.getByRole("alert").first()).toContainText("Belted seats drawn");
  await expect(dialog.getByLabel("Registered owner")).toHaveValue("Ember Holdings");
  await dialog.getByLabel("Belted seats drawn").fill("2");
  await dialog.getByLabel("Tallest sleeper").fill("2100");
  await dialog.getByRole("button", { name: "Keep" }).click();
  await expect(owner).toContainText("2 belted seats drawn where 4 were ordered");
  await expect(owner).toContainText(/the tallest sleeper, 2100 mm, needs 2150/);
  const consents = page.getByRole("region", { name: "Consents" });
  const skin = consents.getByText(/^cuts in the skin: .* waits for it$/);
  // The payer's name is not enough.
  await expect(skin).toBeVisible();
  await consents.getByRole("button", { name: "Add a consent" }).click();
  await dialog.getByLabel("For what").fill("All windows");
  await dialog.getByLabel("It touches").selectOption("skin");
  await dialog.getByLabel("Signed by").fill("Crumb & Ember");
  await dialog.getByRole("button", { name: "Write it down" }).click();
  await expect(consents.getByRole("button", { name: /^All windows/ })).toBeVisible();
  await expect(skin).toBeVisible();
  await consents.getByRole("button", { name: /^All windows/ }).click();
  await dialog.getByLabel("Signed by").fill("Ember Holdings");
  await dialog.getByRole("button", { name: "Keep" }).click();
  await expect(skin).toHaveCount(0);
  await expectAccessible(page);
});

test("work of others is accepted or refused, and a job done with it leaves the plan", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/builds/field-vet?tab=papers");
  const others = page.getByRole("region", { name: "Work of others" });
  await expect(page.getByRole("region", { name: "Told at the handover" })).toContainText(
    "Not ours: Seal of the old beacon, by the fleet's own shop: covered when the van came, no photo of it",
  );
  await others.getByRole("button", { name: /^Rack feet/ }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByLabel("Tried how").selectOption("water");
  await dialog.getByLabel("Result").selectOption("refused");
  await dialog.getByLabel("Hours to do it again").fill("900");
  await dialog.getByRole("button", { name: "Keep" }).click();
  await expect(dialog.getByRole("alert")).toContainText("Hours to do it again");
  await dialog.getByLabel("Hours to do it again").fill("1,5");
  await dialog.getByLabel("Price to the client").fill("90");
  await dialog.getByRole("button", { name: "Keep" }).click();
  await expect(others).toContainText("Refused: Rack feet, six. 1.5 h to do again, 90");
  const lead = others.getByRole("listitem").filter({ hasText: "Lead to the rear" });
  await lead.getByRole("button", { name: "A job is done with it" }).click();
  await dialog.getByLabel("Job").selectOption({ index: 0 });
  await dialog.getByRole("button", { name: "Done by them" }).click();
  await expect(others).toContainText("was done by a trade electrician before Field vet came");
  await expect(others).toContainText("The first stage with work of ours is");
  await others.getByRole("button", { name: "Ours after all" }).click();
  await expect(others).not.toContainText("was done by a trade electrician before");
});

test("damage is dated by walk-rounds, with who worked in between", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/builds/night-bakery?tab=marks");
  const damage = page.getByRole("region", { name: "Damage dated" });
  await expect(damage).toContainText("its side without it: Yard");
  await expect(damage).toContainText(/Not explained\. Between the two: .*\(.+\)/);
  await page.getByRole("button", { name: /^Left side, ahead of the rear wheel/ }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByLabel("Solved").check();
  await dialog.getByRole("button", { name: "Keep" }).click();
  await expect(dialog.getByRole("alert")).toContainText("How it came about");
  await dialog.getByLabel("How it came about").fill("a trolley, said so the same day");
  await dialog.getByRole("button", { name: "Keep" }).click();
  await expect(damage).toContainText("a trolley, said so the same day");
  const rounds = page.getByRole("region", { name: "Walk-rounds" });
  await rounds.getByRole("button", { name: "Add a walk round the van" }).click();
  await dialog.getByLabel("rear", { exact: true }).check();
  await dialog.getByRole("button", { name: "Write it down" }).click();
  await expect(rounds.getByRole("listitem")).toHaveCount(2);
  await expectAccessible(page);
});

test("fixings plan the strip, and what would be trapped is told to who takes the linings out", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/builds/field-vet?tab=items");
  const fixings = page.getByRole("region", { name: "Fixings" });
  await expect(fixings).toContainText("66 min to take out by what holds it: 16 × bolt at 2.5, 64 × clip at 0.4");
  await fixings.getByRole("button", { name: "Add fixings of one kind" }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByLabel("Of what").fill("Racking");
  await dialog.getByLabel("Held by").selectOption("rivet");
  await dialog.getByLabel("How many").fill("20");
  await dialog.getByRole("button", { name: "Write it down" }).click();
  await expect(fixings).toContainText("126 min to take out");
  await fixings.getByRole("button", { name: "Plan its minutes by this" }).click();
  await expect(page.getByText("is planned with 126 min")).toBeVisible();
  await page.goto("/card?job=field-vet.ST-04");
  await expect(page.getByText("While the lining is off: Harness along the gutter, rib 3: push back and tie")).toBeVisible();
});

test("metal that nobody has released stops its cut", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/builds/field-vet?tab=openings");
  const metal = page.getByRole("region", { name: "Metal behind the cuts" });
  await metal.getByRole("button", { name: "Add metal behind a cut" }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByLabel("What and where").fill("Cross beam over the fan");
  await dialog.getByLabel("Side").selectOption("roof");
  await dialog.getByRole("button", { name: "Write it down" }).click();
  await expect(metal).toContainText("nobody has said that it may go");
  const words = "Cross beam over the fan lies in the outline, and no body guide or ticket holder has said that it may go";
  await page.goto("/card?job=field-vet.OP-04");
  await expect(page.getByText(words)).toBeVisible();
  await page.goto("/builds/field-vet?tab=openings");
  await metal.getByRole("button", { name: /^Cross beam/ }).click();
  await dialog.getByLabel("May it go").selectOption("yes");
  await dialog.getByLabel("Page, or name").fill("sheet 3");
  await dialog.getByLabel("What replaces it").fill("two ribs, left whole");
  await dialog.getByRole("button", { name: "Keep" }).click();
  await expect(metal).toContainText("may go: body guide, sheet 3");
  await page.goto("/card?job=field-vet.OP-04");
  await expect(page.getByText(words)).toHaveCount(0);
  await expect(page.getByText("Cross beam over the fan: may go (body guide, sheet 3); its duty: two ribs, left whole")).toBeVisible();
});

test("on the phone sparks are stamped, the chain of a hole ticked, the kit counted", async ({ page }) => {
  await page.setViewportSize({ width: 412, height: 892 });
  await signIn(page, "Mara");
  await page.goto("/card?job=field-vet.OP-04");
  const kit = page.getByRole("region", { name: "Kit" });
  const clamps = kit.getByRole("button", { name: /^clamps/ });
  await clamps.click();
  await expect(clamps).toHaveAttribute("aria-pressed", "true");
  await expect(clamps).toContainText("Mara");
  await page.goto("/card?job=night-bakery.OP-06a");
  const sparks = page.getByRole("region", { name: "Hot work and swarf" });
  const own = sparks.getByRole("listitem").filter({ hasText: "Side window" });
  await expect(own).toContainText("its swarf is not off");
  await own.getByRole("button", { name: "face shield" }).click();
  await expect(own.getByRole("button", { name: "face shield" })).toHaveAttribute("aria-pressed", "true");
  await own.getByRole("button", { name: "Looked again" }).click();
  await expect(page.getByText("Not yet: the swarf has to be off first.")).toBeVisible();
  await own.getByRole("button", { name: "Swarf is off" }).click();
  await expect(own).toContainText("no second look yet, from 11:12");
  const clocks = page.getByRole("region", { name: "Clocks" });
  await clocks.getByLabel("Which clock").selectOption("squeeze-out");
  await expect(clocks.getByLabel("Minutes of the clock")).toHaveValue("15");
  await clocks.getByRole("button", { name: "Run" }).click();
  await expect(clocks.getByRole("listitem")).toContainText("15 of 15 min left");
  await clocks.getByRole("button", { name: "Done" }).click();
  await expect(clocks.getByRole("listitem")).toHaveCount(0);
  await expectAccessible(page);
});

test("the chain of a hole is ticked in its order, and a step done again opens those behind it", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/builds/field-vet?tab=openings");
  await page
    .getByRole("region", { name: "Every hole by number" })
    .getByRole("button", { name: /^Side window: cut and set, right 1/ })
    .click();
  const dialog = page.getByRole("dialog", { name: "Hole 3" });
  const chain = dialog.getByRole("list", { name: "Chain of hole 3" });
  await expect(chain.getByRole("button", { name: "Marked" })).toBeDisabled();
  for (const step of ["Pilot from inside", "Seen outside", "Marked"]) {
    await chain.getByRole("button", { name: step }).click();
    await expect(chain.getByRole("button", { name: step })).toHaveAttribute("aria-pressed", "true");
  }
  await chain.getByRole("button", { name: "Seen outside" }).click();
  await expect(chain.getByRole("button", { name: "Marked" })).toHaveAttribute("aria-pressed", "false");
  await expect(chain.getByRole("button", { name: "Pilot from inside" })).toHaveAttribute("aria-pressed", "true");
});
