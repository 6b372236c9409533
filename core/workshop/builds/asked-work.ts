// What asks for a job of its own: kept set-outs, work of others that is only believed, holes made late, dirty work beside finished.

import { hasRole, jobWith } from "../../library/roles";
import { type CalculatorName, findCalculator } from "../../setout/calculators";
import type { Outcome } from "../../setout/engine/outcome";
import { DAY, type Minute, zoneOf } from "../../time/zone";
import { behindHole, freshBelow, isOpen, lateHole, penetrationsIn, SIDE_WORDS } from "../openings/holes";
import { AREAS } from "../records/kinds/client";
import { entriesOf } from "../records/kinds/of";
import { protection } from "../starts/protect";
import { figure } from "../state/house-figures";
import type { BuildRow, JobRow, SheetRow, Shop } from "../state/model";
import { chainOfCoats } from "./coat-jobs";
import { type AskedJob, around } from "./extra-work";
import { coversWork, isBelieved } from "./other-trades";

type Source = (shop: Shop, build: BuildRow, sheet: SheetRow, o: Outcome, now: Minute) => AskedJob[];

const ids = (...jobs: (JobRow | undefined)[]): string[] => jobs.flatMap((j) => (j ? [j.id] : []));

/** A sunken edge is built up to a line that is scribed on the van; metal that stands proud is dressed back first. */
const support: Source = (shop, build, sheet, o) => {
  const { heights } = o.results as { heights: { at: number; height: number }[] };
  const board = jobWith(build.jobs, "floor-boards");
  const own = build.jobs.find((j) => j.id === sheet.jobId);
  const before = ids(board ?? own);
  const proud = heights.filter((h) => h.height < 0);
  const long = (heights[heights.length - 1].at - heights[0].at) / 1000;
  const common = { stage: "insulation", zones: own?.zones ?? ["floor"], level: 2 } as const;
  const keys = { dress: `dress:${sheet.id}`, scribe: `scribe:${sheet.id}` };
  const taken = (key: string) => ids(build.jobs.find((j) => j.extra === key));
  const dress: AskedJob = {
    ...common,
    key: keys.dress,
    name: "Metal dressed back at the floor's edge",
    why: `the set-out shows metal proud at ${proud.map((h) => `${h.at}`).join(", ")} mm`,
    minutes: around(figure(shop, "dressPlace") * proud.length),
    skill: "body",
    steps: [
      "Lay the level line over the edge",
      ...proud.map((h) => `At ${h.at} mm dress the metal down by ${-h.height} mm`),
      "Bare metal primed",
    ],
    shots: ["the edge under the level line"],
    cautions: ["Ears and eyes; look at what lies on the other side before the first blow"],
    after: [],
    before: [...before, ...taken(keys.scribe)],
  };
  const highest = Math.max(...heights.map((h) => h.height));
  if (highest <= 0) return proud.length ? [dress] : [];
  return [
    ...(proud.length ? [dress] : []),
    {
      ...common,
      key: keys.scribe,
      name: "Support scribed under the bent edge",
      why: `the edge has sunk by up to ${highest} mm`,
      minutes: around(Math.max(20, figure(shop, "scribeMetre") * long)),
      skill: "joinery",
      steps: [
        "Cut to the outline of the set-out",
        ...heights.filter((h) => h.height > 0).map((h) => `At ${h.at} mm it stands ${h.height} mm high`),
        "Lay it in, scribe what still rocks, plane to the line",
        "Fix it; the level line touches along all of it",
        "Mark on the floor template: don't trust this edge",
      ],
      shots: ["the support under the level line"],
      // On metal that was dressed back, where that was taken on.
      after: taken(keys.dress),
      before,
    },
  ];
};

