// Actions of the bench: start, pause, go on, finish, tick steps, say that something is wrong; and the lead's pins.

import { v7 } from "uuid";
import { stripOpen } from "@/core/workshop/bare-body/removed-items";
import { workedMinutes } from "@/core/workshop/builds/left";
import { soakOpen } from "@/core/workshop/openings/holes";
import { beginners, behindMinutes, crewAsked as crewAskedOf, helperAmong } from "@/core/workshop/planning/second-hand";
import { batchLocked } from "@/core/workshop/starts/first-piece";
import { startObstacles } from "@/core/workshop/starts/ready";
import type { JobRow, Shop } from "@/core/workshop/state/model";
import type { User } from "@/db/access/users";
import { setCrew, stopCrew } from "@/db/builds/helpers";
import { addRemark, beginJob, reopenJob, settleRemark, stopJob, tickStep, unbeginJob } from "@/db/builds/jobs";
import { setPinFitters } from "@/db/planning/pins";
import { loadPlan } from "@/db/planning/plans";
import { toSql } from "@/db/pool";
import { loadShop } from "@/db/shop";
import { action, body, type Change, change, instant, is } from "../action";
import { editRow } from "../edits";
import { hotWorkBegin, hotWorkEnd, hotWorkUndo } from "../openings/hot-work";
import { Refusal } from "../refusal";

export interface Found {
  shop: Shop;
  job: JobRow;
  buildName: string;
}

export async function find(x: Change, id: string): Promise<Found> {
  const shop = await loadShop(x.c);
  for (const b of shop.builds) {
    const job = b.jobs.find((j) => j.id === id);
    if (job) return { shop, job, buildName: b.name };
  }
  throw new Refusal(404, "There is no such job (any more).");
}

/** A fitter acts on jobs they are on, by plan or in fact; the lead on all. */
export async function mayAct(x: Change, user: User, job: JobRow): Promise<string[]> {
  const planned = (await loadPlan(x.c, "published", x.zone))?.plan.jobs.find((p) => p.id === job.id);
  const crew = job.fitters.length ? job.fitters : (planned?.fitters ?? []);
  if (user.role === "lead" || (user.fitterId && (crew.includes(user.fitterId) || crew.length === 0))) return crew;
  throw new Refusal(403, "This job is somebody else's. Ask the lead to put you on it.");
}

const names = (shop: Shop, ids: readonly string[]) => ids.map((id) => shop.fitters.find((f) => f.id === id)?.name ?? id).join(" + ");

async function start(x: Change, user: User, f: Found, crewAsked: string[] | undefined): Promise<void> {
  const { job, shop } = f;
  const named = await mayAct(x, user, job);
  const planned = (await loadPlan(x.c, "published", x.zone))?.plan.jobs.find((p) => p.id === job.id);
  const crew = crewAsked ?? (job.fitters.length || !planned ? withoutIdle(shop, job, named, x.now) : beginners(planned));
  const at = shop.builds.find((b) => b.id === job.buildId)?.at ?? null;
  const place = job.place === "bench" ? "bench" : (planned?.place ?? at ?? "yard");
  // Where the van stands counts, as long as the work can be done there.
  const where = job.place === "bench" ? "bench" : at !== null && at !== place && suits(shop, job, at) ? at : place;
  const inTheWay = startObstacles(shop, job, crew, where, x.now);
  if (inTheWay.length) throw new Refusal(409, `Not yet: ${inTheWay.map((o) => o.text).join("; ")}.`, { obstacles: inTheWay });
  await beginJob(x.c, job.id, x.now, where);
  await setCrew(x.c, job.id, crew, helperAmong(shop, job, crew, planned?.helpers, behindMinutes(shop, job, x.now)));
  await hotWorkBegin(x, user, shop, job);
  const word = job.state === "paused" ? "went on with" : "started";
  await log(x, f, `job.${job.state === "paused" ? "resumed" : "started"}`, `${names(shop, crew)} ${word} ${job.name}`, {
    crew,
    place: where,
  });
}

