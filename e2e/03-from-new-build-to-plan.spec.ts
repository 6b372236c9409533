// The whole story, from a new build to a published plan, by lead and fitter.

import { expect, type Page, test } from "@playwright/test";
import { choose, picture, signIn } from "./people";

interface Problem {
  builds: {
    id: string;
    name: string;
    jobs: {
      id: string;
      name: string;
      state: unknown;
      covers?: string[];
      after?: { job: string }[];
      hold?: { minutes: number };
      proofApproved?: boolean;
    }[];
  }[];
  fitters: { id: string; name: string }[];
}

/** A job under way whose photos a later job waits for, and that later job waits for nothing else but parts. */
function findPair(problem: Problem) {
  for (const b of problem.builds) {
    const byId = new Map(b.jobs.map((j) => [j.id, j]));
    for (const a of b.jobs) {
      const started = (a.state as { started?: { fitters: string[] } }).started;
      if (!started || a.proofApproved !== false || a.hold) continue;
      const next = b.jobs.find(
        (j) =>
          j.state === "todo" &&
          j.covers?.includes(a.id) &&
          j.after?.every((x) => x.job === a.id || typeof byId.get(x.job)!.state === "object") &&
          !j.covers.some((c) => c !== a.id && byId.get(c)!.proofApproved === false),
      );
      if (next) return { build: b, covered: a, next, fitter: problem.fitters.find((f) => f.id === started.fitters[0])!.name };
    }
  }
  throw new Error("the demo has no job under way whose photos another waits for");
}

async function replan(page: Page): Promise<void> {
  await page.getByRole("button", { name: "Replan", exact: true }).click();
  await expect(page.getByText("Replanned")).toBeVisible();
}

