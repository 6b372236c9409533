// What an outcome says, and what a calculator refuses, for tests.

import { InputError } from "../../plan/fault";
import { findCalculator } from "../calculators";
import type { Level, Outcome } from "../engine/outcome";

/** The worst of its findings. */
export const levelOf = (o: Pick<Outcome, "findings">): Level | undefined =>
  (["stop", "warn", "ok"] as const).find((l) => o.findings.some((f) => f.level === l));

export const saidBy = (o: Pick<Outcome, "findings">): string => o.findings.map((f) => f.text).join("; ");

/** The fields that are refused; empty where nothing is. */
export function refusedBy(name: string, input: object): string[] {
  try {
    findCalculator(name)!.run(input);
  } catch (e) {
    if (e instanceof InputError) return e.faults.map((f) => f.path);
    throw e;
  }
  return [];
}
