// Candidates for one opening side by side: what each misses, which rib bays take it, what it draws, when to order at the latest.

import { calculator, type Finding, is, list, object, outcome, round } from "./model";

interface Candidate {
  name: string;
  price: number;
  kg?: number;
  cut: number;
  amps?: number;
  hoursADay?: number;
  leadDays: number;
  /** What goes with it: frame timber, adapter, kit, in money. */
  extras?: number;
  /** Outer height above the roof and of its lid when open. */
  height?: number;
  lidHeight?: number;
  has: string[];
}

interface Input {
  asked: string[];
  /** YYYY-MM-DD. */
  cuttingDay: string;
  goodsInDays?: number;
  volts?: number;
  margin: number;
  /** Width of the frame timber on each side of the cut, and the play between the two: a bay takes cut + 2b + 2p. */
  frame?: number;
  framePlay?: number;
  budget?: number;
  /** Free above the roof, so that the lid opens. */
  freeAbove?: number;
  bays: { name: string; clear: number }[];
  candidates: Candidate[];
}

const texts = { type: "array", items: is.name, maxItems: 50 };
const schema = object(
  {
    asked: texts,
    cuttingDay: { type: "string", pattern: "^\\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\\d|3[01])$" },
    margin: is.mm,
    bays: list(object({ name: is.name, clear: is.size }), 1),
    candidates: list(
      object(
        { name: is.name, price: is.amount, cut: is.size, leadDays: is.count, has: texts },
        { kg: is.amount, amps: is.amount, hoursADay: is.amount, extras: is.amount, height: is.mm, lidHeight: is.mm },
      ),
      1,
    ),
  },
  { goodsInDays: is.count, volts: is.size, frame: is.mm, framePlay: is.mm, budget: is.amount, freeAbove: is.mm },
);

const DAY = 86_400_000;
const same = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase();

/**
 * A bay takes cut + 2b + 2p where a frame of timber b with play p goes round the cut, and at least the margin on both sides. Wh a day =
 * A·V·h. Cost = price + extras, against the budget. Latest order = cutting day − lead − goods-in days. Source: OP-n7.
 * Example: a cut of 400 with a frame of 36 and play 1 asks for 474; a bay of 470 does not take it.
 */
export const unitChoice = calculator<Input>(
  { name: "unit-choice", title: "Units side by side" },
  schema,
  ({ cuttingDay }) =>
    new Date(`${cuttingDay}T00:00Z`).toISOString().slice(0, 10) === cuttingDay ? [] : [{ path: "cuttingDay", message: "is no day" }],
  ({ asked, cuttingDay, goodsInDays = 1, volts = 12, margin, frame = 0, framePlay = 0, budget, freeAbove, bays, candidates }) => {
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
);
