import { describe, expect, it } from "vitest";
import { pullForward } from "../planning/pull-forward";
import { at, done, job, NOW, testBuild, testShop } from "../testing/shop";
import { carrying, dustWords, tagWords } from "./tags";

const say = (t: number) => `${t - NOW} min`;

describe("what a job is like for those around it", () => {
  it("is told in words", () => {
    const shop = testShop();
    expect(tagWords(job(shop, "FU-02"))).toEqual(["makes dust", "big sheets"]);
    expect(tagWords(job(shop, "ST-06"))).toEqual(["water"]);
    expect(tagWords(job(shop, "FU-04"))).toEqual(["a coat that dust ruins"]);
  });

  it("keeps dust off a coat on the bench until it is dry, and a coat off dust that is being made", () => {
    const shop = testShop([testBuild("a"), testBuild("b")]);
    const [cut, coat] = [job(shop, "FU-02"), shop.builds[1].jobs.find((j) => j.code === "FU-04")!];
    expect(dustWords(shop, cut, NOW, say)).toBeNull();
    coat.state = "started";
    expect(dustWords(shop, cut, NOW, say)).toBe(`${coat.name} is being done beside it: no dust`);
    Object.assign(coat, { state: "done", endedAt: NOW - 60 });
    expect(dustWords(shop, cut, NOW, say)).toBe(`${coat.name} dries beside it until ${coat.hold.minutes - 60} min: no dust before`);
    expect(dustWords(shop, cut, NOW + coat.hold.minutes, say)).toBeNull();
    Object.assign(coat, { state: "todo", endedAt: null });
    cut.state = "started";
    expect(dustWords(shop, coat, NOW, say)).toBe(`${cut.name} makes dust beside it: let that end and settle first`);
    expect(dustWords(shop, job(shop, "FU-03"), NOW, say)).toBeNull();
  });

  it("reaches within one van only, not into the next", () => {
    const shop = testShop([testBuild("a"), testBuild("b")]);
    const boards = job(shop, "IN-05");
    const coat = shop.builds[1].jobs.find((j) => j.code === "IN-02")!;
    Object.assign(coat, { tags: ["coat"], state: "started" });
    expect(dustWords(shop, boards, NOW, say)).toBeNull();
    Object.assign(job(shop, "IN-02"), { tags: ["coat"], state: "started" });
    expect(dustWords(shop, boards, NOW, say)).toContain("no dust");
  });

  it("counts the carrying of sheets when work is pulled forward", () => {
    expect(carrying({}, { tags: ["big-sheet", "dust"] })).toBe(10);
    expect(carrying({}, { tags: ["dust"] })).toBe(0);
    const shop = testShop();
    done(shop, ["ST-01"], NOW - 60);
    const bench = job(shop, "OP-02");
    const offer = () => pullForward(shop, undefined, NOW).find((f) => f.jobId === bench.id)!;
    bench.minutes.worst = (at("2027-03-03T17:00") - NOW) as number;
    expect([offer().carry, offer().fits]).toEqual([0, true]);
    bench.tags = ["big-sheet"];
    expect([offer().carry, offer().fits]).toEqual([10, false]);
  });
});
