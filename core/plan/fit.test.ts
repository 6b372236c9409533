// The earliest fit of a job, against looking at every moment with every crew.

import { describe, expect, it } from "vitest";
import { random } from "../rng";
import type { Board } from "./board";
import { clearFrom } from "./clear";
import { compile, type Job } from "./compile";
import { benchFrame, earliest, earliestWith, type Frame, probe } from "./fit";
import { earliestByLinks, generate } from "./generate";
import { readProblem } from "./read";
import { rules } from "./rules";
import { workshop } from "./testing/workshop";
import { ticketGone } from "./tickets";

/** Every way to give each demand of the job a fitter of its own. */
function crews(job: Job): number[][] {
  let out: number[][] = [[]];
  for (const d of job.demands) out = out.flatMap((crew) => d.fitters.filter((f) => !crew.includes(f)).map((f) => [...crew, f]));
  return out;
}

/** Whether any crew could begin at exactly that minute. */
const anyFit = (b: Board, job: Job, frame: Frame, t: number): boolean =>
  crews(job).some((crew) => {
    const r = probe(b, job, frame, crew, t);
    return "fit" in r && !ticketGone(b.c, job, r.fit);
  });

const DAY = 1440;

/** Takes jobs out of a plan one by one and looks for their places anew, with all others where they are. */
function each(seed: number, wild: boolean, look: (b: Board, job: Job, frame: Frame) => void): number {
  const c = compile(readProblem(workshop({ seed, builds: 3, jobsPerBuild: 14, fitters: 4, bays: 2, wild })));
  const { board: b } = generate(c, rules(c)[0]);
  let looked = 0;
  for (const job of c.jobs) {
    const p = b.placed[job.index];
    if (!p || job.done || job.started || crews(job).length > 60) continue;
    const stay = job.van ? b.stays[job.build].find((s) => s.place === p.place && s.from <= p.start && p.end <= s.to) : undefined;
    if (job.van && !stay) continue;
    const frame = stay ? { place: stay.place, from: stay.from, to: stay.to } : benchFrame;
    b.unbook(job.index);
    look(b, job, frame);
    b.book(job, { ...p, booked: undefined });
    looked++;
  }
  return looked;
}

describe("the earliest fit", () => {
  it.each([
    [1, false],
    [2, false],
    [3, true],
    [4, true],
  ])("lets no moment pass at which a crew could have begun (workshop %i)", (seed, wild) => {
    const r = random(seed);
    let moments = 0;
    const looked = each(seed, wild, (b, job, frame) => {
      const lower = Math.max(b.c.now, earliestByLinks(b, job), frame.from);
      const fit = earliest(b, job, frame, lower);
      expect(fit, job.name).toBeDefined();
      if (!fit) return;
      expect(fit.start).toBeGreaterThanOrEqual(lower);
      expect(anyFit(b, job, frame, fit.start), `${job.name} at its own start`).toBe(true);
      // Not every minute of every day: all of the last hour before it, and some of the two days before that.
      for (let t = Math.max(lower, fit.start - 60); t < fit.start; t++, moments++)
        expect(anyFit(b, job, frame, t), `${job.name} at ${t}`).toBe(false);
      for (let k = 0; k < 60; k++, moments++) {
        const t = Math.floor(fit.start - 1 - r() * 2 * DAY);
        if (t >= lower) expect(anyFit(b, job, frame, t), `${job.name} at ${t}`).toBe(false);
      }
    });
    expect(looked).toBeGreaterThan(15);
    expect(moments).toBeGreaterThan(800);
  });
  it("is none where it would be later than allowed, and the same where it is just allowed", () => {
    each(5, false, (b, job, frame) => {
      const lower = Math.max(b.c.now, earliestByLinks(b, job), frame.from);
      const fit = earliest(b, job, frame, lower)!;
      expect(earliest(b, job, frame, lower, fit.start)).toEqual(fit);
      expect(earliest(b, job, frame, lower, fit.start - 1)).toBeUndefined();
    });
  });
  it("of a crew alone is never before that of any crew, and keeps who must be in it", () => {
    each(6, false, (b, job, frame) => {
      const lower = Math.max(b.c.now, earliestByLinks(b, job), frame.from);
      const any = earliest(b, job, frame, lower)!;
      for (const crew of crews(job).slice(0, 8)) {
        const alone = earliestWith(b, job, frame, crew, lower);
        if (alone) expect(alone.start).toBeGreaterThanOrEqual(any.start);
        const must = earliest(b, job, frame, lower, undefined, [crew[0]]);
        if (must) expect(must.crew).toContain(crew[0]);
      }
    });
  });
  it("keeps within the van's stay: none where the work would outlast it", () => {
    each(7, false, (b, job, frame) => {
      if (!job.van) return;
      const fit = earliest(b, job, frame, Math.max(b.c.now, earliestByLinks(b, job), frame.from))!;
      const short = { ...frame, to: fit.end - 1 };
      const again = earliest(b, job, short, Math.max(b.c.now, earliestByLinks(b, job), frame.from));
      if (again) expect(again.end).toBeLessThanOrEqual(short.to);
      expect(earliest(b, job, { ...frame, to: fit.start }, fit.start)).toBeUndefined();
    });
  });
});

describe("from when other work on the van lets a job begin", () => {
  it.each([
    [1, false],
    [3, true],
    [8, true],
    [9, false],
  ])("passes over no moment at which a crew could (workshop %i)", (seed, wild) => {
    let passed = 0;
    each(seed, wild, (b, job, frame) => {
      const lower = Math.max(b.c.now, job.release, frame.from);
      const clear = clearFrom(b, job, lower);
      expect(clear).toBeGreaterThanOrEqual(lower);
      expect(clearFrom(b, job, clear)).toBe(clear);
      const step = Math.max(1, Math.floor((clear - lower) / 120));
      for (let t = lower; t < clear; t += step, passed++) expect(anyFit(b, job, frame, t), `${job.name} at ${t}`).toBe(false);
      if (clear > lower) expect(anyFit(b, job, frame, clear - 1), `${job.name} just before`).toBe(false);
    });
    expect(passed).toBeGreaterThan(100);
  });

  it("is at once on the bench, and for what is under way", () => {
    each(4, true, (b, job) => {
      if (!job.van) expect(clearFrom(b, job, 5)).toBe(5);
      expect(clearFrom(b, { ...job, started: { fitters: [], place: 0, tickets: [], seeks: false } } as unknown as Job, 5)).toBe(5);
    });
  });
});