/** Past the latest time for the next coat the one before has to be scuffed again. */
const scuff: Source = (shop, build, sheet, o, now) => {
  const job = build.jobs.find((j) => j.id === sheet.jobId);
  const coated = sheet.input.coated;
  const { latestH } = o.results as { latestH: number | null };
  if (!job || job.state === "done" || typeof coated !== "string" || latestH === null) return [];
  const zone = zoneOf(shop.workshop.zone);
  const at = zone.parse(`${zone.show(sheet.savedAt).slice(0, 10)}T${coated}`);
  if (at + latestH * 60 >= now) return [];
  return [
    {
      key: `scuff:${sheet.id}:${at}`,
      name: `Scuff again: ${job.name}`,
      why: `the coat of ${coated} could be gone over for ${latestH} h, and that is past`,
      minutes: around(figure(shop, "scuff")),
      stage: job.stage,
      zones: job.zones,
      skill: job.crew[0]?.skill ?? "any",
      level: 1,
      steps: ["Scuff the coat all over, edges as well", "Wipe with what the maker names, dry"],
      shots: ["scuffed, wiped"],
      cautions: ["Dust mask; extraction on"],
      after: [],
      before: job.state === "todo" ? [job.id] : [],
    },
  ];
};

/** What stays connected would empty the battery while the van stands: looked at half-way. */
const battery: Source = (shop, _build, sheet, o, now) => {
  const { daysToFlat, neededDays } = o.results as { daysToFlat: number | null; neededDays: number };
  if (daysToFlat === null || daysToFlat >= neededDays) return [];
  const circuits = (sheet.input.circuits as { name: string }[]).map((c) => c.name);
  return [
    {
      key: `battery:${sheet.id}`,
      name: "Check the battery while the van is parked",
      why: `flat after ${daysToFlat} days, and the van is parked longer: ${circuits.join(", ")}`,
      minutes: around(figure(shop, "batteryCheck")),
      stage: "strip",
      zones: [],
      skill: "any",
      level: 1,
      yardOk: true,
      notBefore: Math.max(now, sheet.savedAt + Math.floor(daysToFlat / 2) * DAY),
      steps: [
        "Read the voltage at rest",
        "Lamps switched by motion: each by name, off or taken out",
        "Below 12.4 V: on charge, and say so",
      ],
      shots: ["the reading"],
      after: [],
      // It stands: nothing waits for the look.
      before: [],
    },
  ];
};

/** An outline that shows once the letters are off and the job is over. */
const polish: Source = (_shop, build, sheet, o) => {
  const job = jobWith(build.jobs, "lettering");
  const { polishMinutes } = o.results as { polishMinutes: number };
  const ghost = sheet.input.ghost as string;
  const seen = ghost === "faint" || ghost === "clear";
  if (job?.state !== "done" || !seen || polishMinutes <= 0 || sheet.savedAt < (job.endedAt ?? 0)) return [];
  return [
    {
      key: `polish:${sheet.id}:${ghost}`,
      name: "Ghost of the lettering polished out",
      why: `a ${ghost} outline shows in low light`,
      minutes: around(polishMinutes),
      stage: "strip",
      zones: job.zones,
      skill: job.crew[0]?.skill ?? "paint",
      level: job.crew[0]?.level ?? 1,
      steps: [...(ghost === "clear" ? ["Clay the panel"] : []), "Machine polish", "Look along it again in low light"],
      shots: ["the panel in low light"],
      after: [job.id],
      before: build.jobs.filter((j) => hasRole(j, "mark-out") && j.state === "todo").map((j) => j.id),
    },
  ];
};

const SOURCES: Readonly<Partial<Record<CalculatorName, Source>>> = {
  "edge-support": support,
  recoat: scuff,
  "battery-stand": battery,
  lettering: polish,
  "coat-chain": (_shop, build, sheet) => chainOfCoats(build, sheet),
};

function ofSheets(shop: Shop, build: BuildRow, now: Minute): AskedJob[] {
  return build.sheets.flatMap((s) => {
    const source = SOURCES[s.calculator as CalculatorName];
    if (!source) return [];
    try {
      return source(shop, build, s, findCalculator(s.calculator)!.run(s.input), now);
    } catch {
      // A sheet of before, whose input the calculator no longer takes, asks for nothing.
      return [];
    }
  });
}

