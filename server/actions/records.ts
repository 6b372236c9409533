// Actions on a build's records (decisions, deviations, faults) and on the readings of the real van.

import { v7 } from "uuid";
import { differs, READINGS, readingsOf } from "@/core/van/readings";
import { itemFaults } from "@/core/workshop/bare-body/removed-items";
import { workedMinutes } from "@/core/workshop/builds/left";
import { chainFaults } from "@/core/workshop/openings/hole-steps";
import { lateHole, leakOf, nextNumber, penetrationFaults, soakFrom } from "@/core/workshop/openings/holes";
import type { Decision } from "@/core/workshop/records/kinds/decision";
import type { FaultCard } from "@/core/workshop/records/kinds/fault";
import type { Penetration } from "@/core/workshop/records/kinds/hole";
import type { HotWork } from "@/core/workshop/records/kinds/hot-work";
import type { Item } from "@/core/workshop/records/kinds/item";
import { isOver, KINDS, type RecordKind, readRecord } from "@/core/workshop/records/kinds/kinds";
import type { Mark } from "@/core/workshop/records/kinds/mark";
import type { House } from "@/core/workshop/state/house-figures";
import type { BuildRow } from "@/core/workshop/state/model";
import { addLeak } from "@/db/house/leaks";
import { toSql } from "@/db/pool";
import { addRecord, lockRecord, saveReading } from "@/db/records/records";
import { loadShop } from "@/db/shop";
import { action, body, type Change, change, is } from "../action";
import { editRow } from "../edits";
import { badField, Refusal } from "../refusal";
import { writeCall } from "../stores/supplier-call";

/** What may be written down by a form; the others are ticked step by step, by acts of their own. */
const TYPED = (Object.keys(KINDS) as RecordKind[]).filter((k) => KINDS[k].by !== "nobody");

const wordOf = (kind: RecordKind, data: unknown) => (kind === "penetration" ? (data as Penetration).state : "changed");

/** How the log calls a record of this kind. */
const logged = (kind: RecordKind): string => KINDS[kind].logged ?? KINDS[kind].many.toLowerCase();

/** Refuses what only the lead may write, and a second record of a kind that a build has one of. */
function refuseKind(kind: RecordKind, role: string, others: readonly { kind: string }[] | undefined): void {
  const d = KINDS[kind];
  if (d.by === "lead" && role !== "lead") throw new Refusal(403, `${d.many} are the lead's to write down.`);
  if (d.single && others?.some((r) => r.kind === kind)) throw new Refusal(409, `${d.one} is written down already: change that.`);
}

async function buildOf(x: Change, id: string, job?: string) {
  const shop = await loadShop(x.c);
  const build = shop.builds.find((b) => b.id === id);
  if (!build) throw new Refusal(404, "There is no such build.");
  if (job && !build.jobs.some((j) => j.id === job)) throw badField("jobId", "is no job of this build");
  return { shop, build };
}

/** The record's data, or a refusal that names the field. */
function checked(house: House, kind: RecordKind, data: unknown, closed = false) {
  const r = readRecord(kind, data, closed, house);
  refuse(r.faults);
  return r.data;
}

function refuse(faults: { path: string; message: string }[]): void {
  if (faults.length) throw new Refusal(422, faults.map((f) => `${f.path} ${f.message}`).join("; "), { faults });
}

/** Refuses what may not happen to the item yet, and writes a change of its fate behind the earlier ones. */
async function withHistory(
  x: Change,
  by: string,
  buildId: string,
  id: string,
  next: Item,
  asked: { closed: boolean; why?: string },
): Promise<void> {
  const { build } = await buildOf(x, buildId);
  const was = build.records.find((r) => r.id === id)?.data as Item;
  const why = asked.why?.trim() ?? "";
  refuse(itemFaults(build, was, next, asked.closed, why));
  const history = was.history ?? [];
  next.history = was.fate === next.fate ? history : [...history, { fate: next.fate, why, by, at: x.now }];
}

