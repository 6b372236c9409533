// ./wide-lane audit: asks the npm registry for known holes in the packages of the lock file; fails on grave ones. Where the registry
// does not answer that question, it says so and has checked nothing.

import { spawnSync } from "node:child_process";

interface Report {
  metadata?: { vulnerabilities?: Record<string, number> };
  vulnerabilities?: Record<string, { severity: string; via: unknown[] }>;
  error?: { summary?: string; code?: string };
  message?: string;
}

const GRAVE = ["high", "critical"];

/** What a report says: grave holes by package, or why it says nothing. */
export function readReport(text: string): { grave: string[] } | { unanswered: string } {
  let report: Report;
  try {
    report = JSON.parse(text) as Report;
  } catch {
    return { unanswered: "the registry's answer can't be read" };
  }
  if (report.error || !report.metadata?.vulnerabilities)
    return { unanswered: report.error?.summary || report.error?.code || report.message || "the registry gives no such report" };
  return {
    grave: Object.entries(report.vulnerabilities ?? {})
      .filter(([, v]) => GRAVE.includes(v.severity))
      .map(([name, v]) => `${name}: ${v.severity}`),
  };
}

export default async function audit(): Promise<number> {
  const r = spawnSync("npm", ["audit", "--omit=dev", "--json"], { encoding: "utf8", timeout: 60_000 });
  const said = readReport(r.stdout ?? "");
  if ("unanswered" in said) {
    console.log(`Known holes could not be asked for (${said.unanswered}). Nothing was checked.`);
    return 0;
  }
  for (const line of said.grave) console.log(line);
  console.log(said.grave.length ? `${said.grave.length} packages with grave known holes` : "no grave known holes in the packages");
  return said.grave.length ? 1 : 0;
}
