// What was found asks for work; the layout is frozen before the saw; who helps is booked for the minutes that need two.

import { expect, type Page, test } from "@playwright/test";
import { expectAccessible, signIn } from "./people";

interface Problem {
  builds: {
    id: string;
    jobs: { id: string; after?: { job: string }[]; crew: { skill: string; during?: { from: number; to: number } }[] }[];
  }[];
}
const jobsIn = async (page: Page, build: string) => {
  const p = (await (await page.request.get("/api/problem")).json()) as Problem;
  return p.builds.find((b) => b.id === build)!.jobs;
};

test("what the client calls done asks for a job: tried against the dates, taken on, left again with a reason", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/builds/seed-library?tab=papers");
  const dialog = page.getByRole("dialog");
  const others = page.getByRole("region", { name: "Work of others" });
  await others.getByRole("button", { name: /^Add/ }).click();
  await dialog.getByLabel("What", { exact: true }).fill("Rack feet, four");
  await dialog.getByLabel("Their name").fill("A cousin");
  await dialog.getByLabel("What it is part of").selectOption("rack");
  await dialog.getByLabel("It goes through the skin").check();
  await dialog.getByRole("button", { name: "Write it down" }).click();
  await expect(others.getByRole("button", { name: /^Rack feet, four/ })).toBeVisible();
  await page.goto("/builds/seed-library");
  const asked = page.getByRole("region", { name: "Extra work found" });
  const line = asked.getByRole("listitem").filter({ hasText: "Looked over: Rack feet, four" });
  await expect(line).toContainText("20 min");
  await line.getByRole("button", { name: "What it does to the dates" }).click();
  await expect(line.getByText(/^Seed library: planned finish/)).toBeVisible();
  expect((await jobsIn(page, "seed-library")).some((j) => j.id.includes(".EX-"))).toBe(false);
  await line.getByRole("button", { name: "Take it on" }).click();
  await expect(line).toContainText("taken on, not started");
  const jobs = await jobsIn(page, "seed-library");
  const taken = jobs.find((j) => j.id.includes(".EX-"))!;
  expect(jobs.filter((j) => j.after?.some((a) => a.job === taken.id)).length).toBeGreaterThan(0);
  await expect(page.getByRole("region", { name: "Strip" }).getByText("Looked over: Rack feet, four")).toBeVisible();
  await expectAccessible(page);
  await line.getByRole("button", { name: "Leave it after all" }).click();
  await dialog.getByLabel("Why").fill("seen when the van came in");
  await dialog.getByRole("button", { name: "Leave it" }).click();
  await expect(line.getByRole("button", { name: "Take it on" })).toBeVisible();
  await expect(page.getByText(/is left: seen when the van came in/)).toBeVisible();
});

test("a question of the layout keeps a window from being cut until somebody has decided", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/builds/night-bakery?tab=openings");
  const right = page.getByRole("listitem").filter({ hasText: "Side window: cut and set, right 1" }).first();
  const open = page.getByRole("region", { name: "Open in the layout" });
  const dialog = page.getByRole("dialog");
  await open.getByRole("button", { name: /^Add/ }).click();
  await dialog.getByLabel("What is open").fill("Bed lengthways or across");
  await dialog.getByLabel("Side").selectOption("right");
  await dialog.getByLabel("From, behind the bulkhead").fill("900");
  await dialog.getByLabel("Who decides").fill("Crumb & Ember");
  await dialog.getByRole("button", { name: "Write it down" }).click();
  // A stretch has two ends; what was typed stays.
  await expect(dialog.getByRole("alert").first()).toContainText("two ends");
  await expect(dialog.getByLabel("What is open")).toHaveValue("Bed lengthways or across");
  await dialog.getByLabel(/^To\b/).fill("2100");
  await dialog.getByRole("button", { name: "Write it down" }).click();
  await expect(right).toContainText("Bed lengthways or across is open");
  await open.getByRole("button", { name: /^Bed lengthways/ }).click();
  await dialog.getByLabel("What was decided").fill("across");
  await dialog.getByRole("button", { name: "Keep" }).click();
  await expect(right).not.toContainText("Bed lengthways or across is open");
});