/** Refuses what may not be said of a hole yet, and writes a change of its state behind the earlier ones. */
async function withWay(x: Change, by: string, buildId: string, id: string, next: Penetration, why: string): Promise<void> {
  const { shop, build } = await buildOf(x, buildId);
  const record = build.records.find((r) => r.id === id)!;
  const was = record.data as Penetration;
  refuse(penetrationFaults(build, was, next, why, soakFrom(shop, build, record.jobId, x.now)));
  next.no = was.no;
  if (was.chain) next.chain = was.chain;
  if (was.state !== next.state) refuse(chainFaults(next, record.shows ?? [], why));
  const weep = leakOf(build, record.title, next);
  if (weep) await addLeak(x.c, weep);
  const history = was.history ?? [];
  const dried = was.wet && next.moisture !== undefined;
  if (was.wet && !dried) next.wet = was.wet;
  const says = [dried && `dried out, cleaned, primed; timber ${next.moisture} %`, why].filter(Boolean).join("; ");
  next.history = was.state === next.state && !dried ? history : [...history, { state: next.state, why: says, by, at: x.now }];
}

/** A fault that lay at the part names which, and only one of its own build. */
async function refusePart(x: Change, buildId: string, f: FaultCard, closed: boolean): Promise<void> {
  if (closed && f.lay === "part" && !f.partId) throw badField("partId", "is missing: say which part it was");
  if (!f.partId) return;
  const { build } = await buildOf(x, buildId);
  if (!build.jobs.some((j) => j.parts.some((p) => p.id === f.partId))) throw badField("partId", "is no part of this build");
}

/** Jobs that a mark names are of its build; light rust is accepted by a lead, in whose name it then stands. */
function withNames(build: BuildRow, next: Mark, was: Mark | undefined, user: { name: string; role: string }): void {
  for (const field of ["causeJob", "keepFor"] as const)
    if (next[field] && !build.jobs.some((j) => j.id === next[field])) throw badField(field, "is no job of this build");
  if (!next.accepted) return;
  if (!was?.accepted && user.role !== "lead") throw new Refusal(403, "Only the lead may leave rust as it is.");
  next.accepted = was?.accepted ?? user.name;
}

