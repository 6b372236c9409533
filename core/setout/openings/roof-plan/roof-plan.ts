// The roof: which bay takes which unit, a placement of all of them, what the crown asks for under a flat flange.

import { ribMargin } from "../../../library/need";
import { line, rect, words } from "../../drawing/shapes";
import { defineCalculator } from "../../engine/define";
import { amount, group, house, houseGroup, type InputOf, length, optional, rows, size, text } from "../../engine/inputs";
import { type Finding, mm, outcome, round, type Shape } from "../../engine/outcome";
import { second } from "../../engine/second";
import { type RankedBay, rankBays, sayBay } from "./bay-rank";
import { handles } from "./handles";
import { prefill } from "./prefill";
import { type Item, place, type Strip } from "./roof-search";

function faults({ roof, ribs, items, uses = [] }: Input) {
  const out: { path: string; message: string }[] = [];
  ribs.forEach((r, i) => {
    if (i && r.at - r.width / 2 < ribs[i - 1].at + ribs[i - 1].width / 2)
      out.push({ path: `ribs[${i}].at`, message: "lies before the end of the rib ahead of it" });
    if (r.at > roof.length) out.push({ path: `ribs[${i}].at`, message: `lies beyond the roof (${mm(roof.length)})` });
  });
  const known = new Set(uses.map((u) => u.name));
  items.forEach((it, i) => {
    if (it.over !== undefined && !known.has(it.over))
      out.push({ path: `items[${i}].over`, message: `${it.over} is none of the uses below` });
  });
  const names = new Set<string>();
  items.forEach((it, i) => {
    if (names.has(it.name)) out.push({ path: `items[${i}].name`, message: `${it.name} stands twice` });
    names.add(it.name);
    if (it.cut && (it.cut.length > it.overall.length || it.cut.width > it.overall.width))
      out.push({ path: `items[${i}].cut`, message: "is larger than the unit" });
  });
  return out;
}

/** Packing under the edges of a flat flange of width w on a crown H over the width B: H·(w ÷ B)². */
export const packing = (crown: number, width: number, flange: number): number => crown * (flange / width) ** 2;

type Taken = { name: string; from: number; to: number };

/** Where a bar could go instead: the smallest shift that clears the unit and all others, else shortened past it. */
function barOffer(bar: { at: number; width: number }, item: string, taken: readonly Taken[], length: number): string {
  const t = taken.find((x) => x.name === item);
  if (!t) return "another bay for the unit, or the bar shortened past it";
  const clear = (at: number) => {
    const [from, to] = [at - bar.width / 2, at + bar.width / 2];
    return from >= 0 && to <= length && taken.every((x) => to <= x.from || from >= x.to);
  };
  const spots = [t.from - bar.width / 2, t.to + bar.width / 2].filter(clear).sort((a, b) => Math.abs(a - bar.at) - Math.abs(b - bar.at));
  if (!spots.length) return "no place beside it is free, another bay for the unit, or the bar shortened past it";
  const by = round(Math.abs(spots[0] - bar.at), 1);
  return `${mm(by)} ${spots[0] < bar.at ? "forwards" : "rearwards"} clears it, or shorten it past the unit`;
}

const inputs = {
  roof: group({
    length: size("Roof length", { from: "van", help: "From the bulkhead line to the rear edge." }),
    width: size("Roof width", { from: "van", help: "Left skin to right skin." }),
    crown: length("Crown", { from: "van", help: "How much higher the middle is than the edges." }),
  }),
  margins: houseGroup({
    rib: house(length("Clear of ribs", { help: "From the cut to the rib: frame and play." }), ribMargin.whole),
    ribShaved: optional(length("With the frame shaved", { from: "house", help: "The same once the frame is shaved." })),
    item: house(length("Between units", { help: "Room for lids and hands." }), 40),
    edge: house(length("Clear of edges", { help: "From a cut to the edge of the roof." }), 60),
  }),
  rackKg: optional(amount("Rack carries", { unit: "kg", from: "chosen", help: "What the rack may carry, by its maker." })),
  items: rows(
    "Units",
    "unit",
    {
      name: text("Name"),
      overall: group({ length: size("Length"), width: size("Width") }),
      cut: optional(group({ length: size("Cut length"), width: size("Cut width") })),
      height: optional(length("Height")),
      wish: optional(
        group({ at: optional(length("Wished at")), across: optional(length("… across")), near: optional(text("Near which")) }),
      ),
      over: optional(text("Over which use")),
      reach: optional(length("Lid, hand")),
    },
    { from: "chosen", help: "Name, outer size, cut and where it is wished." },
  ),
  uses: optional(
    rows(
      "What lies below",
      "use",
      { name: text("What"), at: length("Its middle at") },
      { from: "chosen", help: "So that a fan comes over the galley or the bed." },
    ),
  ),
  ribs: rows(
    "Ribs",
    "rib",
    { at: length("Centre at"), width: size("Width") },
    { from: "van", help: "Middle of each rib, from the bulkhead line." },
  ),
  bars: optional(
    rows("Rack bars", "bar", { at: length("Centre at"), width: size("Width") }, { from: "van", help: "A unit under a bar is told." }),
  ),
};
type Input = InputOf<typeof inputs>;