/** Whoever is named to go on with a job, without a helper whose part of it is over. */
function withoutIdle(shop: Shop, job: JobRow, named: string[], now: number): string[] {
  const build = shop.builds.find((b) => b.id === job.buildId);
  return crewAskedOf(build, job, behindMinutes(shop, job, now)).some((c) => c.during)
    ? named
    : named.filter((f) => !job.helpers?.some((h) => h.fitter === f));
}

const suits = (shop: Shop, job: JobRow, place: string): boolean =>
  place === "yard"
    ? job.yardOk && shop.workshop.yardWork && job.bayHas.every((p) => shop.workshop.yardHas.includes(p))
    : job.bayHas.every((p) => shop.bays.find((b) => b.id === place)?.has.includes(p));

export async function log(x: Change, f: Found, kind: string, text: string, data: Record<string, unknown> = {}): Promise<void> {
  await x.event({ kind, entity: "job", entityId: f.job.id, buildId: f.job.buildId, text, data });
  await x.stale(`${f.buildName}: ${text}`);
}

async function halt(x: Change, user: User, f: Found, to: "paused" | "done"): Promise<void> {
  const { job, shop } = f;
  if (job.state !== "started" && !(to === "done" && job.state === "paused")) throw new Refusal(409, `${job.name} is not under way.`);
  if (to === "done") {
    const left = job.steps.filter((s) => s.doneAt === null);
    if (left.length) throw new Refusal(409, `${left.length} ${left.length === 1 ? "step is" : "steps are"} open: ${left[0].text}.`);
    if (batchLocked(job)) throw new Refusal(409, `The first piece of ${job.name} is not signed yet.`);
    const strip = stripOpen(shop.builds.find((b) => b.id === job.buildId)!, job);
    const wet = soakOpen(shop.builds.find((b) => b.id === job.buildId)!, job);
    if (wet.length) throw new Refusal(409, `The soak test is not over: ${wet.join("; ")}.`);
    if (strip.length) throw new Refusal(409, `Stripping is not closed yet: ${strip.join("; ")}.`);
  }
  if (to === "done") await hotWorkEnd(x, user, shop, job);
  const worked = workedMinutes(shop, job, x.now);
  await stopJob(x.c, job.id, to, worked, x.now);
  await stopCrew(x.c, job.id);
  await log(x, f, `job.${to}`, to === "done" ? `${job.name} done after ${worked} min of work` : `${job.name} paused`, { worked });
}

type Act = { act: "start" | "pause" | "done" | "undo"; crew?: string[] };

