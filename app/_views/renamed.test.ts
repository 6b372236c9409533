// A workshop may call the jobs of its library what it likes: with every code renamed at random, every gate, plan and text is the same.

import { describe, expect, it } from "vitest";
import { type Entry, library } from "@/core/library/library";
import type { Options } from "@/core/library/options";
import { FULL, PODS } from "@/core/library/testing";
import { random } from "@/core/rng";
import { CALCULATORS } from "@/core/setout/calculators";
import { cameOutWords } from "@/core/workshop/bare-body/removed-items";
import { seatsOpen, seatWords } from "@/core/workshop/bare-body/seats";
import { stripClosing } from "@/core/workshop/bare-body/strip-close";
import { placeWords } from "@/core/workshop/bare-body/trap-places";
import { trapWords } from "@/core/workshop/bare-body/traps";
import { zonesOf } from "@/core/workshop/bare-body/zones";
import { askedJobs } from "@/core/workshop/builds/asked-work";
import { departureTicks } from "@/core/workshop/builds/departure";
import { holesOf, holeWords, isSoak } from "@/core/workshop/openings/holes";
import { openingNorms } from "@/core/workshop/openings/opening-times";
import { openings } from "@/core/workshop/openings/openings";
import { slotPlan } from "@/core/workshop/planning/dry-slots";
import { papersBefore, paperWords } from "@/core/workshop/records/papers";
import { takesOf } from "@/core/workshop/sheets/sheet-takes";
import { sheetPrefill } from "@/core/workshop/sheets/sheets";
import { obstacles } from "@/core/workshop/starts/ready";
import type { BuildRow, Shop } from "@/core/workshop/state/model";
import { toProblem } from "@/core/workshop/state/problem";
import { done, job, NOW, PLAIN, testBuild, testShop } from "@/core/workshop/testing/shop";
import type { State } from "@/server/planning/planning";
import { buildCards } from "./build";
import { jobDetail, lanesView } from "./lanes";
import { papersView } from "./papers";
import { proofView } from "./proof";
import { plannedState } from "./state.testing";
import { storesView } from "./stores";
import { yardView } from "./yard";

type Codes = ReadonlyMap<string, string>;

/** New codes for all jobs, by chance; the letters of the stage stay. */
function renaming(seed: number): Codes {
  const r = random(seed);
  const numbers = Array.from({ length: 99 }, (_, i) => ({ n: String(i + 1).padStart(2, "0"), by: r() }))
    .sort((a, b) => a.by - b.by)
    .map((x) => x.n);
  return new Map(library.map((j, i) => [j.code, `${j.code.slice(0, 3)}${numbers[i % numbers.length]}`]));
}

const renamed = (codes: Codes): Entry[] =>
  library.map((j) => ({
    ...j,
    code: codes.get(j.code)!,
    after: j.after.map((a) => ({ ...a, job: codes.get(a.job)! })),
    ...(j.covers ? { covers: j.covers.map((c) => ({ ...c, job: codes.get(c.job)! })) } : {}),
    ...(j.remainders ? { remainders: j.remainders.map((x) => ({ ...x, before: codes.get(x.before)! })) } : {}),
  }));

const record = (kind: string, title: string, data: object, jobId: string | null = null): BuildRow["records"][number] =>
  ({
    id: `${kind}-${title}`,
    kind,
    jobId,
    title,
    data,
    saidBy: "u",
    saidAt: NOW - 900,
    closedAt: null,
    version: 1,
    photos: [],
  }) as never;

const as = (codes: Codes, code: string): string => `${codes.get(code.slice(0, 5))!}${code.slice(5)}`;

/** Records on which rules hang that ask for a role. */
const records = (id: string, codes: Codes): BuildRow["records"] => [
  record("penetration", "Roof fan", { no: 1, side: "roof", place: "bay 3", by: "us", state: "cut" }, `${id}.${as(codes, "OP-04")}`),
  record("penetration", "Window", { no: 2, side: "left", place: "field 1", by: "us", state: "tested" }, `${id}.${as(codes, "OP-06a")}`),
  record("item", "Floor sheet", { from: "floor", kg: 21, fate: "template", serves: [as(codes, "IN-05")], place: "rack 2" }),
  record("item", "Racking", { from: "left", kg: 44, fate: "undecided" }),
  record("trap", "Clip", { zone: "left", rib: "2", under: "lining", step: "take it off" }),
];

