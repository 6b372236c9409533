// Sealant for low places under a flange, and where a packer has to go instead.

import { defineCalculator } from "../../engine/define";
import { house, length, rows, size } from "../../engine/inputs";
import { type Finding, mm, outcome, round } from "../../engine/outcome";

const inputs = {
  land: size("Width of the land", { from: "chosen", help: "Width of the metal that the flange lies on." }),
  bridges: house(size("Sealant bridges", { help: "Sealant alone fills up to this gap." }), 3),
  stations: rows(
    "Stations",
    "station",
    { length: size("Length"), gap: length("Gap") },
    { least: 1, from: "measured", help: "With a straight edge on the flange's line: length, and the gap under it." },
  ),
};
/** V = Σ gap·width·length, ml; above what the sealant bridges (3 unless told) a shaped packer. */
export const lowPlaces = defineCalculator({
  name: "low-places",
  title: "Low places under a flange",
  stage: "openings",
  asks: "How much packing goes under the flange, and where?",
  words: "crown bead gap",

  inputs,
  example: {
    land: 24,
    bridges: 3,
    stations: [
      { length: 380, gap: 0.4 },
      { length: 380, gap: 1.7 },
      { length: 380, gap: 0.6 },
      { length: 380, gap: 3.6 },
    ],
  },
  results: {
    ml: ["sealant", "ml"],
    allFilledMl: ["sealant, were all filled", "ml"],
    packers: ["packers", "mm"],
    station: ["station", ""],
    height: ["height", "mm"],
    length: ["length", "mm"],
  },

  work: ({ land, stations, bridges }) => {
    const ml = (s: { length: number; gap: number }) => (s.gap * land * s.length) / 1000;
    const packers = stations.flatMap((s, i) => (s.gap > bridges ? [{ station: i + 1, height: s.gap, length: s.length }] : []));
    const filled = stations.filter((s) => s.gap <= bridges).reduce((n, s) => n + ml(s), 0);
    const findings: Finding[] = packers.map((p) => ({
      level: "warn",
      about: "stations",
      text: `station ${p.station}: ${mm(p.height)} is more than the sealant bridges (${mm(bridges)}): a shaped packer there`,
    }));
    findings.push({ level: "ok", about: "stations", text: `${round(filled, 1)} ml beside the bead itself` });
    return outcome(
      {
        ml: round(filled, 1),
        allFilledMl: round(
          stations.reduce((n, s) => n + ml(s), 0),
          1,
        ),
        packers,
      },
      {
        findings,
        cuts: packers.map((p) => ({ name: `packer ${p.station}`, material: "packer", w: p.length, h: land, t: p.height, count: 1 })),
      },
    );
  },
});