/**
 * `at` and `across` are centres. Bay n lies behind rib n (bay 0 before the first); a piercing unit needs its cut and the rib
 * margin on both sides inside one bay; where no bay has that, one in which the frame's long pieces are shaved. Ribs are never cut. Bars are kept free where that can be; else they are named.
 */
export const roofPlan = defineCalculator({
  name: "roof-plan",
  title: "Roof plan",
  stage: "openings",
  asks: "Do fan, skylight and solar panels fit on the roof, clear of the ribs?",
  words: "place rack shade",

  holds: true,

  slow: true,
  inputs,
  example: {
    roof: { length: 3200, width: 1560, crown: 38 },
    margins: { rib: 39, ribShaved: 21, item: 40, edge: 60 },
    items: [
      {
        name: "fan",
        overall: { length: 383, width: 383 },
        cut: { length: 343, width: 343 },
        height: 90,
        wish: { at: 1100 },
        over: "galley",
      },
      { name: "solar", overall: { length: 1176, width: 664 }, height: 40 },
    ],
    uses: [{ name: "galley", at: 1150 }],
    ribs: [
      { at: 402, width: 44 },
      { at: 861, width: 44 },
      { at: 1338, width: 44 },
      { at: 1802, width: 44 },
      { at: 2290, width: 44 },
      { at: 2770, width: 44 },
    ],
    bars: [],
  },
  results: {
    placed: ["units placed", ""],
    name: ["name", ""],
    at: ["along", "mm"],
    across: ["across", "mm"],
    bay: ["bay", ""],
    unplaced: ["no place for", ""],
    barsInTheWay: ["rack bars in the way", ""],
    packing: ["packing", ""],
    mm: ["packing", "mm"],
    baysThatFit: ["bays that fit", ""],
    afterShaving: ["bays after shaving", ""],
    off: ["off", "mm"],
    ranking: ["bays, best first", ""],
    bar: ["bar", ""],
    item: ["item", ""],
    reason: ["reason", ""],
    toUse: ["from its use", "mm"],
    rackLeftKg: ["rack carries still", "kg"],
  },
  prefill,
  handles,
  second: ({ roof }, o) =>
    ((o.results.placed ?? []) as { name: string; at: number; across: number }[]).flatMap((p) => [
      second(`${p.name} rear`, `${p.name}: from the roof's rear edge to its centre`, roof.length - p.at),
      second(`${p.name} right`, `${p.name}: from the right edge to its centre`, roof.width - p.across),
    ]),
  check: faults,
  work: (input) => {
    const { roof, ribs, bars = [], items, margins } = input;
    const bays = Array.from({ length: ribs.length + 1 }, (_, i) => ({
      from: i ? ribs[i - 1].at + ribs[i - 1].width / 2 : 0,
      to: i < ribs.length ? ribs[i].at - ribs[i].width / 2 : roof.length,
    }));
    const fits = (cut: number) => bays.flatMap((b, i) => (b.to - b.from >= cut + 2 * margins.rib ? [i] : []));
    const least = Math.min(margins.rib, margins.ribShaved ?? margins.rib);
    /** Bays that fit once so much is shaved off each long piece. */
    const shavedBays = (cut: number) =>
      bays.flatMap((b, i) => {
        const off = round((cut + 2 * margins.rib - (b.to - b.from)) / 2, 1);
        return off > 0 && off <= margins.rib - least ? [{ bay: i, off }] : [];
      });
    const afterShaving = Object.fromEntries(items.filter((it) => it.cut).map((it) => [it.name, shavedBays(it.cut!.length)]));
    const marginOf = (cut: number) => (fits(cut).length ? margins.rib : least);
    const baysThatFit = Object.fromEntries(items.filter((it) => it.cut).map((it) => [it.name, fits(it.cut!.length)]));
    const asItems: Item[] = items.map((it) => ({
      name: it.name,
      length: it.overall.length,
      width: it.overall.width,
      // The centre of a piercing unit lies so far inside a bay that its cut and the margin do.
      spans: it.cut
        ? bays
            .map((b) => {
              const inside = marginOf(it.cut!.length) + it.cut!.length / 2;
              return { from: b.from + inside, to: b.to - inside };
            })
            .filter((s) => s.to >= s.from)
        : undefined,
      wish: it.wish ?? {},
      height: it.height ?? 0,
    }));
    const strips: Strip[] = bars.map((b) => ({ from: b.at - b.width / 2, to: b.at + b.width / 2 }));
    const found = place({ length: roof.length, width: roof.width, edge: margins.edge, gap: margins.item, bars: strips, items: asItems });
    const findings: Finding[] = [];
    const placed = found.placed.map((p) => ({
      name: p.name,
      at: p.at,
      across: p.across,
      bay: bays.findIndex((b) => p.at >= b.from && p.at <= b.to),
    }));
    for (const p of placed) {
      const off = afterShaving[p.name]?.find((x) => x.bay === p.bay)?.off;
      if (off !== undefined)
        findings.push({
          level: "warn",
          about: "items",
          text: `${p.name}: bay ${p.bay} takes its frame after shaving ${mm(off)} off each long piece`,
        });
    }
    for (const u of found.unplaced) findings.push({ level: "stop", about: "items", text: `${u.name}: ${u.reason}` });
    const out = new Set(found.barsInTheWay.map((b) => b.bar)).size;
    // A first guess, until the rack's own sheet says other: the load shared out over the bars that stay.
    const left = input.rackKg === undefined || !bars.length ? undefined : round((input.rackKg * (bars.length - out)) / bars.length, 1);
    const rackLeft = left === undefined ? {} : { rackLeftKg: left };
    if (out && left !== undefined)
      findings.push({
        level: "warn",
        about: "rackKg",
        text: `${left} kg with ${bars.length - out} of ${bars.length} bars, as a first guess: the rack's sheet rules, and its owner agrees before a bar is cut`,
      });
    const taken = placed.map((p) => {
      const o = items.find((x) => x.name === p.name)!.overall;
      return { name: p.name, from: p.at - o.length / 2 - margins.item, to: p.at + o.length / 2 + margins.item };
    });
    for (const b of found.barsInTheWay)
      findings.push({
        level: "warn",
        about: "bars",
        at: [bars[b.bar].at, roof.width / 2],
        text: `bar ${b.bar + 1} has to move for ${b.item}: ${barOffer(bars[b.bar], b.item, taken, roof.length)}; a rib never does`,
      });
    if (found.relaxed.length)
      findings.push({ level: "warn", about: "items", text: `not where it was wished: ${found.relaxed.join(", ")}` });
    for (const it of items)
      if (it.wish?.near !== undefined && items.find((x) => x.name === it.wish!.near)?.wish?.at === undefined)
        findings.push({
          level: "warn",
          about: "items",
          text: `${it.name} is wished near ${it.wish.near}, which has no wished place here: give a place instead`,
        });
    const spot = (name: string): [number, number] | undefined => {
      const p = placed.find((x) => x.name === name);
      return p && [p.at, p.across + items.find((x) => x.name === name)!.overall.width / 2];
    };
    const pack = items.map((it) => ({ name: it.name, mm: round(packing(roof.crown, roof.width, it.overall.width), 1) }));
    for (const p of pack)
      if (p.mm >= 5)
        findings.push({
          level: "warn",
          about: "roof.crown",
          ...(spot(p.name) ? { at: spot(p.name) } : {}),
          text: `${p.name}: ${mm(p.mm)} of packing at its edges, or a frame curved by as much`,
        });
    findings.push({
      level: "ok",
      about: "ribs",
      text: "no rib is cut; cutting one is for a licensed body shop and the rules of the place",
    });
    const ranking = ranked(input, marginOf, bays, placed);
    // The reasons stand in the findings.
    const shown = Object.fromEntries(
      Object.entries(ranking).map(([name, rows]) => [
        name,
        rows.map(({ bay, at, toUse }) => ({ bay, at, ...(toUse === null ? {} : { toUse }) })),
      ]),
    );
    for (const [name, rows] of Object.entries(ranking)) {
      const it = items.find((x) => x.name === name)!;
      const own = placed.find((p) => p.name === name)?.bay;
      const best = rows[0];
      if (rows.length > 1)
        findings.push({
          level: own !== undefined && best.good && best.bay !== own && !rows.find((r) => r.bay === own)?.good ? "warn" : "ok",
          about: "items",
          text: `${name}: ${rows
            .slice(0, 3)
            .map((r) => sayBay(r, it.over))
            .join(" before ")}`,
        });
    }
    const shapes: Shape[] = [
      ...rect("outline", 0, 0, roof.length, roof.width),
      ...ribs.flatMap((r) => [
        line("centre", r.at - r.width / 2, 0, r.at - r.width / 2, roof.width),
        line("centre", r.at + r.width / 2, 0, r.at + r.width / 2, roof.width),
      ]),
      ...bars.flatMap((b) => rect("outline", b.at - b.width / 2, 0, b.at + b.width / 2, roof.width)),
      ...placed.flatMap((p) => {
        const it = items.find((x) => x.name === p.name)!;
        return [
          ...rect(
            "outline",
            p.at - it.overall.length / 2,
            p.across - it.overall.width / 2,
            p.at + it.overall.length / 2,
            p.across + it.overall.width / 2,
          ),
          ...(it.cut
            ? rect("cut", p.at - it.cut.length / 2, p.across - it.cut.width / 2, p.at + it.cut.length / 2, p.across + it.cut.width / 2)
            : []),
          words(p.at - it.overall.length / 2 + 10, p.across, `${p.name} ${mm(p.at)} / ${mm(p.across)}`),
        ];
      }),
    ];
    return outcome(
      {
        placed,
        unplaced: found.unplaced,
        barsInTheWay: found.barsInTheWay,
        packing: pack,
        baysThatFit,
        afterShaving,
        ranking: shown,
        ...rackLeft,
      },
      {
        findings,
        drawing: {
          title: "Roof plan",
          seen: "from above, front to the left; along from the bulkhead line, across from the left skin (bottom)",
          shapes,
        },
      },
    );
  },
});

