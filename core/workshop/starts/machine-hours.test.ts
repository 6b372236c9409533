// Machines among the shared tools: hours and hire for the planner, floor and outfeed, what their hours cost.

import { describe, expect, it } from "vitest";
import { zoneOf } from "../../time/zone";
import type { ToolRow } from "../state/model";
import { job, NO_MACHINE, testShop } from "../testing/shop";
import { longestBoard, machineHours, machineLines, machineWords, shutNow, toolTimes } from "./machine-hours";
import { startObstacles } from "./ready";

const zone = zoneOf("Europe/Lisbon");
const now = zone.parse("2027-03-01T10:00");
const saw = (more: Partial<ToolRow> = {}): ToolRow => ({
  id: "saw",
  name: "mitre saw",
  pieces: 1,
  state: "sound",
  note: "",
  held: false,
  version: 1,
  ...NO_MACHINE,
  ...more,
});

describe("the times of a machine", () => {
  it("are its hours of the day, and the days it is not there", () => {
    expect(toolTimes(saw(), zone, now, 30)).toEqual({});
    expect(toolTimes(saw({ opens: "09:00", closes: "12:00" }), zone, now, 30)).toEqual({ hours: ["09:00", "12:00"] });
    expect(toolTimes(saw({ hadFrom: "2027-03-03", hadUntil: "2027-03-05" }), zone, now, 30)).toEqual({
      closed: [
        ["2027-03-01T10:00", "2027-03-03T00:00"],
        ["2027-03-06T00:00", "2027-04-02T00:00"],
      ],
    });
    // There already, and for longer than is planned: nothing to say.
    expect(toolTimes(saw({ hadFrom: "2027-02-01", hadUntil: "2028-02-01" }), zone, now, 30)).toEqual({});
    // Given back already: never again.
    expect(toolTimes(saw({ hadUntil: "2027-02-20" }), zone, now, 30)).toEqual({ closed: [["2027-03-01T10:00", "2027-04-02T00:00"]] });
  });
  it("stop a start outside them, in words", () => {
    const at = (time: string, t: ToolRow) => shutNow(t, zone, zone.parse(`2027-03-01T${time}`));
    const hours = saw({ opens: "09:00", closes: "12:00" });
    expect([at("08:59", hours), at("09:00", hours), at("12:00", hours)]).toEqual([
      "is worked with from 09:00 to 12:00 only",
      undefined,
      "is worked with from 09:00 to 12:00 only",
    ]);
    expect(at("10:00", saw({ hadFrom: "2027-03-02" }))).toBe("is there from Tue 2 Mar on");
    expect(at("10:00", saw({ hadUntil: "2027-02-26" }))).toBe("was there until Fri 26 Feb");
    expect(at("10:00", saw({ hadFrom: "2027-03-01", hadUntil: "2027-03-01" }))).toBeUndefined();
  });
  it("stop the job that books it", () => {
    const s = testShop();
    const cut = job(s, "OP-06a");
    expect(cut.tools).toContain("nibbler");
    const stops = () => startObstacles(s, cut, [], "b1", now).map((o) => o.text);
    expect(stops().filter((t) => t.includes("nibbler"))).toEqual([]);
    Object.assign(s.tools[0], { opens: "13:00", closes: "15:00" });
    expect(stops()).toContain("the nibbler is worked with from 13:00 to 15:00 only");
  });
});

describe("the floor of a machine", () => {
  it("takes boards of half of what it leaves; 1200 mm for the machine where nobody says", () => {
    expect(longestBoard(saw())).toBeNull();
    expect(longestBoard(saw({ floorMm: 6200 }))).toBe(2500);
    expect(longestBoard(saw({ floorMm: 6200, lengthMm: 900 }))).toBe(2650);
    expect(longestBoard(saw({ floorMm: 800, lengthMm: 900 }))).toBe(0);
  });
  it("is told with hours, days and outfeed, by machine", () => {
    const full = saw({ opens: "09:00", closes: "12:00", hadFrom: "2027-03-02", hadUntil: "2027-03-05", floorMm: 6200, outfeedMm: 1600 });
    expect(machineWords(full, zone)).toEqual([
      "only from 09:00 to 12:00",
      "there from Tue 2 Mar",
      "there until Fri 5 Mar",
      "boards up to 2500 mm: the floor leaves no more",
      "boards over 1600 mm: somebody at the outfeed",
    ]);
    const s = testShop();
    s.tools = [saw({ outfeedMm: 2000 }), saw({ id: "other", name: "thicknesser" })];
    expect(machineLines(s, { tools: ["mitre saw", "thicknesser"] })).toEqual(["mitre saw: boards over 2000 mm: somebody at the outfeed"]);
    expect(machineLines(s, { tools: [] })).toEqual([]);
  });
});

describe("the hours of a machine in the plan", () => {
  it("are those of the work still to do that books it, with their price", () => {
    const s = testShop();
    const jobs = s.builds[0].jobs.slice(0, 3).map((j) => ({ ...j, tools: ["mitre saw"], state: "todo" as const }));
    jobs[2].tools = [];
    const plan = {
      jobs: jobs.map((j) => ({
        id: j.id,
        work: [
          ["2027-03-01T09:00", "2027-03-01T10:00"],
          ["2027-03-02T09:00", "2027-03-02T09:45"],
        ],
      })),
    } as never;
    expect(machineHours(saw(), jobs, plan, zone)).toEqual({ hours: 3.5, cost: null });
    expect(machineHours(saw({ hourCost: 18 }), jobs, plan, zone)).toEqual({ hours: 3.5, cost: 63 });
    expect(machineHours(saw({ hourCost: 18 }), [{ ...jobs[0], state: "done" }], plan, zone)).toEqual({ hours: 0, cost: 0 });
    expect(machineHours(saw(), jobs, undefined, zone)).toEqual({ hours: 0, cost: null });
  });
});