test("a sheet says for which minutes two are needed, and the plan asks for no more", async ({ page }) => {
  await signIn(page, "Mara");
  const id = "field-vet.OP-04";
  const helper = async () => (await jobsIn(page, "field-vet")).find((j) => j.id === id)!.crew.find((c) => c.during);
  expect(await helper()).toBeUndefined();
  await page.goto(`/set-out?job=${id}&sheet=pair-minutes`);
  const rows = page.getByRole("row");
  await page.getByRole("button", { name: "Add a step" }).click();
  await rows.last().getByLabel("Step", { exact: true }).fill("cut and edge");
  await rows.last().getByLabel("Minutes").fill("90");
  await page.getByRole("button", { name: "Add a step" }).click();
  await rows.last().getByLabel("Step", { exact: true }).fill("unit down");
  await rows.last().getByLabel("Minutes").fill("30");
  await rows.last().getByRole("checkbox").first().check();
  await page.getByRole("button", { name: "Keep with the job" }).click();
  await expect(page.getByRole("region", { name: "Kept sheet" })).toContainText("version 1, Mara");
  const { during } = (await helper())!;
  expect(during!.from).toBeGreaterThan(0);
  expect(during!.to).toBeGreaterThan(during!.from);
});

test("a job that one goes on with alone keeps its second person in the plan, who comes and is free again", async ({ page }) => {
  await signIn(page, "Mara");
  const id = "night-bakery.OP-06a";
  const headers = { origin: new URL(page.url()).origin };
  const send = async (path: string, data: object) =>
    expect((await page.request.post(`/api/${path}`, { headers, data })).status(), path).toBe(200);
  const steps = [
    { name: "cut and edge", minutes: 90 },
    { name: "unit down", minutes: 30, two: true },
  ];
  await send("builds/night-bakery/sheets", { calculator: "pair-minutes", jobId: id, draft: {}, input: { steps } });
  await page.goto(`/card?job=${id}&fitter=ines`);
  await page.getByRole("button", { name: "Pause" }).click();
  await expect(page.getByRole("button", { name: "Go on", exact: true })).toBeVisible();
  await send(`jobs/${id}/act`, { act: "start", crew: ["ines"] });
  await send("plan", { quick: true });
  // The plan names who comes; until then they are planned with for other work.
  const { during } = (await jobsIn(page, "night-bakery")).find((j) => j.id === id)!.crew.find((c) => c.during)!;
  expect(during!.from).toBeGreaterThan(0);
  await page.goto(`/card?job=${id}&fitter=ines`);
  const second = page.getByRole("region", { name: "Second person" });
  await expect(second).toContainText(/A second person is needed in .* of work, for /);
  const here = second.getByRole("button", { name: / is here$/ });
  const name = (await here.textContent())!.replace(" is here", "");
  await expectAccessible(page);
  await here.click();
  await expect(second).toContainText(`${name} is needed in `);
  await second.getByRole("button", { name: `${name} is free again` }).click();
  await expect(second).toContainText("One goes on alone");
  const said = page.getByRole("listitem").filter({ hasText: `${name} is free again` });
  await said.getByRole("button", { name: "Undo" }).click();
  await expect(second).toContainText(`${name} is needed in `);
});

test("a tool that stays with the work is added and changed; bays say how long vans stand idle in them, and what for", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/workshop?tab=tools");
  await page.getByRole("button", { name: "Add a tool" }).click();
  const form = page.getByRole("dialog", { name: "Add a tool" });
  await form.getByLabel("Name").fill("bending strap");
  await form.getByLabel("How many").fill("2");
  await form.getByLabel("Stays on the work until the bond has cured").check();
  await form.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("sound · 2 pieces, stays on the work until the bond has cured")).toBeVisible();
  // What is under way has its tools: the list says on what.
  await expect(page.getByText(/^In use now: /).first()).toBeVisible();
  await page.goto("/workshop?tab=bays");
  await expect(page.getByText(/^Stands idle in the next four weeks: .* for (a cure|parts|people on other work)/).first()).toBeVisible();
  await expectAccessible(page);
});
