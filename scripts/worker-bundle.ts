// Bundles what runs outside of the framework into files that plain Node runs: the planner's thread, the photos' thread, the front.

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

/** The thread that reads pictures; the package that decodes them stays where it is. */
export function bundlePhotoWorker(outfile = "dist/photo-worker.mjs"): void {
  buildSync({
    entryPoints: ["workers/photo-worker.ts"],
    outfile,
    bundle: true,
    platform: "node",
    format: "esm",
    target: "node20",
    packages: "external",
    alias: { "@": process.cwd() },
    logLevel: "error",
  });
}

/** The card's worker, for browsers. */
export function bundleCardWorker(outfile = "dist/card-worker.js"): void {
  buildSync({
    entryPoints: ["workers/card-worker.entry.ts"],
    outfile,
    bundle: true,
    platform: "browser",
    format: "iife",
    target: "es2022",
    minify: true,
    logLevel: "error",
  });
}

/** The front, with everything that it shares with the application; packages stay where they are. */
export function bundleFront(outfile = "dist/front.mjs"): void {
  buildSync({
    entryPoints: ["front/main.ts"],
    outfile,
    bundle: true,
    platform: "node",
    format: "esm",
    target: "node20",
    packages: "external",
    alias: { "@": process.cwd() },
    logLevel: "error",
  });
}
