// The order's seats against the layout: openings wait while somebody would have nowhere to ride.

import { describe, expect, it } from "vitest";
import type { Owner } from "../records/kinds/client";
import { obstacles } from "../starts/ready";
import type { BuildRow } from "../state/model";
import { job, NOW, testBuild, testShop } from "../testing/shop";
import { briefBefore, briefOpen } from "./brief";

const buildWith = (o: Partial<Owner>): Pick<BuildRow, "records"> => ({
  records: [{ id: "r", kind: "owner", jobId: null, title: "Ada Quill", data: { payer: "a", user: "b", ...o }, saidAt: 1 }] as never,
});
const opening = { stage: "openings" };

describe("seats of the order", () => {
  it("hold the openings while fewer are belted than travel, and nothing else", () => {
    const short = buildWith({ beltsOrdered: 4, beltsDrawn: 2 });
    expect(briefBefore(short, opening)).toEqual(["the layout has 2 belted seats, 4 were ordered"]);
    expect(briefBefore(short, { stage: "strip" })).toEqual([]);
    expect(briefBefore(buildWith({ beltsOrdered: 4, beltsDrawn: 4 }), opening)).toEqual([]);
    expect(briefBefore(buildWith({}), opening)).toEqual([]);
    expect(briefBefore({ records: [] }, opening)).toEqual([]);
  });
  it("count only where something shows that the anchor holds", () => {
    const seats: Owner["seats"] = [
      { name: "bench left", kind: "belted", evidence: "test report 12" },
      { name: "bench right", kind: "belted", evidence: " " },
      { name: "dinette", kind: "leisure" },
    ];
    expect(briefBefore(buildWith({ beltsOrdered: 2, beltsDrawn: 9, seats }), opening)).toEqual([
      "the layout has 1 belted seat, 2 were ordered",
      "nothing shows that the anchor of bench right holds",
    ]);
  });
  it("that are not for the road are marked before the van goes", () => {
    const seats: Owner["seats"] = [{ name: "dinette", kind: "leisure" }];
    expect(briefOpen(buildWith({ seats }))).toEqual(['1 leisure seat is not marked "not while driving"']);
    expect(briefOpen(buildWith({ seats, leisureMarked: true }))).toEqual([]);
  });
  it("stand among what the first opening waits for", () => {
    const shop = testShop([testBuild("a")]);
    const first = job(shop, "OP-01");
    const said = () => obstacles(shop, first, NOW).map((o) => o.text);
    expect(said().join()).not.toMatch(/belted/);
    shop.builds[0].records = buildWith({ beltsOrdered: 4, beltsDrawn: 2 }).records;
    expect(said()).toContain("the layout has 2 belted seats, 4 were ordered");
  });
});
