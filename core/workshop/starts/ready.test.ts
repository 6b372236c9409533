import { describe, expect, it } from "vitest";
import { openShots, proofApproved, shotState } from "../proof/proof";
import { availableFrom } from "../stores/parts";
import { done, job, NO_MACHINE, NOW, testShop } from "../testing/shop";
import { obstacles, startObstacles } from "./ready";
import { inUse, toolsAsked } from "./tools";

const STRIP = ["ST-01", "ST-03", "ST-04", "ST-06", "ST-07"];
const kinds = (list: { kind: string }[]) => list.map((o) => o.kind);
const photo = (verdict: "approved" | "again" | null) => ({
  id: "p",
  shotId: "s",
  sha256: "",
  takenBy: "",
  takenAt: NOW,
  verdict,
  reason: verdict === "again" ? "dark" : null,
  reviewedBy: null,
});

describe("obstacles", () => {
  it("names the open predecessor with the reason of the order rule", () => {
    const shop = testShop();
    expect(obstacles(shop, job(shop, "ST-03"), NOW)[0]).toMatchObject({
      kind: "predecessor",
      text: expect.stringContaining("Check in and measure is not done: "),
    });
  });
  it("waits out a hold", () => {
    const shop = testShop();
    done(shop, [...STRIP, "OP-01", "OP-02", "OP-03", "OP-04", "OP-06a"], NOW - 60);
    expect(kinds(obstacles(shop, job(shop, "OP-13"), NOW))).toContain("hold");
    done(shop, ["ST-07", "OP-04", "OP-06a", "OP-12"], NOW - 3000);
    expect(kinds(obstacles(shop, job(shop, "OP-13"), NOW))).not.toContain("hold");
  });
  it("stops a close-up until every required photo is approved", () => {
    const shop = testShop();
    done(shop, [...STRIP, "OP-01", "OP-02", "OP-03"], NOW - 600);
    const fan = job(shop, "OP-04");
    const shot = job(shop, "OP-01").shots[0];
    job(shop, "OP-02").shots[0].photos.push(photo("approved"));
    expect(obstacles(shop, fan, NOW).map((o) => o.text)).toEqual([expect.stringContaining("still to be taken")]);
    shot.photos.push(photo(null));
    expect(obstacles(shop, fan, NOW)[0].text).toContain("waits for the lead");
    shot.photos[0] = photo("again");
    expect(kinds(obstacles(shop, fan, NOW))).toEqual(["proof"]);
    shot.photos.push(photo("approved"));
    expect(obstacles(shop, fan, NOW)).toEqual([]);
  });
  it("stops on a missing part and on a word from the bench", () => {
    const shop = testShop();
    const j = job(shop, "ST-01");
    j.remarks.push({ id: "r", jobId: j.id, kind: "other", text: "no key", stopsWork: true, saidBy: "x", saidAt: NOW });
    expect(kinds(obstacles(shop, j, NOW))).toEqual(["remark"]);
    j.remarks = [];
    j.parts.push({ ...job(shop, "OP-04").parts[0], state: "ordered" });
    expect(obstacles(shop, j, NOW)[0]).toMatchObject({ kind: "part", text: expect.stringContaining("ordered, no date promised") });
  });
});

describe("what a job asks first, and what it must not bury", () => {
  it("asks before what can't be undone, until somebody has answered", () => {
    const shop = testShop();
    done(shop, [...STRIP, "OP-01", "OP-02", "OP-03"], NOW - 600);
    const fan = job(shop, "OP-04");
    for (const code of ["OP-01", "OP-02"]) job(shop, code).shots[0].photos.push(photo("approved"));
    fan.questions[1].answeredAt = null;
    expect(obstacles(shop, fan, NOW)).toEqual([
      { kind: "question", text: expect.stringMatching(/^1 question before the cut is open: Outline agreed/) },
    ]);
    fan.questions[1].answeredAt = NOW;
    expect(obstacles(shop, fan, NOW)).toEqual([]);
  });
  it("keeps a job from burying what another has left to finish", () => {
    const shop = testShop();
    const soak = job(shop, "OP-13");
    job(shop, "OP-04").remainders.push({
      id: "r",
      jobId: "a.OP-04",
      text: "backfill the second bead",
      before: soak.id,
      owner: null,
      saidBy: "u",
      saidAt: NOW,
    });
    expect(obstacles(shop, soak, NOW).filter((o) => o.kind === "remainder")).toEqual([
      { kind: "remainder", text: expect.stringMatching(/still has something to finish: backfill the second bead/) },
    ]);
    expect(kinds(obstacles(shop, job(shop, "OP-12"), NOW))).not.toContain("remainder");
  });
});

