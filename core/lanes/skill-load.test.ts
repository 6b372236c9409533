import { describe, expect, it } from "vitest";
import { OpenSet } from "../time/openset";
import { skillLoad } from "./skill-load";

const DAY = 1440;
const weeks = [0, 7 * DAY, 14 * DAY];
const open = OpenSet.of([0, 1, 7].map((d) => [d * DAY + 480, d * DAY + 960] as [number, number]));
const give = (skills: Record<string, number>) => ({ skills, open });
const ask = (skill: string, level: number, work: [number, number][], people = 1) => ({ skill, level, people, work });

describe("skills week by week", () => {
  it("count what is asked at level 2 or more against the open hours of those who have it so", () => {
    const load = skillLoad(
      weeks,
      [
        ask("body", 2, [[480, 720]]),
        ask("body", 3, [[DAY + 480, DAY + 600]], 2),
        ask("body", 1, [[600, 960]]),
        ask("any", 2, [[600, 960]]),
      ],
      [give({ body: 3 }), give({ body: 2, trim: 2 }), give({ body: 1 })],
    );
    expect(load).toEqual([
      {
        skill: "body",
        people: 2,
        weeks: [
          { from: 0, asked: 240 + 240, given: 2 * 960 },
          { from: 7 * DAY, asked: 0, given: 2 * 480 },
        ],
      },
    ]);
  });
  it("cut a job over the end of a week where the week ends", () => {
    const [load] = skillLoad(weeks, [ask("gas", 3, [[7 * DAY - 100, 7 * DAY + 50]])], []);
    expect(load.weeks.map((w) => [w.asked, w.given])).toEqual([
      [100, 0],
      [50, 0],
    ]);
    expect(load.people).toBe(0);
  });
  it("one with two skills gives to both", () => {
    const load = skillLoad(weeks, [ask("trim", 2, [[0, 1]]), ask("body", 2, [[0, 1]])], [give({ body: 2, trim: 2 })]);
    expect(load.map((l) => [l.skill, l.weeks[0].given])).toEqual([
      ["body", 960],
      ["trim", 960],
    ]);
  });
});
