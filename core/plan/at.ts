// A plan at hand with its cost kept up to date by what a step touches.

import type { Board, Placed } from "./board";
import { type BuildResult, buildCost, buildResult, jobCost } from "./cost";
import type { Generated } from "./generate";
import type { Undo } from "./moves";
import type { Incumbent } from "./search";

/** A plan with the cost of each part, so that a step is weighed by what it touches. */
export class At implements Incumbent {
  readonly board: Board;
  readonly lateDays: number[];
  /** All but shunts and rounding, as `costOf` has it. */
  total: number;
  private readonly unplaced: ReadonlyMap<number, string>;
  private readonly results: BuildResult[];
  private readonly ofBuild: Float64Array;
  private readonly ofJob: Float64Array;
  private readonly missing: Int32Array;

  constructor(readonly generated: Generated) {
    this.board = generated.board;
    this.unplaced = generated.unplaced;
    const { c } = this.board;
    this.missing = Int32Array.from(c.builds, (b) => b.jobs.filter((j) => this.unplaced.has(j)).length);
    this.results = c.builds.map((_, k) => buildResult(this.board, k));
    this.lateDays = this.results.map((x) => x.lateMinutes / c.dayMinutes);
    this.ofBuild = Float64Array.from(c.builds, (_, k) => this.costOfBuild(k));
    this.ofJob = Float64Array.from(c.jobs, (j) => this.costOfJob(j.index));
    this.total = 0;
    for (const x of this.ofBuild) this.total += x;
    for (const x of this.ofJob) this.total += x;
  }

  get placed(): readonly (Placed | undefined)[] {
    return this.board.placed;
  }

  private costOfBuild(k: number): number {
    const part = buildCost(this.board, k, this.results[k], this.missing[k]);
    return part.late + part.flow + part.shunts;
  }

  private costOfJob(j: number): number {
    const part = jobCost(this.board, j);
    return part.churn + part.overtime;
  }

  /** Takes the cost of what a step has touched anew. */
  refresh(undo: Undo): void {
    const builds = new Set(undo.builds.map(([k]) => k));
    for (const j of undo.jobs.keys()) {
      builds.add(this.board.c.jobs[j].build);
      const cost = this.costOfJob(j);
      this.total += cost - this.ofJob[j];
      this.ofJob[j] = cost;
    }
    for (const k of builds) {
      this.results[k] = buildResult(this.board, k);
      this.lateDays[k] = this.results[k].lateMinutes / this.board.c.dayMinutes;
      const cost = this.costOfBuild(k);
      this.total += cost - this.ofBuild[k];
      this.ofBuild[k] = cost;
    }
  }
}