/** A workshop of three vans, at different points, with a library of such codes. */
function state(codes: Codes): State {
  const entries = renamed(codes);
  const build = (id: string, o: Options): BuildRow => ({ ...testBuild(id, o, entries), records: records(id, codes) });
  const shop: Shop = testShop([build("a", FULL), { ...build("b", PODS), at: "b2" }, { ...build("c", PLAIN), at: "yard" }]);
  done(
    shop,
    ["ST-01", "ST-02", "ST-03", "ST-04", "ST-08"].map((c) => as(codes, c)),
    NOW - 600,
  );
  Object.assign(job(shop, as(codes, "ST-05")), {
    state: "started",
    startedAt: NOW - 60,
    runningSince: NOW - 60,
    actualPlace: "b1",
    fitters: ["ines"],
  });
  shop.times = shop.builds[0].jobs
    .filter((j) => j.stage === "openings")
    .map((j, i) => ({
      code: j.code.slice(0, 5),
      roles: j.roles,
      minutes: 60 + i,
      fitters: ["ines"],
      buildId: "old",
      vanId: "drover-l3h2",
    }));
  return plannedState(shop, 3);
}

/** All that rules say of it. */
function said(s: State) {
  const { shop } = s;
  const plan = s.working!.plan;
  return {
    problem: toProblem(shop, NOW),
    plan,
    lanes: lanesView(s, []),
    yard: yardView(s),
    stores: storesView(s),
    proof: proofView(s, new Map()),
    cards: buildCards(s),
    norms: openingNorms(shop, "drover-l3h2", "ines"),
    slot: slotPlan(shop, plan, NOW) ?? null,
    builds: shop.builds.map((b) => ({
      papers: papersView(s, b),
      closing: stripClosing(shop, b, plan, NOW),
      openings: openings(shop, b, plan, NOW),
      ticks: departureTicks(b),
      seats: seatsOpen(b),
      asked: askedJobs(shop, b, NOW),
      jobs: b.jobs.map((j) => ({
        id: j.id,
        detail: jobDetail(s, j.id),
        waits: obstacles(shop, j, NOW),
        papers: [...papersBefore(b, j), ...paperWords(shop, b, j)],
        words: [...cameOutWords(b, j), ...trapWords(b, j), ...seatWords(b, j), ...holeWords(b, j), ...placeWords(b, shop.vans[1], j)],
        holes: holesOf(b, j).map((h) => h.title),
        soaks: isSoak(j),
        zones: zonesOf(b, j, NOW).map((z) => z.zone),
        takes: CALCULATORS.map(({ name }) =>
          takesOf(name, j, { minutes: { best: 1, likely: 2, worst: 3, of: "job" }, holdMinutes: null } as never),
        ),
        sheets: CALCULATORS.map(({ name }) => sheetPrefill(shop, b, name, j.id, plan, NOW) ?? null),
      })),
    })),
  };
}

const same: Codes = new Map(library.map((j) => [j.code, j.code]));

describe("a library with other codes", () => {
  const first = JSON.parse(JSON.stringify(said(state(same)))) as ReturnType<typeof said>;
  it("is one on which many rules say something", () => {
    expect(first.builds[0].closing.length).toBeGreaterThan(3);
    expect(first.builds[0].seats.length).toBeGreaterThan(0);
    expect(first.builds.flatMap((b) => b.jobs).filter((j) => j.soaks)).toHaveLength(3);
    expect(first.builds.flatMap((b) => b.jobs.flatMap((j) => j.words)).length).toBeGreaterThan(3);
    expect(first.builds[0].jobs.some((j) => j.sheets.some((x) => x))).toBe(true);
  });
  it.each([1, 2, 3])("has every gate, plan and text as before, renaming %i", (seed) => {
    const codes = renaming(seed);
    const back = new Map([...codes].map(([old, now]) => [now, old]));
    expect([...codes].filter(([a, b]) => a !== b).length).toBeGreaterThan(library.length / 2);
    const text = JSON.stringify(said(state(codes))).replace(/\b[A-Z]{2}-\d{2}(?=[a-d]?\b)/g, (code) => back.get(code) ?? code);
    expect(JSON.parse(text)).toEqual(first);
  });
});