/** What is only said to be done is looked at in a job of its own; what was refused is done again in one. */
function ofOthers(shop: Shop, build: BuildRow): AskedJob[] {
  return entriesOf(build.records, "others").flatMap((r): AskedJob[] => {
    const { data } = r;
    const before = build.jobs.filter((j) => j.state === "todo" && coversWork(r, j)).map((j) => j.id);
    const more = { stage: "strip", zones: [] as string[], skill: "any", level: 2, yardOk: true, after: [] as string[], before };
    if (data.result === "refused")
      return [
        {
          ...more,
          key: `again:${r.id}`,
          name: `Done again: ${r.title}`,
          why: `work of ${data.who} that was refused`,
          minutes: around((data.hours ?? 1) * 60),
          steps: [...(data.defects ? [`What is wrong: ${data.defects}`] : []), `Do it again: ${r.title}`, "Somebody else looks it over"],
          shots: [`${r.title}, done again`],
        },
      ];
    if (!isBelieved(r)) return [];
    return [
      {
        ...more,
        key: `accept:${r.id}`,
        name: `Looked over: ${r.title}`,
        why: `${AREAS[data.area]}, said to be done by ${data.who}`,
        minutes: around(data.pierces ? figure(shop, "acceptTest") : figure(shop, "acceptLook")),
        steps: [
          `Look at ${r.title}`,
          "Pull at it, meter it or water it, as it asks",
          ...(data.pierces ? ["It goes through the skin: it is on the list of holes, and in the soak"] : []),
          "Write the result down: Owner and other trades",
        ],
        shots: [r.title],
      },
    ];
  });
}

/** Holes wanted where what lies behind them is begun: cover, swarf, edge and lining once more. */
function ofHoles(shop: Shop, build: BuildRow, now: Minute): AskedJob[] {
  return penetrationsIn(build.records).flatMap((r): AskedJob[] => {
    const late = lateHole(build, r.data.side);
    if (!late || r.data.by !== "us" || (r.data.state !== "wanted" && r.data.state !== "set out" && !isOpen(r.data))) return [];
    const own = build.jobs.find((j) => j.id === r.jobId);
    const fresh = freshBelow(build, r.data.side, now);
    return [
      {
        key: `late:${r.id}`,
        name: `Behind hole ${r.no}: swarf, edge, lining once more`,
        why: `hole ${r.no}, ${r.title}, comes late: ${late.says}`,
        minutes: around(late.minutes),
        stage: "openings",
        zones: own?.zones ?? [...behindHole(r.data.side)],
        skill: "body",
        level: 2,
        holdMinutes: figure(shop, "edgeCoat"),
        steps: [
          "The cables of that wall are on the drawing of what was built",
          "Cover what lies behind and below",
          ...(own ? [] : [`Cut hole ${r.no} on the ${SIDE_WORDS[r.data.side]}`]),
          "Swarf off with a magnet, battens and glue as well",
          "Edge coat on bare metal",
          "Clean again what is bonded later; cut the lining",
        ],
        shots: ["covered", "clean again", "the edge coated"],
        cautions: ["Eyes, gloves, sleeves; nobody below"],
        after: own && own.state !== "done" ? [own.id] : [],
        before: build.jobs
          .filter(
            (j) =>
              j.state === "todo" &&
              j.place === "van" &&
              ["insulation", "panels", "furniture"].includes(j.stage) &&
              behindHole(r.data.side).some((z) => j.zones.includes(z)),
          )
          .map((j) => j.id),
        ...(fresh ? { stop: fresh } : {}),
      },
    ];
  });
}

/** Jobs that something found asks for and that are not among the build's. */
export function askedJobs(shop: Shop, build: BuildRow, now: Minute): AskedJob[] {
  const have = new Set(build.jobs.flatMap((j) => (j.extra ? [j.extra] : [])));
  return [...ofSheets(shop, build, now), ...ofOthers(shop, build), ...ofHoles(shop, build, now), ...protection(build)].filter(
    (a) => !have.has(a.key),
  );
}
