// What stripping leaves to do: holes to plug or seal, rust to treat, and what has left the van.

import { calculator, type Finding, is, list, object, outcome, round } from "./model";

interface Input {
  holes: { d: number; count: number; place: string; throughSkin: boolean }[];
  /** Either its sides (mm) or its area. */
  rust: { w?: number; h?: number; areaDm2?: number; grade: 1 | 2 | 3 }[];
  /** Primer goes so far beyond each patch, mm. */
  primerMargin?: number;
  items: { name: string; kg: number; fate: string }[];
  norms?: Partial<typeof NORMS>;
}

/** Minutes; a workshop's own norms replace them. Holes through the skin wider than `plateOver` mm are welded or plated. */
const NORMS = { plug: 3, seal: 6, plate: 45, plateOver: 50, rust1: 5, rust2: 12 };

/** House figure, mm. */
const PRIMER_MARGIN = 20;

type Patch = Input["rust"][number];

/** dm². */
const areaOf = (r: Patch): number => (r.w !== undefined && r.h !== undefined ? (r.w * r.h) / 1e4 : r.areaDm2!);

/**
 * Primer for a patch, dm²: (w + 2m)·(h + 2m); one of which only the area is known is taken as a square. Source: ST-n26.
 * Example: 90 × 60 with 20 mm around: 130 × 100 = 1.30 dm².
 */
function primerOf(r: Patch, m: number): number {
  const side = Math.sqrt(areaOf(r) * 1e4);
  const [w, h] = r.w !== undefined && r.h !== undefined ? [r.w, r.h] : [side, side];
  return ((w + 2 * m) * (h + 2 * m)) / 1e4;
}

const FATES = ["keep", "store", "sell", "return", "scrap", "template", "stays on"];

const schema = object(
  {
    holes: list(object({ d: is.size, count: is.count, place: is.name, throughSkin: is.bool })),
    rust: list(object({ grade: { type: "integer", enum: [1, 2, 3] } }, { w: is.size, h: is.size, areaDm2: is.amount })),
    items: list(object({ name: is.name, kg: is.amount, fate: { type: "string", enum: FATES } })),
  },
  {
    primerMargin: is.mm,
    norms: object({}, { plug: is.amount, seal: is.amount, plate: is.amount, plateOver: is.amount, rust1: is.amount, rust2: is.amount }),
  },
);

/** Minutes by norm; plugs by size; kilograms of all that leaves the van. Perforated rust (grade 3) is for a body shop. */
export const stripList = calculator<Input>(
  { name: "strip-list", title: "Holes, rust and strip list" },
  schema,
  (input) =>
    input.rust.flatMap((r, i) =>
      r.areaDm2 === undefined && (r.w === undefined || r.h === undefined)
        ? [{ path: `rust[${i}].areaDm2`, message: "is missing: the area, or width and height" }]
        : [],
    ),
  (input) => {
    const m = input.primerMargin ?? PRIMER_MARGIN;
    const n = { ...NORMS, ...input.norms };
    const plate = (h: Input["holes"][number]) => h.throughSkin && h.d > n.plateOver;
    let minutes = 0;
    const plugs = new Map<number, number>();
    const findings: Finding[] = [];
    for (const h of input.holes) {
      minutes += h.count * (plate(h) ? n.plate : h.throughSkin ? n.seal : n.plug);
      if (plate(h))
        findings.push({
          level: "warn",
          about: "holes",
          text: `${h.count} of ${h.d} mm in the ${h.place} are too wide for a plug: weld or plate them`,
        });
      else plugs.set(h.d, (plugs.get(h.d) ?? 0) + h.count);
    }
    for (const r of input.rust) {
      if (r.grade === 3)
        findings.push({
          level: "stop",
          about: "rust",
          text: `${round(areaOf(r))} dm² are rusted through: a body shop decides before anything covers them`,
        });
      else minutes += areaOf(r) * (r.grade === 1 ? n.rust1 : n.rust2);
    }
    const gone = input.items.filter((i) => i.fate !== "stays on");
    const mass = gone.reduce((s, i) => s + i.kg, 0);
    const primer = input.rust.filter((r) => r.grade !== 3).reduce((s, r) => s + primerOf(r, m), 0);
    const list = [...plugs].sort((a, b) => a[0] - b[0]).map(([d, count]) => ({ d, count }));
    const of = (...fates: string[]) => gone.filter((i) => fates.includes(i.fate)).map((i) => i.name);
    return outcome(
      {
        minutes: round(minutes),
        plugs: list,
        massRemovedKg: round(mass, 3),
        primerDm2: round(primer),
        reuse: of("keep", "store", "template"),
        sell: of("sell", "return"),
        scrap: of("scrap"),
      },
      {
        findings,
        parts: list.map((p) => ({ name: `plug ${p.d} mm`, quantity: p.count, unit: "pc" })),
        minutes: {
          best: round(minutes * 0.7),
          likely: round(minutes),
          worst: round(minutes * 1.6),
          covers: "whole",
          what: "holes and rust treated",
        },
        massKg: round(-mass, 3),
      },
    );
  },
);
