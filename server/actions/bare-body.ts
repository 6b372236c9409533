// Actions on the bare body: the list of holes filled from the order, and its zones cleaned, taken over or sent back.

import { v7 } from "uuid";
import { notTakenOver, STEP_WORDS, sentBack, shellStates, ticked, ZONE_WORDS, type ZoneRecord } from "@/core/workshop/bare-body/zones";
import { HOLE_STEP_WORDS, holeStepped } from "@/core/workshop/openings/hole-steps";
import { askedFor, nextNumber, penetrationsIn, rainedOn, rainFinds } from "@/core/workshop/openings/holes";
import { SHELL_STEPS, SHELL_ZONES, type ShellStep, type ShellZone, type ShellZoneName } from "@/core/workshop/records/kinds/bare-zone";
import { HOLE_STEPS, type HoleStep, type Penetration } from "@/core/workshop/records/kinds/hole";
import type { BuildRow, Shop } from "@/core/workshop/state/model";
import { addRecord, setRecordData } from "@/db/records/records";
import { loadShop } from "@/db/shop";
import { action, body, type Change, change, is } from "../action";
import { badField, Refusal } from "../refusal";

/** The build, nobody else changing it meanwhile. */
async function buildOf(x: Change, id: string): Promise<BuildRow> {
  return (await shopOf(x, id)).build;
}

async function shopOf(x: Change, id: string): Promise<{ shop: Shop; build: BuildRow }> {
  const shop = await loadShop(x.c);
  const build = shop.builds.find((b) => b.id === id);
  if (!build) throw new Refusal(404, "There is no such build.");
  return { shop, build };
}

const zoneOf = (build: BuildRow, zone: ShellZoneName): ZoneRecord | undefined =>
  build.records.find((r): r is ZoneRecord => r.kind === "zone" && r.data.zone === zone);

async function keep(x: Change, by: string, build: BuildRow, next: ShellZone, says: string): Promise<void> {
  const r = zoneOf(build, next.zone);
  const closedAt = next.accepted ? x.now : null;
  const title = ZONE_WORDS[next.zone];
  const id = r?.id ?? v7();
  if (r) await setRecordData(x.c, r.id, next, closedAt);
  else await addRecord(x.c, { id, buildId: build.id, jobId: null, kind: "zone", title, data: next, saidBy: by, saidAt: x.now, closedAt });
  await x.event({ kind: "zone.changed", entity: "record", entityId: id, buildId: build.id, text: `${title}: ${says}` });
}

const zone = { type: "string", enum: SHELL_ZONES } as const;

