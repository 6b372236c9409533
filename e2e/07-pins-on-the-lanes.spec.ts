// Pins by hand: to a time, a bay, a fitter; tried before they are set, undone and done again; a newer change ends a search.

import { expect, type Page, test } from "@playwright/test";
import { signIn } from "./people";

async function centre(page: Page, selector: string) {
  const el = page.locator(selector).first();
  await el.scrollIntoViewIfNeeded();
  const box = (await el.boundingBox())!;
  return { x: box.x + Math.min(6, box.width / 2), y: box.y + box.height / 2 };
}

/** A block of a fitter's row that is still to do, and where it is. */
const inRow = (fitter: string) => `section[aria-label="${fitter}"] button[data-job][aria-label*=", planned "]`;

test("a block dropped on a fitter who can't do it says why and who could; nothing is stored", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/lanes");
  await page.getByRole("radio", { name: "fitters" }).click();
  const asked: string[] = [];
  page.on("request", (r) => r.url().includes("/pin") && asked.push(r.url()));
  // Try row by row until somebody lacks what the job needs: the demo has specialists.
  const said = page.getByText(/(has \w+ at level \d, \d is needed|has no \w+ ticket); .* could/).first();
  const names = ["Dora", "Nils", "Malik", "Rosa", "Teo", "Ines"];
  let found = false;
  for (const from of names) {
    const jobs = await page.locator(inRow(from)).evaluateAll((list) => list.slice(0, 8).map((e) => (e as HTMLElement).dataset.job!));
    for (const job of jobs)
      for (const to of names.filter((n) => n !== from)) {
        if (found) break;
        const wish = await page.request.post("/api/plan/try", {
          headers: { origin: new URL(page.url()).origin },
          data: { job, fitters: [(await page.locator(`section[aria-label="${to}"]`).getAttribute("data-row"))!] },
        });
        const verdict = await wish.json();
        if (verdict.rule !== "crew") continue;
        const a = await centre(page, `section[aria-label="${from}"] button[data-job="${job}"]`);
        await page.mouse.move(a.x, a.y);
        await page.mouse.down();
        const row = (await page.locator(`section[aria-label="${to}"]`).boundingBox())!;
        await page.mouse.move(a.x, row.y + 20, { steps: 8 });
        await expect(page.locator(`section[aria-label="${to}"]`)).toHaveClass(/outline-pine/);
        await page.mouse.up();
        found = true;
      }
    if (found) break;
  }
  expect(found).toBe(true);
  await expect(said).toBeVisible();
  expect(asked).toEqual([]);
});

/** Drags a job of one fitter's onto the row of another who can take it over; says which, once the pin is kept. */
async function handOver(page: Page): Promise<{ to: string; job: string }> {
  const headers = { origin: new URL(page.url()).origin };
  const names = ["Ines", "Teo", "Rosa", "Malik", "Nils", "Dora"];
  // A job of one fitter's that another can take over at the same time or later.
  let pick: { from: string; to: string; job: string } | undefined;
  for (const from of names) {
    const jobs = await page.locator(inRow(from)).evaluateAll((list) => list.slice(0, 6).map((e) => (e as HTMLElement).dataset.job!));
    for (const job of jobs)
      for (const to of names.filter((n) => n !== from)) {
        if (pick) break;
        const id = (await page.locator(`section[aria-label="${to}"]`).getAttribute("data-row"))!;
        const verdict = await (await page.request.post("/api/plan/try", { headers, data: { job, fitters: [id] } })).json();
        const now = await page.locator(`section[aria-label="${to}"] button[data-job="${job}"]`).count();
        if (verdict.kept && now === 0) pick = { from, to, job };
      }
    if (pick) break;
  }
  expect(pick).toBeDefined();
  const { from, to, job } = pick!;
  const a = await centre(page, `section[aria-label="${from}"] button[data-job="${job}"]`);
  const row = (await page.locator(`section[aria-label="${to}"]`).boundingBox())!;
  await page.mouse.move(a.x, a.y);
  await page.mouse.down();
  await page.mouse.move(a.x, row.y + 20, { steps: 8 });
  await page.mouse.up();
  await expect(page.getByText(new RegExp(`is pinned to ${to}; the plan flows round it`))).toBeVisible();
  return { to, job };
}

