// Plans in the database: stored as rows, read back in the plan's own format.

import type { Pool } from "mysql2/promise";
import type { Plan } from "@/core/plan/model";
import type { Zone } from "@/core/time/zone";
import { kept } from "../kept";
import { type Conn, fromSql, insert, rows, run, toSql } from "../pool";

export interface PlanHead {
  id: string;
  kind: "working" | "published" | "other";
  number: number | null;
  note: string;
  madeAt: number;
  madeBy: string;
  nowAt: number;
}

type Raw = Record<string, string | number | null>;

/** Stores a plan. A working one takes the place of the last, and so does another answer beside it. */
export async function savePlan(c: Conn, head: PlanHead, plan: Plan, zone: Zone): Promise<void> {
  if (head.kind !== "published") await run(c, "DELETE FROM plan WHERE kind = ?", [head.kind]);
  const at = (local: string) => toSql(zone.parse(local));
  await insert(c, "plan", [
    {
      id: head.id,
      kind: head.kind,
      number: head.number,
      note: head.note,
      made_at: toSql(head.madeAt),
      made_by: head.madeBy,
      now_at: toSql(head.nowAt),
      seed: plan.seed ?? 1,
      iterations: plan.iterations ?? 0,
      cost: plan.cost ?? {},
    },
  ]);
  await insert(
    c,
    "plan_job",
    plan.jobs.map((j) => ({
      plan_id: head.id,
      job_id: j.id,
      starts: at(j.start),
      ends: at(j.end),
      hold_until: j.holdUntil ? at(j.holdUntil) : null,
      place: j.place,
      work: j.work ?? [],
      helpers: j.helpers?.length ? j.helpers : null,
      why: j.why ?? [],
    })),
  );
  await insert(
    c,
    "plan_job_fitter",
    plan.jobs.flatMap((j) => j.fitters.map((f) => ({ plan_id: head.id, job_id: j.id, fitter_id: f }))),
  );
  const n = new Map<string, number>();
  await insert(
    c,
    "plan_stay",
    plan.stays.map((s) => {
      n.set(s.build, (n.get(s.build) ?? 0) + 1);
      return { plan_id: head.id, build_id: s.build, n: n.get(s.build), place: s.place, starts: at(s.from), ends: at(s.to) };
    }),
  );
  await insert(
    c,
    "plan_build",
    plan.builds.map((b) => ({
      plan_id: head.id,
      build_id: b.id,
      finish: b.finish ? at(b.finish) : null,
      due: at(b.due ?? b.finish ?? "1970-01-01T00:00"),
      late_minutes: b.lateWorkingMinutes ?? 0,
      chain: b.chain ?? [],
    })),
  );
  const trouble = (kind: string, list: Plan["unplaced"]) =>
    list.map((t) => ({ plan_id: head.id, job_id: t.job, kind, reason: t.reason.slice(0, 600) }));
  await insert(c, "plan_trouble", [...trouble("unplaced", plan.unplaced), ...trouble("pin", plan.pinsBroken)]);
}

export interface StoredPlan {
  head: PlanHead;
  plan: Plan;
}

/** Forgets the answer beside the working plan, where there is one. */
export async function dropOther(c: Conn): Promise<void> {
  const [other] = await rows<{ id: string }>(c, "SELECT id FROM plan WHERE kind = 'other'");
  if (other) await run(c, "DELETE FROM plan WHERE id = ?", [other.id]);
}

/** The answer `id` beside the working plan takes its place, and the other way round. False: it does not stand beside it. */
export async function swapAnswers(c: Conn, id: string): Promise<boolean> {
  const both = await rows<{ id: string; kind: string }>(c, "SELECT id, kind FROM plan WHERE kind IN ('working', 'other')");
  if (both.length !== 2 || !both.some((p) => p.id === id && p.kind === "other")) return false;
  for (const p of both) await run(c, "UPDATE plan SET kind = ? WHERE id = ?", [p.kind === "other" ? "working" : "other", p.id]);
  return true;
}

/**
 * The working plan, the newest published one, the answer beside the working one, or the published one of that number; to be read and
 * not written into.
 */
export const loadPlan = (c: Conn | Pool, which: "working" | "published" | "other" | number, zone: Zone): Promise<StoredPlan | undefined> =>
  kept(c, `plan ${which} ${zone.id}`, () => readPlan(c, which, zone));