describe("shared tools", () => {
  it("stop a job when they are not sound, or when all of them are in use", () => {
    const shop = testShop();
    const window = job(shop, "OP-06a");
    const tool = (list: { kind: string; text: string }[]) => list.filter((o) => o.kind === "tool").map((o) => o.text);
    expect(tool(obstacles(shop, window, NOW))).toEqual([]);
    shop.tools[0] = { ...shop.tools[0], state: "lent", note: "to the boatyard till Friday" };
    expect(tool(obstacles(shop, window, NOW))).toEqual(["the nibbler is lent: to the boatyard till Friday"]);
    shop.tools[0] = { ...shop.tools[0], state: "sound" };
    const other = { ...structuredClone(window), id: "b.OP-06a", buildId: "b", name: "Window of b", state: "started" as const };
    shop.builds.push({ ...shop.builds[0], id: "b", jobs: [other] });
    expect(tool(startObstacles(shop, window, ["ines", "teo"], "b1", NOW))).toEqual(["the nibbler is in use on Window of b (Field vet)"]);
    shop.tools[0].pieces = 2;
    expect(tool(startObstacles(shop, window, ["ines", "teo"], "b1", NOW))).toEqual([]);
    // Done, the tool is free; what is held stays with the work until the bond lets go.
    shop.tools[0].pieces = 1;
    Object.assign(other, { state: "done", endedAt: NOW - 60, hold: { ...other.hold, minutes: 90 } });
    expect(tool(startObstacles(shop, window, ["ines", "teo"], "b1", NOW))).toEqual([]);
    shop.tools[0].held = true;
    expect(tool(startObstacles(shop, window, ["ines", "teo"], "b1", NOW))).toEqual(["the nibbler is in use on Window of b (Field vet)"]);
    expect(tool(startObstacles(shop, window, ["ines", "teo"], "b1", NOW + 30))).toEqual([]);
    expect(
      inUse(shop, NOW)
        .get("nib")!
        .map((j) => j.id),
    ).toEqual(["b.OP-06a"]);
  });
});

describe("what a job books of the shared tools", () => {
  it("is those of its names that the house has, held only where something bonds", () => {
    const tools = ["nibbler", "clamps"].map((name) => ({
      id: name,
      name,
      pieces: 1,
      state: "sound" as const,
      note: "",
      held: name === "clamps",
      version: 1,
      ...NO_MACHINE,
    }));
    const asks = (names: string[], minutes: number) => toolsAsked(tools, { tools: names, hold: { minutes } as never });
    expect(asks(["nibbler", "clamps", "own saw"], 720)).toEqual({ tools: [{ id: "nibbler" }, { id: "clamps", held: true }] });
    expect(asks(["clamps"], 0)).toEqual({ tools: [{ id: "clamps" }] });
    expect(asks(["own saw"], 720)).toEqual({});
  });
});

describe("startObstacles", () => {
  it("lets a ready job begin with a crew that can do it", () => {
    const shop = testShop();
    expect(startObstacles(shop, job(shop, "ST-01"), ["ines"], "b1", NOW)).toEqual([]);
  });
  it("refuses the wrong place, a busy or unskilled crew, and a van that is elsewhere", () => {
    const shop = testShop();
    done(shop, ["ST-01"], NOW - 60);
    const safe = job(shop, "ST-03");
    expect(kinds(startObstacles(shop, safe, ["ines"], "b1", NOW))).toEqual(["crew"]);
    Object.assign(job(shop, "OP-02"), { state: "started", startedAt: NOW, fitters: ["nils"], actualPlace: "bench" });
    expect(startObstacles(shop, safe, ["nils"], "b1", NOW)[0].text).toContain("Nils is on Units unpacked");
    expect(kinds(startObstacles(shop, job(shop, "FU-01"), ["rosa"], "bench", NOW))).not.toContain("place");
    shop.builds[0].at = null;
    expect(kinds(startObstacles(shop, job(shop, "ST-03"), ["nils"], "b1", NOW))).toContain("place");
  });
  it("refuses wet, dark and cold places", () => {
    const shop = testShop();
    done(shop, [...STRIP, "OP-01", "OP-02", "OP-03"], NOW - 600);
    for (const code of ["OP-01", "OP-02"]) job(shop, code).shots[0].photos.push(photo("approved"));
    shop.builds[0].at = "b2";
    const fan = job(shop, "OP-04");
    expect(startObstacles(shop, fan, ["ines", "teo"], "b2", NOW)).toEqual([]);
    shop.weather[0] = { ...shop.weather[0], dry: [], sunrise: "11:00", lowC: 1, highC: 5 };
    expect(kinds(startObstacles(shop, fan, ["ines", "teo"], "b2", NOW))).toEqual(["conditions", "conditions", "conditions"]);
  });
});

describe("proof", () => {
  it("takes the newest photo's word, and any approval", () => {
    expect(shotState({ photos: [] })).toBe("missing");
    expect(shotState({ photos: [photo("again"), photo(null)] })).toBe("waiting");
    expect(shotState({ photos: [photo("approved"), photo(null)] })).toBe("approved");
  });
  it("asks nothing where no shot is required", () => {
    const shop = testShop();
    const j = job(shop, "FU-02");
    j.shots = [];
    expect(proofApproved(j)).toBeUndefined();
    expect(openShots(j)).toEqual([]);
  });
});

describe("availableFrom", () => {
  const shop = testShop();
  const part = job(shop, "OP-04").parts[0];
  const of = (more: object) => availableFrom({ ...part, ...more }, shop.suppliers[0], NOW, 60);
  it("counts promise and goods-in, likely lead without a promise, worst after a wrong delivery", () => {
    expect(of({ state: "checked" })).toEqual({ from: NOW, kind: "here" });
    expect(of({ state: "arrived" })).toEqual({ from: NOW + 60, kind: "to-check" });
    expect(of({ state: "promised", promisedAt: NOW + 2000 })).toEqual({ from: NOW + 2060, kind: "promised" });
    expect(of({ state: "promised", promisedAt: NOW - 5 })).toEqual({ from: NOW + 1500, kind: "overdue" });
    expect(of({ state: "ordered" })).toEqual({ from: NOW + 5 * 1440 + 60, kind: "ordered" });
    expect(of({ state: "needed" })).toEqual({ from: NOW + 6 * 1440 + 60, kind: "not-ordered" });
    expect(of({ state: "wrong" })).toEqual({ from: NOW + 12 * 1440 + 60, kind: "wrong" });
  });
});
