import { describe, expect, it } from "vitest";
import { makePlan } from "../../plan/planner";
import { readProblem } from "../../plan/read";
import type { Shop } from "../state/model";
import { toProblem } from "../state/problem";
import { at, done, job, NO_MACHINE, NOW, testShop } from "../testing/shop";
import { decisions } from "./decisions";

const plan = (shop: Shop) => makePlan(readProblem(toProblem(shop, NOW)), { iterations: 0 });
const STRIP = ["ST-01", "ST-03", "ST-04", "ST-06", "ST-07"];
const of = (shop: Shop, kind: string, p = plan(shop)) => decisions(shop, p, NOW).filter((d) => d.kind === kind);

/** Everything up to the fan is done: it is the next thing on the van. */
function beforeTheCut(): Shop {
  const shop = testShop();
  done(shop, [...STRIP, "OP-01", "OP-02"], NOW - 600);
  return shop;
}

describe("decisions", () => {
  it("says nothing where nothing presses", () => {
    const shop = testShop();
    done(shop, ["ST-01"], NOW - 60);
    expect(decisions(shop, plan(shop), NOW)).toEqual([]);
  });
  it("tells until when the cut may begin, and what else there is", () => {
    const shop = beforeTheCut();
    const [d] = of(shop, "skin");
    expect(d.title).toMatch(/start by .* or leave it/);
    expect(d.detail).toContain("until it is watertight");
  });
  it("asks a cut under way to be sealed or sheeted over", () => {
    const shop = beforeTheCut();
    Object.assign(job(shop, "OP-04"), {
      state: "started",
      startedAt: NOW - 60,
      runningSince: NOW - 60,
      actualPlace: "b1",
      fitters: ["ines", "teo"],
    });
    expect(of(shop, "skin").find((d) => d.jobId === "a.OP-04")!.title).toContain("sheeted over from 16:40");
  });
  it("counts the photos that a close-up of the next days waits for, with its start as the latest moment", () => {
    const shop = beforeTheCut();
    const p = plan(shop);
    const list = of(shop, "proof", p);
    const starts = p.jobs
      .filter((j) => job(shop, "OP-01") && shop.builds[0].jobs.find((k) => k.id === j.id)?.covers.includes("a.OP-01"))
      .map((j) => at(j.start));
    expect(list[0]).toMatchObject({ mark: "1", jobId: "a.OP-01", by: Math.min(...starts) });
  });
  it("is silent about photos that are approved", () => {
    const shop = beforeTheCut();
    job(shop, "OP-01").shots[0].photos.push({
      id: "p",
      shotId: "s",
      sha256: "",
      takenBy: "",
      takenAt: NOW,
      verdict: "approved",
      reason: null,
      reviewedBy: null,
    });
    expect(of(shop, "proof").filter((d) => d.jobId === "a.OP-01")).toEqual([]);
  });
  it("tells a part that comes too late for the plan, one that came wrong, and one to check", () => {
    const shop = beforeTheCut();
    const p = plan(shop);
    const fan = job(shop, "OP-04");
    Object.assign(fan.parts[0], { state: "promised", promisedAt: at("2027-03-12T10:00") });
    expect(of(shop, "part", p)[0].title).toContain("comes Fri 12 Mar, too late");
    Object.assign(fan.parts[0], { state: "wrong", note: "left hand" });
    expect(of(shop, "part", p)[0].detail).toContain("left hand");
    Object.assign(fan.parts[0], { state: "arrived" });
    expect(of(shop, "part", p)[0].title).toContain("check");
    Object.assign(fan.parts[0], { state: "promised", promisedAt: NOW - 1440 });
    expect(of(shop, "part", p)[0].title).toContain("overdue");
  });
  it("asks to order once the supplier's lead time has begun to run", () => {
    const shop = beforeTheCut();
    const p = plan(shop);
    job(shop, "OP-04").parts[0].state = "needed";
    expect(of(shop, "order", p)[0].title).toMatch(/^order .* today$/);
    // Asked today it comes after the day on which it is wanted: so much is at stake.
    expect(of(shop, "order", p)[0].detail).toMatch(/if ordered now, \d+ days? late for it$/);
  });
  it("names a hole that nothing covers for the night before what has to be ordered", () => {
    const shop = beforeTheCut();
    const p = plan(shop);
    job(shop, "OP-04").parts[0].state = "needed";
    const history = [{ state: "cut", why: "", by: "Ines", at: NOW - 60 }];
    shop.builds[0].records.push({
      id: "h1",
      kind: "penetration",
      jobId: "a.OP-04",
      title: "Aerial gland",
      data: { no: 1, side: "roof", place: "bay 3", by: "us", state: "cut", history },
      saidBy: "u",
      saidAt: NOW - 60,
      closedAt: null,
      version: 1,
      photos: [],
    } as never);
    const kinds = decisions(shop, p, NOW).map((d) => d.kind);
    expect(kinds).toContain("order");
    expect(kinds.indexOf("opening")).toBeGreaterThanOrEqual(0);
    expect(kinds.indexOf("opening")).toBeLessThan(kinds.indexOf("order"));
  });
  it("asks for samples so long before a part has to be ordered, and no more once it has to be", () => {
    const shop = beforeTheCut();
    const p = plan(shop);
    const part = job(shop, "OP-04").parts[0];
    part.state = "needed";
    const planned = p.jobs.find((j) => j.id === "a.OP-04")!;
    // Wanted in nearly five weeks: to be ordered on Friday 26, ten days before.
    planned.start = "2027-04-05T08:00";
    expect(of(shop, "order", p)).toEqual([]);
    part.sampleDays = 22;
    expect(of(shop, "order", p)).toEqual([]);
    part.sampleDays = 23;
    const [d, ...more] = of(shop, "order", p);
    expect(more).toEqual([]);
    expect(d.title).toBe(`ask for samples of ${part.name} today`);
    expect(d.detail).toContain("23 days to see them and to choose, then ordered for");
    expect(d.detail).not.toContain("late for it");
    planned.start = "2027-03-08T08:00";
    expect(of(shop, "order", p).map((x) => x.title)).toEqual([`order ${part.name} today`]);
    // Ordered on Wednesday 3 it would be here on Tuesday 9, were it chosen already: 23 days more, and what is at stake goes by the same day.
    expect(of(shop, "order", p)[0].detail).toMatch(/here by Thu 1 Apr, chosen first, if ordered now, 25 days late for it$/);
    part.state = "ordered";
    expect(of(shop, "order", p)).toEqual([]);
  });
  it("passes on what was said from the bench, louder when work has stopped", () => {
    const shop = testShop();
    job(shop, "ST-01").remarks.push({
      id: "r1",
      jobId: "a.ST-01",
      kind: "short",
      text: "no key",
      stopsWork: true,
      saidBy: "ines",
      saidAt: NOW,
    });
    expect(of(shop, "remark")[0]).toMatchObject({ title: "no key", tone: "signal", refId: "r1" });
  });
  it("asks for the van to be moved when the plan wants it elsewhere today", () => {
    const shop = testShop();
    shop.builds[0].at = null;
    const [d] = of(shop, "move");
    expect(d.title).toMatch(/^to (Long bay|Wet bay|the yard) at/);
  });
  it("names the job that has no place, not all that follow it", () => {
    const shop = testShop();
    shop.fitters = shop.fitters.filter((f) => f.id !== "nils");
    const list = of(shop, "unplaced");
    expect(list.length).toBeGreaterThan(0);
    for (const d of list) expect(d.detail).toContain("nobody has");
  });
  it("asks about a time box that is passed, until something is decided", () => {
    const shop = testShop();
    const j = job(shop, "ST-04");
    Object.assign(j, { state: "paused", startedAt: NOW - 5000, workedMinutes: j.minutes.likely * j.timeBox + 40, fitters: ["teo"] });
    const asks = () => decisions(shop, undefined, NOW).filter((d) => d.kind === "time-box");
    expect(asks()).toEqual([expect.objectContaining({ title: expect.stringMatching(/40 min longer than allowed/), jobId: "a.ST-04" })]);
    shop.builds[0].records.push({
      id: "r",
      kind: "decision",
      jobId: j.id,
      title: "A second person",
      data: { who: "Mara", timeBox: true },
      saidBy: "mara",
      saidAt: NOW,
      closedAt: null,
      photos: [],
      version: 1,
    });
    expect(asks()).toEqual([]);
  });
  it("warns before a job buries what another has left to finish", () => {
    const shop = testShop();
    const soak = job(shop, "ST-02");
    job(shop, "ST-01").remainders.push({
      id: "r",
      jobId: "a.ST-01",
      text: "one dent",
      before: soak.id,
      owner: null,
      saidBy: "u",
      saidAt: NOW,
    });
    const d = decisions(shop, plan(shop), NOW).find((x) => x.kind === "remainder");
    expect(d).toMatchObject({
      title: "Check in and measure still has something to finish: one dent",
      detail: "Weigh as arrived would bury it",
    });
  });
  it("asks the client for a choice in time, louder once it is due", () => {
    const shop = testShop();
    const open = (by: number) =>
      new Map([
        [
          "a",
          [
            {
              key: "bed" as const,
              label: "Bed",
              owner: "Somebody",
              client: true,
              assumed: "fixed across",
              holds: [{ id: "a.FR-06", name: "Bed rails" }],
              passed: [],
              first: by,
              by,
            },
          ],
        ],
      ]);
    const find = (by: number) => decisions(shop, undefined, NOW, open(by)).find((d) => d.kind === "choice");
    expect(find(NOW + 2 * 1440)).toMatchObject({ tone: "amber", title: "Bed is not decided", by: NOW + 2 * 1440 });
    expect(find(NOW - 60)).toMatchObject({ tone: "signal", title: "Bed is not decided, and should be" });
    expect(find(NOW + 10 * 1440)).toMatchObject({ tone: "ink", title: "Ask about bed" });
    expect(find(NOW + 30 * 1440)).toBeUndefined();
    // Waiting on a decision: what each day costs depends on whether the date hangs on the work.
    expect(find(NOW - 60)!.detail).toContain("1 job waiting on decision, no day of the date hangs on it yet");
    const chained = {
      jobs: [],
      stays: [],
      unplaced: [],
      pinsBroken: [],
      builds: [{ id: "a", chain: [{ job: "a.FR-06", kind: "work", minutes: 60 }] }],
    } as never;
    expect(decisions(shop, chained, NOW, open(NOW - 60)).find((d) => d.kind === "choice")!.detail).toContain(
      "each day now costs a day of the date",
    );
  });
  it("tells of a tool that is not sound before the next job that books it", () => {
    const shop = testShop();
    shop.tools = [
      { id: "t", name: "wheel scales", pieces: 1, state: "broken", held: false, note: "no display", version: 1, ...NO_MACHINE },
    ];
    const d = decisions(shop, plan(shop), NOW).filter((x) => x.kind === "tool");
    expect(d).toEqual([expect.objectContaining({ title: "the wheel scales is broken", detail: "Weigh as arrived books it · no display" })]);
  });
});
