// Alone in the shop, and what is worn.

import { describe, expect, it } from "vitest";
import { decisions } from "../builds/decisions";
import { paperDecisions } from "../records/paper-decisions";
import { entry } from "../testing/entry";
import { job, NOW, testShop, zone } from "../testing/shop";
import { aloneFault, inNow, riskOf, unheard } from "./alone";
import { gearFor, gearOpen, gearWords } from "./gear";
import { startObstacles } from "./ready";

/** Everybody but the first is away today. */
const alone = () => {
  const shop = testShop();
  for (const f of shop.fitters.slice(1)) f.absences = [{ id: "a", from: NOW - 600, to: NOW + 600, reason: "course" }];
  return shop;
};

describe("alone in the shop", () => {
  it("is whoever is in by their hours while all others are away", () => {
    expect(inNow(testShop(), NOW)).toHaveLength(testShop().fitters.length);
    expect(inNow(alone(), NOW)).toEqual([alone().fitters[0].id]);
    expect(inNow(alone(), zone.parse("2027-03-07T10:00"))).toEqual([]);
  });
  it("nobody cuts, climbs or does the work of two; work of one hand may be begun", () => {
    const shop = alone();
    const [me] = shop.fitters;
    const fan = job(shop, "OP-04");
    expect(riskOf(fan)).toEqual(expect.arrayContaining(["it cuts the body", "it is on the roof"]));
    expect(aloneFault(shop, fan, [me.id], NOW)).toMatch(new RegExp(`^${me.name} is alone in the shop: .*it cuts the body`));
    expect(
      startObstacles(shop, fan, [me.id], "b1", NOW)
        .map((o) => o.text)
        .join(),
    ).toMatch(/is alone in the shop/);
    const plain = { ...job(shop, "ST-06"), crew: [{ skill: "any", level: 1, people: 1, ticket: null }], zones: ["left"] };
    expect(aloneFault(shop, plain, [me.id], NOW)).toBeUndefined();
    expect(aloneFault(testShop(), fan, [me.id], NOW)).toBeUndefined();
    Object.assign(shop.workshop, { figures: { aloneRule: 0 } });
    expect(aloneFault(shop, fan, [me.id], NOW)).toBeUndefined();
  });
  it("the lead is told when nothing was ticked for longer than the house lets: 60 min pass, 61 do not", () => {
    const shop = alone();
    const j = Object.assign(job(shop, "ST-06"), {
      state: "started",
      startedAt: NOW - 60,
      runningSince: NOW - 60,
      fitters: [shop.fitters[0].id],
    });
    expect(unheard(shop, NOW)).toBeUndefined();
    expect(unheard(shop, NOW + 1)).toMatchObject({ name: shop.fitters[0].name, since: NOW - 60 });
    expect(decisions(shop, undefined, NOW + 1).find((d) => d.title.startsWith("alone in the shop"))).toMatchObject({ jobId: j.id });
    j.steps[0].doneAt = NOW - 5;
    expect(unheard(shop, NOW + 1)).toBeUndefined();
  });
});

describe("what is worn", () => {
  const dayStart = zone.dayStart(zone.dayOf(NOW));
  it("comes from tools and materials, each with what asks for it, ticked once a day", () => {
    const shop = testShop();
    const [b] = shop.builds;
    const fan = job(shop, "OP-04");
    expect(gearFor({ tools: ["jigsaw"], parts: [], kit: ["edge primer"] })).toEqual([
      { gear: "eyes", from: "jigsaw" },
      { gear: "ears", from: "jigsaw" },
      { gear: "gloves", from: "jigsaw" },
      { gear: "sleeves", from: "jigsaw" },
      { gear: "mask", from: "edge primer" },
    ]);
    expect(gearFor({ tools: [], parts: [], kit: ["tape"] })).toEqual([]);
    expect(gearWords(b, fan, dayStart)[0]).toMatch(/^Wear, and tick it once today: eye protection \(/);
    const worn = gearFor(fan).map((g) => g.gear);
    b.records.push(entry("gear", "Teo", { worn }, { jobId: fan.id, saidAt: NOW }));
    expect(gearOpen(b, fan, dayStart)).toEqual([]);
    expect(gearWords(b, fan, dayStart)).toEqual([]);
    expect(gearOpen(b, fan, dayStart + 1440)).not.toEqual([]);
  });
  it("what somebody does not wear is told to the lead by name until it is settled", () => {
    const shop = testShop();
    const [b] = shop.builds;
    const night = dayStart + 1440;
    const told = () =>
      paperDecisions({ shop, zone, now: NOW, planned: new Map(), night }, b).filter((d) => d.title.startsWith("Gear not worn"));
    const refusal = entry("gear", "Teo", { worn: ["eyes"], refused: "mask: none in the drawer" });
    b.records.push(refusal);
    expect(told()).toMatchObject([{ title: "Gear not worn: Teo", detail: "mask: none in the drawer", tone: "signal" }]);
    refusal.closedAt = NOW;
    expect(told()).toEqual([]);
  });
});
