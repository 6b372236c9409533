// What the demo's workshop keeps of holes through the skin, of its bare bodys and of templates.

import { v7 } from "uuid";
import { jobWith } from "../core/library/roles";
import { ZONE_WORDS } from "../core/workshop/bare-body/zones";
import { isDead } from "../core/workshop/openings/circuits";
import { askedFor } from "../core/workshop/openings/holes";
import type { ShellZone, ShellZoneName } from "../core/workshop/records/kinds/bare-zone";
import { SHELL_STEPS, SHELL_ZONES } from "../core/workshop/records/kinds/bare-zone";
import type { Circuit } from "../core/workshop/records/kinds/circuit";
import type { Penetration, PenetrationState } from "../core/workshop/records/kinds/hole";
import type { BuildRow, JobRow, Shop } from "../core/workshop/state/model";
import { insertTemplate, type TemplateFields } from "../db/house/templates";
import { pool, transaction } from "../db/pool";
import { addRecord } from "../db/records/records";
import { loadShop } from "../db/shop";

/** Builds whose list of holes is kept, those of the client's own work with what that is. */
const KEPT: Record<string, [title: string, data: Penetration] | undefined> = {
  "field-vet": [
    "Rack feet, six",
    {
      side: "roof",
      place: "factory points, both gutters",
      size: "ø 9",
      by: "client",
      state: "closed",
      bead: "whole",
      askedBy: "the client",
    },
  ],
  "night-bakery": undefined,
  "darkroom-van": undefined,
  "coast-rangers": undefined,
};

/** How far the zones of a shell are cleaned: steps done, and whether somebody took it over. */
const SHELL: Record<string, [zone: ShellZoneName, steps: number, by: string, accepted?: string][]> = {
  "field-vet": [
    ["roof", 5, "Teo", "Mara"],
    ["left", 4, "Teo"],
    ["right", 4, "Teo"],
    ["floor", 2, "Teo"],
  ],
};

/** What hangs on the wall behind the saw. */
const TEMPLATES: TemplateFields[] = [
  {
    number: "3",
    vanId: "drover-l2h2",
    kind: "template",
    what: "Bonded side window",
    side: "left",
    bay: "",
    mark: "up",
    serves: "",
    offsets: "",
    note: "ply, edge sealed",
  },
  {
    number: "5",
    vanId: "drover-l2h2",
    kind: "jig",
    what: "Roof fan",
    side: "roof",
    bay: "2",
    mark: "front",
    serves: "",
    offsets: "hooks on rib 2, 12 behind its edge",
    note: "",
  },
  {
    number: "11",
    vanId: "drover-l3h3",
    kind: "outline",
    what: "load floor",
    side: "floor",
    bay: "",
    mark: "front",
    serves: "IN-05",
    offsets: "",
    note: "traced from Night bakery's, rear edge by the template's",
  },
];

/** What others had wired in. */
const CIRCUITS: Record<string, [title: string, data: Circuit][]> = {
  "field-vet": [
    [
      "Load lamps",
      { source: "fuse box, slot 14", connector: "behind the left pillar", side: "left", end: "unplugged", volts: 0.1, label: "L1" },
    ],
    ["Roof beacon", { source: "battery, own fuse", connector: "under the seat", side: "roof", volts: 12.6 }],
  ],
};

export async function writeHoles(now: number): Promise<void> {
  const shop = await loadShop(pool());
  await transaction(async (t) => {
    for (const f of TEMPLATES) await insertTemplate(t, v7(), f);
    for (const b of shop.builds) {
      if (!(b.id in KEPT)) continue;
      const from = Math.max(b.arrives, now - 14 * 1440);
      let n = 0;
      const add = (jobId: string | null, title: string, data: Penetration) =>
        addRecord(t, {
          id: v7(),
          buildId: b.id,
          jobId,
          kind: "penetration",
          title,
          data: { ...data, no: ++n },
          saidBy: "u-ines",
          saidAt: from,
          closedAt: data.state === "tested" ? (data.history?.at(-1)?.at ?? from) : null,
        });
      for (const a of askedFor(b, shop.leaks)) {
        const job = b.jobs.find((j) => j.id === a.jobId);
        if (job) await add(a.jobId, a.title, asFar(shop, b, job, a.side, now));
      }
      for (const [title, data] of CIRCUITS[b.id] ?? []) {
        const closedAt = isDead({}, data) ? from + 30 : null;
        await addRecord(t, {
          id: v7(),
          buildId: b.id,
          jobId: null,
          kind: "circuit",
          title,
          data,
          saidBy: "u-nils",
          saidAt: from,
          closedAt,
        });
      }
      const own = KEPT[b.id];
      if (own) await add(null, own[0], { ...own[1], history: [{ state: "closed", why: "", by: "Ines", at: from }] });
      // Where the cleaning is over, every other zone was taken over too, by somebody who did not clean it.
      const cleaned = jobWith(b.jobs, "clean")?.state === "done";
      const told = SHELL[b.id] ?? [];
      const others = cleaned ? SHELL_ZONES.filter((z) => !told.some(([zone]) => zone === z)) : [];
      for (const [zone, done, by, accepted] of [...told, ...others.map((z) => [z, SHELL_STEPS.length, "Teo", "Ines"] as const)]) {
        const at = (k: number) => now - 1440 + k * 40;
        const steps: ShellZone["steps"] = {};
        for (const [k, step] of SHELL_STEPS.slice(0, done).entries()) steps[step] = { by, at: at(k) };
        const data: ShellZone = { zone, steps, ...(accepted ? { accepted: { by: accepted, at: at(done) } } : {}) };
        await addRecord(t, {
          id: v7(),
          buildId: b.id,
          jobId: null,
          kind: "zone",
          title: ZONE_WORDS[zone],
          data,
          saidBy: "u-ines",
          saidAt: at(0),
          closedAt: accepted ? at(done) : null,
        });
      }
    }
  });
}

/** A hole as far as its job has come. */
function asFar(shop: Shop, b: BuildRow, j: JobRow, side: Penetration["side"], now: number): Penetration {
  const soaked = b.jobs.find((k) => k.code === "OP-13")?.state === "done";
  const locked = b.sheets.some((s) => s.jobId === j.id && s.lockedAt !== null);
  const state: PenetrationState =
    j.state === "done" ? (soaked ? "tested" : "closed") : j.state === "todo" ? (locked ? "set out" : "wanted") : "cut";
  const by = shop.fitters.find((f) => f.id === j.fitters[0])?.name ?? "Ines";
  return {
    side,
    place: "as set out",
    by: "us",
    state,
    askedBy: b.client,
    ...(state === "cut" ? { cover: "sheet and tape" } : {}),
    ...(state === "closed" || state === "tested" ? { bead: "whole" as const } : {}),
    ...(state === "tested" ? { soak: "dry" as const, soakMinutes: 10 } : {}),
    history: [{ state, why: "", by, at: j.endedAt ?? j.startedAt ?? now - 1440 }],
  };
}
