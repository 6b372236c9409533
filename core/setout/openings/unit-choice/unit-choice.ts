// Candidates for one opening side by side: what each misses, which rib bays take it, what it draws, when to order at the latest.

import { defineCalculator } from "../../engine/define";
import { amount, count, day, house, length, optional, positive, rows, size, text, texts, usual } from "../../engine/inputs";
import { type Finding, outcome, round } from "../../engine/outcome";
import { prefill } from "./prefill";

const DAY = 86_400_000;
const same = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase();

const inputs = {
  asked: texts("Asked for", { from: "chosen", help: "What the client asks for, with commas." }),
  cuttingDay: day("Cutting day, as 2026-12-01", { from: "chosen", help: "When the hole is cut by the plan." }),
  goodsInDays: house(count("Goods-in", [0, 100_000], { unit: "days", help: "From the door to checked and on the shelf." }), 1),
  volts: usual(positive("Board", { unit: "V", from: "chosen", help: "What the van's circuits run at." }), 12),
  margin: length("Clear of ribs", { from: "chosen", help: "From the cut to the rib, on each side." }),
  frame: optional(length("Frame timber beside the cut", { from: "chosen", help: "Where a frame goes round the cut." })),
  framePlay: optional(length("Play of the frame", { from: "chosen", help: "Between frame and rib, on each side." })),
  freeAbove: optional(length("Free above the roof", { from: "chosen", help: "Up to the beam, or to a solar panel." })),
  budget: optional(amount("Budget", { from: "chosen", help: "Most that it may cost with frame and kit." })),
  bays: rows("Rib bays", "bay", { name: text("Bay"), clear: size("Clear") }, { least: 1, from: "van", help: "Clear between the ribs." }),
  candidates: rows(
    "Candidates",
    "candidate",
    {
      name: text("Unit"),
      price: amount("Price"),
      cut: size("Cut along"),
      leadDays: count("Lead, days"),
      amps: optional(amount("A")),
      hoursADay: optional(amount("h a day")),
      kg: optional(amount("kg")),
      extras: optional(amount("Frame, kit, price")),
      lidHeight: optional(length("High, open")),
      has: texts("Has", { help: "What this one has, with commas." }),
      height: optional(length("High")),
    },
    { least: 1, from: "chosen", help: "What could be bought." },
  ),
};

/**
 * A bay takes cut + 2b + 2p where a frame of timber b with play p goes round the cut, and at least the margin on both sides. Wh a day =
 * A·V·h. Cost = price + extras, against the budget. Latest order = cutting day − lead − goods-in days. Source: OP-n7.
 * Example: a cut of 400 with a frame of 36 and play 1 asks for 474; a bay of 470 does not take it.
 */
export const unitChoice = defineCalculator({
  name: "unit-choice",
  title: "Units side by side",
  stage: "openings",
  asks: "Which unit fits this van best?",
  words: "compare fan skylight window ribs buy",

  inputs,
  example: {
    asked: ["rain hood", "thermostat"],
    cuttingDay: "2026-12-01",
    goodsInDays: 2,
    volts: 12,
    margin: 5,
    freeAbove: 400,
    budget: 300,
    bays: [
      { name: "1", clear: 416 },
      { name: "2", clear: 431 },
    ],
    candidates: [
      {
        name: "small fan",
        price: 140,
        cut: 360,
        leadDays: 4,
        amps: 2.5,
        hoursADay: 4,
        kg: 4,
        extras: 25,
        lidHeight: 180,
        has: ["rain hood"],
      },
      {
        name: "large fan",
        price: 310,
        cut: 400,
        leadDays: 9,
        amps: 4,
        hoursADay: 4,
        kg: 6,
        extras: 25,
        lidHeight: 330,
        has: ["rain hood", "thermostat"],
      },
    ],
  },
  results: {
    candidates: ["candidates", ""],
    name: ["name", ""],
    price: ["price", ""],
    cost: ["cost", ""],
    massKg: ["mass", "kg"],
    asks: ["asks for a clear bay of", "mm"],
    opens: ["opens in the free height", ""],
    missed: ["lacks", ""],
    bays: ["bays", ""],
    whADay: ["used", "Wh a day"],
    orderBy: ["order by", ""],
    cheapestThatFits: ["cheapest that fits", ""],
  },
  fromPlan: true,
  prefill,
  check: ({ cuttingDay }) =>
    new Date(`${cuttingDay}T00:00Z`).toISOString().slice(0, 10) === cuttingDay ? [] : [{ path: "cuttingDay", message: "is no day" }],
  work: ({ asked, cuttingDay, goodsInDays, volts, margin, frame = 0, framePlay = 0, budget, freeAbove, bays, candidates }) => {
    const findings: Finding[] = [];
    const rows = candidates.map((c) => {
      const missed = asked.filter((a) => !c.has.some((h) => same(a, h)));
      const asks = c.cut + 2 * Math.max(margin, frame + framePlay);
      const fits = bays.filter((b) => b.clear >= asks - 1e-9).map((b) => b.name);
      const cost = round(c.price + (c.extras ?? 0));
      const high = Math.max(c.height ?? 0, c.lidHeight ?? 0);
      const opens = freeAbove === undefined || high <= freeAbove;
      const latest = new Date(Date.parse(`${cuttingDay}T00:00Z`) - (c.leadDays + goodsInDays) * DAY).toISOString().slice(0, 10);
      if (!fits.length)
        findings.push({
          level: "stop",
          about: "candidates",
          text: `${c.name}: no bay takes ${asks}, the cut of ${c.cut} ${frame + framePlay > margin ? "with its frame" : `with ${margin} on both sides`}`,
        });
      if (!opens)
        findings.push({
          level: "stop",
          about: "candidates",
          text: `${c.name} stands ${high} high when open, ${freeAbove} are free above the roof`,
        });
      if (budget !== undefined && cost > budget)
        findings.push({
          level: "warn",
          about: "budget",
          text: `${c.name} costs ${cost} with what goes with it, ${round(cost - budget)} more than the budget`,
        });
      if (missed.length) findings.push({ level: "warn", about: "candidates", text: `${c.name} lacks ${missed.join(", ")}` });
      return {
        name: c.name,
        price: c.price,
        cost,
        massKg: c.kg ?? null,
        asks,
        opens,
        missed,
        bays: fits,
        whADay: round((c.amps ?? 0) * volts * (c.hoursADay ?? 0), 1),
        orderBy: latest,
      };
    });
    const sound = rows.filter((r) => !r.missed.length && r.bays.length && r.opens).sort((a, b) => a.cost - b.cost)[0];
    findings.push(
      sound
        ? { level: "ok", about: "candidates", text: `${sound.name} is the cheapest that has all and fits; order by ${sound.orderBy}` }
        : { level: "warn", about: "candidates", text: "none has all and fits: drop a wish, or look at the bays again" },
    );
    return outcome({ candidates: rows, cheapestThatFits: sound?.name ?? null }, { findings, massKg: sound?.massKg ?? null });
  },
});
