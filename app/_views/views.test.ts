// What the views say of a known state.

import { describe, expect, it } from "vitest";
import { DEFAULT_OPTIONS } from "@/core/library/options";
import { BARE } from "@/core/library/testing";
import { at, done, job, NOW } from "@/core/workshop/testing/shop";
import { unpacked } from "@/ui/kit/packed";
import type { PartLine } from "@/ui/stores/view";
import { buildCards, optionWords } from "./build";
import { fitterDetail, jobDetail, lanesView } from "./lanes";
import { partWords } from "./parts";
import { proofView } from "./proof";
import { testState } from "./state.testing";
import { partDetail, storesView } from "./stores";
import { vanShape } from "./van";
import { yardView } from "./yard";

const photo = (verdict: "approved" | "again" | null) => ({
  id: `p-${verdict}`,
  shotId: "s",
  sha256: "f".repeat(64),
  takenBy: "u-ines",
  takenAt: NOW - 30,
  verdict,
  reason: verdict === "again" ? "too dark" : null,
  reviewedBy: null,
});

describe("yardView", () => {
  it("shows who works on which van, where, and till when", () => {
    const view = yardView(testState());
    const bay = view.spots.find((s) => s.id === "b1")!;
    expect(bay.van!.people.map((p) => p.initials)).toEqual(["TE", "RO"]);
    expect(bay.van!.lines[0]).toMatchObject({
      name: "Take out racking, linings and floor",
      detail: expect.stringContaining("Teo + Rosa · till"),
    });
    expect(bay.van!.stuck).toContain("is under way");
    expect(new Set(bay.van!.marks.map((m) => m.kind))).toEqual(new Set(["work"]));
  });
  it("tells of a free bay who comes next, and of an outdoor one how warm it gets", () => {
    const view = yardView(testState());
    const wet = view.spots.find((s) => s.id === "b2")!;
    expect(wet.indoor).toBe(false);
    expect(wet.notes.join(" ")).toMatch(/free/);
    expect(wet.notes.join(" ")).toContain("8 to 15 °C today");
  });
  it("says what the van in the yard waits for, and which have still to come", () => {
    const view = yardView(
      testState((shop) => {
        shop.builds.push({
          ...shop.builds[1],
          id: "c",
          name: "To come",
          at: null,
          arrives: NOW + 3 * 1440,
          jobs: shop.builds[1].jobs.map((j) => ({
            ...j,
            id: j.id.replace("b.", "c."),
            buildId: "c",
            after: j.after.map((a) => ({ ...a, job: a.job.replace("b.", "c.") })),
            covers: j.covers.map((k) => k.replace("b.", "c.")),
          })),
        });
      }),
    );
    expect(view.yard.map((v) => v.buildId)).toEqual(["b"]);
    expect(view.yard[0].lines[0].name).toMatch(/^next: /);
    expect(view.toCome).toEqual([{ buildId: "c", name: "To come", detail: "comes Sat 6 Mar" }]);
  });
  it("shows a hold as tape and keeps the van", () => {
    const view = yardView(
      testState((shop) => {
        Object.assign(job(shop, "ST-04"), { state: "done", endedAt: NOW - 30 });
        job(shop, "ST-04").hold = { minutes: 600, still: true, keepOff: "all", minTempC: null };
      }),
    );
    const van = view.spots.find((s) => s.id === "b1")!.van!;
    expect(van.marks.some((m) => m.kind === "hold")).toBe(true);
    expect(van.stuck).toContain("cures until");
  });
  it("reads the weather of the day in words", () => {
    expect(yardView(testState()).weather).toBe("dusk 18:33 · dry to 15:00");
    expect(yardView(testState((s) => void (s.weather[0].dry = []))).weather).toBe("dusk 18:33 · rain");
    expect(yardView(testState((s) => void (s.weather = []))).weather).toBe("no forecast");
  });
});

