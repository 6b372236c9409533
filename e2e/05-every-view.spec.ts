// Every view is there, reads well aloud, and can be worked by keyboard.

import { expect, test } from "@playwright/test";
import { expectAccessible, expectAccessibleInBoth, signIn } from "./people";

const VIEWS: [string, string][] = [
  ["/", "Yard"],
  ["/lanes", "Lanes"],
  ["/builds", "Builds"],
  ["/builds/coast-rangers?job=coast-rangers.SV-01", "Coast rangers"],
  ["/builds/new", "Add a build"],
  ["/builds/darkroom-van?tab=choices", "Darkroom van"],
  ["/builds/field-vet?tab=van", "Field vet"],
  ["/builds/night-bakery?tab=openings", "Night bakery"],
  ["/builds/coast-rangers?tab=records", "Coast rangers"],
  ["/builds/coast-rangers?tab=cost", "Coast rangers"],
  ["/builds/night-bakery/cards", "Night bakery: job cards"],
  ["/workshop/library", "Job library"],
  ["/set-out", "Set-out"],
  ["/stores", "Stores"],
  ["/proof", "Photos that wait for you"],
  ...["bays", "people", "tools", "templates", "suppliers", "hours", "away", "users", "access", "house", "figures", "settings"].map(
    (tab): [string, string] => [`/workshop?tab=${tab}`, "Saltmarsh Vans"],
  ),
  ...["jobs", "marks", "shell", "items", "papers", "waits"].map((tab): [string, string] => [
    `/builds/night-bakery?tab=${tab}`,
    "Night bakery",
  ]),
  ["/builds/night-bakery/client", "Night bakery"],
  ["/lanes?zoom=days&job=night-bakery.FU-08", "Lanes"],
  ["/lanes?of=fitters", "Lanes"],
  ["/set-out?sheet=opening", "Set-out"],
];

test("each view is drawn and accessible, in light and dark", async ({ page }) => {
  test.setTimeout(420_000);
  const errors: string[] = [];
  page.on("pageerror", (e) => errors.push(e.message));
  page.on("console", (m) => m.type() === "error" && errors.push(m.text()));
  await page.goto("/sign-in");
  await expectAccessibleInBoth(page);
  await signIn(page, "Mara");
  for (const [path, heading] of VIEWS) {
    await page.goto(path);
    await expect(page.getByRole("heading", { name: heading, exact: true, level: 1 })).toBeAttached();
    await expectAccessibleInBoth(page);
  }
  await page.goto("/card?job=night-bakery.OP-06a");
  await page.getByRole("region", { name: "Set-out" }).locator("summary").first().click();
  await expectAccessibleInBoth(page);
  expect(errors).toEqual([]);
});

test("each dialog and menu is accessible, in light and dark", async ({ page }) => {
  test.setTimeout(240_000);
  await signIn(page, "Mara");
  const button = (name: string | RegExp) => page.getByRole("button", { name }).first();
  const opens: [string, () => Promise<void>, "dialog" | "menu"][] = [
    ["/", () => button(/^Move van/).click(), "menu"],
    ["/", () => page.keyboard.press("/"), "dialog"],
    ["/", () => page.keyboard.press("?"), "dialog"],
    ["/", () => button("Mara").click(), "menu"],
    ["/lanes", () => button("Compare with published").click(), "dialog"],
    ["/lanes", () => button("Print or save the plan").click(), "menu"],
    ["/stores", () => button(/^Change /).click(), "dialog"],
    ["/proof", () => button("Ask again").click(), "dialog"],
    ["/builds/night-bakery", () => button("Edit details").click(), "dialog"],
    ["/builds/night-bakery?tab=marks", () => button("Add a mark by typing its place").click(), "dialog"],
    ["/builds/night-bakery?tab=items", () => button("Add a removed item").click(), "dialog"],
    ["/workshop?tab=bays", () => button("Add a bay").click(), "dialog"],
    ["/workshop?tab=people", () => button("Add a fitter").click(), "dialog"],
    ["/workshop?tab=users", () => button("Add a person").click(), "dialog"],
    ["/card?job=night-bakery.OP-06a", () => button("Something's wrong").click(), "dialog"],
  ];
  for (const [path, open, role] of opens) {
    await page.goto(path);
    await open();
    await expect(page.getByRole(role).first()).toBeVisible();
    await expectAccessibleInBoth(page);
  }
});

