// A workshop of many builds for measuring the server: the demo, with more builds, people, bays, part lines and photos.

import { v7 } from "uuid";
import { buildNetwork } from "../../core/library/network";
import { zoneOf } from "../../core/time/zone";
import { vans } from "../../core/van/model";
import { freshJob } from "../../core/workshop/state/from-network";
import { insertBuild } from "../../db/builds/build-network";
import { addBay, addFitter, setSkills } from "../../db/house/house";
import { currentLibrary } from "../../db/house/library";
import { insert, pool, rows, run, toSql, transaction } from "../../db/pool";
import { builds as made, suppliers, workshop } from "../../demo/people";
import { nowMinute } from "../../server/clock";
import { publish, replan } from "../../server/planning/planning";

const DAY = 1440;
/** One fitter and one bay more for so many builds. */
const BUILDS_EACH = 3;

export interface Size {
  builds: number;
  jobs: number;
  parts: number;
  photos: number;
}

/** Adds to a demo that is loaded until it has so many builds, part lines and photos, and plans and publishes all of it. */
export async function growTo(builds: number, parts: number, photos: number): Promise<Size> {
  const now = nowMinute(zoneOf(workshop.zone));
  const [{ have }] = await rows<{ have: number }>(pool(), "SELECT COUNT(*) AS have FROM build");
  await transaction(async (c) => {
    const library = await currentLibrary(c, now);
    for (let k = Number(have); k < builds; k++) {
      const like = made[k % made.length];
      const id = `more-${k}`;
      const arrives = now + (2 + 5 * (k - Number(have))) * DAY;
      const { geometry } = vans.find((v) => v.id === like.van)!;
      await insertBuild(c, {
        id,
        name: `${like.name} ${k}`,
        client: like.client,
        purpose: like.purpose,
        vanId: like.van,
        arrives: toSql(arrives),
        due: toSql(arrives + 120 * DAY),
        createdAt: toSql(now),
        weight: 1,
        options: like.options,
        openChoices: [],
        libraryVersion: library.number,
        jobs: buildNetwork(like.options, geometry, library.jobs).map((j, seq) => freshJob(id, j, seq)),
        suppliers: suppliers.map((s) => s.id),
      });
    }
    for (let k = 0; k < (builds - Number(have)) / BUILDS_EACH; k++) {
      await addBay(c, {
        id: `more-bay-${k}`,
        name: `Bay ${k + 10}`,
        seq: 20 + k,
        has: ["indoor", "lit", "heated", "roof-access", "lift"],
        temp_c: 18,
      });
      await addFitter(c, { id: `more-fitter-${k}`, name: `Fitter ${k + 10}`, calendarId: "shop", nots: [] });
      const skills = { body: 3, trim: 3, electric: 3, joinery: 3, plumbing: 3, paint: 3, gas: 3 };
      await setSkills(c, `more-fitter-${k}`, skills, [{ id: "gas" }, { id: "mains" }, { id: "seats" }]);
    }
  });
  await multiply("part_line", parts);
  await photograph(photos);
  // The planner knows of none of it yet.
  const { forgetKept } = await import("../../db/kept");
  await run(pool(), "UPDATE workshop SET acts = acts + 1, changes = changes + 1, stale_why = 'grown'");
  forgetKept();
  await replan("mara");
  await publish("mara", "grown");
  const count = async (table: string) => Number((await rows<{ n: number }>(pool(), `SELECT COUNT(*) AS n FROM ${table}`))[0].n);
  return { builds: await count("build"), jobs: await count("job"), parts: await count("part_line"), photos: await count("photo") };
}

/** Copies rows of a table under new ids until there are so many. */
async function multiply(table: string, most: number): Promise<void> {
  const columns = (
    await rows<{ c: string }>(
      pool(),
      "SELECT column_name AS c FROM information_schema.columns WHERE table_schema = DATABASE() AND table_name = ? AND column_name <> 'id' AND extra NOT LIKE '%GENERATED%'",
      [table],
    )
  ).map((r) => `\`${r.c}\``);
  const [{ n }] = await rows<{ n: number }>(pool(), `SELECT COUNT(*) AS n FROM ${table}`);
  for (let round = 1, left = most - Number(n); left > 0; round++) {
    const added = await run(
      pool(),
      `INSERT INTO ${table} (id, ${columns.join(", ")}) SELECT CONCAT(LEFT(id, 50), '+', ?), ${columns.join(", ")} FROM ${table} WHERE id NOT LIKE '%+%' LIMIT ?`,
      [round, left],
    );
    if (!added) return;
    left -= added;
  }
}

/** Photos of shots, all of pictures that are there already; most of them approved. */
async function photograph(most: number): Promise<void> {
  const pictures = await rows<{ sha256: string }>(pool(), "SELECT sha256 FROM photo_data LIMIT 40");
  const shots = await rows<{ id: string }>(pool(), "SELECT id FROM proof_shot ORDER BY id");
  const [{ n }] = await rows<{ n: number }>(pool(), "SELECT COUNT(*) AS n FROM photo");
  const list = Array.from({ length: Math.max(0, most - Number(n)) }, (_, k) => ({
    id: v7(),
    proof_shot_id: shots[(k * 7) % shots.length].id,
    sha256: pictures[k % pictures.length].sha256,
    taken_by: "mara",
    taken_at: "2026-11-20 09:00:00",
    look_again: "[]",
  }));
  for (let k = 0; k < list.length; k += 500) {
    const some = list.slice(k, k + 500);
    await insert(pool(), "photo", some);
    await insert(
      pool(),
      "photo_review",
      some
        .filter((_, i) => i % 10)
        .map((p) => ({ photo_id: p.id, verdict: "approved", reason: "", reviewed_by: "mara", reviewed_at: "2026-11-21 09:00:00" })),
    );
  }
}
