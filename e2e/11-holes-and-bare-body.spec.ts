// Every hole through the skin by number, from the order to the water; and the bare body, cleaned, looked at and taken over.

import { expect, test } from "@playwright/test";
import { expectAccessible, picture, signIn } from "./people";

test("a hole is added, cut, left bare, covered, closed and soaked; the lead hears of it while it is open", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/builds/field-vet?tab=openings");
  const list = page.getByRole("region", { name: "Every hole by number" });
  await expect(list).toContainText("13 through the skin, 0 seen dry under water");
  await list.getByRole("button", { name: "Add a hole" }).click();
  const fresh = page.getByRole("dialog", { name: "Another hole" });
  await fresh.getByLabel("What goes through").fill("Aerial gland");
  await fresh.getByRole("combobox", { name: "Side" }).selectOption("roof");
  await fresh.getByLabel("Where", { exact: true }).fill("behind rib 2, left");
  await fresh.getByLabel("Size").fill("ø 16");
  await fresh.getByRole("button", { name: "Write it down" }).click();
  const row = list.getByRole("listitem").filter({ hasText: "Aerial gland" }).first();
  await expect(row).toContainText("wanted");
  const dialog = page.getByRole("dialog", { name: "Hole 14" });
  const say = async (state: string, more: () => Promise<unknown> = async () => undefined) => {
    await row.getByRole("button", { name: /^Aerial gland/ }).click();
    await dialog.getByRole("combobox", { name: "How far it is" }).selectOption(state);
    await more();
    await dialog.getByRole("button", { name: "Keep" }).click();
  };
  await say("cut");
  await expect(list.getByRole("alert")).toContainText("Not watertight: 14 Aerial gland");
  // It is on the lead's list for the evening.
  await page.goto("/");
  await expect(page.getByText("Hole 14, Aerial gland")).toBeVisible();
  await page.goto("/builds/field-vet?tab=openings");
  await say("cut", () => dialog.getByLabel("What covers it").fill("cap and tape"));
  await expect(row).toContainText("cut · covered: cap and tape");
  await expect(list.getByRole("alert")).toHaveCount(0);
  // Its edge is not passed over in silence, and dry is not said of a hole that nobody put under water.
  await say("closed");
  await expect(dialog.getByText(/edge was never made safe/)).toBeVisible();
  await dialog.getByRole("combobox", { name: "How far it is" }).selectOption("protected");
  await dialog.getByRole("button", { name: "Keep" }).click();
  await expect(row).toContainText("protected · covered: cap and tape");
  await say("tested", () => dialog.getByRole("combobox", { name: "Under water" }).selectOption("dry"));
  await expect(dialog.getByText(/10 minutes of water, and dry inside/)).toBeVisible();
  await dialog.getByLabel("Minutes of water").fill("12");
  await dialog.getByRole("button", { name: "Keep" }).click();
  await expect(list).toContainText("14 through the skin, 1 seen dry under water");
  await row.getByLabel("Aerial gland, next picture shows").selectOption("outside");
  await row.getByLabel("Photo of Aerial gland").setInputFiles({ name: "gland.png", mimeType: "image/png", buffer: picture });
  await expect(row.getByRole("img", { name: "Aerial gland, outside" })).toBeVisible();
  await expect(row).toContainText("proof 1 of 6");
  await row.getByRole("button", { name: /^Aerial gland/ }).click();
  await expect(dialog.getByRole("list", { name: "Changes" }).getByRole("listitem")).toHaveCount(4);
  await expectAccessible(page);
});