test("keys go from view to view, find, and walk along the lanes", async ({ page }) => {
  await signIn(page, "Mara");
  await expect(page.getByRole("heading", { name: "Before the day ends" })).toBeVisible();
  await page.keyboard.press("g");
  await page.keyboard.press("l");
  await expect(page).toHaveURL(/\/lanes/);
  const road = page.getByRole("region", { name: "Lane of Coast rangers" });
  await road
    .getByRole("button", { name: /, planned / })
    .first()
    .focus();
  await page.keyboard.press("w");
  const panel = page.getByRole("complementary", { name: /^Job / });
  await expect(panel.getByRole("heading", { name: "Why not earlier" })).toBeVisible();
  await expect(panel.locator("ol li").first()).not.toBeEmpty();
  const title = (await panel.getByRole("heading", { level: 2 }).textContent()) ?? "";
  await page.keyboard.press("ArrowRight");
  await expect(panel.getByRole("heading", { level: 2 })).not.toHaveText(title);
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog", { name: "Keys" })).toBeVisible();
  await page.keyboard.press("Escape");
  await page.keyboard.press("/");
  await page.keyboard.type("field vet qzxvw");
  await expect(page.getByText("Nothing here by that name")).toBeVisible();
  await page.keyboard.press("ControlOrMeta+a");
  await page.keyboard.type("feild vet");
  await expect(page.getByRole("option", { name: /Field vet/ }).first()).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/\/builds\/field-vet/);
});

test("a pin is kept, the plan flows round it, and it is taken back", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/lanes?job=night-bakery.FU-08");
  const panel = page.getByRole("complementary", { name: "Job Bed" });
  await panel.getByLabel("Start at").fill("2027-02-10T09:00");
  await panel.getByRole("button", { name: "Pin" }).click();
  await expect(page.getByText("Bed is pinned to 2027-02-10 09:00")).toBeVisible();
  await expect(panel).toContainText("Wed 10 Feb 09:00");
  await expect(panel).toContainText("pinned to Wed 10 Feb 09:00");
  await panel.getByRole("button", { name: "Take the pin out" }).click();
  await expect(page.getByText("is free again")).toBeVisible();
  await expect(panel).not.toContainText("Wed 10 Feb 09:00");
  // One that can't be kept says so.
  await panel.getByLabel("Start at").fill("2026-11-25T11:00");
  await panel.getByRole("button", { name: "Pin" }).click();
  await expect(page.getByText(/can't start at the pinned time/).first()).toBeVisible();
  await panel.getByRole("button", { name: "Take the pin out" }).click();
  await expect(page.getByText("is free again").first()).toBeVisible();
});

test("a block is dragged to a pinned start, and undo puts it back", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/lanes?job=seed-library.FU-08");
  const block = page.locator("[id='block-seed-library.FU-08']");
  await block.scrollIntoViewIfNeeded();
  const panel = page.getByRole("complementary", { name: "Job Bed" });
  // The view first scrolls to the job by itself.
  const lanes = page.getByTestId("lanes");
  await expect.poll(() => lanes.evaluate((e) => e.scrollLeft)).toBeGreaterThan(300);
  await block.evaluate((e) => e.scrollIntoView({ block: "center", inline: "center" }));
  const box = (await block.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  // A week on, so that it falls on a working day as before.
  await page.mouse.move(box.x + box.width / 2 + 178, box.y + box.height / 2, { steps: 6 });
  await page.mouse.up();
  await expect(page.getByText(/Bed is pinned to .*; the plan flows round it/)).toBeVisible();
  await expect(panel.getByRole("button", { name: "Take the pin out" })).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).first().click();
  await expect(panel.getByRole("button", { name: "Take the pin out" })).toHaveCount(0);
});

test("the plan is seen from bays, from fitters, and over a season", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/lanes");
  await page.getByRole("radio", { name: "fitters" }).click();
  const dora = page.getByRole("region", { name: "Dora" });
  await expect(dora.getByRole("button").first()).toBeAttached();
  await expectAccessible(page);
  await page.getByRole("radio", { name: "bays" }).click();
  await expect(page.getByRole("region", { name: "Long bay" }).getByRole("button").first()).toBeAttached();
  await page.getByRole("radio", { name: "builds" }).click();
  await page.getByRole("radio", { name: "season" }).click();
  await expect(
    page
      .getByRole("region", { name: "Lane of Field vet" })
      .getByTitle(/^Furniture: /)
      .first(),
  ).toBeAttached();
  await expectAccessible(page);
});

