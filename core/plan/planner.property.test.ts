// Every plan for every generated workshop passes the independent checker.

import { describe, expect, it } from "vitest";
import { checkPlan } from "./check/check";
import { makePlan } from "./planner";
import { readPlan, readProblem } from "./read";
import { workshop } from "./testing/workshop";

const nows = ["2027-03-01T07:30", "2027-03-25T09:10", "2027-10-28T16:45", "2027-12-20T07:30"];

describe("generated workshops", () => {
  for (let block = 0; block < 25; block++)
    it(`keep every hard rule, block ${block + 1}`, () => {
      for (let k = 0; k < 20; k++) {
        const seed = block * 20 + k + 1;
        const problem = readProblem(
          workshop({
            seed,
            builds: 1 + (seed % 6),
            jobsPerBuild: 6 + ((seed * 7) % 30),
            wild: seed % 4 !== 0,
            helpers: seed % 2 === 1,
            tools: seed % 3 === 0,
            slots: seed % 5 < 2,
            now: nows[seed % nows.length],
            zone: ["Europe/Lisbon", "America/New_York", "Australia/Lord_Howe"][seed % 3],
          }),
        );
        const plan = makePlan(problem, { seed, iterations: 6 });
        expect(checkPlan(problem, readPlan(plan)), `seed ${seed}`).toEqual([]);
      }
    });
});
