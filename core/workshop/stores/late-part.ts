// A part that slips: what it locks, what of the build does not care, and which of that would trap the work that waits for it.

import type { Plan } from "../../plan/model";
import { sayDay } from "../../plan/words";
import { zoneOf } from "../../time/zone";
import type { BuildRow, JobRow, PartRow, Shop } from "../state/model";
import { count } from "../state/say";
import { CLOSING } from "../state/van-zones";
import { partsBySupplier } from "./by-supplier";
import { availableFrom } from "./parts";
import { type SupplierRecord, supplierRecord } from "./supplier-record";

export interface Wake {
  /** Jobs that can't be begun before: the one that waits, and all behind it. */
  locked: JobRow[];
  /** Work of the same build that is not behind it, each harmless, or trapping with the reason. */
  others: { job: JobRow; trap: string | null }[];
  /** What is known of its date: nothing is "on time" that nobody has promised. */
  word: string;
}

/** All jobs behind one, itself included. */
function behind(build: Pick<BuildRow, "jobs">, id: string): Set<string> {
  const out = new Set([id]);
  for (let size = 0; size !== out.size; ) {
    size = out.size;
    for (const j of build.jobs) if (j.after.some((a) => out.has(a.job))) out.add(j.id);
  }
  return out;
}

/** Why doing a job first would be in the way of the late one; null: it is harmless. */
function trap(late: JobRow, j: JobRow, crew: ReadonlyMap<string, readonly string[]>, shop: Shop): string | null {
  const shared = j.place === "van" && late.place === "van" ? j.zones.filter((z) => late.zones.includes(z)) : [];
  if (j.covers.includes(late.id)) return `it closes up ${late.name}`;
  if (shared.length && CLOSING.has(j.irreversible ?? "")) return `it shuts in the ${shared.join(", ")}, where ${late.name} works`;
  if (shared.length && j.seq > late.seq) return `it fills the ${shared.join(", ")}, and takes the reach there`;
  if (j.hold.minutes && j.hold.keepOff === "all" && late.place === "van") return "its hold keeps everybody off the van";
  const both = (crew.get(j.id) ?? []).filter((f) => (crew.get(late.id) ?? []).includes(f));
  const sole = both.find((f) => late.crew.some((c) => c.skill !== "any" && able(shop, c.skill, c.level).join() === f));
  return sole ? `it takes ${shop.fitters.find((f) => f.id === sole)!.name}, who alone can do ${late.name}, when the part may come` : null;
}

const able = (shop: Shop, skill: string, level: number): string[] =>
  shop.fitters.filter((f) => !f.retired && (f.skills[skill] ?? 0) >= level).map((f) => f.id);

const crews = new WeakMap<Plan, ReadonlyMap<string, readonly string[]>>();

/** Who does what in a plan; found once for all the parts that are asked about. */
function crewsOf(plan: Plan | undefined): ReadonlyMap<string, readonly string[]> {
  if (!plan) return new Map();
  let known = crews.get(plan);
  if (!known) crews.set(plan, (known = new Map(plan.jobs.map((p) => [p.id, p.fitters]))));
  return known;
}

const suppliers = new WeakMap<Shop, Map<string, PartRow[]>>();

function partsFrom(shop: Shop, supplierId: string): readonly PartRow[] {
  let known = suppliers.get(shop);
  if (!known) suppliers.set(shop, (known = partsBySupplier(shop)));
  return known.get(supplierId) ?? [];
}

const records = new WeakMap<Shop, Map<string, SupplierRecord>>();

/** How a supplier delivers; worked out once for all the parts that are asked about. */
function recordOf(shop: Shop, supplierId: string): SupplierRecord {
  let known = records.get(shop);
  if (!known) records.set(shop, (known = new Map()));
  let record = known.get(supplierId);
  if (!record) known.set(supplierId, (record = supplierRecord(partsFrom(shop, supplierId), supplierId)));
  return record;
}

/** What the lateness of any of its parts does to a job within its build. `plan` is the one that is worked to. */
export function lateWake(shop: Shop, build: BuildRow, late: JobRow, plan: Plan | undefined): Omit<Wake, "word"> {
  const locked = behind(build, late.id);
  const crew = crewsOf(plan);
  const open = build.jobs.filter((j) => j.state === "todo");
  return {
    locked: open.filter((j) => locked.has(j.id)),
    others: open.filter((j) => !locked.has(j.id)).map((job) => ({ job, trap: trap(late, job, crew, shop) })),
  };
}

/** The same of one part, with what is known of its date. */
export const partWake = (shop: Shop, build: BuildRow, late: JobRow, part: PartRow, plan: Plan | undefined, now: number): Wake => ({
  ...lateWake(shop, build, late, plan),
  word: dateWord(shop, part, now),
});

/** What is known of a part's date: nothing is "on time" that nobody has promised. */
export function dateWord(shop: Shop, part: PartRow, now: number): string {
  const zone = zoneOf(shop.workshop.zone);
  if (part.promisedAt !== null) return `promised ${sayDay(zone, part.promisedAt)}`;
  const supplier = shop.suppliers.find((s) => s.id === part.supplierId);
  const record = recordOf(shop, part.supplierId);
  const guess = availableFrom(part, supplier, now, shop.workshop.goodsInMinutes);
  const seen =
    record.slipDays === null ? "nothing of theirs on record" : `theirs come ${count(record.slipDays, "day")} after the first promise`;
  return `no date promised, ${guess.kind === "not-ordered" ? "not ordered" : "ordered"}; ${seen}: expected ${sayDay(zone, guess.from)}`;
}
