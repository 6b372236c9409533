// Replans after one change, beside the same change dealt with by hand: how much of the wall is turned over, and what is later for it.

import { mkdtempSync, rmSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { checkPlan } from "../../core/plan/check/check";
import { compile } from "../../core/plan/compile";
import { type Generated, generate } from "../../core/plan/generate";
import { type Plan, type Problem, plannedMinutes } from "../../core/plan/model";
import { makePlan } from "../../core/plan/planner";
import { readPlan, readProblem } from "../../core/plan/read";
import { byHand } from "../../core/plan/replan/by-hand";
import { type Upheaval, upheavalOf } from "../../core/plan/replan/upheaval";
import { fromPlan, keptRules } from "../../core/plan/rules";
import { startDatabase } from "../database";
import { TEST_NOW } from "../with-demo";
import { another, problemOf, published } from "./changes";
import { clock, ms, percent, table, timed } from "./table";

interface Case {
  kind: string;
  change(p: Problem, plan: Plan): void;
}

const ILL = "a fitter is ill for two days";
const DAYS = [1, 6, 12, 20];
/** Where there are many builds, one change in so many is measured. */
const sparse = (builds: number): number => (builds >= 40 ? 12 : builds >= 20 ? 5 : builds >= 8 ? 2 : 1);
const JOBS = 20;
const ROW = 20;

const date = (now: string, days: number) =>
  new Date(Date.parse(`${now.slice(0, 10)}T00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);
const jobOf = (p: Problem, id: string) => p.builds.flatMap((b) => b.jobs).find((j) => j.id === id)!;

/** All changes of one thing that are measured on a plan. */
function casesOf(p: Problem, plan: Plan): Case[] {
  const open = new Set(p.builds.flatMap((b) => b.jobs.filter((j) => j.state === "todo").map((j) => j.id)));
  const todo = plan.jobs.filter((j) => open.has(j.id)).sort((x, y) => x.start.localeCompare(y.start));
  const picked = Array.from({ length: JOBS }, (_, k) => todo[Math.floor((todo.length * (k + 0.5)) / JOBS)]);
  return [
    ...p.fitters.flatMap((f) =>
      DAYS.map((n) => ({
        kind: ILL,
        change: (q: Problem) => {
          const x = q.fitters.find((y) => y.id === f.id)!;
          x.away = [...(x.away ?? []), [`${date(p.now, n)}T07:00`, `${date(p.now, n + 1)}T18:00`]];
        },
      })),
    ),
    ...picked.map(({ id, start }) => ({
      kind: "a part comes two days late",
      change: (q: Problem) => {
        jobOf(q, id).partsFrom = `${date(start, 2)}T10:00`;
      },
    })),
    ...picked.map(({ id }) => ({
      kind: "a job takes twice as long",
      change: (q: Problem) => {
        const j = jobOf(q, id);
        j.minutes = plannedMinutes(j.minutes) * 2;
      },
    })),
    ...p.bays.flatMap((b) =>
      DAYS.slice(0, 2).map((n) => ({
        kind: "a bay is shut for a day",
        change: (q: Problem) => {
          const x = q.bays.find((y) => y.id === b.id)!;
          x.closed = [...(x.closed ?? []), [`${date(p.now, n + 1)}T07:00`, `${date(p.now, n + 1)}T18:00`]];
        },
      })),
    ),
    ...[0, 1, 2].map((n) => ({
      kind: "a day turns wet",
      change: (q: Problem) => {
        const d = q.weather?.days?.[n];
        if (d) d.dry = [];
      },
    })),
    ...[0, 1].map((n) => ({ kind: "a new van comes in", change: (q: Problem) => another(q, plan, n) })),
    { kind: "nothing", change: () => undefined },
  ];
}

interface Measured extends Upheaval {
  far: number;
  crews: number;
  time: number;
}

function measured(g: Generated, time: number): Measured {
  const { c } = g.board;
  let far = 0;
  let crews = 0;
  for (const j of c.jobs) {
    const p = g.board.placed[j.index];
    if (!j.published || j.done || j.started || !p) continue;
    if (Math.abs(p.start - j.published.start) > c.dayMinutes / 2) far++;
    if (j.published.fitters.some((f) => !p.crew.includes(f))) crews++;
  }
  return { ...upheavalOf(g), far, crews, time };
}

interface Pair {
  is: Measured;
  hand?: Measured;
  broken: number;
  worse: boolean;
}

function pair(next: Problem): Pair {
  const read = readProblem(next);
  const [plan, time] = timed(() => makePlan(read, { iterations: 0, local: true }));
  const broken = checkPlan(read, readPlan(plan)).length;
  const c = compile(read);
  const is = measured(generate(c, fromPlan(c, plan)), time);
  const [rule, by] = timed(() => byHand(c, keptRules(c)[0]));
  const hand = rule && measured(generate(c, rule), by);
  const worse =
    hand !== undefined &&
    (is.lost > hand.lost || (is.lost === hand.lost && (is.days > hand.days || (is.days === hand.days && is.moved > hand.moved))));
  return { is, hand, broken, worse };
}

const sorted = (list: readonly number[]): number[] => [...list].sort((a, b) => a - b);
const middle = (list: readonly number[]): number => sorted(list)[Math.floor((list.length - 1) / 2)] ?? 0;
const worst = (list: readonly number[]): number => Math.max(0, ...list);

function row(name: string, builds: number, kind: string, pairs: readonly Pair[]): string[] {
  const share = (x: Measured, n: number) => percent(n / Math.max(1, x.all));
  const by = (f: (x: Measured) => number, g: (list: readonly number[]) => number) => g(pairs.map(({ is }) => f(is)));
  const all = pairs[0].is;
  const hands = pairs.flatMap(({ hand }) => hand ?? []);
  return [
    name,
    String(builds),
    kind,
    String(pairs.length),
    `${share(
      all,
      by((x) => x.moved, middle),
    )} / ${share(
      all,
      by((x) => x.moved, worst),
    )}`,
    share(
      all,
      by((x) => x.far, middle),
    ),
    `${by((x) => x.crews, middle)} / ${by((x) => x.crews, worst)}`,
    `${by((x) => x.days, middle)} / ${by((x) => x.days, worst)}`,
    hands.length ? `${share(all, middle(hands.map((h) => h.moved)))} / ${share(all, worst(hands.map((h) => h.moved)))}` : "none",
    hands.length ? `${middle(hands.map((h) => h.days))} / ${worst(hands.map((h) => h.days))}` : "",
    String(pairs.filter((x) => x.worse).length),
    `${ms(by((x) => x.time, middle))} / ${ms(by((x) => x.time, worst))}`,
    pairs.some((x) => x.broken) ? "BROKEN" : "valid",
  ];
}

/** Rows of one workshop, and how many plans broke a rule or were worse than by hand. */
function workshopRows(name: string, problem: Problem, tell: (line: string) => void): { rows: string[][]; faults: number } {
  const plan = makePlan(problem, { ms: 4000, clock });
  const kinds = new Map<string, Case[]>();
  for (const x of casesOf(problem, plan)) kinds.set(x.kind, [...(kinds.get(x.kind) ?? []), x]);
  const rows: string[][] = [];
  let faults = 0;
  const add = (kind: string, pairs: Pair[]) => {
    faults += pairs.filter((x) => x.worse || x.broken > 0).length;
    rows.push(row(name, problem.builds.length, kind, pairs));
    tell(rows[rows.length - 1].join(" | "));
  };
  const every: Case[] = [];
  for (const [kind, list] of kinds) {
    const some = list.filter((_, k) => k % sparse(problem.builds.length) === 0);
    if (kind !== "nothing" && kind !== "a new van comes in") every.push(...some);
    add(
      kind,
      some.map(({ change }) => {
        const next = published(problem, plan);
        change(next, plan);
        return pair(next);
      }),
    );
  }
  // One after another, each replanned against what was published in the morning; and then the cause of each is gone again.
  const next = published(problem, plan);
  const step = Math.max(1, Math.floor(every.length / ROW));
  for (let k = 0; k < ROW && k * step < every.length; k++) every[k * step].change(next, plan);
  add("twenty changes in a row", [pair(next)]);
  return { rows, faults };
}

/** The demo's problem, from a database of its own. */
async function demoProblem(): Promise<Problem> {
  const folder = mkdtempSync(path.join(os.tmpdir(), "wl-bench-"));
  process.env.WIDE_LANE_NOW = TEST_NOW;
  const database = await startDatabase(path.join(folder, "demo"), "wide_lane_bench");
  try {
    process.env.DATABASE_URL = database.url;
    const [{ migrate }, { loadDemo }, { closePool }, { currentProblem }] = await Promise.all([
      import("../../db/migrate"),
      import("../../demo/load"),
      import("../../db/pool"),
      import("../../server/planning/planning"),
    ]);
    await migrate(database.url);
    await loadDemo();
    const { problem } = await currentProblem();
    await closePool();
    return readProblem({ ...structuredClone(problem), published: undefined });
  } finally {
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

export async function benchReplans(): Promise<{ text: string; faults: number }> {
  const shops: [string, () => Problem | Promise<Problem>][] = [
    ["the demo", demoProblem],
    ...[true, false].flatMap((calm) =>
      [8, 20, 40].map((builds): [string, () => Problem] => {
        const name = calm ? "in order" : "overloaded";
        return [name, () => problemOf({ name, builds, jobsPerBuild: builds === 8 ? 56 : builds === 20 ? 60 : 75, calm })];
      }),
    ),
  ];
  const rows: string[][] = [];
  let faults = 0;
  for (const [name, problem] of shops) {
    const found = workshopRows(name, await problem(), console.log);
    rows.push(...found.rows);
    faults += found.faults;
  }
  const head = [
    "workshop",
    "builds",
    "change",
    "cases",
    "moved",
    "half a day",
    "crews",
    "days later",
    "moved by hand",
    "later by hand",
    "worse than by hand",
    "time",
    "checker",
  ];
  return {
    faults,
    text: `## Replans beside a repair by hand

After one change, from the plan of four seconds as the published one, without further search. Each figure: the middle one of the cases /
the worst. Moved: jobs that begin more than a quarter of an hour from their published start, or are done by somebody else. Half a day: those
that begin more than half a working day off. Days later: calendar days by which builds are handed over later than published, all builds
together. By hand: what still holds stays; what does not is handed over to somebody who is free then, else it waits, and what overlaps is
pushed on in the published order. Worse than by hand: cases in which more is lost, anything is later, or at the same dates more is moved.

${table(head, rows)}
`,
  };
}
