// Plans as files and through time: the export passes the command line's checker; earlier plans can be compared; a job is kept.

import { spawnSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { expect, test } from "@playwright/test";
import { signIn } from "./people";

test("the exported problem is planned and checked on the command line", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/workshop");
  await page.getByRole("tab", { name: "Settings and forecast" }).click();
  const download = page.waitForEvent("download");
  await page.getByRole("link", { name: "Download" }).click();
  const folder = mkdtempSync(path.join(os.tmpdir(), "wl-export-"));
  const problem = path.join(folder, "problem.json");
  await (await download).saveAs(problem);
  const wl = (...args: string[]) => spawnSync(process.execPath, ["--import", "tsx", "scripts/cli.ts", ...args], { encoding: "utf8" });
  const planned = wl("plan", problem, "--iterations", "2");
  expect([planned.status, planned.stderr]).toEqual([0, ""]);
  const plan = path.join(folder, "plan.json");
  writeFileSync(plan, planned.stdout);
  expect(wl("check", problem, plan).stdout).toBe("valid\n");
  rmSync(folder, { recursive: true, force: true });
});

test("a moved job is kept as published, and earlier plans can be compared", async ({ page }) => {
  await signIn(page, "Mara");
  const headers = { origin: "" };
  await page.goto("/lanes");
  headers.origin = new URL(page.url()).origin;
  // Start from a published plan that holds.
  await page.request.post("/api/plan", { headers, data: {} });
  await page.request.post("/api/plan/publish", { headers, data: { note: "before the pin" } });
  // A job is pinned three weeks later by hand, wherever the searches before have put it: it, and perhaps others, would move.
  const { published } = (await (await page.request.get("/api/problem")).json()) as { published: { jobs: { id: string; start: string }[] } };
  const wish = new Date(`${published.jobs.find((j) => j.id === "seed-library.FU-01")!.start}Z`);
  wish.setUTCDate(wish.getUTCDate() + 21);
  const time = wish.toISOString().slice(0, 16);
  const day = `${wish.toLocaleDateString("en-GB", { weekday: "short", timeZone: "UTC" })} ${wish.toLocaleDateString("en-GB", { day: "numeric", month: "short", timeZone: "UTC" })}`;
  const said = `${day} ${time.slice(11)}`;
  await page.goto("/lanes?job=seed-library.FU-01");
  const panel = page.getByRole("complementary", { name: /^Job / });
  await panel.getByLabel("Start at").fill(time);
  await panel.getByRole("button", { name: "Pin" }).click();
  await expect(panel).toContainText(`pinned to ${said}`);
  await page.getByRole("button", { name: "Compare with published" }).click();
  const dialog = page.getByRole("dialog");
  // By cause it stands under itself: nothing else brought it about.
  await expect(dialog.getByRole("region", { name: new RegExp(`^Moves of .*, Seed library: pinned to ${day}`) })).toBeVisible();
  await dialog.getByRole("radio", { name: "By build" }).click();
  const row = dialog
    .getByRole("region", { name: "Moves of Seed library" })
    .getByRole("listitem")
    .filter({ hasText: `pinned to ${day}` });
  await expect(row).toContainText(said);
  await row.getByRole("button", { name: "Keep as published" }).click();
  await expect(page.getByText(/Drawings and cut list signed is kept at/)).toBeVisible();
  await expect(row).toHaveCount(0);
  // Against the first plan more has moved than against the newest.
  await dialog.getByLabel("Compare with").selectOption("1");
  await expect(dialog).toContainText("against plan 1");
  await expect(dialog.getByRole("region", { name: /^Moves of/ }).first()).toBeVisible();
});
