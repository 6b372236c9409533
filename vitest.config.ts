import { defineConfig } from "vitest/config";

export default defineConfig({
  resolve: { alias: { "@": import.meta.dirname } },
  test: {
    include: [
      "core/**/*.test.ts",
      "app/**/*.test.ts",
      "standins/**/*.test.ts",
      "server/**/*.test.ts",
      "db/**/*.test.ts",
      "workers/**/*.test.ts",
      "front/**/*.test.ts",
      "demo/**/*.test.ts",
      "ui/**/*.test.ts",
      "scripts/**/*.test.ts",
    ],
    exclude: ["node_modules/**", "**/*.db.test.ts"],
    testTimeout: 60_000,
  },
});
