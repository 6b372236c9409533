// What the demo's workshop keeps in the papers of its builds: owner and consents, work of others, walk-rounds, what would be trapped,
// fixings, metal behind cuts, seats that were loose, sparks.

import { v7 } from "uuid";
import { jobWith } from "../core/library/roles";
import { DAY } from "../core/time/zone";
import { VIEWS } from "../core/van/drawing";
import { touchOf } from "../core/workshop/client/consent";
import { throwsChips } from "../core/workshop/openings/hot-work";
import { TOUCH_WORDS } from "../core/workshop/records/kinds/client";
import type { RecordData, RecordKind } from "../core/workshop/records/kinds/kinds";
import { isOver } from "../core/workshop/records/kinds/kinds";
import type { JobRow, Shop } from "../core/workshop/state/model";
import { type Conn, pool, transaction } from "../db/pool";
import { addRecord } from "../db/records/records";
import { loadShop } from "../db/shop";
import { LEAD } from "./people";

type Paper = {
  [K in RecordKind]: [build: string, kind: K, title: string, data: RecordData[K], daysAgo: number, closed?: true];
}[RecordKind];

const WORN = ["eyes", "ears", "gloves", "sleeves"];

const PAPERS: Paper[] = [
  [
    "field-vet",
    "owner",
    "Quill Practice, registered owner",
    {
      payer: "Quill Practice",
      user: "Dr. Adair Quill",
      berths: 2,
      beltsOrdered: 3,
      beltsDrawn: 3,
      tallMm: 1880,
      animals: "a crate for one dog",
    },
    12,
  ],
  [
    "field-vet",
    "consent",
    "Roof fan, skylight, side windows",
    { touches: "skin", signedBy: "Quill Practice, registered owner", on: "2026-11-16" },
    9,
  ],
  ["field-vet", "consent", "Rails on the roof", { touches: "rack" }, 9],
  [
    "field-vet",
    "others",
    "Rack feet, six",
    { by: "client", who: "Dr. Quill's brother", area: "rack", state: "done", covered: "open", pierces: true },
    6,
  ],
  [
    "field-vet",
    "others",
    "Lead to the rear, with its fuse",
    {
      by: "workshop",
      who: "a trade electrician",
      area: "wiring",
      state: "done",
      covered: "open",
      test: "meter",
      minutes: 20,
      result: "accepted",
    },
    6,
  ],
  [
    "field-vet",
    "others",
    "Seal of the old beacon",
    { by: "workshop", who: "the fleet's own shop", area: "roofUnits", state: "done", covered: "covered", defects: "painted over" },
    6,
  ],
  ["field-vet", "round", "Yard", { when: "arrival", views: [...VIEWS].filter((v) => v !== "plan") }, 6.05],
  [
    "field-vet",
    "trap",
    "Harness along the gutter",
    { what: "harness", zone: "ceiling", rib: "3", under: "batten", step: "push back and tie" },
    4,
  ],
  ["field-vet", "trap", "Trim clips above the slider", { what: "clip", zone: "right", under: "lining", step: "take off" }, 4, true],
  [
    "field-vet",
    "trap",
    "Earth screw, left pillar",
    { what: "screw", zone: "left", rib: "2", under: "lining", step: "leave", noScrew: true },
    4,
    true,
  ],
  ["field-vet", "fixing", "Load floor", { what: "bolt", count: 16, tools: "socket 13, oil", beneath: "dirt, one damp edge" }, 6],
  ["field-vet", "fixing", "Side linings", { what: "clip", count: 64 }, 6],
  [
    "field-vet",
    "member",
    "Stiffener behind the left window",
    {
      side: "left",
      what: "stiffener",
      mayGo: "yes",
      source: "body guide",
      says: "sheet 14, side wall",
      how: "bond sliced",
      duty: "the bonded frame of the window",
    },
    3,
  ],
  ["night-bakery", "fixing", "Racking", { what: "rivet", count: 38, minutes: 130, tools: "drill 5, chisel" }, 12],
  ["night-bakery", "round", "Yard", { when: "arrival", views: ["left", "right", "rear", "roof"] }, 14],
  [
    "coast-rangers",
    "member",
    "Beam above the right window",
    {
      side: "right",
      what: "beam",
      mayGo: "yes",
      source: "ticket holder",
      says: "Ines",
      how: "tabs sheared",
      duty: "a steel rib, bolted",
      coated: true,
    },
    20,
  ],
];

