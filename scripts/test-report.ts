// What the reports of the test runners come to: how many passed, how many failed, and which and why in a few lines each.

export interface Counts {
  passed: number;
  failed: number;
  /** What failed, each with the first lines of why. */
  why: string[];
}

interface VitestReport {
  numPassedTests: number;
  numFailedTests: number;
  numTotalTests: number;
  testResults: { name: string; message?: string; assertionResults: { fullName: string; status: string; failureMessages?: string[] }[] }[];
}

interface Suite {
  specs?: { title: string; file: string; tests: { results: { error?: { message?: string } }[]; status: string }[] }[];
  suites?: Suite[];
}

interface BrowserReport {
  stats: { expected: number; unexpected: number; flaky: number };
  suites?: Suite[];
  errors?: { message?: string }[];
}

// biome-ignore lint/suspicious/noControlCharactersInRegex: the colours that test runners put into their messages.
const plain = (text = "") => text.replace(/\u001b\[[0-9;]*m/g, "");
const firstLines = (text: string | undefined, n = 12) => plain(text).split("\n").slice(0, n).join("\n");

/** The counts of a run of Vitest; one that ended badly without a failed test counts as one failure. */
export function ofVitest(r: VitestReport, code: number): Counts {
  const why = r.testResults.flatMap((f) => {
    const bad = f.assertionResults.filter((t) => t.status === "failed");
    // A file that could not be read has a message and no test.
    if (!bad.length && f.message) return [`${f.name}: ${firstLines(f.message)}`];
    return bad.map((t) => `${f.name}: ${t.fullName}\n${firstLines(t.failureMessages?.[0])}`);
  });
  return closed(r.numPassedTests, r.numFailedTests, r.numTotalTests > 0, code, why);
}

/** The counts of a run of browser tests; one that passed only when tried again counts as failed. */
export function ofBrowser(r: BrowserReport, code: number): Counts {
  const suites = (s: Suite): Suite[] => [s, ...(s.suites ?? []).flatMap(suites)];
  const why = [
    ...(r.errors ?? []).map((e) => firstLines(e.message)),
    ...(r.suites ?? [])
      .flatMap(suites)
      .flatMap((s) => s.specs ?? [])
      .filter((s) => s.tests.some((t) => t.status !== "expected" && t.status !== "skipped"))
      .map((s) => `${s.file}: ${s.title}\n${firstLines(s.tests.flatMap((t) => t.results).find((x) => x.error)?.error?.message)}`),
  ];
  return closed(r.stats.expected, r.stats.unexpected + r.stats.flaky, r.stats.expected > 0, code, why);
}

function closed(passed: number, failed: number, any: boolean, code: number, why: string[]): Counts {
  if (failed || (code === 0 && any)) return { passed, failed, why };
  return { passed, failed: 1, why: [...why, any ? `it ended with ${code}` : "no test ran"] };
}