async function readPlan(c: Conn | Pool, which: "working" | "published" | "other" | number, zone: Zone): Promise<StoredPlan | undefined> {
  const [p] =
    typeof which === "number"
      ? await rows<Raw>(c, "SELECT * FROM plan WHERE number = ?", [which])
      : await rows<Raw>(c, "SELECT * FROM plan WHERE kind = ? ORDER BY number DESC, made_at DESC LIMIT 1", [which]);
  if (!p) return undefined;
  const id = p.id as string;
  const show = (t: string | number | null) => zone.show(Math.floor(fromSql(t as string)));
  const [jobs, people, stays, builds, trouble] = await Promise.all([
    rows<Raw>(c, "SELECT * FROM plan_job WHERE plan_id = ? ORDER BY starts, job_id", [id]),
    rows<Raw>(c, "SELECT job_id, fitter_id FROM plan_job_fitter WHERE plan_id = ? ORDER BY fitter_id", [id]),
    rows<Raw>(c, "SELECT * FROM plan_stay WHERE plan_id = ? ORDER BY build_id, n", [id]),
    rows<Raw>(c, "SELECT * FROM plan_build WHERE plan_id = ? ORDER BY due, build_id", [id]),
    rows<Raw>(c, "SELECT * FROM plan_trouble WHERE plan_id = ?", [id]),
  ]);
  const crew = new Map<string, string[]>();
  for (const r of people) crew.set(r.job_id as string, [...(crew.get(r.job_id as string) ?? []), r.fitter_id as string]);
  const remarks = (kind: string) =>
    trouble.filter((t) => t.kind === kind).map((t) => ({ job: t.job_id as string, reason: t.reason as string }));
  return {
    head: {
      id,
      kind: p.kind as PlanHead["kind"],
      number: p.number as number | null,
      note: p.note as string,
      madeAt: fromSql(p.made_at as string),
      madeBy: p.made_by as string,
      nowAt: fromSql(p.now_at as string),
    },
    plan: {
      format: "wide-lane/plan@1",
      seed: p.seed as number,
      iterations: p.iterations as number,
      ms: 0,
      jobs: jobs.map((j) => ({
        id: j.job_id as string,
        start: show(j.starts),
        end: show(j.ends),
        work: JSON.parse(j.work as string),
        place: j.place as string,
        fitters: crew.get(j.job_id as string) ?? [],
        ...(j.helpers ? { helpers: JSON.parse(j.helpers as string) } : {}),
        ...(j.hold_until ? { holdUntil: show(j.hold_until) } : {}),
        why: JSON.parse(j.why as string),
      })),
      stays: stays.map((s) => ({ build: s.build_id as string, place: s.place as string, from: show(s.starts), to: show(s.ends) })),
      builds: builds.map((b) => ({
        id: b.build_id as string,
        ...(b.finish ? { finish: show(b.finish) } : {}),
        due: show(b.due),
        lateWorkingMinutes: b.late_minutes as number,
        chain: JSON.parse(b.chain as string),
      })),
      unplaced: remarks("unplaced"),
      pinsBroken: remarks("pin"),
      cost: JSON.parse(p.cost as string),
    },
  };
}

/** All published plans, the newest first. */
export async function publishedPlans(c: Conn | Pool): Promise<{ number: number; note: string; madeAt: number; madeBy: string }[]> {
  const list = await rows<Raw>(
    c,
    `SELECT p.number, p.note, p.made_at, COALESCE(u.name, p.made_by) AS who FROM plan p LEFT JOIN user u ON u.id = p.made_by
     WHERE p.kind = 'published' ORDER BY p.number DESC LIMIT 60`,
  );
  return list.map((r) => ({
    number: r.number as number,
    note: r.note as string,
    madeAt: fromSql(r.made_at as string),
    madeBy: r.who as string,
  }));
}

/** The next number of a published plan. */
export async function nextNumber(c: Conn | Pool): Promise<number> {
  const [r] = await rows<{ n: number | null }>(c, "SELECT MAX(number) AS n FROM plan");
  return (r.n ?? 0) + 1;
}

/**
 * Takes the lease for a plan search; false while another holds it. Time is the database's: servers whose clocks differ
 * still agree. Whoever holds it says so again every few seconds, so that the lease of a killed search is soon free.
 */
export async function takeLease(c: Conn, workshop: string, holder: string, seconds: number): Promise<boolean> {
  await run(c, "DELETE FROM plan_lease WHERE workshop_id = ? AND expires_at < UTC_TIMESTAMP(3)", [workshop]);
  const n = await run(
    c,
    "INSERT IGNORE INTO plan_lease (workshop_id, holder, expires_at) VALUES (?, ?, UTC_TIMESTAMP(3) + INTERVAL ? SECOND)",
    [workshop, holder, seconds],
  );
  return n === 1;
}

/** Whether somebody holds the lease now: a look that disturbs nobody, before it is tried to take it. */
export async function leaseHeld(c: Conn | Pool, workshop: string): Promise<boolean> {
  return (await rows(c, "SELECT 1 FROM plan_lease WHERE workshop_id = ? AND expires_at >= UTC_TIMESTAMP(3)", [workshop])).length > 0;
}

/** Holds on to the lease; false when somebody else has it by now. */
export const keepLease = async (c: Conn | Pool, holder: string, seconds: number): Promise<boolean> =>
  (await run(c, "UPDATE plan_lease SET expires_at = UTC_TIMESTAMP(3) + INTERVAL ? SECOND WHERE holder = ?", [seconds, holder])) === 1;

export const giveLease = (c: Conn | Pool, holder: string): Promise<number> => run(c, "DELETE FROM plan_lease WHERE holder = ?", [holder]);

/** The working plan no longer knows everything: one change more, and why, unless a reason stands there already. */
export const noteChange = (c: Conn, why: string): Promise<number> =>
  run(c, "UPDATE workshop SET stale_why = IF(changes = planned_changes, ?, stale_why), changes = changes + 1", [why.slice(0, 300)]);

/** A plan was made that knows so many changes; what has come since keeps it stale. */
export const notePlanned = (c: Conn, changes: number): Promise<number> =>
  run(c, "UPDATE workshop SET planned_changes = ?, stale_why = IF(changes = ?, NULL, 'changed while replanning')", [changes, changes]);
