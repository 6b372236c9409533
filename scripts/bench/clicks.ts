// How long each click takes until the page shows something of it: from the finger to the next paint, as the browser itself measures it.

import { mkdtempSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { chromium, type Page } from "@playwright/test";
import config from "../../playwright.config";
import { withServers } from "../with-demo";
import { table } from "./table";

/** Each click is made so often; the middle one and the longest are told. */
const TIMES = 7;
/** A click paints within this, milliseconds. */
export const PAINTS_WITHIN = 100;

interface Click {
  view: string;
  what: string;
  user?: string;
  phone?: boolean;
  /** One step and its way back: both are measured. */
  steps: ((page: Page) => Promise<void>)[];
}

const radio = (name: string) => (page: Page) => page.getByRole("radio", { name, exact: true }).first().click();
const tab = (name: RegExp) => (page: Page) => page.getByRole("tab", { name }).click();
const key = (k: string) => (page: Page) => page.keyboard.press(k);

const CLICKS: Click[] = [
  { view: "/", what: "the finder opens and closes", steps: [key("/"), key("Escape")] },
  {
    view: "/",
    what: "a letter in the finder",
    steps: [key("/"), key("w"), key("i"), key("n"), key("Backspace"), key("Backspace"), key("Backspace"), key("Escape")],
  },
  { view: "/lanes", what: "lanes by fitters, by builds", steps: [radio("fitters"), radio("builds")] },
  { view: "/lanes", what: "lanes by days, by weeks", steps: [radio("days"), radio("weeks")] },
  {
    view: "/lanes",
    what: "a job on the lanes",
    steps: [0, 1].map((n) => (page: Page) => page.locator("button[data-job]").nth(n).click()),
  },
  { view: "/builds/field-vet", what: "a tab of a build", steps: [tab(/^Openings$/), tab(/^Jobs/)] },
  { view: "/builds/field-vet", what: "a build's choices", steps: [tab(/Choices/), tab(/^Jobs/)] },
  {
    view: "/stores",
    what: "a letter in the filter of Stores",
    steps: [
      (page) => page.getByLabel("Filter by part, build or supplier").focus(),
      key("s"),
      key("e"),
      key("a"),
      key("Backspace"),
      key("Backspace"),
      key("Backspace"),
    ],
  },
  {
    view: "/set-out?sheet=opening",
    what: "another sheet of Set-out",
    steps: ["Corners, starter holes", "Opening"].map(
      (name) => (page: Page) => page.getByRole("navigation", { name: "Sheets" }).getByRole("button", { name, exact: true }).click(),
    ),
  },
  {
    view: "/set-out?sheet=opening",
    what: "a digit in a sheet",
    steps: [(page) => page.getByLabel("Cut width").focus(), key("1"), key("Backspace")],
  },
  { view: "/workshop", what: "the house's figures", steps: [tab(/Figures/), tab(/Bays/)] },
  { view: "/workshop", what: "a tab of Workshop", steps: [tab(/Fitters/), tab(/Suppliers/), tab(/Bays/)] },
  {
    view: "/workshop/library",
    what: "a job of the library",
    steps: [/Soak test/, /Side window/].map((name) => (page: Page) => page.getByRole("button", { name }).first().click()),
  },
  {
    view: "/workshop/library",
    what: "a letter in the library's search",
    steps: [(page) => page.getByRole("searchbox").first().focus(), key("m"), key("a"), key("Backspace"), key("Backspace")],
  },
];

interface Measured {
  view: string;
  what: string;
  list: number[];
}

/** The section for docs/benchmarks.md, and how many clicks took longer than they may in the middle. */
export async function benchClicks(): Promise<{ text: string; slow: number }> {
  const folder = mkdtempSync(path.join(os.tmpdir(), "wl-clicks-"));
  try {
    return await withServers(
      path.join(folder, "demo"),
      1,
      async ({ addresses: [baseURL] }) => {
        const browser = await chromium.launch(config.use?.launchOptions);
        const all: Measured[] = [];
        for (const c of CLICKS) {
          const list = await measured(await browser.newContext({ baseURL, locale: "en-GB", viewport: { width: 1280, height: 800 } }), c);
          all.push({ view: c.view, what: c.what, list });
          console.log(c.view, c.what, list.join(" "));
        }
        await browser.close();
        const middle = (l: readonly number[]) => [...l].sort((a, b) => a - b)[Math.floor((l.length - 1) / 2)] ?? 0;
        const text = `## Clicks

From a click or a key to the next paint of the page (the browser's own event timing, in steps of 8 ms), on the demo, production build,
headless, ${os.cpus().length} cores: ${TIMES} rounds each. Made by \`./wide-lane bench clicks --write\`.

${table(
  ["view", "what", "clicks", "half within", "longest"],
  all.map((m) => [m.view, m.what, String(m.list.length), `${middle(m.list)} ms`, `${Math.max(0, ...m.list)} ms`]),
)}
`;
        return { text, slow: all.filter((m) => middle(m.list) > PAINTS_WITHIN).length };
      },
      { WIDE_LANE_CHECKED: "" },
    );
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

async function measured(
  context: Awaited<ReturnType<Awaited<ReturnType<typeof chromium.launch>>["newContext"]>>,
  c: Click,
): Promise<number[]> {
  const page = await context.newPage();
  await page.addInitScript(() => {
    const w = window as unknown as { took: { id: number; ms: number }[] };
    w.took = [];
    new PerformanceObserver((entries) => {
      for (const e of entries.getEntries() as (PerformanceEntry & { interactionId: number })[])
        if (e.interactionId) w.took.push({ id: e.interactionId, ms: e.duration });
    }).observe({ type: "event", buffered: true, durationThreshold: 16 } as PerformanceObserverInit);
  });
  await page.goto("/sign-in");
  await page.evaluate((demoUser) => fetch("/api/session", { method: "POST", body: JSON.stringify({ demoUser }) }), c.user ?? "mara");
  await page.goto(c.view, { waitUntil: "networkidle" });
  // One round for the page to be warm, as one that is in use.
  for (const step of c.steps) await stepped(page, step);
  await page.evaluate(() => (window as unknown as { took: unknown[] }).took.splice(0));
  let steps = 0;
  for (let n = 0; n < TIMES; n++)
    for (const step of c.steps) {
      await stepped(page, step);
      steps++;
    }
  const took = await page.evaluate(() => (window as unknown as { took: { id: number; ms: number }[] }).took);
  await context.close();
  // One interaction has several events: its longest counts. What painted within 16 ms is not told by the browser.
  const by = new Map<number, number>();
  for (const t of took) by.set(t.id, Math.max(by.get(t.id) ?? 0, t.ms));
  const list = [...by.values()];
  while (list.length < steps) list.push(16);
  return list;
}

async function stepped(page: Page, step: (page: Page) => Promise<void>): Promise<void> {
  await step(page);
  await page.waitForTimeout(350);
}
