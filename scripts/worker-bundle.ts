// Bundles the planner's worker thread into one file that plain Node runs.

import { buildSync } from "esbuild";

export function bundleWorker(outfile = "dist/plan-worker.mjs"): void {
  buildSync({
    entryPoints: ["workers/plan-worker.ts"],
    outfile,
    bundle: true,
    platform: "node",
    format: "esm",
    target: "node20",
    logLevel: "error",
    banner: { js: 'import { createRequire } from "node:module"; const require = createRequire(import.meta.url);' },
  });
}
