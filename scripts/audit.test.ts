import { describe, expect, it } from "vitest";
import { readReport } from "./audit";

describe("a report of known holes", () => {
  it("names what is grave, and passes over what is not", () => {
    const report = {
      metadata: { vulnerabilities: { high: 1, low: 1 } },
      vulnerabilities: { a: { severity: "high", via: [] }, b: { severity: "low", via: [] } },
    };
    expect(readReport(JSON.stringify(report))).toEqual({ grave: ["a: high"] });
    expect(readReport(JSON.stringify({ metadata: { vulnerabilities: {} } }))).toEqual({ grave: [] });
  });
  it("that did not come is told as such, and is no clean bill", () => {
    for (const text of ["", "<html>", '{"error":{"summary":"not found"}}', '{"message":"404"}', "{}"])
      expect(readReport(text), text).toHaveProperty("unanswered");
  });
});