export const shellActions = [
  action<Record<string, never>>({ method: "POST", path: "builds/*/holes-asked", role: "any" }, body({}), (_b, { user, ids }) =>
    change(user, async (x) => {
      const { shop, build } = await shopOf(x, ids[0]);
      const asked = askedFor(build, shop.leaks);
      if (!asked.length) throw new Refusal(409, "All that the order asks for is in the list.");
      const first = nextNumber(build.records);
      for (const [i, a] of asked.entries()) {
        const data: Penetration = {
          no: first + i,
          side: a.side,
          place: a.place ?? "as set out",
          ...(a.jobId
            ? { by: "us", state: "wanted", askedBy: build.client }
            : { by: "before", state: "closed", bead: "whole", ...(a.note ? { note: a.note } : {}) }),
          history: [{ state: a.jobId ? "wanted" : "closed", why: "", by: user.name, at: x.now }],
        };
        const id = v7();
        await addRecord(x.c, {
          id,
          buildId: build.id,
          jobId: a.jobId,
          kind: "penetration",
          title: a.title,
          data,
          saidBy: user.id,
          saidAt: x.now,
        });
      }
      await x.event({
        kind: "penetration.said",
        entity: "build",
        entityId: build.id,
        buildId: build.id,
        text: `${asked.length} holes of the order written down`,
      });
      return { added: asked.length };
    }),
  ),
  action<{ holes: string[]; where: string; lostMinutes: number }>(
    { method: "POST", path: "builds/*/rain", role: "any" },
    body({ holes: is.ids, where: is.words, lostMinutes: { type: "integer", minimum: 0, maximum: 3000 } }),
    (b, { user, ids }) =>
      change(user, async (x) => {
        const build = await buildOf(x, ids[0]);
        const hit = penetrationsIn(build.records).filter((r) => b.holes.includes(r.id) && rainFinds(r.data));
        if (!hit.length) throw badField("holes", "name none that rain can come in through");
        const where = b.where.trim();
        for (const r of hit) await setRecordData(x.c, r.id, rainedOn(r.data, where, user.name, x.now), null);
        await x.event({
          kind: "rain.came-in",
          entity: "build",
          entityId: build.id,
          buildId: build.id,
          text: `rain came in at ${hit.map((r) => `hole ${r.no}`).join(", ")}: ${where}; ${b.lostMinutes} min lost to the weather`.slice(
            0,
            500,
          ),
          data: { lostMinutes: b.lostMinutes },
        });
      }),
  ),
  action<{ step: HoleStep }>(
    { method: "POST", path: "records/*/hole-step", role: "any" },
    body({ step: { type: "string", enum: HOLE_STEPS } }),
    (b, { user, ids }) =>
      change(user, async (x) => {
        const shop = await loadShop(x.c);
        const build = shop.builds.find((o) => o.records.some((r) => r.id === ids[0]));
        const record = build && penetrationsIn(build.records).find((r) => r.id === ids[0]);
        if (!build || !record) throw new Refusal(404, "There is no such hole.");
        const next = holeStepped(record.data, b.step, user.name, x.now);
        if (typeof next === "string") throw new Refusal(409, `Hole ${record.no}: ${next}.`);
        const label = HOLE_STEP_WORDS[b.step].label.toLowerCase();
        const done = next.chain?.[b.step] !== undefined;
        if (next.state !== record.data.state)
          next.history = [
            ...(record.data.history ?? []),
            { state: next.state, why: done ? label : `${label} again`, by: user.name, at: x.now },
          ];
        await setRecordData(x.c, record.id, next, null);
        await x.event({
          kind: "penetration.step",
          entity: "record",
          entityId: record.id,
          buildId: build.id,
          text: `hole ${record.no}, ${record.title}: ${label}${done ? "" : " is open again, and all behind it"}`,
        });
      }),
  ),
  action<{ zone: ShellZoneName; step: ShellStep }>(
    { method: "POST", path: "builds/*/shell/step", role: "any" },
    body({ zone, step: { type: "string", enum: SHELL_STEPS } }),
    (b, { user, ids }) =>
      change(user, async (x) => {
        const build = await buildOf(x, ids[0]);
        const was = zoneOf(build, b.zone)?.data ?? { zone: b.zone, steps: {} };
        const next = ticked(build, was, b.step, user.name, x.now);
        const label = STEP_WORDS[b.step].label.toLowerCase();
        await keep(x, user.id, build, next, next.steps[b.step] ? `${label} done` : `${label} taken back`);
      }),
  ),
  action<{ zone: ShellZoneName }>({ method: "POST", path: "builds/*/shell/take-over", role: "any" }, body({ zone }), (b, { user, ids }) =>
    change(user, async (x) => {
      const build = await buildOf(x, ids[0]);
      const was = zoneOf(build, b.zone)?.data ?? { zone: b.zone, steps: {} };
      const no = notTakenOver(shellStates(build, x.now).find((z) => z.zone === b.zone)!, was, user.name);
      if (no) throw new Refusal(409, `${ZONE_WORDS[b.zone]} can't be taken over: ${no}.`);
      await keep(x, user.id, build, { ...was, accepted: { by: user.name, at: x.now } }, "taken over as clean");
    }),
  ),
  action<{ zone: ShellZoneName; why: string; minutes: number }>(
    { method: "POST", path: "builds/*/shell/send-back", role: "any" },
    body({ zone, why: is.words, minutes: { type: "integer", minimum: 0, maximum: 600 } }),
    (b, { user, ids }) =>
      change(user, async (x) => {
        const build = await buildOf(x, ids[0]);
        const was = zoneOf(build, b.zone)?.data;
        if (!was) throw new Refusal(409, `Nothing is cleaned of ${ZONE_WORDS[b.zone].toLowerCase()} yet.`);
        await keep(x, user.id, build, sentBack(was, user.name, x.now, b.why.trim(), b.minutes), `sent back: ${b.why.trim()}`);
      }),
  ),
];
