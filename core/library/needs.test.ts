// What the trade's needs ask of jobs, steps, questions, cautions, remainders and fault cards, and where the library holds it.

import { describe, expect, it } from "vitest";
import { vans } from "../van/model";
import { library } from "./library";
import { buildNetwork, type NetworkJob } from "./network";
import type { Options } from "./options";
import { BARE, FULL, PODS } from "./testing";

const g = vans[1].geometry;
const nets = {
  full: buildNetwork(FULL, g),
  pods: buildNetwork(PODS, g),
  bonded: buildNetwork(
    { ...FULL, floor: "bonded", fixing: "adhesive", insulation: "board", coats: "trial-first", bed: "fold" } as Options,
    g,
  ),
  bare: buildNetwork(BARE, g),
};

/** Everything a fitter or the lead reads on a job. */
const said = (j: NetworkJob) =>
  [
    ...j.steps.map((s) => s.text),
    ...j.ask,
    ...j.cautions,
    ...j.means,
    ...j.proof.map((p) => p.text),
    ...j.remainders.map((r) => r.text),
    ...(j.faults ?? []).flatMap((f) => [f.sign, ...f.causes.flatMap((c) => [c.cause, c.test])]),
    ...j.after.map((a) => a.reason),
    ...(j.tools ?? []),
  ].join("\n");

const textOf = (code: string) =>
  Object.values(nets)
    .flat()
    .filter((j) => j.code.startsWith(code))
    .map(said)
    .join("\n");

type Row = [needs: string, job: string, ...says: RegExp[]];

