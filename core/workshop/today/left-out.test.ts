// Steps that were left out: told at the end of the day, to the fitter and to the lead.

import { expect, it } from "vitest";
import { paperDecisions } from "../records/paper-decisions";
import { job, NOW, testShop, zone } from "../testing/shop";
import { dayEnd } from "./day-end";
import { leftOutToday } from "./left-out";

const night = zone.dayStart(zone.dayOf(NOW) + 1);

it("a step that was left out today is told to its fitter and to the lead, with the reason; tomorrow it is not told again", () => {
  const shop = testShop();
  const [b] = shop.builds;
  const fan = job(shop, "OP-04");
  Object.assign(fan, { state: "started", startedAt: NOW - 60, fitters: [shop.fitters[0].id] });
  Object.assign(fan.steps[2], { doneAt: NOW - 5, doneBy: "u-ines", waivedWhy: "no second tab: the piece is small" });
  expect(leftOutToday(b, NOW, zone)).toEqual([
    { job: { id: fan.id, name: fan.name }, step: fan.steps[2].text, why: "no second tab: the piece is small", by: "u-ines" },
  ]);
  expect(dayEnd(shop, undefined, shop.fitters[0].id, NOW).open).toContain(
    `${fan.name}, left out: ${fan.steps[2].text} (no second tab: the piece is small)`,
  );
  const asked = paperDecisions({ shop, zone, now: NOW, planned: new Map(), night }, b);
  expect(asked.find((d) => d.title.startsWith("Left out:"))).toMatchObject({ jobId: fan.id, by: night });
  expect(leftOutToday(b, night + 60, zone)).toEqual([]);
  fan.byOthers = "A yard";
  expect(leftOutToday(b, NOW, zone)).toEqual([]);
});
