// After each round: every acknowledged act is there once, no other one twice, and what holds always holds.

import type { Pool } from "mysql2/promise";
import { rows } from "../../db/pool";
import { brokenInvariants } from "../../live/invariants";
import { TRACES, type TraceKind } from "./acts";
import type { Outcome } from "./people";

export interface Verdict {
  lost: string[];
  doubled: string[];
  broken: string[];
}

export async function check(c: Pool, outcomes: readonly Outcome[]): Promise<Verdict> {
  const there = new Map<string, number>();
  for (const [kind, sql] of Object.entries(TRACES) as [TraceKind, string][])
    for (const { mark } of await rows<{ mark: string }>(c, sql)) there.set(`${kind} ${mark}`, (there.get(`${kind} ${mark}`) ?? 0) + 1);
  const lost: string[] = [];
  const doubled: string[] = [];
  for (const o of outcomes) {
    const n = there.get(`${o.kind} ${o.mark}`) ?? 0;
    if (o.state === "acknowledged" && n === 0) lost.push(`${o.kind} ${o.mark}`);
    if (o.state === "refused" && n > 0) doubled.push(`${o.kind} ${o.mark} was refused, and is there`);
    if (n > 1) doubled.push(`${o.kind} ${o.mark}: ${n} times`);
  }
  return { lost, doubled, broken: await brokenInvariants(c) };
}
