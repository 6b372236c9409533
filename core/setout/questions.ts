// What question each sheet answers, as somebody in the workshop would ask it, and other words by which it is looked for.

import type { CalculatorName } from "./names";

export interface Question {
  asks: string;
  /** Asked only when something went wrong: no job needs it beforehand. */
  onlyIf?: true;
  /** Words that stand in neither the question nor the title. */
  words?: string;
}

export const QUESTIONS: Readonly<Record<CalculatorName, Question>> = {
  damping: { asks: "How many damping mats, and where do they go?", words: "noise drumming sheet bitumen kilograms" },
  "strip-list": { asks: "Which holes, rust and removed items are there, and how long do they take?", words: "primer plugs weight" },
  opening: { asks: "Where is the opening cut, seen from both sides?", words: "window datum diagonal land rib" },
  "roof-plan": { asks: "Do fan, skylight and solar panels fit on the roof, clear of the ribs?", words: "place rack shade" },
  "support-frame": { asks: "How long are the pieces of the frame around a roof unit?", words: "batten wood ribs" },
  sealant: { asks: "How many cartridges of sealant does it take?", words: "bead adhesive glue tubes" },
  cure: { asks: "When may it be moved, soaked and loaded?", words: "hardening adhesive glue bond" },
  "open-skin": { asks: "How long is the skin open, and does that fit into the dry hours?", words: "rain weather risk" },
  "under-floor": { asks: "Which holes go through the floor, clear of what hangs below?", words: "tank axle exhaust drain" },
  "battery-stand": { asks: "Will the battery last while the van stands?", words: "starter volts charge" },
  "bolt-pattern": { asks: "Do the holes of the base meet those of the seat's mount?", words: "swivel drilling" },
  swivel: { asks: "Can the seat turn without touching door, brake and wheel?", words: "sweep" },
  "dew-point": { asks: "Is the metal dry enough to bond on?", words: "damp humidity sweat condensation temperature" },
  recoat: { asks: "When may the next coat go on?", words: "paint primer" },
  "edge-support": { asks: "How much has to be built up under a bent floor edge?", words: "sunken scribe level" },
  lettering: { asks: "How long does the lettering take, and does it leave a ghost?", words: "film letters polish" },
  "zone-rate": { asks: "How long do the other zones take, going by the first?", words: "cleaning degrease forecast" },
  "hole-range": { asks: "How small and how large may the hole be?", words: "unit cut-out template" },
  corners: { asks: "Which hole saw starts the corners?", words: "radius drill" },
  session: { asks: "How long does it take to cut all openings in one session?", words: "day" },
  "bed-across": { asks: "Is the van wide enough to sleep across?", words: "pods width" },
  "solar-feet": { asks: "Where do the feet of a solar panel stand?", words: "roof ribs brackets" },
  cable: { asks: "How thick is the cable through the roof, and which gland and fuse does it take?", words: "wire volts drop solar" },
  "flange-screw": { asks: "Where do the flange's screws go, and how long are they?", words: "pitch" },
  "low-places": { asks: "How much packing goes under the flange, and where?", words: "crown bead gap" },
  depths: { asks: "Does the collar reach from the roof to the ceiling?", words: "lining trim fan" },
  height: { asks: "Is there room to work above the roof in this bay?", words: "beam reach" },
  drain: { asks: "Does the drain fall enough on its way round the elbows?", words: "pipe water slope" },
  "template-gap": { asks: "How is a floor cut without a template?", words: "plywood board" },
  "good-slot": { asks: "Which opening gets the dry hours?", words: "weather rain forecast" },
  "unit-choice": { asks: "Which unit fits this van best?", words: "compare fan skylight window ribs buy" },
  "unit-run": { asks: "Does the unit run on this board?", words: "volts amps fuse test" },
  inlet: { asks: "Where does the inlet fit, where the pocket is deep enough?", words: "mains water" },
  "in-line": { asks: "Is the window in line with walls, blinds and the one across?", words: "symmetry" },
  "edge-clock": { asks: "When is the edge coat dry, and what fits in meanwhile?", words: "primer rust protection" },
  "edge-side": { asks: "Which edge is coated from which side?", words: "primer reach" },
  "land-product": { asks: "Is the metal around the cut clean, and which product does it take?", words: "sealant primer paint" },
  "bead-clock": { asks: "When are the beads laid, wiped and freed of tape?", words: "sealant masking squeeze-out" },
  "set-unit": { asks: "How is the unit set so that it sits even?", words: "screws torque clamp" },
  "board-match": { asks: "Do the ceiling boards meet the opening in the roof?", words: "lining joints" },
  "solar-fix": { asks: "How long does it take to fix a solar panel, and in which order?", words: "bond bolts" },
  "pair-minutes": { asks: "Does it take two, or will a prop do?", words: "helper minutes" },
  "go-no-go": { asks: "Can the cut begin today, and until when?", words: "rain dusk weather" },
  "disturbed-hold": { asks: "Somebody moved it while it cured: what now?", onlyIf: true, words: "bond hold" },
  passes: { asks: "How long does the run take once the first piece is right?", words: "batch repeat" },
  mixes: { asks: "How many mixes of adhesive, before each goes off?", words: "glue pot life resin" },
  "coat-chain": { asks: "When is each coat due, and when is the last one dry?", words: "paint varnish" },
  "machine-room": { asks: "Is there room at the machine for these boards?", words: "saw outfeed" },
  "second-hands": { asks: "What may one person lift, and what needs two?", words: "weight glass" },
  "hands-date": { asks: "Are there hands enough to make the date?", words: "people days" },
};

/** Sheets in whose question, title or other words every word of a search stands; the order is kept. */
export function sheetsFor<T extends { name: string; title: string }>(all: readonly T[], search: string): T[] {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  return all.filter((s) => {
    const q = QUESTIONS[s.name as CalculatorName] as Question | undefined;
    const text = `${s.title} ${q?.asks ?? ""} ${q?.words ?? ""}`.toLowerCase();
    return words.every((w) => text.includes(w));
  });
}
