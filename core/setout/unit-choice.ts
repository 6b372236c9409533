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
  has: string[];
}

interface Input {
  asked: string[];
  /** YYYY-MM-DD. */
  cuttingDay: string;
  goodsInDays?: number;
  volts?: number;
  margin: number;
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
        { kg: is.amount, amps: is.amount, hoursADay: is.amount },
      ),
      1,
    ),
  },
  { goodsInDays: is.count, volts: is.size },
);

const DAY = 86_400_000;
const same = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase();

/** A bay takes a cut with the margin on both sides. Wh a day = A·V·h. Latest order = cutting day − lead − goods-in days. */
export const unitChoice = calculator<Input>(
  { name: "unit-choice", title: "Units side by side" },
  schema,
  ({ cuttingDay }) =>
    new Date(`${cuttingDay}T00:00Z`).toISOString().slice(0, 10) === cuttingDay ? [] : [{ path: "cuttingDay", message: "is no day" }],
  ({ asked, cuttingDay, goodsInDays = 1, volts = 12, margin, bays, candidates }) => {
    const findings: Finding[] = [];
    const rows = candidates.map((c) => {
      const missed = asked.filter((a) => !c.has.some((h) => same(a, h)));
      const fits = bays.filter((b) => b.clear >= c.cut + 2 * margin).map((b) => b.name);
      const latest = new Date(Date.parse(`${cuttingDay}T00:00Z`) - (c.leadDays + goodsInDays) * DAY).toISOString().slice(0, 10);
      if (!fits.length)
        findings.push({ level: "stop", about: "candidates", text: `${c.name}: no bay takes ${c.cut} with ${margin} on both sides` });
      if (missed.length) findings.push({ level: "warn", about: "candidates", text: `${c.name} lacks ${missed.join(", ")}` });
      return {
        name: c.name,
        price: c.price,
        missed,
        bays: fits,
        whADay: round((c.amps ?? 0) * volts * (c.hoursADay ?? 0), 1),
        orderBy: latest,
      };
    });
    const sound = rows.filter((r) => !r.missed.length && r.bays.length).sort((a, b) => a.price - b.price)[0];
    findings.push(
      sound
        ? { level: "ok", about: "candidates", text: `${sound.name} is the cheapest that has all and fits; order by ${sound.orderBy}` }
        : { level: "warn", about: "candidates", text: "none has all and fits: drop a wish, or look at the bays again" },
    );
    return outcome({ candidates: rows, cheapestThatFits: sound?.name ?? null }, { findings });
  },
);
