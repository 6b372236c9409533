// A cut stays locked until the box of its unit was looked at, line by line.

import { describe, expect, it } from "vitest";
import { buildNetwork } from "../../library/network";
import { vans } from "../../van/model";
import type { BuildRow, JobRow, PartRow } from "../state/model";
import { job, PLAIN, testBuild, testShop } from "../testing/shop";
import { boxesToCount, boxOpen, contentsBefore, toCount } from "./box-contents";

const FAN = "Roof fan 400 × 400 with template";
const LINES = ["fan, the right one, whole", "inner ring", "fixings by bag", "cut-out template", "remote or switch", "manual"];

let n = 0;
const counted = (items: [string, string][], more: { jobId?: string | null; title?: string; claimedFor?: string } = {}) =>
  ({
    id: `r${++n}`,
    kind: "contents",
    jobId: more.jobId === undefined ? "a.OP-04" : more.jobId,
    title: more.title ?? FAN,
    data: { items: items.map(([name, state]) => ({ name, state })), ...(more.claimedFor ? { claimedFor: more.claimedFor } : {}) },
    saidAt: n,
  }) as unknown as BuildRow["records"][number];
const complete = LINES.map((l): [string, string] => [l, "there"]);

function shopWith(...records: BuildRow["records"]) {
  const shop = testShop([testBuild("a")]);
  const fan = job(shop, "OP-04");
  Object.assign(fan.parts.find((p) => p.name === FAN)!, { state: "checked", contents: LINES });
  shop.builds[0].records = records;
  return { build: shop.builds[0], fan };
}

describe("the box of a unit", () => {
  it("is expected by the library, and the cut is locked before anybody has opened it", () => {
    const { build, fan } = shopWith();
    const fresh = buildNetwork(PLAIN, vans[1].geometry).find((j) => j.code === "OP-04")!;
    expect(fresh.parts.find((p) => p.name === FAN)!.contents).toEqual(LINES);
    expect(contentsBefore(build, fan)).toEqual([`locked: ${FAN}, nobody has looked into its box: 6 lines`]);
  });
  it("frees the cut when each line is here", () => {
    const { build, fan } = shopWith(counted(complete));
    expect(contentsBefore(build, fan)).toEqual([]);
  });
  it("keeps it locked by a line that is missing, wrong, or that nobody has answered", () => {
    const short = complete.map(([l], i): [string, string] => [l, i === 1 ? "missing" : i === 4 ? "wrong" : "there"]);
    const { build, fan } = shopWith(counted(short.slice(0, 5), { claimedFor: "2027-03-20" }));
    expect(contentsBefore(build, fan)).toEqual([
      `locked: ${FAN} came short, inner ring missing, remote or switch wrong, manual not looked at, claimed for 2027-03-20`,
    ]);
  });
  it("is each unit's own: the box of another job's window does not count, one counted for the whole van does", () => {
    const other = shopWith(counted(complete, { jobId: "a.OP-06a" }));
    expect(contentsBefore(other.build, other.fan)).toHaveLength(1);
    const whole = shopWith(counted(complete, { jobId: null }));
    expect(contentsBefore(whole.build, whole.fan)).toEqual([]);
  });
  it("counted again counts as it was counted last", () => {
    const again = shopWith(counted(complete.slice(0, 2)), counted(complete));
    expect(contentsBefore(again.build, again.fan)).toEqual([]);
  });
  it("of something without a list, and of work that cuts nothing, asks nothing", () => {
    const { build, fan } = shopWith();
    const plain = { ...fan, parts: fan.parts.map((p): PartRow => ({ ...p, contents: [] })) };
    expect(contentsBefore(build, plain)).toEqual([]);
    expect(contentsBefore(build, { ...fan, irreversible: null } as JobRow)).toEqual([]);
    expect(boxOpen({ name: "Edge primer", contents: [] }, undefined)).toEqual([]);
  });
});

describe("boxes to count", () => {
  it("are those that are here and open, each with its whole list", () => {
    const { build } = shopWith(counted(complete.slice(0, 2)));
    const [box] = boxesToCount(build);
    expect(box).toMatchObject({ jobId: "a.OP-04", open: LINES.slice(2).map((l) => `${l} not looked at`) });
    expect(box.items.map((i) => [i.name, i.state])).toEqual(LINES.map((l, i) => [l, i < 2 ? "there" : "missing"]));
    expect(boxesToCount(shopWith(counted(complete)).build)).toEqual([]);
  });
  it("start with every line missing: nothing is here until somebody says so", () => {
    expect(toCount({ contents: ["ring", "manual"] })).toEqual([
      { name: "ring", state: "missing" },
      { name: "manual", state: "missing" },
    ]);
  });
});