describe("lanesView", () => {
  it("has a card for every job and nothing to move against the plan it was published from", () => {
    const state = testState();
    const view = lanesView(state, []);
    expect(Object.keys(view.jobs).length).toBe(state.shop.builds.flatMap((b) => b.jobs).length);
    expect([view.moves, view.handovers]).toEqual([[], []]);
    expect(view.against).toEqual({ number: 1, note: "", newest: true });
  });
  it("shows whole weeks from Monday, weekends closed", () => {
    const { days } = lanesView(testState(), []);
    expect(days[0].weekday).toBe("M");
    expect(days.filter((d) => d.weekday === "S").every((d) => !d.open)).toBe(true);
    for (let i = 1; i < days.length; i++) expect(days[i].at).toBeGreaterThan(days[i - 1].at);
    expect(days.at(-1)!.at).toBeGreaterThan(at("2027-04-30T17:00"));
  });
  it("tells moves of crew, place and time in words, facts left out", () => {
    const state = testState();
    const other = state.published!.plan.jobs.find((j) => j.id === "b.FU-01")!;
    Object.assign(other, { start: "2027-05-10T08:00", end: "2027-05-10T10:00", fitters: ["nils"] });
    state.published!.plan.jobs.find((j) => j.id === "a.ST-04")!.start = "2027-03-01T08:00";
    const { moves } = lanesView(state, []);
    expect(moves.map((m) => m.jobId)).toEqual(["b.FU-01"]);
    expect(moves[0].who).toContain("Rosa instead of Nils");
  });
  it("compares with an earlier plan when asked to", () => {
    const state = testState();
    const first = structuredClone(state.published!);
    first.head.number = 7;
    expect(lanesView(state, [], first).against).toMatchObject({ number: 7, newest: false });
  });
  it("counts photos of what a job covers", () => {
    const state = testState((shop) => {
      done(shop, ["ST-06", "ST-07", "OP-01", "OP-02"], NOW - 300);
      Object.assign(job(shop, "ST-04"), { state: "done", startedAt: NOW - 560, endedAt: NOW - 500, runningSince: null });
      job(shop, "OP-01").shots[0].photos.push(photo("approved"));
    });
    const view = lanesView(state, []);
    expect(jobDetail(state, "a.OP-04")!.covers).toEqual([
      { name: "Set out every opening", asked: 1, approved: 1, waiting: 0 },
      { name: "Units unpacked, counted, run", asked: 1, approved: 0, waiting: 0 },
    ]);
    expect(view.lanes[0].stops.find((s) => s.jobId === "a.OP-04")!.missing).toBe(1);
  });
});

describe("what the panel says of a job", () => {
  it("has its reasons, what it comes after and its parts, by the working plan", () => {
    const state = testState();
    const d = jobDetail(state, "a.OP-04")!;
    expect(d.likely).toMatch(/^likely 3 h 30/);
    expect(d.why).toEqual(state.working!.plan.jobs.find((p) => p.id === "a.OP-04")!.why);
    expect(d.why.length).toBeGreaterThan(0);
    expect(d.after.map((a) => a.name)).toContain("Set out every opening");
    expect(d.parts.length).toBeGreaterThan(1);
    expect(jobDetail(state, "a.NO-99")).toBeUndefined();
  });
  it("is by the published plan for a fitter, without the parts of vans that are not theirs", () => {
    const state = testState();
    state.published!.plan.jobs.find((p) => p.id === "a.OP-04")!.why = [{ kind: "dry", text: "no dry weather" }];
    expect(fitterDetail(state, "a.OP-04", new Set(["a"]))!.why).toEqual([{ kind: "dry", text: "no dry weather" }]);
    expect(fitterDetail(state, "a.OP-04", new Set(["a"]))!.parts.length).toBeGreaterThan(1);
    expect(fitterDetail(state, "a.OP-04", new Set(["b"]))!.parts).toEqual([]);
  });
});

/** The part lines of the stores, as the page reads them. */
const linesOf = (state: Parameters<typeof storesView>[0]) => unpacked<PartLine>(storesView(state).lines);