test("a block is handed to another fitter by the mouse; keys undo it and do it again", async ({ page }) => {
  test.setTimeout(90_000);
  await signIn(page, "Mara");
  await page.goto("/lanes");
  await page.getByRole("radio", { name: "fitters" }).click();
  const { to, job } = await handOver(page);
  const there = page.locator(`section[aria-label="${to}"] button[data-job="${job}"]`);
  await expect(there).toHaveCount(1);
  // Faster than the server: the second key waits for the first.
  await page.keyboard.press("Control+z");
  await page.keyboard.press("Control+y");
  await expect(page.getByText(/: pin undone/)).toBeVisible();
  await expect(page.getByText(/: pinned again/)).toBeVisible();
  await expect(there).toHaveCount(1);
  await page.getByRole("button", { name: "Undo the last pin" }).click();
  await expect(page.getByText(/: pin undone/).last()).toBeVisible();
});

test("pages that come late neither bring back an old version nor load everything anew", async ({ page }) => {
  test.setTimeout(90_000);
  await signIn(page, "Mara");
  await page.goto("/lanes");
  await page.getByRole("radio", { name: "fitters" }).click();
  // What the server says of the page is written down at once, and comes only when it is let go.
  let letGo = () => {};
  const held = new Promise<void>((go) => {
    letGo = go;
  });
  let asked = 0;
  let given = 0;
  await page.route(
    (u) => u.pathname === "/lanes" && u.searchParams.get("of") === "fitters",
    async (route) => {
      if (route.request().headers().rsc === undefined) return route.continue();
      asked++;
      const answer = await route.fetch();
      const body = await answer.body();
      await held;
      const { "content-encoding": _packed, "transfer-encoding": _pieces, ...headers } = answer.headers();
      await route.fulfill({ status: answer.status(), headers, body });
      given++;
    },
  );
  let loaded = 0;
  page.on("load", () => loaded++);
  await handOver(page);
  await expect.poll(() => asked).toBeGreaterThan(0);
  await page.keyboard.press("Control+z");
  await expect(page.getByText(/: pin undone/)).toBeVisible();
  letGo();
  await expect.poll(() => given).toBeGreaterThan(1);
  await page.keyboard.press("Control+y");
  await expect(page.getByText(/: pinned again/)).toBeVisible();
  await page.getByRole("button", { name: "Undo the last pin" }).click();
  await expect(page.getByText(/: pin undone/).last()).toBeVisible();
  expect(loaded).toBe(0);
  await page.unrouteAll({ behavior: "ignoreErrors" });
});

test("a start that breaks a rule is refused on the drop, with the rule and when it could be", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/lanes?job=night-bakery.FU-08");
  const lanes = page.getByTestId("lanes");
  await expect.poll(() => lanes.evaluate((e) => e.scrollLeft)).toBeGreaterThan(300);
  const a = await centre(page, "[id='block-night-bakery.FU-08']");
  await page.mouse.move(a.x, a.y);
  await page.mouse.down();
  await page.mouse.move(a.x - 200, a.y, { steps: 8 });
  // While it is held, the label says what would come of it.
  await expect(page.getByText(/· Bed can't be there: /)).toBeVisible();
  await page.mouse.up();
  await expect(page.getByText(/^Bed can't be there: .*; it could start /).last()).toBeVisible();
  await expect(page.getByRole("button", { name: "Undo the last pin" })).toBeDisabled();
});

test("a newer change ends a search that runs", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/lanes");
  await page.getByRole("button", { name: "Improve the plan" }).click();
  await page.getByRole("menuitem", { name: "60 seconds" }).click();
  await expect(page.getByRole("status", { name: "Searching" })).toContainText("best so far", { timeout: 20_000 });
  const answer = await page.request.post("/api/plan", { headers: { origin: new URL(page.url()).origin }, data: { quick: true } });
  expect(answer.ok()).toBe(true);
  await expect(page.getByText("Something newer came in: the search was stopped.")).toBeVisible();
  await expect(page.getByRole("button", { name: "Improve the plan" })).toBeEnabled();
});

test("only what is in sight is drawn, and scrolling draws the rest", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/lanes");
  await page.getByRole("radio", { name: "days" }).click();
  const lanes = page.getByTestId("lanes");
  const drawn = () => lanes.locator("button[data-job]").evaluateAll((list) => list.map((e) => (e as HTMLElement).dataset.job!));
  const all = await page.evaluate(async () =>
    ((await (await fetch("/api/problem")).json()).builds as { jobs: unknown[] }[]).reduce((n, b) => n + b.jobs.length, 0),
  );
  await expect.poll(async () => (await drawn()).length).toBeGreaterThan(0);
  const first = await drawn();
  expect(first.length).toBeLessThan(all / 2);
  await lanes.evaluate((e) => e.scrollTo({ left: e.scrollLeft + 4000, top: 400 }));
  await expect.poll(async () => (await drawn()).some((j) => !first.includes(j))).toBe(true);
});