test("a longer search leaves the page free, shows how far it is, and keeps the best when stopped", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/lanes");
  await page.getByRole("button", { name: "Improve the plan" }).click();
  await page.getByRole("menuitem", { name: "60 seconds" }).click();
  const status = page.getByRole("status", { name: "Searching" });
  await expect(status).toContainText("best so far");
  // Typing and scrolling go on meanwhile, and the server answers others.
  const lanes = page.getByTestId("lanes");
  await lanes.evaluate((e) => e.scrollTo({ left: 900 }));
  await expect.poll(() => lanes.evaluate((e) => e.scrollLeft)).toBe(900);
  await page.keyboard.press("/");
  await page.keyboard.type("darkroom");
  await expect(page.getByRole("option", { name: /Darkroom van/ }).first()).toBeVisible();
  await page.keyboard.press("Escape");
  expect((await page.request.get("/api/pulse", { timeout: 10_000 })).ok()).toBe(true);
  await page.getByRole("button", { name: "Stop, keep the best" }).click();
  await expect(page.getByText("Stopped; the best so far is kept")).toBeVisible();
  await expect(page.getByRole("button", { name: "Improve the plan" })).toBeEnabled();
  // What was found stands beside the plan on the lanes, said in a line each; taken, the other one is kept.
  const answers = page.getByRole("region", { name: "Two answers" });
  await expect(async () => {
    await page.goto("/lanes");
    await expect(answers).toBeVisible({ timeout: 2_000 });
  }).toPass();
  await expect(page.getByText("stale:")).toHaveCount(0);
  const lines = async () => (await answers.getByText(/moves?, /).allTextContents()) as [string, string];
  const [shown, other] = await lines();
  expect(shown).toMatch(/^(nothing moves|\d+ jobs? moves?), /);
  expect(other).toMatch(/^\d+ jobs? moves?, /);
  await expectAccessible(page);
  await answers.getByRole("button", { name: "Take this one" }).click();
  await expect(page.getByText("Taken; the other one is kept beside it")).toBeVisible();
  await expect.poll(lines).toEqual([other, shown]);
  await answers.getByRole("button", { name: "Take this one" }).click();
  await expect.poll(lines).toEqual([shown, other]);
});

test("measures to gain a day are tried one by one", async ({ page }) => {
  test.setTimeout(120_000);
  await signIn(page, "Mara");
  await page.goto("/lanes?job=coast-rangers.PA-04");
  await page.getByRole("button", { name: "Replan", exact: true }).click();
  await expect(page.getByText("Replanned")).toBeVisible();
  const panel = page.getByRole("complementary", { name: /^Job / });
  await panel.getByRole("button", { name: "Try what gains a day" }).click();
  await expect(panel.getByText("Each was tried by a replan")).toBeVisible({ timeout: 60_000 });
  await expect(panel.getByText(/everybody works Sat 28 Nov/).first()).toBeVisible();
  await expect(panel.getByText("this build goes before all others").first()).toBeVisible();
});

test("weeks and days show the same plan at another scale", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/lanes?job=night-bakery.FU-08");
  const block = page.locator("[id='block-night-bakery.FU-08']");
  await block.scrollIntoViewIfNeeded();
  const narrow = (await block.boundingBox())!.width;
  await page.getByRole("radio", { name: "days" }).click();
  // Not drawn for a moment, while it is brought into sight.
  await expect.poll(async () => (await block.boundingBox())?.width ?? 0).toBeGreaterThan(narrow * 3);
  // Both scales open with now in sight.
  await page.goto("/lanes");
  const lanes = page.getByTestId("lanes");
  for (const scale of ["days", "season", "days"]) {
    await page.getByRole("radio", { name: scale }).click();
    await expect
      .poll(() =>
        lanes.evaluate((e) => {
          const now = e.querySelector("[data-now]")!.getBoundingClientRect().left - e.getBoundingClientRect().left;
          return now > 160 && now < e.clientWidth;
        }),
      )
      .toBe(true);
  }
});

test("the yard tells a move, refuses one that must not be, and settles a word from the bench", async ({ page }) => {
  await signIn(page, "Mara");
  const busy = page.getByRole("article").filter({ hasText: " · till " }).first();
  await busy.getByRole("button", { name: /^Move van/ }).click();
  await expect(page.getByText(/Not now: .* is under way/)).toBeVisible();
  await page.keyboard.press("Escape");
  // The other van in the yard, Darkroom van, leaves in a test of its own.
  const name = "Field vet";
  await page
    .getByRole("region", { name: "Yard" })
    .getByRole("button", { name: `Move van: ${name}` })
    .click();
  await page.getByRole("menuitem", { name: "Off site" }).click();
  // Off the yard only with everything looked at.
  const leaving = page.getByRole("dialog", { name: `${name} leaves the yard` });
  await expect(leaving.getByRole("button", { name: "It has left" })).toBeDisabled();
  for (const tick of await leaving.getByRole("checkbox").all()) await tick.check();
  await leaving.getByRole("button", { name: "It has left" }).click();
  await expect(page.getByText(`${name} has left`)).toBeVisible();
  await expect(page.getByText("The plan is stale:")).toBeVisible();
  await page.request.post("/api/jobs/darkroom-van.IN-01/remark", {
    headers: { origin: new URL(page.url()).origin },
    data: { kind: "short", text: "No labels left", stopsWork: false },
  });
  await page.reload();
  const said = page.getByRole("listitem").filter({ hasText: "No labels left" });
  // It may stand below the fold of the list.
  const more = page.getByText(/more, later or less urgent/);
  await expect(said.or(more).first()).toBeVisible();
  if (!(await said.isVisible())) await more.click();
  await said.getByRole("button", { name: "Solved" }).click();
  await expect(page.getByText("No labels left")).toHaveCount(0);
});