/** The bays of every unit that pierces the roof, the best first; the other units stay where they are placed. */
function ranked(
  { items, bars = [], margins, uses = [] }: Input,
  marginOf: (cut: number) => number,
  bays: readonly { from: number; to: number }[],
  placed: readonly { name: string; at: number; across: number }[],
): Record<string, RankedBay[]> {
  const rects = placed.map((p) => {
    const it = items.find((x) => x.name === p.name)!;
    return { ...p, length: it.overall.length, width: it.overall.width, height: it.height ?? 0, pierces: it.cut !== undefined };
  });
  const strips = bars.map((b) => ({ from: b.at - b.width / 2, to: b.at + b.width / 2 }));
  return Object.fromEntries(
    rects
      .filter((r) => r.pierces)
      .map((r) => {
        const it = items.find((x) => x.name === r.name)!;
        const spans = bays.flatMap((b, bay) => {
          const half = it.cut!.length / 2 + marginOf(it.cut!.length);
          const from = Math.max(b.from + half, margins.edge + r.length / 2);
          return b.to - half >= from ? [{ bay, from, to: b.to - half }] : [];
        });
        const use = uses.find((u) => u.name === it.over)?.at;
        const more = { reach: it.reach ?? margins.item, ...(use === undefined ? {} : { use }) };
        return [
          r.name,
          rankBays(
            r,
            spans,
            rects.filter((o) => o !== r),
            strips,
            more,
          ),
        ];
      }),
  );
}
