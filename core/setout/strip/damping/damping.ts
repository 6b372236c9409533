// Damping mats: area, sheets, mass, and a layout to stick by. Bare metal only; a part of each panel is enough to calm it.

import { DAMPING, matNeed } from "../../../library/need";
import { rect, words } from "../../drawing/shapes";
import { defineCalculator } from "../../engine/define";
import { amount, count, group, house, type InputOf, rows, share, size, text, tick, usual } from "../../engine/inputs";
import { outcome, round } from "../../engine/outcome";
import { prefill } from "./prefill";

export interface Piece {
  x: number;
  y: number;
  w: number;
  h: number;
}

type Panel = Input["panels"][number];

const inputs = {
  sheet: group({
    w: size("Sheet width", { from: "chosen", help: "One mat, as it comes out of the box." }),
    h: size("Sheet height", { from: "chosen", help: "On the packet." }),
    kgM2: amount("Mass", { unit: "kg/m²", from: "chosen", help: "On the packet: what a square metre weighs." }),
  }),
  waste: house(share("Waste, as a share", { help: "Added for offcuts." }), DAMPING.waste),
  panels: rows(
    "Bare panels",
    "panel",
    {
      name: text("Name"),
      w: size("Width"),
      h: size("Height"),
      count: usual(count("Count"), 1),
      cover: share("Cover", { help: "The share of the panel that is covered: 0.5 is half." }),
      factoryPad: tick("Factory pad"),
      cutOut: tick("Cut out later"),
    },
    { from: "van", help: "Bare panels only. A panel with a factory pad, or one that is cut out later, takes no mats." },
  ),
};
type Input = InputOf<typeof inputs>;

/**
 * Area = Σ w·h·cover·count over panels with neither factory pad nor cut-out (m²); sheets and mass by
 * `matNeed`. Waste 8 % unless given.
 */
export const damping = defineCalculator({
  name: "damping",
  title: "Damping mats",
  stage: "strip",
  asks: "How many damping mats, and where do they go?",
  words: "noise drumming sheet bitumen kilograms",

  inputs,
  example: {
    sheet: { w: 500, h: 400, kgM2: 3.6 },
    waste: 0.08,
    panels: [
      { name: "left wall", w: 1450, h: 820, count: 1, cover: 0.5 },
      { name: "right wall", w: 960, h: 700, count: 1, cover: 0.5 },
      { name: "wheel arch", w: 1000, h: 620, count: 2, cover: 1 },
    ],
  },
  results: {
    areaM2: ["area", "m²"],
    sheets: ["sheets", ""],
    massKg: ["mass", "kg"],
    panels: ["panels", ""],
    name: ["name", ""],
    x: ["across", "mm"],
    y: ["up", "mm"],
    w: ["width", "mm"],
    h: ["height", "mm"],
  },
  prefill,

  work: ({ panels, sheet, waste }) => {
    const bare = panels.filter((p) => !p.factoryPad && !p.cutOut);
    const areaOf = (p: Panel) => (p.w * p.h * p.cover) / 1e6;
    const {
      areaM2: area,
      sheets,
      massKg: mass,
    } = matNeed(
      bare.map((p) => ({ m2: ((p.w * p.h) / 1e6) * (p.count ?? 1), cover: p.cover })),
      sheet,
      waste,
    );
    const laid = bare.map((p) => ({ name: p.name, areaM2: round(areaOf(p), 6), pieces: layout(p, sheet) }));
    let x = 0;
    const shapes = bare.flatMap((p, i) => {
      const at = x;
      x += p.w + 150;
      return [
        ...rect("outline", at, 0, at + p.w, p.h),
        ...laid[i].pieces.flatMap((q) => rect("cut", at + q.x, q.y, at + q.x + q.w, q.y + q.h)),
        words(at, -40, `${p.name}${(p.count ?? 1) > 1 ? ` (${p.count} times)` : ""}`),
      ];
    });
    return outcome(
      { areaM2: round(area, 4), sheets, massKg: round(mass, 3), panels: laid },
      {
        findings: [
          ...panels
            .filter((p) => p.factoryPad || p.cutOut)
            .map((p) => ({
              level: "ok" as const,
              about: "panels",
              text: `${p.name} gets none: ${p.factoryPad ? "it has the factory's pad" : "it is cut out later"}`,
            })),
          ...bare
            .filter((p) => p.cover === 0)
            .map((p) => ({ level: "warn" as const, about: "panels", text: `${p.name} is covered by nothing` })),
        ],
        parts: sheets ? [{ name: `Damping mat ${round((sheet.w * sheet.h) / 1e6)} m²`, quantity: sheets, unit: "sheet" }] : [],
        massKg: round(mass, 3),
        drawing: { title: "Damping mats", seen: "each panel from inside the van, from its lower left corner", shapes },
      },
    );
  },
});

/** Whole sheets in rows, then one piece cut to make up the area, in the middle of the panel; strips where no sheet fits. */
function layout(p: Panel, sheet: { w: number; h: number }): Piece[] {
  let rest = p.w * p.h * p.cover;
  if (rest <= 0) return [];
  const turned = Math.floor(p.w / sheet.h) * Math.floor(p.h / sheet.w) > Math.floor(p.w / sheet.w) * Math.floor(p.h / sheet.h);
  const [sw, sh] = turned ? [sheet.h, sheet.w] : [sheet.w, sheet.h];
  const cols = Math.floor(p.w / sw);
  const rows = Math.floor(p.h / sh);
  const out: Piece[] = [];
  if (cols * rows === 0) return strips(p, sheet, rest);
  for (let r = 0; r < rows && rest > 0; r++)
    for (let c = 0; c < cols && rest > 0; c++) {
      const h = Math.min(sh, rest / sw);
      out.push({ x: c * sw, y: r * sh, w: sw, h });
      rest -= sw * h;
    }
  // The grid is full: the margins beside and above it, as far as the area asks for.
  const side = p.w - cols * sw;
  if (rest > 1e-6 && side > 0) {
    const h = Math.min(rows * sh, rest / side);
    out.push({ x: cols * sw, y: 0, w: side, h });
    rest -= side * h;
  }
  const above = p.h - rows * sh;
  if (rest > 1e-6 && above > 0) out.push({ x: 0, y: rows * sh, w: Math.min(p.w, rest / above), h: above });
  return centred(out, p);
}

/** Strips of the panel's narrow side, end to end along the other. */
function strips(p: Panel, sheet: { w: number; h: number }, area: number): Piece[] {
  const upright = p.h > p.w;
  const across = Math.min(p.w, p.h);
  const along = area / across;
  const length = across <= Math.min(sheet.w, sheet.h) ? Math.max(sheet.w, sheet.h) : Math.min(sheet.w, sheet.h);
  const out: Piece[] = [];
  for (let at = 0; at < along - 1e-9; at += length) {
    const l = Math.min(length, along - at);
    out.push(upright ? { x: 0, y: at, w: across, h: l } : { x: at, y: 0, w: l, h: across });
  }
  return centred(out, p);
}

function centred(pieces: Piece[], p: Panel): Piece[] {
  const right = Math.max(...pieces.map((q) => q.x + q.w));
  const top = Math.max(...pieces.map((q) => q.y + q.h));
  return pieces.map((q) => ({ x: round(q.x + (p.w - right) / 2), y: round(q.y + (p.h - top) / 2), w: round(q.w), h: round(q.h) }));
}
