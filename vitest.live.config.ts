import { defineConfig } from "vitest/config";

// Tests of the running server over HTTP, against the production build and a demo of their own (LIVE_URLS, DATABASE_URL).
export default defineConfig({
  resolve: { alias: { "@": import.meta.dirname } },
  test: {
    include: ["live/**/*.live.test.ts"],
    exclude: ["node_modules/**"],
    fileParallelism: false,
    env: { WIDE_LANE_LOG: "silent" },
    testTimeout: 600_000,
    hookTimeout: 120_000,
  },
});