export const jobActions = [
  action<Act>(
    { method: "POST", path: "jobs/*/act", role: "any" },
    body({ act: { type: "string", enum: ["start", "pause", "done", "undo"] } }, { crew: is.ids }),
    (b, { user, ids }) =>
      change(user, async (x) => {
        const f = await find(x, ids[0]);
        if (b.act === "start") return start(x, user, f, b.crew);
        await mayAct(x, user, f.job);
        if (b.act === "undo") return undo(x, user, f);
        return halt(x, user, f, b.act === "pause" ? "paused" : "done");
      }),
  ),
  action<{ n: number; done: boolean }>(
    { method: "POST", path: "jobs/*/step", role: "any" },
    body({ n: is.count, done: is.bool }),
    (b, { user, ids }) =>
      change(user, async (x) => {
        const f = await find(x, ids[0]);
        await mayAct(x, user, f.job);
        if (f.job.state !== "started") throw new Refusal(409, `Start ${f.job.name} first, then tick its steps.`);
        const step = f.job.steps.find((s) => s.n === b.n);
        if (!step) throw new Refusal(404, "There is no such step.");
        await tickStep(x.c, f.job.id, b.n, b.done ? { by: user.id, at: x.now } : null);
        await x.event({
          kind: b.done ? "step.done" : "step.undone",
          entity: "job",
          entityId: f.job.id,
          buildId: f.job.buildId,
          text: `${f.job.name}, step ${b.n}: ${b.done ? "done" : "open again"}`,
        });
      }),
  ),
  action<{ kind: string; text: string; stopsWork: boolean }>(
    { method: "POST", path: "jobs/*/remark", role: "any" },
    body({ kind: { type: "string", enum: ["short", "wrong", "damaged", "delay", "other"] }, text: is.words, stopsWork: is.bool }),
    (b, { user, ids }) =>
      change(user, async (x) => {
        const f = await find(x, ids[0]);
        const id = v7();
        await addRemark(x.c, { id, jobId: f.job.id, kind: b.kind, text: b.text.trim(), stopsWork: b.stopsWork, by: user.id, at: x.now });
        await log(x, f, "remark.said", `${user.name} on ${f.job.name}: ${b.text.trim()}`);
        return { id };
      }),
  ),
  action({ method: "POST", path: "remarks/*/settle", role: "lead" }, body({}), (_b, { user, ids }) =>
    change(user, async (x) => {
      if (!(await settleRemark(x.c, ids[0], user.id, x.now))) throw new Refusal(409, "It is settled already.");
      await x.event({ kind: "remark.settled", entity: "remark", entityId: ids[0], text: "settled what was said from the bench" });
      await x.stale("a remark from the bench was settled");
    }),
  ),
  // A pin as a whole: what is not named is free again.
  action<{ version: number; start?: string; place?: string; fitters?: string[] }>(
    { method: "PATCH", path: "jobs/*/pin", role: "lead" },
    body({ version: is.version }, { start: is.local, place: is.id, fitters: is.ids }),
    (b, { user, ids }) =>
      change(user, async (x) => {
        const f = await find(x, ids[0]);
        const at = b.start === undefined ? null : toSql(instant(x, b.start, "start"));
        const place = b.place ?? null;
        const fitters = [...new Set(b.fitters ?? [])];
        if (place !== null && !["yard", "bench"].includes(place) && !f.shop.bays.some((bay) => bay.id === place && !bay.retired))
          throw new Refusal(422, "place: there is no such bay", { faults: [{ path: "place", message: "there is no such bay" }] });
        const unknown = fitters.find((id) => !f.shop.fitters.some((who) => who.id === id && !who.retired));
        if (unknown)
          throw new Refusal(422, "fitters: there is no such fitter", { faults: [{ path: "fitters", message: "there is no such fitter" }] });
        const show = (v: unknown) => (v === null ? null : x.zone.show(Date.parse(`${String(v).replace(" ", "T")}Z`) / 60_000));
        await editRow(x.c, "job", f.job.name, f.job.id, b.version, {
          start: { column: "pin_start", value: at, mine: b.start ?? null, show },
          place: { column: "pin_place", value: place, mine: place },
        });
        await setPinFitters(x.c, f.job.id, fitters);
        const to = [
          b.start?.replace("T", " "),
          place && (f.shop.bays.find((bay) => bay.id === place)?.name ?? `the ${place}`),
          ...fitters.map((id) => f.shop.fitters.find((who) => who.id === id)!.name),
        ].filter(Boolean);
        await log(x, f, "job.pinned", to.length ? `${f.job.name} pinned to ${to.join(", ")}` : `pin of ${f.job.name} taken out`);
      }),
  ),
];

/** Takes back the last start, pause or finish, as long as nothing was built on it. */
async function undo(x: Change, user: User, f: Found): Promise<void> {
  const { job, shop } = f;
  if (job.state === "done") {
    const followers = shop.builds.flatMap((b) => b.jobs).filter((j) => j.state !== "todo" && j.after.some((a) => a.job === job.id));
    if (followers.length) throw new Refusal(409, `${followers[0].name} has already started behind it.`);
    if (user.role !== "lead" && x.now - job.endedAt! > 60) throw new Refusal(403, "After an hour only the lead can reopen a job.");
    await reopenJob(x.c, job.id);
    return log(x, f, "job.reopened", `${job.name} reopened`);
  }
  if (job.state === "started" && job.workedMinutes === 0 && job.steps.every((s) => s.doneAt === null)) {
    await unbeginJob(x.c, job.id);
    await hotWorkUndo(x, shop, job);
    return log(x, f, "job.unstarted", `start of ${job.name} taken back`);
  }
  throw new Refusal(409, "There is nothing to take back.");
}
