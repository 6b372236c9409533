import { expect, it } from "vitest";
import { ofBrowser, ofVitest } from "./test-report";

const file = (name: string, status: string, message?: string) => ({
  name,
  assertionResults: [{ fullName: "adds up", status, failureMessages: message ? [message] : [] }],
});

it("counts a run of Vitest and says which test failed and why, without colours", () => {
  const r = {
    numPassedTests: 3,
    numFailedTests: 1,
    numTotalTests: 4,
    testResults: [file("a", "passed"), file("b", "failed", "\u001b[31m1 is not 2\u001b[0m")],
  };
  expect(ofVitest(r, 1)).toEqual({ passed: 3, failed: 1, why: ["b: adds up\n1 is not 2"] });
});

it("counts a run that ended badly, or that ran nothing, as a failure", () => {
  const none = { numPassedTests: 2, numFailedTests: 0, numTotalTests: 2, testResults: [] };
  expect(ofVitest(none, 0)).toEqual({ passed: 2, failed: 0, why: [] });
  expect(ofVitest(none, 1)).toMatchObject({ failed: 1, why: ["it ended with 1"] });
  expect(ofVitest({ ...none, numPassedTests: 0, numTotalTests: 0 }, 0)).toMatchObject({ failed: 1, why: ["no test ran"] });
  const broken = { ...none, testResults: [{ name: "c", message: "can't be read", assertionResults: [] }] };
  expect(ofVitest(broken, 1)).toMatchObject({ failed: 1, why: ["c: can't be read", "it ended with 1"] });
});

it("counts browser tests, finds the failed ones however deep, and takes a flaky one as failed", () => {
  const spec = (title: string, status: string, message?: string) => ({
    title,
    file: "x.spec.ts",
    tests: [{ status, results: [{ error: message ? { message } : undefined }] }],
  });
  const r = {
    stats: { expected: 1, unexpected: 1, flaky: 1 },
    suites: [
      {
        specs: [spec("fine", "expected")],
        suites: [{ specs: [spec("bad", "unexpected", "no such button"), spec("wobbles", "flaky", "late")] }],
      },
    ],
  };
  expect(ofBrowser(r, 1)).toEqual({ passed: 1, failed: 2, why: ["x.spec.ts: bad\nno such button", "x.spec.ts: wobbles\nlate"] });
  expect(ofBrowser({ stats: { expected: 0, unexpected: 0, flaky: 0 }, errors: [{ message: "no browser" }] }, 1)).toMatchObject({
    failed: 1,
    why: ["no browser", "no test ran"],
  });
});