test("a zone of the shell is cleaned in order, taken over by somebody else, and waits until then", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/builds/field-vet?tab=shell");
  const zones = page.getByRole("region", { name: "Zones" });
  const floor = zones.getByRole("row", { name: /^Floor/ });
  const step = (name: string) => floor.getByRole("button", { name: `Floor, ${name}:` });
  await expect(step("Scuff")).toHaveAttribute("aria-pressed", "true");
  await expect(floor.getByRole("button", { name: "Take over" })).toBeDisabled();
  const closing = page.getByRole("region", { name: "Before the strip closes" });
  await expect(closing).toContainText("Floor: not taken over as clean");
  for (const name of ["Wash, rinse", "Dry", "Rust, bare metal"]) {
    await step(name).click();
    await expect(step(name)).toContainText("Mara");
  }
  // Whoever cleaned it does not take it over.
  await floor.getByRole("button", { name: "Take over" }).click();
  await expect(page.getByText(/whoever cleaned it does not take it over/)).toBeVisible();
  await floor.getByRole("button", { name: "Send back" }).click();
  const back = page.getByRole("dialog", { name: "Send floor back" });
  await back.getByLabel("What was found").fill("swarf in the front channel");
  await back.getByLabel("Minutes to clean it again").fill("15");
  await back.getByRole("button", { name: "Send it back" }).click();
  await expect(floor).toContainText("sent back: swarf in the front channel");
  await expect(step("Wash, rinse")).toContainText("next");
  await expect(zones).toContainText("Cleaned again: Mara 15 min");
  await expectAccessible(page);
  // A step taken back opens those behind it.
  await step("Vacuum").click();
  await expect(step("Scuff")).toHaveAttribute("aria-pressed", "false");
});

test("a template is kept by number; the fitter with another one in hand is told to stop", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/workshop?tab=templates");
  await expect(page.getByText("11 · load floor")).toBeVisible();
  await page.getByRole("button", { name: "Add a template" }).click();
  const dialog = page.getByRole("dialog", { name: "Add a template" });
  const add = async (number: string, side: string) => {
    await dialog.getByLabel("Number on it").fill(number);
    await dialog.getByRole("combobox", { name: "Type of van" }).selectOption({ label: "Drover L3H3" });
    await dialog.getByRole("combobox", { name: "Side" }).selectOption(side);
    await dialog.getByLabel("For which unit").fill("side window");
    await dialog.getByRole("button", { name: "Save" }).click();
  };
  await add("3", "left");
  await expect(dialog.getByText(/is on another one already/)).toBeVisible();
  await add("21", "left");
  await expect(page.getByText("21 · side window")).toBeVisible();
  await page.getByRole("button", { name: "Add a template" }).click();
  await add("22", "right");
  await expect(page.getByText("22 · side window")).toBeVisible();
  await page.goto("/card?job=field-vet.OP-06a");
  await expect(page.getByText(/Template to mark by: 21/)).toBeVisible();
  const number = page.getByLabel("Template in hand, its number");
  await number.fill("22");
  await page.getByRole("button", { name: "This one" }).click();
  await expect(page.getByText(/it is for the right side, this is the left side. Stop, and take another/)).toBeVisible();
  await number.fill("21");
  await page.getByRole("button", { name: "This one" }).click();
  await expect(page.getByText(/Template in hand: 21/)).toBeVisible();
});

test("of the units side by side one is chosen, and stands among the decisions", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/set-out?job=field-vet.OP-02&sheet=unit-choice");
  await page.getByLabel("Asked for").fill("rain hood");
  await page.getByLabel("Clear of ribs").fill("5");
  await page.getByRole("button", { name: "Add a candidate" }).click();
  await page.getByRole("button", { name: "Add a candidate" }).click();
  for (const [i, unit] of [
    ["Crown 40", "310", "400", "5", "rain hood"],
    ["Vent 35", "240", "350", "9", ""],
  ].entries()) {
    const cell = (label: string) => page.getByLabel(label, { exact: true }).nth(i);
    await cell("Unit").fill(unit[0]);
    await cell("Price").fill(unit[1]);
    await cell("Cut along").fill(unit[2]);
    await cell("Lead, days").fill(unit[3]);
    await cell("Has").fill(unit[4]);
  }
  await page.getByRole("button", { name: "Keep with the job" }).click();
  const choose = page.getByRole("form", { name: "Choose one" });
  await choose.getByLabel("Who decided").fill("Mara with Dr. Quill");
  await choose.getByLabel("Why this one").fill("rain hood, there in a week");
  await choose.getByRole("button", { name: "Keep the choice" }).click();
  await expect(choose).toContainText("Unit: Crown 40 stands among the build's decisions");
  await page.goto("/builds/field-vet?tab=records");
  await expect(page.getByRole("region", { name: "Decisions" })).toContainText("Unit: Crown 40");
});

