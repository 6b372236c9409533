// Signing in, for browser tests: by a click on a name, as a person would.

import { expect, type Page } from "@playwright/test";
import AxeBuilder from "axe-core";

/**
 * Waits until the page at hand is all there and alive: nothing streamed is still to be put in its place, and React has
 * taken over every control. A click before that is lost, and a count before that is nought.
 */
export async function alive(page: Page): Promise<void> {
  await page.waitForFunction(() => {
    if (document.querySelector("template[id^='B:'], div[hidden][id^='S:']")) return false;
    const all = [...document.querySelectorAll("main, main *:is(button, input, select, textarea, article)")];
    return all.length > 0 && all.every((e) => Object.keys(e).some((k) => k.startsWith("__reactFiber")));
  });
}

/** Signs in, and from then on opens pages as a person does: acting only once they are there. */
export async function signIn(page: Page, name: string): Promise<void> {
  // What breaks in the page stands in the test's output.
  page.on("pageerror", (e) => console.log(`page: ${e.stack ?? e}`.slice(0, 2000)));
  const goto = page.goto.bind(page);
  await goto("/sign-in");
  await page.getByRole("button", { name: new RegExp(`^${name}`) }).click();
  await page.waitForURL((u) => !u.pathname.startsWith("/sign-in"));
  await alive(page);
  page.goto = async (url, options) => {
    const answer = await goto(url, options);
    if (answer?.ok() && answer.headers()["content-type"]?.includes("text/html")) await alive(page);
    return answer;
  };
}

/** Chooses one answer of a build's choices, by a click on its card. */
export async function choose(page: Page, label: string): Promise<void> {
  await page
    .locator("label")
    .filter({ has: page.getByLabel(label, { exact: true }) })
    .click();
  await expect(page.getByLabel(label, { exact: true })).toBeChecked();
}

/** No serious fault of accessibility on the page as it stands. */
export async function expectAccessible(page: Page): Promise<void> {
  // As the tool that drives the browser, not as the page: the page runs no inline code.
  await page.evaluate(AxeBuilder.source);
  let faults = await faultsOf(page);
  if (faults.length) {
    // What is just fading in or out has any contrast there is: looked at again once all stands still. What is wrong stays so.
    await page.evaluate(async () => {
      const ends = document.getAnimations().filter((a) => a.effect?.getComputedTiming().endTime !== Number.POSITIVE_INFINITY);
      await Promise.all(ends.map((a) => a.finished.catch(() => undefined)));
    });
    faults = await faultsOf(page);
  }
  expect(faults).toEqual([]);
}

/** The same in light and dark: what can differ in the dark is contrast alone. */
export async function expectAccessibleInBoth(page: Page): Promise<void> {
  await expectAccessible(page);
  const was = await page.evaluate(() => document.documentElement.dataset.theme);
  await page.evaluate(() => {
    document.documentElement.dataset.theme = "dark";
  });
  expect(await faultsOf(page, ["color-contrast"])).toEqual([]);
  await page.evaluate((t) => {
    if (t === undefined) delete document.documentElement.dataset.theme;
    else document.documentElement.dataset.theme = t;
  }, was);
}

const faultsOf = (page: Page, rules?: string[]): Promise<string[]> =>
  page.evaluate(async (only) => {
    const axe = (
      window as unknown as {
        axe: {
          run(
            options: object,
          ): Promise<{ violations: { id: string; impact: string; nodes: { html: string; failureSummary: string }[] }[] }>;
        };
      }
    ).axe;
    const result = await axe.run({ resultTypes: ["violations"], ...(only ? { runOnly: only } : {}) });
    return result.violations
      .filter((v) => v.impact === "serious" || v.impact === "critical")
      .flatMap((v) => v.nodes.slice(0, 3).map((n) => `${v.id}: ${n.html.slice(0, 160)} ${n.failureSummary.slice(0, 200)}`));
  }, rules);

/** A small real picture, as a phone would send it. */
export const picture = Buffer.from(
  "iVBORw0KGgoAAAANSUhEUgAAAAoAAAAKCAIAAAACUFjqAAAAEklEQVR4nGP4z8CAB+GTG8HSALfKY52fTcuYAAAAAElFTkSuQmCC",
  "base64",
);
