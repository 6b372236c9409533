// No message shows a pattern to a reader.

import { expect, it } from "vitest";
import { type InputError, reader } from "./fault";

const said = (pattern: string, value: string) => {
  try {
    reader({ type: "object", properties: { x: { type: "string", pattern } } })({ x: value });
  } catch (e) {
    return (e as InputError).faults[0].message;
  }
  return undefined;
};

it.each([
  ["\\S", " ", "expected some text"],
  ["^[A-Z]{2}-\\d{2}$", "in5", "expected a job code: two capital letters, a dash, two digits"],
  ["^[a-z0-9.-]{2,40}$", "MARA", "expected 2 to 40 small letters, digits, dots or dashes"],
  ["^[\\w.-]+$", "a b", "expected letters, digits, dots and dashes only"],
])("%s is told in words", (pattern, value, words) => {
  expect(said(pattern, value)).toBe(words);
});
