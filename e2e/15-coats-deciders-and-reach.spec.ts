// What lies between people and jobs: chains of coats, who decides, from which side, and who is not sure.

import { expect, type Page, test } from "@playwright/test";
import { expectAccessible, signIn } from "./people";

const sender = (page: Page) => async (path: string, data: object) =>
  expect((await page.request.post(`/api/${path}`, { headers: { origin: new URL(page.url()).origin }, data })).status(), path).toBe(200);

test("a kept chain of coats asks for each coat behind the first; taken on it is planned with its hold at a drying place", async ({
  page,
}) => {
  await signIn(page, "Mara");
  const coats = [
    { name: "raw timber coat", minutes: 40, holdH: 4 },
    { name: "finish coat", minutes: 30, holdH: 16 },
  ];
  const input = { weekday: "wed", from: "08:00", opens: "08:00", closes: "17:00", tempC: 10, coats };
  await sender(page)("builds/field-vet/sheets", { calculator: "coat-chain", jobId: "field-vet.FU-04", draft: {}, input });
  await page.goto("/builds/field-vet");
  const asked = page.getByRole("region", { name: "Extra work found" });
  await expect(asked).toContainText("Finish coats on the furniture, 2 of 2: finish coat");
  await expectAccessible(page);
  await asked.getByRole("button", { name: "Take it on" }).first().click();
  await expect(page.getByRole("button", { name: /2 of 2: finish coat/ }).first()).toBeVisible();
  const problem = (await (await page.request.get("/api/problem")).json()) as {
    tools: { id: string; name: string }[];
    builds: {
      jobs: { id: string; name: string; hold?: { minutes: number }; tools?: { id: string; held?: boolean }[]; after: { job: string }[] }[];
    }[];
  };
  const jobs = problem.builds.flatMap((b) => b.jobs);
  const coat = jobs.find((j) => j.name.endsWith("2 of 2: finish coat"))!;
  // 16 h at 20 °C are 32 h at 10 °C.
  expect(coat.hold).toMatchObject({ minutes: 1920 });
  const place = problem.tools.find((t) => t.name === "drying place")!;
  expect(coat.tools).toEqual([{ id: place.id, held: true }]);
  expect(jobs.filter((j) => j.after.some((a) => a.job === coat.id)).map((j) => j.id)).toContain("field-vet.FU-05");
  await sender(page)(`jobs/${coat.id}/leave`, { why: "one coat is enough" });
});

test("a choice has an owner who is named where it is asked for; a unit is fastened from the side that is hidden later", async ({
  page,
}) => {
  await signIn(page, "Mara");
  await page.goto("/builds/darkroom-van?tab=choices");
  const dialog = page.getByRole("dialog");
  const open = page.getByRole("region", { name: "Not decided" });
  const first = open.getByRole("listitem").filter({ hasText: "decides; planned as" }).first();
  const label = (await first.locator("b").first().textContent())!;
  await open.getByRole("button", { name: /^Add/ }).click();
  await dialog.getByLabel("Decides").selectOption({ label });
  await dialog.getByLabel("For", { exact: true }).selectOption("house");
  await dialog.getByRole("button", { name: "Write it down" }).click();
  // Who is still to be said: nothing goes out, and what was chosen stays.
  await expect(dialog.getByLabel("Who", { exact: true })).toBeFocused();
  await expect(dialog.getByLabel("For", { exact: true })).toHaveValue("house");
  await dialog.getByLabel("Who", { exact: true }).fill("Mara");
  await dialog.getByRole("button", { name: "Write it down" }).click();
  await expect(first).toContainText(`${label}, Mara decides; planned as`);
  await page.goto("/builds/night-bakery?tab=waits");
  const reach = page.getByRole("region", { name: "Access before it closes" });
  await reach.getByRole("button", { name: /^Add/ }).click();
  await dialog.getByLabel("Unit or panel").fill("Base units");
  await dialog.getByLabel("Set by job").fill("FU-06");
  await dialog.getByRole("button", { name: "Add a side" }).click();
  await dialog.getByLabel("Side", { exact: true }).fill("inside the locker");
  await dialog.getByLabel("In reach until job").fill("FU-08");
  await dialog.getByLabel("Hidden by job").fill("PA-06");
  await dialog.getByRole("button", { name: "Write it down" }).click();
  await expect(reach).toContainText("Base units is fastened from inside the locker: in reach until Bed, hidden by Reveals, corners, trims");
  await expectAccessible(page);
});

test("who is not sure before a cut says so, and somebody else looks", async ({ page, browser }) => {
  await signIn(page, "Mara");
  const id = "field-vet.OP-04";
  const problem = (await (await page.request.get("/api/problem")).json()) as { published: { jobs: { id: string; fitters: string[] }[] } };
  const [on] = problem.published.jobs.find((j) => j.id === id)!.fitters;
  const fitter = await (await browser.newContext({ viewport: { width: 412, height: 892 } })).newPage();
  await signIn(fitter, on[0].toUpperCase() + on.slice(1));
  await fitter.goto(`/card?job=${id}`);
  const asked = fitter.getByRole("region", { name: /^Before you/ });
  await asked
    .getByRole("button", { name: /^Not sure: / })
    .first()
    .click();
  await expect(asked.getByText("You are not sure: somebody else has to check and answer.")).toBeVisible();
  await expect(asked.getByRole("button", { pressed: false }).first()).toBeDisabled();
  await expectAccessible(fitter);
  await fitter.context().close();
  // The lead reads of it, looks, and answers.
  await page.goto("/");
  await expect(page.getByText(/: Not sure: /).first()).toBeVisible();
  await page.goto(`/card?job=${id}`);
  const here = page.getByRole("region", { name: /^Before you/ });
  await expect(here.getByText(/is not sure: somebody else has to check and answer\.$/)).toBeVisible();
  await here.getByRole("button", { pressed: false }).first().click();
  await expect(here.getByText(/is not sure/)).toHaveCount(0);
});
