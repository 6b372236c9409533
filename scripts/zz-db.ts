import { spawnSync } from "node:child_process";
import { mkdtempSync } from "node:fs";
import { startDatabase } from "./database";
import { TEST_NOW } from "./with-demo";

(async () => {
  const d = await startDatabase(mkdtempSync("/tmp/zzdb-"), "wide_lane_test");
  try {
    const r = spawnSync("node_modules/.bin/vitest", ["run", "--config", "vitest.db.config.ts", ...process.argv.slice(2)], {
      stdio: "inherit",
      env: { ...process.env, DATABASE_URL: d.url, WIDE_LANE_NOW: TEST_NOW },
    });
    process.exitCode = r.status ?? 1;
  } finally {
    await d.stop();
  }
})();
