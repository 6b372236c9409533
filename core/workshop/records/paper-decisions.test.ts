// What the papers of a build ask the lead before the day ends.

import { describe, expect, it } from "vitest";
import type { Plan } from "../../plan/model";
import { decisions } from "../builds/decisions";
import { entry } from "../testing/entry";
import { at, job, NOW, testShop } from "../testing/shop";

const planOf = (id: string, start: string): Plan =>
  ({
    jobs: [{ id, start, end: `${start.slice(0, 10)}T17:00`, place: "b1", fitters: ["ines"] }],
    stays: [],
    builds: [],
    unplaced: [],
    pinsBroken: [],
  }) as unknown as Plan;
const asked = (records: ReturnType<typeof entry>[], plan?: Plan, change: (s: ReturnType<typeof testShop>) => void = () => undefined) => {
  const s = testShop();
  s.builds[0].records = records;
  change(s);
  return decisions(s, plan, NOW).filter((d) => d.kind === "opening");
};

describe("swarf", () => {
  const sparks = (stamps: object, more: object = {}) =>
    entry("sparks", "Roof fan", { tool: "jigsaw", stamps, ...more }, { jobId: "a.OP-04" });
  it("is asked for before the night once the last chip has fallen, and while the second look is out", () => {
    const [d] = asked([sparks({ last: { by: "Teo", at: NOW - 10 } })]);
    expect([d.title, d.jobId]).toEqual(["Swarf of Roof fan", "a.OP-04"]);
    expect(d.detail).toMatch(/^its swarf is not off: chips rust/);
    expect(d.by).toBe(at("2027-03-04T00:00"));
    expect(asked([sparks({ last: { by: "Teo", at: NOW - 90 }, clean: { by: "Teo", at: NOW - 60 } })])[0].detail).toMatch(
      /^no second look yet/,
    );
  });
  it("is not while the work goes on, nor once it was looked at", () => {
    expect(asked([sparks({})])).toEqual([]);
    const stamp = { by: "Teo", at: NOW - 100 };
    expect(asked([sparks({ last: stamp, clean: stamp, look: { by: "Ines", at: NOW - 50 } })])).toEqual([]);
  });
  it("a refused protection is the lead's at once", () => {
    const d = asked([sparks({}, { refused: "gloves, they catch in the drill" })]);
    expect(d.map((x) => [x.title, x.detail, x.by])).toEqual([["Protection refused: Roof fan", "gloves, they catch in the drill", null]]);
  });
});

describe("damage", () => {
  const round = entry("round", "Yard", { when: "arrival", views: ["left"] }, { saidAt: NOW - 5000 });
  const dent = (more: object = {}, rest: object = {}) =>
    entry("mark", "Dent", { what: "damage", view: "left", x: 1, y: 1, ...more }, { saidAt: NOW - 50, ...rest });
  it("that nobody explains is asked about, with the last three who worked in between", () => {
    const work = (s: ReturnType<typeof testShop>) =>
      ["ST-01", "ST-02", "ST-03", "ST-04"].forEach((code, i) =>
        Object.assign(job(s, code), { state: "done", startedAt: NOW - 4000 + i, endedAt: NOW - 3000 + i, fitters: ["ines"] }),
      );
    const [d] = asked([round, dent()], undefined, work);
    expect(d.title).toBe("Dent is not explained");
    expect(d.detail).toMatch(/ and 1 before$/);
    expect(d.detail.match(/\(Ines\)/g)).toHaveLength(3);
  });
  it("is not once it is explained or settled, or when its side was never taken before", () => {
    expect(asked([round, dent({ outcome: "a ladder" })])).toEqual([]);
    expect(asked([round, dent({}, { closedAt: NOW })])).toEqual([]);
    expect(asked([dent()])).toEqual([]);
  });
});

describe("consents", () => {
  const owner = entry("owner", "Ada", { payer: "B", user: "C" });
  it("are asked for a week ahead of their job, no sooner", () => {
    const [d] = asked([owner], planOf("a.OP-06a", "2027-03-08T09:00"));
    expect(d.title).toBe(`Consent before ${job(testShop(), "OP-06a").name}`);
    expect(d.by).toBe(at("2027-03-08T09:00"));
    expect(asked([owner], planOf("a.OP-06a", "2027-03-11T09:00"))).toEqual([]);
    expect(asked([owner, entry("consent", "all", { touches: "skin", signedBy: "Ada" })], planOf("a.OP-06a", "2027-03-08T09:00"))).toEqual(
      [],
    );
  });
});

describe("a kit", () => {
  it("of what opens the skin tomorrow is counted tonight", () => {
    const kit = (start: string) => asked([], planOf("a.OP-06a", start)).filter((d) => d.mark === "K");
    const [d] = kit("2027-03-04T09:15");
    expect(d.title).toMatch(/^Kit of .*, from tomorrow 09:15$/);
    expect(d.detail).toMatch(/lines? of \d+ short or not counted/);
    expect(d.by).toBe(at("2027-03-04T00:00"));
    expect(kit("2027-03-03T14:00")[0].title).toMatch(/from 14:00$/);
    expect(kit("2027-03-05T09:15")).toEqual([]);
  });
});