export const recordActions = [
  action<{ kind: RecordKind; title: string; jobId?: string; data: Record<string, unknown> }>(
    { method: "POST", path: "builds/*/records", role: "any" },
    body({ kind: { type: "string", enum: TYPED }, title: is.words, data: { type: "object" } }, { jobId: is.id }),
    (b, { user, ids }) =>
      change(user, async (x) => {
        const { shop, build } = await buildOf(x, ids[0], b.jobId);
        refuseKind(b.kind, user.role, build.records);
        const job = build.jobs.find((j) => j.id === b.jobId);
        // How far the job had come is what the clock says, not what the form says.
        const boxed = b.kind === "decision" && b.data.timeBox === true && job ? { workedMinutes: workedMinutes(shop, job, x.now) } : {};
        const data = checked(build, b.kind, { ...b.data, ...boxed });
        if (b.kind === "mark") withNames(build, data as Mark, undefined, user);
        if (b.kind === "item") refuse(itemFaults(build, undefined, data as Item, false, ""));
        if (b.kind === "penetration") {
          const p = data as Penetration;
          refuse(penetrationFaults(build, undefined, p, ""));
          const late = lateHole(build, p.side);
          if (late && user.role !== "lead") throw new Refusal(403, `A hole here is the lead's to decide now: ${late.says}.`);
          p.no = nextNumber(build.records);
          p.history = [{ state: p.state, why: "", by: user.name, at: x.now }];
        }
        const id = v7();
        await addRecord(x.c, {
          id,
          buildId: build.id,
          jobId: b.jobId ?? null,
          kind: b.kind,
          title: b.title.trim(),
          data,
          saidBy: user.id,
          saidAt: x.now,
          closedAt: b.kind !== "penetration" && isOver(b.kind, data, false, build) ? x.now : null,
        });
        if (b.kind === "decision" && (data as Decision).course === "supplier" && job)
          await writeCall(x, user.id, build, job, b.title.trim());
        await x.event({
          kind: `${b.kind}.said`,
          entity: "record",
          entityId: id,
          buildId: build.id,
          text: `${logged(b.kind)}: ${b.title.trim()}`.slice(0, 500),
        });
        return { id };
      }),
  ),
  action<{ version: number; title: string; data: Record<string, unknown>; closed: boolean; why?: string }>(
    { method: "PATCH", path: "records/*", role: "any" },
    body({ version: is.version, title: is.words, data: { type: "object" }, closed: is.bool }, { why: { type: "string", maxLength: 300 } }),
    (b, { user, ids }) =>
      change(user, async (x) => {
        const r = await lockRecord(x.c, ids[0]);
        if (!r) throw new Refusal(404, "There is no such record.");
        if (KINDS[r.kind].by === "nobody") throw new Refusal(422, `${KINDS[r.kind].one} is ticked step by step.`);
        refuseKind(r.kind, user.role, undefined);
        if (KINDS[r.kind].changes === "lead" && user.role !== "lead") throw new Refusal(403, "Only the lead may change it.");
        const { build } = await buildOf(x, r.build_id);
        const data = checked(build, r.kind, b.data, b.closed);
        if (r.kind === "fault") await refusePart(x, r.build_id, data as FaultCard, b.closed);
        if (r.kind === "fault" && b.closed && !(data as { outcome?: string }).outcome?.trim())
          throw badField("outcome", "is missing: say what it was before the card is closed");
        if (r.kind === "mark") withNames(build, data as Mark, build.records.find((o) => o.id === ids[0])?.data as Mark | undefined, user);
        if (r.kind === "item") await withHistory(x, user.name, r.build_id, ids[0], data as Item, b);
        if (r.kind === "penetration") await withWay(x, user.name, r.build_id, ids[0], data as Penetration, b.why?.trim() ?? "");
        if (r.kind === "sparks") {
          const was = build.records.find((o) => o.id === ids[0])?.data as HotWork | undefined;
          if (was?.stamps) (data as HotWork).stamps = was.stamps;
        }
        const closed = isOver(r.kind, data, b.closed, build);
        await editRow(x.c, "record", "The record", ids[0], b.version, {
          title: { column: "title", value: b.title.trim().slice(0, 300) },
          data: { column: "data", value: JSON.stringify(data) },
          closed: { column: "closed_at", value: closed ? toSql(x.now) : null },
        });
        await x.event({
          kind: `${r.kind}.changed`,
          entity: "record",
          entityId: ids[0],
          buildId: r.build_id,
          text: `${logged(r.kind)} ${closed ? (KINDS[r.kind].overWord ?? "closed") : wordOf(r.kind, data)}: ${b.title.trim()}`.slice(
            0,
            500,
          ),
        });
      }),
  ),
  action<{ name: string; mm: number; againMm?: number | null }>(
    { method: "POST", path: "builds/*/readings", role: "any" },
    body(
      { name: is.name, mm: { type: "integer", minimum: 1, maximum: 12_000 } },
      {
        againMm: { type: "integer", minimum: 1, maximum: 12_000 },
      },
    ),
    (b, { user, ids }) =>
      change(user, async (x) => {
        const { shop, build } = await buildOf(x, ids[0]);
        const van = shop.vans.find((v) => v.id === build.vanId);
        const r = (van ? readingsOf(van.geometry) : READINGS).find((o) => o.name === b.name);
        if (!r) throw badField("name", "is no size that is read of this van");
        await saveReading(x.c, { build: build.id, name: b.name, mm: b.mm, againMm: b.againMm ?? null, by: user.id, at: x.now });
        const d = van && differs(r, van.geometry, b.mm);
        await x.event({
          kind: "van.read",
          entity: "build",
          entityId: build.id,
          buildId: build.id,
          text: `${r.label}: ${b.mm} mm${d ? `, ${Math.abs(d)} ${d > 0 ? "more" : "less"} than the template` : ", as the template"}`,
        });
      }),
  ),
];
