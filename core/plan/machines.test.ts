// Machines with hours of their own, and machines that are hired for some days: work with them lies inside, says what it waits
// for, and the checker sees what does not.

import { describe, expect, it } from "vitest";
import { checkPlan } from "./check/check";
import { compile } from "./compile";
import type { Problem, ProblemJob } from "./model";
import { readPlan, readProblem } from "./read";
import { at, plan, problem } from "./testing/small";
import { gateFinder } from "./tools";

const ines = { crew: [{ skill: "body", level: 2 }] };
const teo = { crew: [{ skill: "trim", level: 2 }] };
const saw: Partial<ProblemJob> = { tools: [{ id: "saw" }] };
type Tool = NonNullable<Problem["tools"]>[number];
const house = (jobs: Partial<ProblemJob>[], tool: Partial<Tool>, more: Tool[] = []) =>
  problem(jobs, { tools: [{ id: "saw", name: "table saw", pieces: 1, ...tool }, ...more] });

describe("a machine with hours of its own", () => {
  const hours: Partial<Tool> = { hours: ["09:30", "11:00"] };
  it("is worked with inside them, goes on the next day, and says what it waits for", () => {
    const made = plan(house([{ minutes: 120, ...ines, ...saw }], hours));
    expect(at(made, "j0")).toMatchObject({ start: "2027-03-01T09:30", end: "2027-03-02T10:00" });
    expect(at(made, "j0").work).toEqual([
      ["2027-03-01T09:30", "2027-03-01T11:00"],
      ["2027-03-02T09:30", "2027-03-02T10:00"],
    ]);
    expect(at(made, "j0").why![0]).toMatchObject({ kind: "tool", ref: "saw", until: "2027-03-01T09:30" });
    expect(at(made, "j0").why![0].text).toMatch(/^the table saw is not available until /);
  });
  it("keeps nobody who does without it", () => {
    const made = plan(
      house(
        [
          { minutes: 60, ...ines, ...saw },
          { minutes: 60, ...ines },
        ],
        hours,
      ),
    );
    expect([at(made, "j1").start, at(made, "j0").start]).toEqual(["2027-03-01T08:00", "2027-03-01T09:30"]);
  });
  it("has to be open together with the others that the job works with", () => {
    const dust: Tool = { id: "dust", name: "extraction", pieces: 1, hours: ["10:00", "17:00"] };
    const made = plan(house([{ minutes: 60, ...teo, tools: [{ id: "saw" }, { id: "dust" }] }], hours, [dust]));
    expect(at(made, "j0").start).toBe("2027-03-01T10:00");
  });
  it("leaves work out that it never has the time for in one day, and all else in", () => {
    const made = plan(
      house(
        [
          { minutes: 120, ...ines, ...saw, needs: { sameDay: true } },
          { minutes: 60, ...teo },
        ],
        hours,
      ),
    );
    expect(made.unplaced.map((u) => u.job)).toEqual(["j0"]);
    expect(at(made, "j1").start).toBe("2027-03-01T08:00");
  });
});

describe("a machine that is not to be had on some days", () => {
  it("is worked with before and after, whatever its hours", () => {
    const closed: Tool["closed"] = [["2027-03-01T00:00", "2027-03-03T00:00"]];
    const made = plan(house([{ minutes: 60, ...ines, ...saw }], { closed }));
    expect(at(made, "j0").start).toBe("2027-03-03T08:00");
    expect(at(made, "j0").why![0]).toMatchObject({ kind: "tool", ref: "saw" });
    const both = plan(house([{ minutes: 60, ...ines, ...saw }], { closed, hours: ["14:00", "16:00"] }));
    expect(at(both, "j0").start).toBe("2027-03-03T14:00");
  });
});

describe("the checker", () => {
  it("tells work outside the hours of its machine apart from a closed shop", () => {
    const free = house([{ minutes: 120, ...ines, ...saw }], {});
    const bound = house([{ minutes: 120, ...ines, ...saw }], { hours: ["09:30", "11:00"] });
    const early = plan(free);
    expect(checkPlan(bound, readPlan(early)).map((b) => b.rule)).toEqual(["tool"]);
  });
});

describe("reading", () => {
  const faults = (tool: Partial<Tool>) => {
    try {
      readProblem(house([{ minutes: 60, ...ines, ...saw }], tool));
      return "";
    } catch (e) {
      return (e as Error).message;
    }
  };
  it("names hours that end before they begin, and days that go backwards", () => {
    expect(faults({ hours: ["12:00", "09:00"] })).toMatch(/tools\[0\]\.hours/);
    expect(faults({ closed: [["2027-03-03T00:00", "2027-03-01T00:00"]] })).toMatch(/tools\[0\]\.closed\[0\]/);
    expect(faults({ hours: ["09:00", "12:00"], closed: [["2027-03-01T00:00", "2027-03-03T00:00"]] })).toBe("");
  });
});

describe("gates", () => {
  it("are one for work with the same machines, none where no machine has hours", () => {
    const { tools } = compile(house([{ minutes: 60, ...ines, ...saw }], { hours: ["09:00", "12:00"] }, [{ id: "t", pieces: 2 }]));
    const c = { tools: [...tools, tools[0]], gates: [undefined] };
    const gateOf = gateFinder(c);
    expect([gateOf([]), gateOf([1]), gateOf([0]), gateOf([1, 0]), gateOf([0, 2]), gateOf([2, 0])]).toEqual([0, 0, 1, 1, 2, 2]);
    expect(c.gates.length).toBe(3);
  });
});