describe("storesView", () => {
  it("orders lines by the day they are wanted, and says how late a promise is", () => {
    const state = testState((shop) =>
      Object.assign(job(shop, "OP-04").parts[0], { state: "promised", promisedAt: NOW + 1440, firstPromisedAt: NOW + 1440 }),
    );
    Object.assign(state.shop.builds[0].jobs.find((j) => j.code === "OP-04")!.parts[0], { promisedAt: at("2027-05-30T10:00") });
    const lines = linesOf(state);
    const line = lines.find((l) => l.id === "a.OP-04.part1")!;
    expect(line.late).toBe(at("2027-05-30T11:00") - line.need!);
    const needs = lines.map((l) => l.need ?? 1e12);
    expect(needs).toEqual([...needs].sort((a, b) => a - b));
  });
  it("says by when to order what is not ordered", () => {
    const state = testState((shop) => void (job(shop, "FU-02").parts[0].state = "needed"));
    const line = linesOf(state).find((l) => l.id === "a.FU-02.part1")!;
    expect(line.orderBy).toBe(line.need! - 60 - 10 * 1440);
    expect([line.sampleDays, line.samplesBy]).toEqual([0, null]);
    const chosen = testState((shop) => void Object.assign(job(shop, "FU-02").parts[0], { state: "needed", sampleDays: 6 }));
    const sampled = linesOf(chosen).find((l) => l.id === "a.FU-02.part1")!;
    expect([sampled.sampleDays, sampled.samplesBy]).toEqual([6, sampled.orderBy! - 6 * 1440]);
    expect(sampled.stake).toBe(Math.max(0, Math.ceil((NOW + (5 + 1 + 6) * 1440 + 60 - sampled.need!) / 1440)));
    const ordered = testState((shop) => void Object.assign(job(shop, "FU-02").parts[0], { state: "ordered", sampleDays: 6 }));
    expect(linesOf(ordered).find((l) => l.id === "a.FU-02.part1")!.samplesBy).toBeNull();
  });
  it("counts what a late part holds up, and lists it when it is opened", () => {
    const state = testState((shop) => Object.assign(job(shop, "OP-04").parts[0], { state: "ordered", promisedAt: null }));
    const line = linesOf(state).find((l) => l.id === "a.OP-04.part1")!;
    const detail = partDetail(state, line.id)!;
    expect(line.wake!.word).toMatch(/no date promised/);
    expect(line.wake).toMatchObject({
      locked: detail.locked.length,
      harmless: detail.harmless.length,
      trapping: detail.trapping.length,
    });
    expect(detail.locked.length).toBeGreaterThan(3);
    expect(partDetail(state, "a.OP-04.part99")).toBeUndefined();
  });
  it("shows what a replan did to the handovers", () => {
    const state = testState();
    state.published!.plan.builds[0].finish = "2027-03-20T08:00";
    expect(storesView(state).effect.map((e) => e.build)).toEqual(["Field vet"]);
    expect(storesView(state).effect[0].days).toBeGreaterThan(0);
  });
});

describe("proofView", () => {
  const state = testState((shop) => {
    Object.assign(job(shop, "ST-04"), { state: "done", startedAt: NOW - 560, endedAt: NOW - 500, runningSince: null });
    done(shop, ["ST-06", "ST-07", "OP-01", "OP-02"], NOW - 300);
    job(shop, "OP-01").shots[0].photos.push(photo(null));
    job(shop, "ST-07").shots[0].photos.push(photo("again"));
  });
  const view = proofView(state, new Map([["u-ines", "Ines"]]));
  it("puts the photo that holds up soonest first, with what it keeps closed", () => {
    expect(view.waiting[0]).toMatchObject({ job: "Set out every opening", by: "Ines" });
    expect(view.waiting[0].holds.map((h) => h.name)).toContain("Roof fan: cut to sealed");
  });
  it("lists what is to be taken, again or at all, for work done or under way only", () => {
    expect(view.open.find((s) => s.state === "again")).toMatchObject({ job: "Holes and rust treated", reason: "too dark" });
    const codes = new Set(view.open.map((s) => s.jobId));
    expect(codes.has("a.PA-04")).toBe(false);
  });
  it("counts what is approved behind the panels", () => {
    expect(view.approved.find((b) => b.buildId === "a")).toMatchObject({ approved: 0 });
    expect(view.approved[0].asked).toBeGreaterThan(10);
  });
});

describe("buildCards", () => {
  it("says where each build stands and who is on it", () => {
    const cards = buildCards(testState());
    expect(cards.find((c) => c.id === "a")).toMatchObject({ where: "in Long bay", now: "Take out racking, linings and floor, Teo + Rosa" });
    expect(cards.find((c) => c.id === "b")).toMatchObject({ where: "in the yard", now: "nobody on it now" });
  });
  it("reads options in words", () => {
    expect(optionWords(BARE)).toEqual(["bed fixed lengthways", "lining soft lining"]);
    const o = optionWords({ ...DEFAULT_OPTIONS, windows: 1, swivels: 2, gas: "tank" });
    expect(o).toEqual(
      expect.arrayContaining(["1 side window", "roof fan", "2 seats that turn", "gas tank under the floor", "garage 700 mm"]),
    );
  });
});

describe("small words", () => {
  it("says a part's state", () => {
    const state = testState();
    const words = (more: object) => partWords(state.zone, { state: "needed", promisedAt: null, shelf: "", note: "", ...more } as never);
    expect(words({})).toBe("not ordered yet");
    expect(words({ state: "ordered" })).toBe("ordered, no date");
    expect(words({ state: "promised", promisedAt: at("2027-03-08T10:00") })).toBe("promised Mon 8 Mar");
    expect(words({ state: "arrived" })).toBe("here, not checked");
    expect(words({ state: "checked", shelf: "C2" })).toBe("here, shelf C2");
    expect(words({ state: "wrong", note: "left hand" })).toBe("came wrong: left hand");
  });
  it("draws a van whose template is gone as a plain long one", () => {
    expect(vanShape(testState().shop, "drover-l2h2").lengthMm).toBe(5480);
    expect(vanShape(testState().shop, "gone").lengthMm).toBe(5990);
  });
});
