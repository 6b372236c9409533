// Further sheets of strip and openings, in the form of sheets.ts.

import { length, number, rows, sheet, tick, words } from "./fields-short";
import type { Sheet } from "./sheets";

type Any = Record<string, unknown>;

/** "3.5, 11 0.8" as figures; what is none is told by its place. */
const figures = (v: unknown): number[] =>
  String(v ?? "")
    .split(/[,;\s]+/)
    .filter(Boolean)
    .map(Number);
/** "rain hood, thermostat" as words. */
const named = (v: unknown): string[] =>
  String(v ?? "")
    .split(/[,;]/)
    .map((x) => x.trim())
    .filter(Boolean);
/** Two readings that come together or not at all. */
const pairOf = (v: unknown): [unknown, unknown] | undefined => {
  const p = v as { a?: number; b?: number } | undefined;
  return p?.a === undefined && p?.b === undefined ? undefined : [p?.a ?? 0, p?.b ?? 0];
};
const without = (o: Any, key: string): Any => Object.fromEntries(Object.entries(o).filter(([k]) => k !== key));
const withPair = (o: Any, key: string): Any => {
  const p = pairOf(o[key]);
  return p ? { ...o, [key]: p } : without(o, key);
};

export const MORE_SHEETS: readonly Sheet[] = [
  sheet(
    "battery-stand",
    "Battery while it stands",
    "Strip",
    [
      number("capacityAh", "Battery", "Ah"),
      number("usable", "Usable share", undefined, true),
      number("standDays", "Longest stand in the plan", "days"),
      rows("circuits", "Kept circuits", "circuit", words("name", "What"), number("amps", "A"), number("hoursADay", "h a day")),
    ],
    {
      capacityAh: "95",
      usable: "0.5",
      standDays: "9",
      circuits: [
        { name: "standby", amps: "0.12", hoursADay: "24" },
        { name: "lamps", amps: "2.2", hoursADay: "0.75" },
      ],
    },
  ),
  sheet(
    "bolt-pattern",
    "Bolt pattern",
    "Strip",
    [
      length("part.a", "Part, a"),
      length("part.b", "Part, b"),
      length("part.hole", "Part, hole ø"),
      length("van.a", "Van, a"),
      length("van.b", "Van, b"),
      length("van.bolt", "Van, bolt ø"),
      length("diagonals.a", "Van, one diagonal", true),
      length("diagonals.b", "Van, other diagonal", true),
      length("van.edge", "Van, hole to edge", true),
    ],
    {
      "part.a": "286",
      "part.b": "310",
      "part.hole": "10.5",
      "van.a": "284.6",
      "van.b": "309.1",
      "van.bolt": "8",
      "diagonals.a": "",
      "diagonals.b": "",
      "van.edge": "",
    },
    (i) => {
      const diagonals = pairOf(i.diagonals);
      return { part: i.part, van: { ...(i.van as Any), ...(diagonals ? { diagonals } : {}) } };
    },
  ),
  sheet(
    "swivel",
    "Seat that turns",
    "Strip",
    [
      length("radius", "Largest radius of the seat"),
      length("clearance", "Clear all round", true),
      length("unit.faceBeside", "Unit, its face beside the pivot"),
      length("unit.begins", "Unit, begins behind the pivot"),
      length("unit.length", "Unit, length"),
      rows(
        "around",
        "What stands round it, from the pivot",
        "thing",
        words("name", "What"),
        length("left", "From"),
        length("right", "To"),
        length("bottom", "Right"),
        length("top", "Left"),
      ),
    ],
    {
      radius: "540",
      clearance: "25",
      "unit.faceBeside": "380",
      "unit.begins": "360",
      "unit.length": "1640",
      around: [{ name: "door post", left: "-300", right: "-220", bottom: "560", top: "640" }],
    },
  ),
  sheet(
    "dew-point",
    "Dry enough to bond",
    "Strip",
    [
      number("airC", "Air", "°C"),
      number("humidity", "Humidity", "%"),
      number("skinC", "Skin, measured", "°C"),
      number("minC", "Product's minimum", "°C", true),
    ],
    { airC: "20", humidity: "66", skinC: "17", minC: "10" },
  ),
  sheet(
    "recoat",
    "Next coat",
    "Strip",
    [
      number("earliestH", "Earliest at 23 °C", "h"),
      number("latestH", "Latest at 23 °C", "h"),
      number("tempC", "Metal", "°C"),
      number("minC", "Product's minimum", "°C", true),
      { kind: "text", path: "coated", label: "Coated at, as 10:20", optional: true },
    ],
    { earliestH: "2", latestH: "36", tempC: "9", minC: "5", coated: "10:20" },
  ),
  sheet(
    "edge-support",
    "Support under a bent edge",
    "Strip",
    [length("plate", "Plate"), rows("stations", "Depths below the level line", "station", length("at", "At"), length("depth", "Depth"))],
    {
      plate: "6",
      stations: [
        { at: "0", depth: "14" },
        { at: "100", depth: "17.5" },
        { at: "200", depth: "21" },
        { at: "300", depth: "9" },
      ],
    },
  ),
  sheet(
    "lettering",
    "Lettering and its ghost",
    "Strip",
    [
      number("letterM2", "Letters", "m²"),
      number("panelM2", "Panels", "m²"),
      number("norms.peel", "Peel", "min/m²"),
      number("norms.adhesive", "Adhesive off", "min/m²"),
      number("norms.faint", "Polish, faint", "min/m²"),
      number("norms.clear", "Polish, clear", "min/m²"),
      {
        kind: "choice",
        path: "ghost",
        label: "Outline in low light",
        options: ["not known", "none", "faint", "clear"].map((x) => [x, x] as const),
      },
      number("share", "Share of vans that needed it", undefined, true),
    ],
    {
      letterM2: "2.6",
      panelM2: "7.8",
      "norms.peel": "14",
      "norms.adhesive": "9",
      "norms.faint": "9",
      "norms.clear": "22",
      ghost: "not known",
      share: "0.64",
    },
  ),
  sheet(
    "zone-rate",
    "First zones forecast the rest",
    "Strip",
    [
      rows(
        "zones",
        "Zones in their order",
        "zone",
        words("name", "Zone"),
        number("m2", "m²"),
        number("minutes", "Minutes", undefined, true),
        {
          kind: "choice",
          path: "kind",
          label: "Kind",
          options: [
            ["flat", "flat"],
            ["ribs", "ribs"],
            ["floor", "floor"],
          ],
        },
        number("norm", "Norm", "min/m²", true),
      ),
    ],
    {
      zones: [
        { name: "floor, front", m2: "3.2", minutes: "54", kind: "floor", norm: "" },
        { name: "floor, rear", m2: "4.1", minutes: "58", kind: "floor", norm: "" },
        { name: "walls", m2: "9.5", minutes: "", kind: "ribs", norm: "" },
      ],
    },
  ),
  sheet(
    "hole-range",
    "Smallest and largest hole",
    "Openings",
    [
      length("spigot.w", "Spigot across"),
      length("spigot.h", "Spigot down"),
      length("flange.w", "Flange across"),
      length("flange.h", "Flange down"),
      length("land", "Land under the flange"),
      length("clearance", "Clear a side", true),
      length("least", "Clear a side, at least", true),
      length("read.w", "Read across", true),
      length("read.h", "Read down", true),
    ],
    {
      "spigot.w": "372",
      "spigot.h": "366",
      "flange.w": "428",
      "flange.h": "424",
      land: "16",
      clearance: "2",
      least: "1",
      "read.w": "",
      "read.h": "",
    },
  ),
  sheet(
    "corners",
    "Corners, starter holes",
    "Openings",
    [
      length("cutRadius", "Corner of the cut"),
      length("frameRadius", "Corner of the frame"),
      length("gap", "Gap a side"),
      length("blade", "Blade", true),
    ],
    { cutRadius: "60", frameRadius: "58", gap: "2", blade: "8" },
  ),
  sheet(
    "session",
    "One session, two passes",
    "Openings",
    [
      number("drying", "Edge dries", "min"),
      number("slot", "Dry stretch", "min", true),
      rows("openings", "Openings in their order", "opening", words("name", "Which"), number("cut", "Cut min"), number("set", "Set min")),
    ],
    {
      drying: "45",
      slot: "300",
      openings: [
        { name: "fan", cut: "55", set: "35" },
        { name: "window left", cut: "40", set: "30" },
        { name: "window right", cut: "48", set: "38" },
      ],
    },
  ),
  sheet(
    "bed-across",
    "Bed across",
    "Openings",
    [
      length("mattress.length", "Mattress, length"),
      length("mattress.width", "Mattress, width"),
      length("insideWidth", "Inside at the bed"),
      length("recesses.left", "Recess left"),
      length("recesses.right", "Recess right"),
      length("lining", "Lining a side"),
      length("slack", "Slack", true),
    ],
    {
      "mattress.length": "1930",
      "mattress.width": "1310",
      insideWidth: "1785",
      "recesses.left": "90",
      "recesses.right": "90",
      lining: "7",
      slack: "20",
    },
  ),
  sheet(
    "solar-feet",
    "Feet of a solar panel",
    "Openings",
    [
      length("centre", "Centre line of the roof"),
      length("panel.width", "Panel across"),
      length("panel.length", "Panel along"),
      length("play", "Play"),
      length("from", "First feet at", true),
      length("foot", "Foot", true),
      length("diagonals.a", "One diagonal read", true),
      length("diagonals.b", "Other diagonal read", true),
      rows("ribs", "Ribs", "rib", length("at", "Centre at"), length("width", "Width")),
    ],
    {
      centre: "806",
      "panel.width": "664",
      "panel.length": "1176",
      play: "4",
      from: "1500",
      foot: "80",
      "diagonals.a": "",
      "diagonals.b": "",
      ribs: [{ at: "1480", width: "50" }],
    },
    (i) => withPair(i, "diagonals"),
  ),
  sheet(
    "cable",
    "Cable through the roof",
    "Openings",
    [
      length("along", "Along"),
      length("across", "Across"),
      length("drop", "Down"),
      number("amps", "Current", "A"),
      number("volts", "Voltage", "V"),
      words("stock", "Stock, mm²"),
    ],
    { along: "2400", across: "620", drop: "1500", amps: "11", volts: "12", stock: "4, 6, 10" },
    (i) => ({ ...i, stock: figures(i.stock) }),
  ),
  sheet(
    "flange-screw",
    "Screws of a flange",
    "Openings",
    [words("stack", "Flange, adapter, skin"), length("ring", "Ring"), length("bite", "Bite", true), words("stock", "Stock lengths")],
    { stack: "3.5, 11, 0.8", ring: "21", bite: "12", stock: "25, 30, 35" },
    (i) => ({ ...i, stack: figures(i.stack), stock: figures(i.stock) }),
  ),
  sheet(
    "low-places",
    "Low places under a flange",
    "Openings",
    [
      length("land", "Width of the land"),
      length("bridges", "Sealant bridges", true),
      rows("stations", "Stations", "station", length("length", "Length"), length("gap", "Gap")),
    ],
    {
      land: "24",
      bridges: "3",
      stations: ["0.4", "1.7", "0.6", "3.6"].map((gap) => ({ length: "380", gap })),
    },
  ),
  sheet(
    "depths",
    "Collar against the ceiling",
    "Openings",
    [
      length("collar", "Collar or frame"),
      length("clamp.from", "Clamp from", true),
      length("clamp.to", "Clamp to", true),
      rows("layers", "Layers to the finished ceiling", "layer", words("name", "Layer"), length("t", "Thickness", true)),
    ],
    {
      collar: "78",
      "clamp.from": "",
      "clamp.to": "",
      layers: [
        { name: "insulation", t: "4" },
        { name: "packer", t: "29" },
        { name: "batten", t: "16" },
        { name: "lining", t: "6.5" },
      ],
    },
    (i) => (i.clamp ? i : without(i, "clamp")),
  ),
  sheet(
    "height",
    "Room above the roof",
    "Openings",
    [length("van", "Van's height"), length("bay", "Bay, clear height"), length("working", "Working space", true)],
    { van: "2745", bay: "3900", working: "1100" },
  ),
  sheet(
    "drain",
    "Drain on elbows",
    "Openings",
    [
      length("trap", "Trap"),
      length("run", "Run"),
      number("fall", "Fall", undefined, true),
      length("insideHeight", "Inside height"),
      length("floorStack", "Floor stack"),
      length("tallest", "Tallest", true),
    ],
    { trap: "48", run: "460", fall: "0.02", insideHeight: "1915", floorStack: "39", tallest: "1780" },
  ),
  sheet(
    "template-gap",
    "Floor without a template",
    "Strip",
    [
      number("minutesPerM2", "Scribing", "min/m²", true),
      rows("uncovered", "What no template covers", "place", words("name", "Where"), number("m2", "m²")),
    ],
    { minutesPerM2: "25", uncovered: [{ name: "rear edge", m2: "1.4" }] },
  ),
  sheet(
    "good-slot",
    "Who gets the dry slot",
    "Openings",
    [
      number("slot", "Dry stretch", "min"),
      rows(
        "openings",
        "Openings that wait",
        "opening",
        words("name", "Which"),
        number("minutes", "Minutes"),
        { kind: "choice", path: "side", label: "Where", options: ["roof", "front or rear", "side"].map((x) => [x, x] as const) },
        { kind: "flag", path: "urgent", label: "Urgent" },
        { kind: "flag", path: "covered", label: "Cover" },
        number("chainDays", "Chain d", "days", true),
      ),
    ],
    {
      slot: "330",
      openings: [
        { name: "window left", minutes: "160", side: "side", urgent: true, covered: true, chainDays: "4" },
        { name: "fan", minutes: "210", side: "roof", urgent: false, covered: true, chainDays: "2" },
      ],
    },
  ),
  sheet(
    "unit-choice",
    "Units side by side",
    "Openings",
    [
      { kind: "text", path: "asked", label: "Asked for", optional: true },
      words("cuttingDay", "Cutting day, as 2026-12-01"),
      number("goodsInDays", "Goods-in", "days", true),
      number("volts", "Board", "V", true),
      length("margin", "Clear of ribs"),
      rows("bays", "Rib bays", "bay", words("name", "Bay"), length("clear", "Clear")),
      rows(
        "candidates",
        "Candidates",
        "candidate",
        words("name", "Unit"),
        number("price", "Price"),
        length("cut", "Cut along"),
        number("leadDays", "Lead, days"),
        number("amps", "A", undefined, true),
        number("hoursADay", "h a day", undefined, true),
        number("kg", "kg", undefined, true),
        { kind: "text", path: "has", label: "Has", optional: true },
      ),
    ],
    {
      asked: "rain hood, thermostat",
      cuttingDay: "2026-12-01",
      goodsInDays: "2",
      volts: "12",
      margin: "5",
      bays: [
        { name: "1", clear: "416" },
        { name: "2", clear: "431" },
      ],
      candidates: [
        { name: "small fan", price: "140", cut: "360", leadDays: "4", amps: "2.5", hoursADay: "4", kg: "4", has: "rain hood" },
        { name: "large fan", price: "310", cut: "400", leadDays: "9", amps: "4", hoursADay: "4", kg: "6", has: "rain hood, thermostat" },
      ],
    },
    (i) => ({
      ...i,
      asked: named(i.asked),
      candidates: (i.candidates as Any[]).map((c) => ({ ...c, has: named(c.has) })),
    }),
  ),
  sheet(
    "unit-run",
    "Does it run on this board?",
    "Openings",
    [
      number("unit.volts", "Unit", "V"),
      number("unit.amps", "Unit", "A"),
      number("board.volts", "Board", "V"),
      tick("board.converter", "A converter is listed"),
      number("fuse", "Fuse", "A"),
      number("leadCarries", "Lead carries", "A"),
      number("battery.ah", "Battery", "Ah", true),
      number("battery.usable", "Usable share", undefined, true),
      number("hoursADay", "Runs", "h a day", true),
    ],
    {
      "unit.volts": "12",
      "unit.amps": "4",
      "board.volts": "12",
      "board.converter": false,
      fuse: "7.5",
      leadCarries: "16",
      "battery.ah": "100",
      "battery.usable": "0.5",
      hoursADay: "6",
    },
    (i) => ((i.battery as Any | undefined)?.ah === undefined ? without(i, "battery") : i),
  ),
  sheet(
    "inlet",
    "Inlet where the pocket is deep",
    "Openings",
    [
      length("body", "Body, depth"),
      length("cable", "Cable ø"),
      length("flange", "Flange"),
      length("play", "Play", true),
      length("wish.x", "Wished for, along"),
      length("wish.y", "Wished for, up"),
      rows("points", "Pocket read at", "point", length("x", "Along"), length("y", "Up"), length("depth", "Deep")),
    ],
    {
      body: "48",
      cable: "12",
      flange: "100",
      play: "10",
      "wish.x": "0",
      "wish.y": "0",
      points: [0, 50, 100, 150].flatMap((x) => [0, 50].map((y) => ({ x: String(x), y: String(y), depth: x < 50 ? "90" : "118" }))),
    },
  ),
  sheet(
    "in-line",
    "In line with what comes later",
    "Openings",
    [
      length("field.from", "Field from"),
      length("field.to", "Field to"),
      length("cut", "Cut width"),
      length("minLand", "Land the unit asks for"),
      length("wish", "Wished for, from"),
      length("stack.frame", "Frame"),
      length("stack.lining", "Lining"),
      length("stack.trim", "Trim"),
      length("sashHand", "Opening sash, beside it", true),
      length("opposite.from", "The one opposite, from", true),
      rows("walls", "Wall lines", "wall", words("name", "Which"), length("at", "At")),
      rows("dents", "Dents", "dent", length("at", "At")),
    ],
    {
      "field.from": "905",
      "field.to": "2105",
      cut: "700",
      minLand: "60",
      wish: "1155",
      "stack.frame": "18",
      "stack.lining": "7",
      "stack.trim": "15",
      sashHand: "",
      "opposite.from": "",
      walls: [{ name: "wet room", at: "1960" }],
      dents: [{ at: "1110" }],
    },
    (i) => ((i.opposite as Any | undefined)?.from === undefined ? without(i, "opposite") : i),
  ),
  sheet(
    "edge-clock",
    "Edge protection, its clock",
    "Openings",
    [
      words("ground", "Last grinding, as 10:20"),
      length("perimeter", "Perimeter of the cut"),
      number("firstH", "Coat, dry after", "h"),
      number("secondH", "Second coat, dry after", "h", true),
      number("tempC", "Metal", "°C"),
      number("minC", "Product from", "°C", true),
      rows("holes", "Small holes", "hole", length("d", "ø"), number("count", "How many")),
    ],
    { ground: "10:20", perimeter: "2719.8", firstH: "1", secondH: "", tempC: "13", minC: "5", holes: [{ d: "4", count: "12" }] },
  ),
];