const SEAT: RecordData["seat"] = {
  route: "re-torque",
  bolts: ["front left", "front right", "rear left", "rear right"].map((name) => ({ name, asked: 45, read: 45 })),
  floorTrimmed: true,
  locked: true,
  belts: true,
  clear: true,
  lamps: true,
  signedBy: "Ines",
  ticket: "seats",
};

/** Whose each other van is: the client's, who has signed for all that its build changes for good. */
async function ownAndConsent(t: Conn, shop: Shop, now: number): Promise<void> {
  for (const b of shop.builds) {
    if (PAPERS.some(([build, kind]) => build === b.id && kind === "owner")) continue;
    const at = Math.min(now, b.arrives) - DAY;
    await paper(t, b.id, null, "owner", b.client, { payer: b.client, user: b.client, berths: 2 }, at);
    for (const touches of new Set(b.jobs.flatMap((j) => touchOf(j) ?? [])))
      await paper(t, b.id, null, "consent", TOUCH_WORDS[touches], { touches, signedBy: b.client }, at);
  }
}

/** Vans that were weighed as they came: a little over the maker's figure, as they do. */
async function weighings(t: Conn, shop: Shop): Promise<void> {
  for (const [i, b] of shop.builds.entries()) {
    const weighed = jobWith(b.jobs, "weigh-in");
    const axles = shop.vans.find((v) => v.id === b.vanId)?.geometry.axles;
    if (weighed?.state !== "done" || !axles) continue;
    const data = { when: "came" as const, frontKg: axles.kerbFrontKg + 14 + i, rearKg: axles.kerbRearKg + 62 + 3 * i };
    await paper(t, b.id, weighed.id, "weighing", `Weighbridge, slip ${4100 + 17 * i}`, data, weighed.endedAt!);
  }
}

/** Boxes that were counted when the units were unpacked: each line of each unit that is here. */
async function countBoxes(t: Conn, shop: Shop, now: number): Promise<void> {
  for (const b of shop.builds)
    for (const j of b.jobs)
      for (const p of j.parts) {
        if (j.irreversible !== "cut" || j.state === "done" || p.state !== "checked" || !p.contents.length) continue;
        await addRecord(t, {
          id: v7(),
          buildId: b.id,
          jobId: j.id,
          kind: "contents",
          title: p.name,
          data: { items: p.contents.map((name) => ({ name, state: "there" as const })) },
          saidBy: "u-teo",
          saidAt: Math.min(now - 60, (p.checkedAt ?? now - DAY) + 20),
          closedAt: now - 60,
        });
      }
}

export async function writePapers(now: number): Promise<void> {
  const shop = await loadShop(pool());
  await transaction(async (t) => {
    for (const [build, kind, title, data, days, closed] of PAPERS)
      if (shop.builds.some((b) => b.id === build)) await paper(t, build, null, kind, title, data, now - Math.round(days * DAY), closed);
    for (const b of shop.builds)
      for (const j of b.jobs) {
        if (j.code === "ST-08" && j.state === "done") await paper(t, b.id, j.id, "seat", "Driver's and passenger's", SEAT, j.endedAt!);
        if (j.state !== "todo" && throwsChips(j)) await sparks(t, shop, j, now);
      }
    await ownAndConsent(t, shop, now);
    await weighings(t, shop);
    await countBoxes(t, shop, now);
  });
}

/** Of what is cut today the swarf is still lying; of what was cut before it is long off. */
async function sparks(t: Conn, shop: Shop, j: JobRow, now: number): Promise<void> {
  const by = shop.fitters.find((f) => f.id === j.fitters[0])?.name ?? "Ines";
  const stamps =
    j.state === "done"
      ? { last: { by, at: j.endedAt! }, clean: { by, at: j.endedAt! }, look: { by: "Ines", at: j.endedAt! + 40 } }
      : undefined;
  const data: RecordData["sparks"] = { tool: "jigsaw", worn: WORN, ...(stamps ? { stamps } : {}) };
  await paper(t, j.buildId, j.id, "sparks", j.name, data, Math.min(j.startedAt ?? now, now));
}

async function paper<K extends RecordKind>(
  t: Conn,
  buildId: string,
  jobId: string | null,
  kind: K,
  title: string,
  data: RecordData[K],
  at: number,
  closed?: true,
): Promise<void> {
  const over = isOver(kind, data, closed === true);
  await addRecord(t, { id: v7(), buildId, jobId, kind, title, data, saidBy: LEAD, saidAt: at, closedAt: over ? at : null });
}