test("a circuit is dead only when it was measured, and what sparks near it waits until then", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/builds/field-vet?tab=openings");
  await expect(page.getByText("Roof beacon is live: 12.6 V").first()).toBeVisible();
  await page.goto("/builds/field-vet?tab=shell");
  const circuits = page.getByRole("region", { name: "Added circuits" });
  const beacon = circuits.getByRole("listitem").filter({ hasText: "Roof beacon" });
  await beacon.getByRole("button", { name: /^Roof beacon/ }).click();
  const dialog = page.getByRole("dialog", { name: "Roof beacon" });
  await dialog.getByRole("combobox", { name: "Opened by" }).selectOption("cut");
  await dialog.getByLabel("Measured, V").fill("0,2");
  await dialog.getByRole("button", { name: "Keep" }).click();
  // The list is drawn anew by itself, and may be before the form has closed.
  await expect(dialog).toBeHidden();
  await expect(beacon).toContainText("live: its cut end is not insulated");
  await beacon.getByRole("button", { name: /^Roof beacon/ }).click();
  await dialog.getByLabel("Its cut end is insulated").check();
  await dialog.getByRole("button", { name: "Keep" }).click();
  await expect(beacon).toContainText("dead, 0.2 V measured");
  await circuits.getByRole("button", { name: "Add a circuit" }).click();
  const fresh = page.getByRole("dialog", { name: "An added circuit" });
  await fresh.getByLabel("What it feeds").fill("Tail lift");
  await fresh.getByLabel("Fed from").fill("battery");
  await fresh.getByLabel("Its connector").fill("rear sill");
  await fresh.getByRole("combobox", { name: "Side" }).selectOption("rear");
  await fresh.getByRole("button", { name: "Write it down" }).click();
  await expect(circuits).toContainText("live: not measured");
  await expectAccessible(page);
});

test("a van leaves the yard only when everything was looked at", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/");
  await page.getByRole("button", { name: "Move van: Darkroom van" }).click();
  await page.getByRole("menuitem", { name: "Off site" }).click();
  const dialog = page.getByRole("dialog", { name: "Darkroom van leaves the yard" });
  const gone = dialog.getByRole("button", { name: "It has left" });
  await expect(gone).toBeDisabled();
  for (const tick of ["Plates uncovered", "Doors, lids and hatches shut", "Nothing loose inside or on the roof"])
    await dialog.getByLabel(tick).check();
  await gone.click();
  await expect(page.getByText("Darkroom van has left")).toBeVisible();
  await expect(page.getByRole("button", { name: "Move van: Darkroom van" })).toHaveCount(0);
});

test("on the phone a hole goes a step further by a tap, and a zone is cleaned", async ({ page }) => {
  await page.setViewportSize({ width: 412, height: 892 });
  await signIn(page, "Mara");
  // Not before its job is begun: the questions come first.
  await page.goto("/card?job=field-vet.OP-09");
  const holes = page.getByRole("region", { name: "Holes" });
  await expect(holes.getByRole("listitem").first()).toContainText("wanted");
  await expect(holes.getByRole("button")).toHaveCount(0);
  await page.goto("/card?job=night-bakery.OP-06a");
  const first = holes.getByRole("listitem").first();
  await expect(first).toContainText("cut · covered: sheet and tape");
  await first.getByLabel(/^What covers hole/).fill("board");
  await first.getByRole("button", { name: "Cover" }).click();
  await expect(first).toContainText("cut · covered: board");
  await first.getByRole("button", { name: "Edge made safe" }).click();
  await expect(first).toContainText("protected · covered: board");
  await first.getByRole("button", { name: "Closed" }).click();
  await expect(first).not.toContainText("protected");
  // It goes no further here; only its photos are still taken.
  await expect(first.getByRole("button", { name: /It is cut|Edge made safe|Closed|Cover/ })).toHaveCount(0);
  await expectAccessible(page);
  await page.goto("/card?job=field-vet.ST-06");
  const zones = page.getByRole("region", { name: "Bare zones" });
  await zones.getByRole("button", { name: "Doors, Vacuum" }).click();
  await expect(zones.getByRole("button", { name: "Doors, Vacuum" })).toHaveAttribute("aria-pressed", "true");
});