test("from a new build to a published plan", async ({ page, browser }) => {
  test.setTimeout(240_000);

  // The lead signs in, adds a build, plans and publishes.
  await signIn(page, "Mara");
  await expect(page.getByRole("heading", { name: "Before the day ends" })).toBeVisible();
  await page.goto("/builds/new");
  await page.getByLabel("Name of the build").fill("Lighthouse library");
  await page.getByLabel("Client").fill("Keepers of the North Head");
  await page.getByRole("radiogroup", { name: "Van" }).getByText("Drover L3H2").click();
  await page.getByRole("button", { name: "Dates", exact: true }).click();
  await page.getByRole("button", { name: "What it gets", exact: true }).last().click();
  const sums = page.getByRole("complementary", { name: "What it makes" });
  await expect(sums).toContainText("likely work");
  const before = (await sums.locator("dl").textContent()) ?? "";
  await choose(page, "Gas: bottle in a locker");
  await expect(sums.locator("dl")).not.toHaveText(before);
  await page.getByRole("button", { name: "How it is built", exact: true }).last().click();
  await page.getByRole("button", { name: "Look it over", exact: true }).last().click();
  await expect(page.getByText(/Planned finish/)).toBeVisible({ timeout: 30_000 });
  await page.getByRole("button", { name: "Add the build" }).click();
  await expect(page.getByRole("heading", { name: "Lighthouse library" })).toBeVisible();
  await page.getByRole("link", { name: "Lanes", exact: true }).click();
  await expect(page.getByText("stale: Lighthouse library added")).toBeVisible();
  await expect(page.getByRole("button", { name: /Publish plan/ })).toBeDisabled();
  await replan(page);
  await expect(
    page.getByRole("region", { name: "Lane of Lighthouse library" }).getByRole("button", { name: /ST-01 Check in/ }),
  ).toBeAttached();
  await page.getByRole("button", { name: "Publish plan 2" }).click();
  await page.getByLabel("Note").fill("with the library");
  await page.getByRole("button", { name: "Publish", exact: true }).click();
  await expect(page.getByText("Plan 2, published")).toBeVisible();

  const problem = (await (await page.request.get("/api/problem")).json()) as Problem;
  expect(problem.builds.some((b) => b.name === "Lighthouse library")).toBe(true);
  const { build, covered, next, fitter } = findPair(problem);

  // Its parts are checked in, so that only the photos are in the way.
  await page.goto(`/stores`);
  await page.getByLabel("Filter by part, build or supplier").fill(`${build.name} ${next.name}`);
  await expect(page.locator("[id^='part-']").filter({ hasNotText: build.name })).toHaveCount(0);
  for (const label of ["Arrived", "Checked, complete"]) {
    const buttons = page.getByRole("button", { name: label, exact: true });
    for (let left = await buttons.count(); left > 0; left--) {
      await buttons.first().click();
      await expect(page.getByText(label === "Arrived" ? /: here, to check/ : /: checked/).first()).toBeVisible();
      // The list is drawn anew before the next one is looked for.
      await expect(buttons).toHaveCount(left - 1);
    }
  }
  const sheet = `/builds/${build.id}?job=${encodeURIComponent(next.id)}`;
  await page.goto(sheet);
  await expect(page.locator(`[id="job-${next.id}"]`)).toContainText(`Not to be started yet: ${covered.name} is not done`);

  // The fitter, on a phone: ticks what is left, photographs, finishes.
  const phone = await browser.newContext({ viewport: { width: 412, height: 892 }, hasTouch: true, isMobile: true });
  const card = await phone.newPage();
  await signIn(card, fitter);
  await expect(card.getByRole("heading", { name: covered.name })).toBeVisible();
  for (;;) {
    const step = card.getByRole("button", { name: /^Step \d+ done$/ });
    if (!(await step.isVisible())) break;
    const label = (await step.textContent()) ?? "";
    await step.click();
    await expect(card.getByRole("button", { name: label, exact: true })).toHaveCount(0);
  }
  const wanted = card.getByText("to be taken before close-up");
  for (let left = await wanted.count(); left > 0; left--) {
    const chooser = card.waitForEvent("filechooser");
    await card.getByRole("button", { name: "Photo", exact: true }).click();
    await (await chooser).setFiles({ name: "proof.png", mimeType: "image/png", buffer: picture });
    await expect(wanted).toHaveCount(left - 1);
  }
  await expect(card.getByText("stored, waits for the lead").first()).toBeVisible();
  await card.getByRole("button", { name: "Something's wrong" }).click();
  await card.getByLabel("In your words").fill("last roll of tape");
  await card.getByRole("button", { name: "Tell the lead" }).click();
  await expect(card.getByText("The lead knows")).toBeVisible();
  await card.getByRole("button", { name: /^Done/ }).click();
  await expect(card.getByText(`${covered.name} is done`)).toBeVisible();

  // The lead sees it: still closed by the photo, then approves; the covered job may be started and the plan has followed.
  await page.goto(sheet);
  await expect(page.locator(`[id="job-${next.id}"]`)).toContainText(/waits? for the lead/);
  const refused = await page.request.post(`/api/jobs/${encodeURIComponent(next.id)}/act`, {
    headers: { origin: new URL(page.url()).origin },
    data: { act: "start" },
  });
  expect(refused.status()).toBe(409);
  await page.goto("/proof");
  const photos = page.getByRole("listitem").filter({ hasText: `${build.name}, ${covered.name}` });
  await photos.first().waitFor();
  for (let left = await photos.count(); left > 0; left--) {
    await photos.first().getByRole("button", { name: "Approve" }).click();
    await expect(photos).toHaveCount(left - 1);
  }
  await expect(page.getByText("may be started; the plan follows")).toBeVisible();
  // What can't be undone asks first, on the card; each answer carries a name.
  await page.goto(`/card?job=${encodeURIComponent(next.id)}`);
  const asked = page.getByRole("region", { name: /^Before you/ }).locator("button[aria-pressed]");
  for (let i = 0; i < (await asked.count()); i++) {
    await expect(async () => {
      await asked.nth(i).click();
      await expect(asked.nth(i)).toHaveAttribute("aria-pressed", "true", { timeout: 2000 });
    }).toPass();
  }
  await page.goto(sheet);
  await expect(page.locator(`[id="job-${next.id}"]`)).not.toContainText("Not to be started yet");
  await page.goto("/lanes");
  await expect(page.getByText("stale:")).toHaveCount(0);

  // A part slips; the replan shows which dates move, and why.
  await page.goto("/stores");
  await page.getByRole("button", { name: /^On the way/ }).click();
  const line = page.locator("[id^='part-']").filter({ hasText: "promised" }).first();
  await line.getByRole("button", { name: /^Change/ }).click();
  await page.getByLabel("Promised for").fill("2027-03-15T10:00");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("The plan is stale:")).toBeVisible();
  await page.getByRole("button", { name: "Replan and see" }).click();
  await expect(
    page
      .locator("aside")
      .getByText(/^\+\d+ days?$/)
      .first(),
  ).toBeVisible();
  await page.getByRole("link", { name: "Compare with published" }).click();
  await page.getByRole("button", { name: "Compare with published" }).click();
  const dialog = page.getByRole("dialog");
  await expect(dialog.getByText(/working days?$/).first()).toBeVisible();
  await expect(dialog.getByText(/Mon 15 Mar/).first()).toBeVisible();
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: "Publish plan 3" }).click();
  await page.getByRole("button", { name: "Publish", exact: true }).click();
  await expect(page.getByText("Plan 3, published")).toBeVisible();

  // Sign out.
  await page.getByRole("button", { name: "Mara" }).click();
  await page.getByRole("menuitem", { name: "Sign out" }).click();
  await expect(page.getByRole("heading", { name: "Who are you today?" })).toBeVisible();
  await page.goto("/lanes");
  await expect(page).toHaveURL(/sign-in/);
  await phone.close();
});
