// ./wide-lane shots: one picture of each main view, made from the demo at a fixed minute, into docs/screenshots.

import { mkdirSync, mkdtempSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { chromium, type Page } from "@playwright/test";
import config from "../playwright.config";
import { withDemo } from "./with-demo";

interface Shot {
  name: string;
  path: string;
  user?: string;
  phone?: boolean;
  dark?: boolean;
  before?(page: Page): Promise<void>;
}

const SHOTS: Shot[] = [
  { name: "yard", path: "/" },
  { name: "lanes", path: "/lanes?job=coast-rangers.PA-04" },
  {
    name: "what-moves",
    path: "/lanes",
    before: async (p) => {
      await p.getByRole("button", { name: "Compare with published" }).click();
    },
  },
  { name: "builds", path: "/builds" },
  { name: "build", path: "/builds/coast-rangers" },
  { name: "build-choices", path: "/builds/darkroom-van?tab=choices" },
  {
    name: "build-holes",
    path: "/builds/night-bakery?tab=openings",
    before: async (p) => {
      await p.getByRole("region", { name: "Every hole by number" }).scrollIntoViewIfNeeded();
      await p.mouse.move(400, 500);
      await p.mouse.wheel(0, 120);
    },
  },
  {
    name: "build-shell",
    path: "/builds/field-vet?tab=shell",
    before: async (p) => {
      await p.getByRole("region", { name: "Before the strip closes" }).scrollIntoViewIfNeeded();
    },
  },
  { name: "build-papers", path: "/builds/field-vet?tab=papers" },
  { name: "build-van", path: "/builds/field-vet?tab=van" },
  {
    name: "add-a-build",
    path: "/builds/new",
    before: async (p) => {
      await p.getByLabel("Name of the build").fill("Glass choir");
      await p.getByLabel("Client").fill("Ada Penrose");
      await p.getByRole("button", { name: "What it gets" }).first().click();
      await p.getByText("likely work").waitFor();
    },
  },
  { name: "library", path: "/workshop/library?job=OP-04" },
  {
    name: "lanes-fitters",
    path: "/lanes",
    before: async (p) => {
      await p.getByRole("radio", { name: "fitters" }).click();
    },
  },
  { name: "set-out-home", path: "/set-out?build=field-vet" },
  { name: "set-out", path: "/set-out?job=field-vet.OP-06a&sheet=opening" },
  { name: "stores", path: "/stores" },
  { name: "proof", path: "/proof" },
  {
    name: "workshop",
    path: "/workshop",
    before: async (p) => {
      await p.getByRole("tab", { name: "Fitters" }).click();
    },
  },
  { name: "bench-card", path: "/card", user: "u-ines", phone: true },
];

export default async function shots(): Promise<number> {
  const folder = mkdtempSync(path.join(os.tmpdir(), "wide-lane-shots-"));
  mkdirSync("docs/screenshots", { recursive: true });
  try {
    await withDemo(folder, async (baseURL) => {
      const browser = await chromium.launch(config.use?.launchOptions);
      for (const s of SHOTS) {
        const context = await browser.newContext({
          baseURL,
          locale: "en-GB",
          viewport: s.phone ? { width: 412, height: 892 } : { width: 1280, height: 800 },
          reducedMotion: "reduce",
        });
        const page = await context.newPage();
        if (s.dark) await context.addCookies([{ name: "wide_lane_theme", value: "dark", url: baseURL }]);
        await page.goto("/sign-in");
        await page.evaluate((demoUser) => fetch("/api/session", { method: "POST", body: JSON.stringify({ demoUser }) }), s.user ?? "mara");
        await page.goto(s.path, { waitUntil: "networkidle" });
        await s.before?.(page);
        await page.waitForTimeout(400);
        await page.screenshot({ path: `docs/screenshots/${s.name}.png` });
        console.log(`docs/screenshots/${s.name}.png`);
        await context.close();
      }
      await browser.close();
    });
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
  return 0;
}
