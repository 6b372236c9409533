import { defineConfig } from "vitest/config";

// Tests against a real MariaDB, whose address comes in DATABASE_URL. One file at a time: they share the database.
export default defineConfig({
  resolve: { alias: { "@": import.meta.dirname } },
  test: {
    include: ["**/*.db.test.ts"],
    exclude: ["node_modules/**"],
    fileParallelism: false,
    env: { WIDE_LANE_LOG: "silent" },
    testTimeout: 60_000,
    hookTimeout: 120_000,
  },
});
