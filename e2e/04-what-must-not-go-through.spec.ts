// What must not go through: a fitter's way to the lead's writes, a stale edit, an upload that is no image, a foreign page.

import { expect, test } from "@playwright/test";
import { expectAccessible, picture, signIn } from "./people";

test("a fitter can't reach the lead's pages or writes, and looks at what is theirs", async ({ page }) => {
  await signIn(page, "Teo");
  await expect(page).toHaveURL(/\/card/);
  await page.getByRole("link", { name: "Lanes" }).click();
  await expect(page.getByRole("region", { name: "Lane of Marlin Puppets" })).toBeVisible();
  for (const name of ["Replan", "Compare with published", "Find or do /"]) await expect(page.getByRole("button", { name })).toHaveCount(0);
  await page.goto("/stores");
  await expect(page.getByRole("heading", { level: 1, name: "Where the kit lies" })).toBeVisible();
  await expectAccessible(page);
  await page.goto("/card");
  await page.getByRole("link", { name: "Marlin Puppets", exact: true }).click();
  await expect(page.getByRole("heading", { level: 1, name: "Marlin Puppets" })).toBeVisible();
  await expect(page.getByRole("button", { name: "Edit details" })).toHaveCount(0);
  await expectAccessible(page);
  for (const path of ["/", "/builds", "/builds/new", "/proof", "/workshop", "/builds/marlin-puppets/client"]) {
    await page.goto(path);
    await expect(page).toHaveURL(/\/card/);
  }
  const headers = { origin: new URL(page.url()).origin };
  for (const [path, data] of [
    ["plan", {}],
    ["plan/publish", {}],
    ["parts/ask", {}],
    ["builds", { name: "Mine" }],
    ["bays", { name: "Mine", has: [] }],
  ] as const) {
    const r = await page.request.post(`/api/${path}`, { headers, data });
    expect([path, r.status()]).toEqual([path, 403]);
  }
  expect((await page.request.get("/api/problem")).status()).toBe(403);
});

test("nobody gets anything without a session, and no other site may write with one", async ({ page, playwright, baseURL }) => {
  const anybody = await playwright.request.newContext({ baseURL });
  expect((await anybody.post("/api/plan", { headers: { origin: baseURL! }, data: {} })).status()).toBe(401);
  expect((await anybody.get("/api/problem")).status()).toBe(401);
  expect((await anybody.get(`/api/photos/${"0".repeat(64)}`)).status()).toBe(401);
  await signIn(page, "Mara");
  for (const headers of [{ origin: "http://elsewhere.example" }, { "sec-fetch-site": "cross-site" }, {}] as Record<string, string>[])
    expect((await page.request.post("/api/plan", { headers, data: {} })).status()).toBe(403);
  expect(
    (
      await page.request.post("/api/builds", {
        headers: { origin: baseURL!, "content-type": "application/json" },
        data: Buffer.from("{no json"),
      })
    ).status(),
  ).toBe(400);
});

test("a wrong password is refused in the same words as a wrong name", async ({ page }) => {
  await page.goto("/sign-in");
  for (const name of ["rosa", "nobody-here"]) {
    await page.getByLabel("Name", { exact: true }).fill(name);
    await page.getByLabel("Password").fill("not this one");
    await page.getByRole("button", { name: "Sign in" }).click();
    await expect(page.getByText("Name or password is wrong.")).toBeVisible();
  }
  await page.getByLabel("Name", { exact: true }).fill("rosa");
  await page.getByLabel("Password").fill("open-the-yard");
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page).toHaveURL(/\/card/);
});

test("a stale edit is refused with both values, and can be saved over after a look", async ({ browser }) => {
  const one = await (await browser.newContext()).newPage();
  const two = await (await browser.newContext()).newPage();
  for (const p of [one, two]) {
    await signIn(p, "Mara");
    await p.goto("/builds/darkroom-van");
    await p.getByRole("button", { name: "Edit details" }).click();
  }
  await one.getByLabel("Client").fill("Odile and daughters");
  await one.getByRole("button", { name: "Save" }).click();
  await expect(one.getByRole("dialog")).toHaveCount(0);
  await two.getByLabel("Client").fill("Odile Farrow, studio");
  await two.getByRole("button", { name: "Save" }).click();
  const alert = two.getByRole("alert").filter({ hasText: "Somebody else changed this" });
  await expect(alert).toContainText("Odile Farrow, studio");
  await expect(alert).toContainText("Odile and daughters");
  await expect(two.getByLabel("Client")).toHaveValue("Odile Farrow, studio");
  await two.getByRole("button", { name: "Save mine over theirs" }).click();
  await expect(two.getByText("Odile Farrow, studio").first()).toBeVisible();
});

test("wrong input names its field and keeps what was typed", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/builds/new");
  await page.getByLabel("Name of the build").fill("Backwards");
  await page.getByLabel("Client").fill("Somebody");
  await page.getByRole("button", { name: "Dates", exact: true }).last().click();
  await page.getByLabel("Due").fill("2026-01-01T08:00");
  await expect(page.getByText("Before that: the deadline has to be after the arrival.")).toBeVisible();
  await expect(page.getByRole("button", { name: "What it gets", exact: true }).last()).toBeDisabled();
  // A name that is taken is found by the server: back to its step, at its field, nothing lost.
  await page.getByLabel("Due").fill("2027-06-01T17:00");
  await page.getByRole("button", { name: "Whose, and which van" }).click();
  await page.getByLabel("Name of the build").fill("Field vet");
  await page.getByRole("button", { name: "Look it over" }).click();
  await page.getByRole("button", { name: "Add the build" }).click();
  await expect(page.getByText("Name of the build is taken by another build in the shop")).toBeVisible();
  await expect(page.getByLabel("Name of the build")).toHaveValue("Field vet");
  await expect(page.getByLabel("Client")).toHaveValue("Somebody");
  await page.getByRole("button", { name: "Throw this draft away" }).click();
});

test("an upload that is not an image is refused; one that is goes in", async ({ page }) => {
  await signIn(page, "Mara");
  await page.goto("/card?job=field-vet.OP-01");
  const input = page.getByLabel("Photo from camera or file");
  const chooser = page.waitForEvent("filechooser");
  await page.getByRole("button", { name: "Photo", exact: true }).click();
  await (await chooser).setFiles({ name: "photo.jpg", mimeType: "image/jpeg", buffer: Buffer.from("this is no picture at all") });
  await expect(page.getByText("That is no photo.")).toBeVisible();
  await expect(input).toBeAttached();
  const shot = encodeURIComponent("field-vet.OP-01.shot1");
  const headers = { origin: new URL(page.url()).origin };
  const send = (buffer: Buffer, name: string) =>
    page.request.post(`/api/shots/${shot}/photo`, { headers, multipart: { photo: { name, mimeType: "image/png", buffer } } });
  expect((await send(Buffer.from("<svg/>"), "x.png")).status()).toBe(415);
  expect((await page.request.post(`/api/shots/${shot}/photo`, { headers, multipart: { other: "x" } })).status()).toBe(422);
  const good = await send(picture, "x.png");
  expect(good.status()).toBe(200);
  const { sha256 } = (await good.json()) as { sha256: string };
  const back = await page.request.get(`/api/photos/${sha256}`);
  expect([back.status(), back.headers()["content-type"]]).toEqual([200, "image/jpeg"]);
});
