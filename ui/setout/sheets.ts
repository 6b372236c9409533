// The sheets of the set-out view: what each calculator asks for, with figures to start from.

import type { Draft, Field } from "./fields";
import { MORE_SHEETS } from "./sheets-more";
import { SET_SHEETS } from "./sheets-set";
import { TIME_SHEETS } from "./sheets-time";

export interface Sheet {
  name: string;
  title: string;
  stage: "Strip" | "Openings" | "Time and hands";
  fields: readonly Field[];
  start: Draft;
  /** From the form's own paths to the calculator's, where they differ. */
  shape?(input: Record<string, unknown>): Record<string, unknown>;
}

type Any = Record<string, unknown>;

/** "centre", or an offset from one side. */
const offset = (mode: unknown, by: unknown): unknown => (mode === "centre" ? "centre" : { [String(mode)]: by ?? 0 });

export const SHEETS: readonly Sheet[] = [
  {
    name: "damping",
    title: "Damping mats",
    stage: "Strip",
    fields: [
      { kind: "length", path: "sheet.w", label: "Sheet width" },
      { kind: "length", path: "sheet.h", label: "Sheet height" },
      { kind: "number", path: "sheet.kgM2", label: "Mass", unit: "kg/m²" },
      { kind: "number", path: "waste", label: "Waste, as a share", optional: true },
      {
        kind: "rows",
        path: "panels",
        label: "Bare panels",
        one: "panel",
        fields: [
          { kind: "text", path: "name", label: "Name" },
          { kind: "length", path: "w", label: "Width" },
          { kind: "length", path: "h", label: "Height" },
          { kind: "number", path: "count", label: "Count", optional: true },
          { kind: "number", path: "cover", label: "Cover" },
          { kind: "flag", path: "factoryPad", label: "Factory pad" },
          { kind: "flag", path: "cutOut", label: "Cut out later" },
        ],
      },
    ],
    start: {
      "sheet.w": "500",
      "sheet.h": "400",
      "sheet.kgM2": "3.6",
      waste: "0.08",
      panels: [
        { name: "left wall", w: "1450", h: "820", count: "1", cover: "0.5", factoryPad: false, cutOut: false },
        { name: "right wall", w: "960", h: "700", count: "1", cover: "0.5", factoryPad: false, cutOut: false },
        { name: "wheel arch", w: "1000", h: "620", count: "2", cover: "1", factoryPad: false, cutOut: false },
      ],
    },
  },
  {
    name: "strip-list",
    title: "Holes, rust, removed items",
    stage: "Strip",
    fields: [
      {
        kind: "rows",
        path: "holes",
        label: "Holes",
        one: "hole",
        fields: [
          { kind: "length", path: "d", label: "ø" },
          { kind: "number", path: "count", label: "Count" },
          { kind: "choice", path: "place", label: "Place", options: ["roof", "wall", "floor", "door"].map((x) => [x, x] as const) },
          { kind: "flag", path: "throughSkin", label: "Through the skin" },
        ],
      },
      {
        kind: "rows",
        path: "rust",
        label: "Rust",
        one: "patch",
        fields: [
          { kind: "length", path: "w", label: "Width", optional: true },
          { kind: "length", path: "h", label: "Height", optional: true },
          { kind: "number", path: "areaDm2", label: "or area dm²", optional: true },
          {
            kind: "choice",
            path: "grade",
            label: "Grade",
            options: [
              ["1", "1 surface"],
              ["2", "2 pitted"],
              ["3", "3 through"],
            ],
          },
        ],
      },
      {
        kind: "rows",
        path: "items",
        label: "Taken out",
        one: "item",
        fields: [
          { kind: "text", path: "name", label: "Name" },
          { kind: "number", path: "kg", label: "kg" },
          {
            kind: "choice",
            path: "fate",
            label: "Fate",
            options: ["scrap", "sell", "keep", "store", "return", "template", "stays on"].map((x) => [x, x] as const),
          },
        ],
      },
    ],
    start: {
      holes: [
        { d: "6", count: "41", place: "wall", throughSkin: false },
        { d: "12", count: "13", place: "roof", throughSkin: true },
      ],
      rust: [{ w: "90", h: "60", areaDm2: "", grade: "1" }],
      items: [
        { name: "racking", kg: "57.5", fate: "sell" },
        { name: "load floor", kg: "38.6", fate: "template" },
      ],
    },
    shape: (i) => ({ ...i, rust: (i.rust as Any[]).map((r) => ({ ...r, grade: Number(r.grade) })) }),
  },
  {
    name: "opening",
    title: "Opening",
    stage: "Openings",
    fields: [
      { kind: "length", path: "cut.w", label: "Cut width" },
      { kind: "length", path: "cut.h", label: "Cut height" },
      { kind: "length", path: "cut.r", label: "Corner radius" },
      { kind: "length", path: "minLand", label: "Land the unit asks for" },
      { kind: "length", path: "flange", label: "Flange all round", optional: true },
      {
        kind: "choice",
        path: "along.mode",
        label: "Along",
        options: [
          ["centre", "centred"],
          ["fromLeft", "from the left"],
          ["fromRight", "from the right"],
        ],
      },
      { kind: "length", path: "along.by", label: "Along, by", optional: true },
      {
        kind: "choice",
        path: "up.mode",
        label: "Up",
        options: [
          ["fromBottom", "from the lower crease"],
          ["fromTop", "from the upper crease"],
          ["centre", "centred"],
        ],
      },
      { kind: "length", path: "up.by", label: "Up, by", optional: true },
      { kind: "length", path: "field.left", label: "Field from" },
      { kind: "length", path: "field.right", label: "Field to" },
      { kind: "length", path: "field.bottom", label: "Lower crease" },
      { kind: "length", path: "field.top", label: "Upper crease" },
      {
        kind: "choice",
        path: "skin",
        label: "Skin",
        options: [
          ["single", "single"],
          ["double", "double"],
        ],
      },
      { kind: "length", path: "d1", label: "Measured diagonal, lower left up", optional: true },
      { kind: "length", path: "d2", label: "Measured diagonal, lower right up", optional: true },
      { kind: "length", path: "s1", label: "Measured top", optional: true },
      { kind: "length", path: "s2", label: "Measured bottom", optional: true },
      { kind: "length", path: "s3", label: "Measured left side", optional: true },
      { kind: "length", path: "s4", label: "Measured right side", optional: true },
      {
        kind: "rows",
        path: "keepOuts",
        label: "Keep clear of",
        one: "keep-out",
        fields: [
          { kind: "text", path: "name", label: "What" },
          { kind: "length", path: "left", label: "From" },
          { kind: "length", path: "right", label: "To" },
          { kind: "length", path: "bottom", label: "Bottom" },
          { kind: "length", path: "top", label: "Top" },
          { kind: "length", path: "gap", label: "Gap" },
        ],
      },
    ],
    start: {
      "cut.w": "1120",
      "cut.h": "520",
      "cut.r": "60",
      minLand: "25",
      flange: "",
      "along.mode": "centre",
      "along.by": "",
      "up.mode": "fromBottom",
      "up.by": "55",
      "field.left": "1320",
      "field.right": "2630",
      "field.bottom": "640",
      "field.top": "1305",
      skin: "single",
      d1: "",
      d2: "",
      s1: "",
      s2: "",
      s3: "",
      s4: "",
      keepOuts: [],
    },
    shape: ({ along, up, d1, d2, s1, s2, s3, s4, ...i }) => ({
      ...i,
      place: { along: offset((along as Any).mode, (along as Any).by), up: offset((up as Any).mode, (up as Any).by) },
      ...(d1 !== undefined && d2 !== undefined ? { measuredDiagonals: [d1, d2] } : {}),
      ...([s1, s2, s3, s4].some((s) => s === undefined) ? {} : { measuredSides: [s1, s2, s3, s4] }),
    }),
  },
  {
    name: "roof-plan",
    title: "Roof plan",
    stage: "Openings",
    fields: [
      { kind: "length", path: "roof.length", label: "Roof length" },
      { kind: "length", path: "roof.width", label: "Roof width" },
      { kind: "length", path: "roof.crown", label: "Crown" },
      { kind: "length", path: "margins.rib", label: "Clear of ribs" },
      { kind: "length", path: "margins.ribShaved", label: "With the frame shaved", optional: true },
      { kind: "length", path: "margins.item", label: "Between units" },
      { kind: "length", path: "margins.edge", label: "Clear of edges" },
      { kind: "number", path: "rackKg", label: "Rack carries", unit: "kg", optional: true },
      {
        kind: "rows",
        path: "items",
        label: "Units",
        one: "unit",
        fields: [
          { kind: "text", path: "name", label: "Name" },
          { kind: "length", path: "overall.length", label: "Length" },
          { kind: "length", path: "overall.width", label: "Width" },
          { kind: "length", path: "cut.length", label: "Cut length", optional: true },
          { kind: "length", path: "cut.width", label: "Cut width", optional: true },
          { kind: "length", path: "height", label: "Height", optional: true },
          { kind: "length", path: "wish.at", label: "Wished at", optional: true },
          { kind: "length", path: "wish.across", label: "… across", optional: true },
          { kind: "text", path: "over", label: "Over which use", optional: true },
          { kind: "length", path: "reach", label: "Lid, hand", optional: true },
        ],
      },
      {
        kind: "rows",
        path: "uses",
        label: "What lies below",
        one: "use",
        fields: [
          { kind: "text", path: "name", label: "What" },
          { kind: "length", path: "at", label: "Its middle at" },
        ],
      },
      {
        kind: "rows",
        path: "ribs",
        label: "Ribs",
        one: "rib",
        fields: [
          { kind: "length", path: "at", label: "Centre at" },
          { kind: "length", path: "width", label: "Width" },
        ],
      },
      {
        kind: "rows",
        path: "bars",
        label: "Rack bars",
        one: "bar",
        fields: [
          { kind: "length", path: "at", label: "Centre at" },
          { kind: "length", path: "width", label: "Width" },
        ],
      },
    ],
    start: {
      "roof.length": "3200",
      "roof.width": "1560",
      "roof.crown": "38",
      "margins.rib": "39",
      "margins.ribShaved": "21",
      "margins.item": "40",
      "margins.edge": "60",
      items: [
        {
          name: "fan",
          "overall.length": "383",
          "overall.width": "383",
          "cut.length": "343",
          "cut.width": "343",
          height: "90",
          "wish.at": "1100",
          over: "galley",
        },
        { name: "solar", "overall.length": "1176", "overall.width": "664", "cut.length": "", "cut.width": "", height: "40", "wish.at": "" },
      ],
      ribs: ["402", "861", "1338", "1802", "2290", "2770"].map((at) => ({ at, width: "44" })),
      bars: [],
      uses: [{ name: "galley", at: "1150" }],
    },
  },
  {
    name: "support-frame",
    title: "Support frame",
    stage: "Openings",
    fields: [
      { kind: "length", path: "cut.w", label: "Cut across the ribs' run" },
      { kind: "length", path: "cut.h", label: "Cut between the ribs" },
      { kind: "length", path: "batten.b", label: "Batten width" },
      { kind: "length", path: "batten.t", label: "Batten thickness" },
      { kind: "length", path: "gap", label: "Clear between ribs" },
      { kind: "length", path: "play", label: "Play each side" },
      {
        kind: "choice",
        path: "relief.kind",
        label: "A relief is",
        options: [
          ["narrower", "made narrower"],
          ["rebate", "a rebate"],
        ],
      },
      { kind: "length", path: "relief.depth", label: "Relief, depth", optional: true },
      { kind: "length", path: "pass", label: "One pass, at most", optional: true },
      { kind: "flag", path: "inPlace", label: "Built in its place" },
    ],
    start: {
      "cut.w": "400",
      "cut.h": "400",
      "batten.b": "36",
      "batten.t": "20",
      gap: "478",
      play: "3",
      "relief.kind": "narrower",
      "relief.depth": "",
      pass: "",
      inPlace: false,
    },
    shape: (i) => {
      const { relief, ...rest } = i as { relief?: { depth?: number } };
      return relief?.depth === undefined ? rest : i;
    },
  },
  {
    name: "sealant",
    title: "Sealant",
    stage: "Openings",
    fields: [
      { kind: "number", path: "pack", label: "Pack", unit: "ml" },
      { kind: "number", path: "waste", label: "Waste, as a share", optional: true },
      {
        kind: "rows",
        path: "joints",
        label: "Joints",
        one: "joint",
        fields: [
          { kind: "length", path: "length", label: "Length" },
          {
            kind: "choice",
            path: "bead.kind",
            label: "Bead",
            options: [
              ["triangle", "triangle"],
              ["flat", "flat"],
              ["round", "round"],
            ],
          },
          { kind: "length", path: "bead.w", label: "w", optional: true },
          { kind: "length", path: "bead.h", label: "h", optional: true },
          { kind: "length", path: "bead.t", label: "t", optional: true },
          { kind: "length", path: "bead.d", label: "ø", optional: true },
        ],
      },
    ],
    start: {
      pack: "310",
      waste: "0.1",
      joints: [
        { length: "3177", "bead.kind": "triangle", "bead.w": "8", "bead.h": "12", "bead.t": "", "bead.d": "" },
        { length: "1840", "bead.kind": "flat", "bead.w": "20", "bead.h": "", "bead.t": "3", "bead.d": "" },
      ],
    },
  },
  {
    name: "cure",
    title: "Cure",
    stage: "Openings",
    fields: [
      { kind: "number", path: "product.moveAfterH", label: "May be moved after", unit: "h at 23 °C" },
      { kind: "length", path: "product.mm24h", label: "Cures in the first 24 h" },
      { kind: "number", path: "product.minC", label: "Cures from", unit: "°C" },
      { kind: "number", path: "product.handsOffH", label: "Hands off until", unit: "h at 23 °C", optional: true },
      { kind: "number", path: "product.soakAfterH", label: "May be soaked after", unit: "h at 23 °C", optional: true },
      { kind: "length", path: "depth", label: "Depth of the bead" },
      { kind: "number", path: "tempC", label: "Temperature there", unit: "°C" },
      { kind: "text", path: "bonded", label: "Bonded at, as 14:20", optional: true },
    ],
    start: {
      "product.handsOffH": "",
      "product.soakAfterH": "",
      bonded: "",
      "product.moveAfterH": "4",
      "product.mm24h": "3",
      "product.minC": "5",
      depth: "8",
      tempC: "13",
    },
  },
  {
    name: "open-skin",
    title: "Open-skin clock",
    stage: "Openings",
    fields: [
      { kind: "text", path: "now", label: "Now" },
      { kind: "text", path: "sunset", label: "Dusk" },
      { kind: "number", path: "people", label: "People here" },
      { kind: "number", path: "peopleNeeded", label: "People needed" },
      { kind: "number", path: "tempC", label: "Temperature", unit: "°C" },
      { kind: "number", path: "minC", label: "The bond needs", unit: "°C" },
      {
        kind: "rows",
        path: "steps",
        label: "Steps from first cut to sealed",
        one: "step",
        fields: [
          { kind: "text", path: "name", label: "Step" },
          { kind: "number", path: "minutes.best", label: "Best" },
          { kind: "number", path: "minutes.likely", label: "Likely" },
          { kind: "number", path: "minutes.worst", label: "Worst" },
        ],
      },
      {
        kind: "rows",
        path: "dry",
        label: "Dry hours",
        one: "window",
        fields: [
          { kind: "text", path: "from", label: "From" },
          { kind: "text", path: "to", label: "To" },
          { kind: "number", path: "chance", label: "Chance" },
        ],
      },
      {
        kind: "rows",
        path: "units",
        label: "Units",
        one: "unit",
        fields: [
          { kind: "text", path: "name", label: "Name" },
          { kind: "flag", path: "arrived", label: "Here" },
          { kind: "flag", path: "checked", label: "Checked" },
          { kind: "flag", path: "dryFitted", label: "Tried in place" },
        ],
      },
    ],
    start: {
      now: "09:00",
      sunset: "17:40",
      people: "2",
      peopleNeeded: "2",
      tempC: "12",
      minC: "8",
      steps: [
        ["cut", "20", "30", "55"],
        ["deburr, clean", "10", "15", "25"],
        ["coat the edge, dry", "25", "30", "45"],
        ["prime, flash off", "15", "20", "30"],
        ["bead, set, fix", "20", "30", "60"],
      ].map(([name, best, likely, worst]) => ({ name, "minutes.best": best, "minutes.likely": likely, "minutes.worst": worst })),
      dry: [{ from: "08:00", to: "15:20", chance: "0.85" }],
      units: [{ name: "roof fan", arrived: true, checked: true, dryFitted: true }],
    },
  },
  {
    name: "under-floor",
    title: "Under the floor",
    stage: "Openings",
    fields: [
      { kind: "length", path: "floor.length", label: "Floor length" },
      { kind: "length", path: "floor.width", label: "Floor width" },
      {
        kind: "rows",
        path: "holes",
        label: "Holes wanted",
        one: "hole",
        fields: [
          { kind: "text", path: "name", label: "For" },
          { kind: "length", path: "along", label: "Along" },
          { kind: "length", path: "across", label: "Across" },
          { kind: "length", path: "d", label: "ø" },
        ],
      },
      {
        kind: "rows",
        path: "zones",
        label: "What lies below (along/across; …)",
        one: "zone",
        fields: [
          { kind: "text", path: "name", label: "What" },
          { kind: "polygon", path: "polygon", label: "Corners" },
          { kind: "length", path: "margin", label: "Margin" },
        ],
      },
      {
        kind: "rows",
        path: "battens",
        label: "Battens",
        one: "batten",
        fields: [
          { kind: "length", path: "along", label: "Along" },
          { kind: "length", path: "width", label: "Width" },
        ],
      },
    ],
    start: {
      "floor.length": "3100",
      "floor.width": "1780",
      holes: [
        { name: "drain", along: "1100", across: "500", d: "40" },
        { name: "bed bolt", along: "2300", across: "300", d: "9" },
      ],
      zones: [
        { name: "exhaust", polygon: "900/380; 2100/380; 2100/560; 900/560", margin: "60" },
        { name: "fuel tank", polygon: "1250/900; 2050/900; 2050/1500; 1250/1500", margin: "40" },
      ],
      battens: [],
    },
  },
  ...MORE_SHEETS,
  ...SET_SHEETS,
  ...TIME_SHEETS,
];
