import { defineConfig } from "@playwright/test";

// Against the production build and a real database, both started by ./wide-lane test (BASE_URL).
export default defineConfig({
  testDir: "e2e",
  workers: 1,
  fullyParallel: false,
  retries: 0,
  timeout: 150_000,
  // A slow machine takes seconds for a page; how fast it is, the benchmarks tell.
  expect: { timeout: 20_000 },
  outputDir: "test-results",
  reporter: [["list"], ["json"]],
  use: {
    baseURL: process.env.BASE_URL,
    locale: "en-GB",
    viewport: { width: 1280, height: 800 },
    screenshot: "only-on-failure",
    launchOptions: {
      executablePath: "/usr/bin/chromium",
      args: [
        "--no-sandbox",
        "--disable-gpu",
        "--disable-quic",
        "--no-first-run",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
      ],
    },
  },
});