test("the workshop adds a fitter and retires a bay, with a way back", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/workshop");
  await page.getByRole("button", { name: "Add a bay" }).click();
  await page.getByLabel("Name").fill("Tall bay");
  await page.getByRole("button", { name: "Save" }).click();
  const row = page.getByRole("listitem").filter({ hasText: "Tall bay" });
  await row.getByRole("button", { name: "Retire" }).click();
  await expect(row.getByRole("button", { name: "Bring back" })).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(row.getByRole("button", { name: "Retire" })).toBeVisible();
  await page.getByRole("tab", { name: "Fitters" }).click();
  await page.getByRole("button", { name: "Add a fitter" }).click();
  await page.getByLabel("Name").fill("Pilar");
  await page.getByLabel("trim").selectOption("2");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByRole("listitem").filter({ hasText: "Pilar" })).toContainText("trim 2");
  await page.getByRole("tab", { name: "Suppliers" }).click();
  await page.getByRole("button", { name: "Add a supplier" }).click();
  await page.getByLabel("Name").fill("Quarry Lane Metal");
  await page.getByLabel("Likely, days").fill("20");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("At worst, days is less than the likely")).toBeVisible();
  await page.getByLabel("At worst, days").fill("30");
  await page.getByRole("button", { name: "Save" }).click();
  const supplier = page
    .getByRole("listitem")
    .filter({ hasText: "Quarry Lane Metal" })
    .filter({ has: page.getByRole("button", { name: "Retire" }) });
  await expect(supplier).toContainText("20 days (1 to 30)");
  await expect(supplier).toContainText("nothing has come from them yet");
  await page.getByRole("tab", { name: "Away, closed, heat" }).click();
  await page.getByRole("button", { name: "Add a time" }).click();
  await page.getByLabel("To", { exact: true }).fill("2020-01-01T08:00");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("To has to be later than it begins")).toBeVisible();
  // Gone again: else a later replan may give her work that other tests do in the name of somebody who signs in.
  await page.goto("/workshop");
  await page.getByRole("tab", { name: "Fitters" }).click();
  const pilar = page.getByRole("listitem").filter({ hasText: "Pilar" });
  await pilar.getByRole("button", { name: "Retire" }).click();
  await expect(pilar.getByRole("button", { name: "Bring back" })).toBeVisible();
});

test("a part chosen by samples says by when to ask for them", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/stores");
  // Only lines near the window are drawn: those that are to be ordered.
  await page.getByRole("button", { name: /^To order/ }).click();
  const id = (await page.locator("[id^='part-']").filter({ hasText: "order by" }).nth(3).getAttribute("id"))!;
  const line = page.locator(`[id="${id}"]`);
  const edit = async (days: string) => {
    await line.getByRole("button", { name: /^Change / }).click();
    await page.getByLabel("Days to see samples and choose").fill(days);
    await page.getByRole("button", { name: "Save" }).click();
    await expect(page.getByLabel("Days to see samples and choose")).toHaveCount(0);
  };
  const before = /order by .*/.exec((await line.textContent())!)![0];
  await edit("5");
  await expect(line).toContainText(/samples (by|since) \w{3} \d+/);
  await expect(line).toContainText(before.slice(0, 16));
  // Half a year away nothing can be asked for in time.
  await edit("120");
  await expect(line).toContainText(/samples since/);
  // It is then among what this week asks for, under whom it comes from.
  await page.getByRole("button", { name: /^This week/ }).click();
  await expect(line).toBeVisible();
  await expect(page.getByRole("heading", { level: 2, name: /^from / }).first()).toBeVisible();
  await edit("0");
  await page.getByRole("button", { name: /^To order/ }).click();
  await expect(line).not.toContainText("samples");
});

test("another's change comes in by itself", async ({ page, browser }) => {
  await signIn(page, "Mara");
  await page.goto("/stores");
  const other = await (await browser.newContext()).newPage();
  await signIn(other, "Mara");
  await other.goto("/stores");
  for (const p of [page, other]) await p.getByRole("button", { name: /^To order/ }).click();
  const line = page.locator("[id^='part-']").filter({ hasText: "to order" }).first();
  const id = (await line.getAttribute("id"))!;
  await page.getByRole("button", { name: /^Not here yet/ }).click();
  await page
    .getByLabel("Filter by part, build or supplier")
    .fill((await other.locator(`[id="${id}"] p`).first().getAttribute("title")) ?? "");
  await other.locator(`[id="${id}"]`).getByRole("button", { name: "Ordered" }).click();
  await expect(page.locator(`[id="${id}"]`)).toContainText("ordered");
});
