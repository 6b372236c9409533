// Sealant for low places under a flange, and where a packer has to go instead.

import { calculator, type Finding, is, list, mm, object, outcome, round } from "./model";

interface Input {
  land: number;
  stations: { length: number; gap: number }[];
  bridges?: number;
}

const schema = object({ land: is.size, stations: list(object({ length: is.size, gap: is.mm }), 1) }, { bridges: is.size });

/** V = Σ gap·width·length, ml; above what the sealant bridges (3 unless told) a shaped packer. */
export const lowPlaces = calculator<Input>(
  { name: "low-places", title: "Low places under a flange" },
  schema,
  () => [],
  ({ land, stations, bridges = 3 }) => {
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
);