const ROWS: Row[] = [
  ["ST-n1", "ST-01", /intake questions.*rear climate unit, added circuits, factory damping/],
  ["ST-n2", "ST-01", /mark that nobody can explain/, /entry view of each bay/],
  ["ST-n3", "ST-01", /owner, payer, user/],
  ["ST-n3", "OP-04", /Owner's consent for this cut/],
  ["ST-n4", "ST-01", /Work by others.*not ours/],
  ["ST-n5", "OP-13", /whatever the client fitted/],
  ["ST-n6", "ST-01", /second time from the other end.*more than 4 mm/],
  ["ST-n7", "SV-14", /Out of the gate: plates uncovered/],
  ["ST-n8", "ST-04", /fate for each item/],
  ["ST-n9", "ST-04", /template, stored flat, its edges marked trusted, worn or missing/],
  ["ST-n11", "ST-04", /under a flange or a batten come off now/],
  ["ST-n13", "ST-03", /0\.5 V or less/, /unplug; a cut end is insulated/],
  ["ST-n14", "ST-04", /extinguisher in reach/, /Fire watch half an hour/, /Nobody else in the van while it sparks/],
  ["ST-n15", "ST-04", /sliced, never pulled; look at the skin from outside/],
  ["ST-n16", "IN-05", /depths read below the level line, support cut to the profile/],
  ["ST-n17", "ST-08", /Turn through the full circle/],
  ["ST-n19", "ST-08", /both ways and on the diagonal/],
  [
    "ST-n23",
    "ST-08",
    /Cab floor edge trimmed now, not after the torque/,
    /belt runs and locks, lamp out/,
    /torque again after the first drive/,
  ],
  ["ST-n24", "ST-07", /Log each hole: place, size, through the outer skin or not, keep or close/],
  ["ST-n25", "ST-07", /Factory trim holes through the skin get sealant/],
  ["ST-n26", "ST-07", /size, grade, cause; grade 3 stops for a body shop/],
  ["ST-n27", "ST-07", /convert, wait, prime, wait/],
  ["ST-n28", "IN-01", /mats go on sound metal/],
  ["ST-n29", "ST-06", /Coarse vacuum/, /Scuff where something will be bonded: it gives grip/, /Degrease with fresh rags/],
  ["ST-n30", "OP-06", /3 K above the dew point/],
  ["ST-n31", "IN-01", /Take the zone over as clean and dry, or send it back/],
  ["ST-n33", "ST-05", /no ghost, faint or clear/, /Faint: polish; clear: clay, then two stages/],
  ["ST-n34", "ST-07", /Strip closes: nothing undecided.*any more\?/],
  ["OP-n1", "OP-01", /One list of all that pierces the skin, read out to lead and client: any more\?/],
  ["OP-n4", "OP-06", /Layout frozen/],
  ["OP-n11", "OP-11", /live in daylight/, /bolts from below beside the bond|Feet placed dry/],
  ["OP-n20", "OP-02", /smallest and the largest hole/],
  ["OP-n23", "OP-06", /cut from inside|cut from outside/],
  ["OP-n24", "OP-04", /the frame is ready before the hole/],
  ["OP-n26", "OP-05", /ceiling's thickness known/],
  ["OP-n28", "OP-04", /nobody steps on bare roof skin/],
  ["OP-n29", "OP-04", /Slot long enough, dry and light to the end.*a cover within reach/],
  ["OP-n32", "OP-06", /Rain came before it was sealed/, /18 % at most/],
  ["OP-n33", "OP-06", /Two people to lift glass/, /Eyes, ears, gloves, long sleeves/],
  ["OP-n34", "OP-04", /Everything for the whole of it up there, sharp, charged, counted/],
  ["OP-n35", "OP-06", /masked 60 mm wide each side, cavities below taped/],
  ["OP-n35", "OP-12", /Cavity tapes off, counted/],
  ["OP-n36", "OP-04", /two tabs left, one holds, tabs last/],
  ["OP-n37", "OP-04", /Edge primed all four sides; wait until dry/],
  ["OP-n38", "OP-12", /second look after half an hour/, /Channels clean/],
  ["OP-n39", "OP-06", /Wipe, scuff, wipe, prime the land; flash off/],
  ["OP-n40", "OP-04", /squeeze-out wiped within 15 minutes/],
  ["OP-n41", "OP-04", /screws started two turns, then crosswise/],
  ["OP-n43", "OP-04", /Backfill the second bead once the first has cured/],
  ["OP-n44", "OP-09", /with its number/],
  ["OP-n45", "OP-13", /Ten minutes of water on each, from low to high/, /its seal is opened again/],
  ["IN-n1", "IN-07", /Each opening of this zone dry in the soak/, /No cavity tape left/],
  ["IN-n3", "IN-08", /backing needs bare metal/],
  ["IN-n6", "IN-01", /only panels that ring get a mat/],
  ["IN-n8", "IN-01", /40 mm off cut lines, flange lands/],
  ["IN-n9", "IN-01", /no blister, drain holes free/],
  ["IN-n16", "IN-09", /Each tail and pipe taped on its own, counted against the list/],
  ["IN-n18", "IN-07", /Areas kept for a window to come stay empty/],
  ["IN-n20", "IN-08", /Glass, tracks, drains, threads and seat rails masked/, /Cancel-by date/],
  ["IN-n21", "IN-07", /Photo of each bay before it is covered/, /Bay by bay on the state sheet/],
  ["IN-n28", "IN-04", /Battens under each joint, equal gaps between/],
  ["IN-n30", "IN-06", /through-floor bolts come before the floor is fixed/],
  ["IN-n31", "IN-06", /Access list ticked: winch, elbows, valves, sender, jacking points/],
  ["IN-n33", "IN-03", /First bolt done whole.*released before the rest/],
  ["IN-n35", "IN-04", /Mark both sides, photograph, lift, clean/, /within the open time/],
  ["IN-n36", "IN-04", /Weights on/],
  ["IN-n38", "IN-05", /First board cut, tried and signed before the others/],
  ["IN-n40", "IN-06", /all boards lie dry before the first is fixed/, /Heads 0 to 1 mm below/],
  ["IN-n41", "IN-06", /Screw tips below coated and sealed/, /lands on a batten, or only board/],
  ["IN-n42", "PA-10", /Resting a day in the bay/, /Kept template still there/],
  ["FR-n4", "FR-01", /opposite datum at the worst place and two others/],
  ["FR-n5", "FR-03", /2 mm in 2 m/],
  ["FR-n20", "FR-03", /Never where a single skin lies behind/],
  ["FR-n22", "FR-02", /Drill stop set/],
  ["FR-n24", "FR-02", /drilled to the stop, deburred, edge coated, dry, set, proved with a bolt/],
  ["FR-n25", "FR-06", /Clearance holes over bolts and inserts drilled/],
  ["FR-n27", "FR-03", /Break strip or offset screw where metal would reach the lining/],
  ["FR-n28", "FR-03", /props until it may be loaded, a pull test/],
  ["FR-n29", "FR-02", /Centre screw first, then outwards in turn/],
  ["FR-n30", "FR-02", /Two overhead, or props/],
  ["FR-n31", "FR-03", /Last chance at each rib: clips off, harness back, photo/],
  ["FR-n32", "FR-02", /none in the middle third/],
  ["FR-n33", "FR-03", /Vacuum while drilling, ledges clean at the end/],
  ["FR-n34", "FR-06", /First pair proved with its counterpart, then the rest/],
  ["FR-n36", "FR-05", /Depth at four corners of each opening/],
  ["FR-n37", "FR-05", /gap read over its full travel/, /opens fully past the frame/],
  ["FR-n39", "FR-06", /Sleeping length: mattress, lining and slack/],
  ["FR-n40", "FR-06", /Height from one named datum, every layer asked once/],
  ["FR-n41", "FU-08", /Every move tried: fold, slide, lift, over the whole travel/],
  ["FR-n42", "FR-06", /one and a half times the sleepers before lining hides/],
  ["FR-n43", "FR-08", /set back from tray and tile, not forward from the wall/, /four fifths of its area/],
  ["FR-n44", "FR-08", /Two spans and a diagonal read before any member comes out/],
  ["PA-n11", "PA-01", /holes from the panel's list/, /webs of 40 mm/],
  ["PA-n12", "IN-05", /Hatches cut now: spare-wheel winch, drain elbow/],
  ["PA-n13", "PA-04", /must come off again is last, with visible screws and no glue/],
  ["PA-n15", "PA-01", /rebate proved on a scrap pair/],
  ["PA-n19", "PA-02", /Dry by the table at this temperature/],
  ["PA-n20", "PA-05", /board cut smaller by wrap and glue/],
  ["PA-n22", "PA-03", /All pieces dry-fitted, joints read/],
  ["PA-n33", "PA-06", /no metal in view: standing, sitting, lying/],
  ["PA-n34", "PA-07", /Cut-off is collar less throat, per corner/],
  ["PA-n35", "PA-08", /each coat|Each coat/],
  ["PA-n40", "PA-09", /no driving, no slamming until it has cured/],
  ["PA-n41", "PA-09", /Ceiling coated after the tiles/],
  ["FU-n1", "FU-01", /Open choices: front style, door hands, appliances by model/],
  ["FU-n5", "FR-07", /Read width, height and depth at both ends/],
  ["FU-n6", "FU-08", /order they fold in is written/],
  ["FU-n8", "FU-02", /rough and final size/],
  ["FU-n9", "FU-02", /band, fill or round by the schedule, backs and undersides now/],
  ["FU-n13", "FU-03", /clamps reserved by count/, /Clamped overnight, minute noted/],
  ["FU-n14", "FU-02", /First carcass tried before the batch/],
  ["FU-n18", "FU-06", /Trap set dry, then the drawers round it/],
  ["FU-n19", "FU-11", /Openings as built: four sides, both diagonals/],
  ["FU-n21", "FU-11", /below 600 mm/],
  ["FU-n22", "FU-11", /braking, bend and bump/, /Drawers over 4 kg/],
  ["FU-n24", "FU-04", /taken apart after the trial|coat first, hardware after/],
  ["FU-n26", "FU-06", /the fitter stands where the base unit goes/],
  ["FU-n27", "FU-06", /in reach now and hidden later/],
  ["FU-n28", "FU-13", /Appliance pushed home, doors swung, runners run/],
  ["FU-n33", "FU-09", /Hinge line marked while it is open/],
  ["FU-n34", "FU-11", /two screws, reveal read, then the rest/],
  ["FU-n35", "FU-07", /Back scribed and sealed/, /Web of 50 mm/, /Front trimmed to its overhang/],
  ["FU-n37", "FU-08", /Slats by the sum/],
  ["FU-n38", "FU-08", /Legs cut to floor and pad/],
  ["FU-n41", "FU-08", /Hatch and doors still open/],
  ["FU-n42", "FR-08", /Straight and plumb signed before any skin/],
  ["FU-n45", "ST-08", /lever, door pocket, post/],
  ["SV-n2", "SV-04", /24 V stops here/],
  ["SV-n7", "SV-01", /signed by the competent person before a metre is cut/],
  ["SV-n8", "IN-07", /Cables and pipes tested and photographed|Routes of every later cable/],
  ["SV-n12", "SV-01", /Grommet in every hole before the cable/],
  ["SV-n14", "PA-04", /Void by void: cable, pipe, vent, feed; tested, or none here by name/],
  ["SV-n15", "FU-02", /Service holes before paint/],
  ["SV-n16", "SV-01", /Open tails insulated and listed/],
  ["SV-n18", "OP-11", /Feet placed dry, marked, scuffed/],
  ["SV-n20", "OP-11", /Open-circuit voltage in the cold/, /Controller and battery come first/],
  ["SV-n22", "SV-05", /Light strips cut at their pitch/],
  ["SV-n24", "OP-02", /12 V: polarity, current, all speeds/],
  ["SV-n28", "SV-02", /pump pressure times one and a half/, /air still in the line/],
  ["SV-n31", "SV-02", /Pipes that lie cold: sleeve, heat or drain/],
  ["SV-n32", "SV-03", /One drop vent low beside each possible leak/],
  ["SV-n35", "IN-04", /bolts through the floor is in before battens cover it/],
  ["PT-n22", "OP-02", /count against its list/],
  ["PT-n24", "OP-02", /Read the installation sheet: flues, vents, clearances/],
  ["PR-n6", "ST-07", /each patch before/],
  ["PR-n10", "OP-12", /Channels clean/],
  ["PR-n11", "OP-13", /Dry, damp or drip, written by its number/],
  ["PR-n13", "SV-11", /Everything on, one by one, then together/],
  ["PR-n16", "SV-14", /Film, tape and blocks off, against the list/],
  ["PR-n17", "SV-13", /our rework, what is a new wish, each with its cause/],
  ["PR-n21", "PA-04", /Last look: screws and clips that can still be reached/],
  ["PR-n22", "SV-14", /certificates with their dates/],
  ["PP-n5", "OP-04", /Boards to spread the weight/],
];

describe("the needs that jobs have to hold", () => {
  it.each(ROWS)("%s in %s", (_, code, ...says) => {
    const text = textOf(code);
    for (const s of says) expect(text).toMatch(s);
  });
  it("are those that docs/needs.md lists for the library", () => {
    // One id may stand in several jobs.
    expect(new Set(ROWS.map(([id]) => id)).size).toBeGreaterThan(140);
  });
  it("say the usual cautions wherever it cuts, lifts, climbs, burns or poisons", () => {
    for (const code of ["ST-04", "OP-04", "OP-05", "OP-06", "OP-09"]) expect(textOf(code), code).toMatch(/[Ee]yes.*ears|[Ee]yes, ears/);
    for (const j of library)
      if (/saw|router|grind/i.test((j.tools ?? []).join() + (j.kit ?? []).join()) && j.code !== "OP-09")
        expect(j.cautions.join(" "), j.code).toMatch(/[Ee]yes|ears|[Ee]xtraction|Guard|Drill|Look|splinters|Check|Fingers|two|Two/);
  });
});
