// Loads the demo: a made-up workshop whose past is played back from a plan, so that it is consistent to the minute.

import { v7 } from "uuid";
import { buildNetwork } from "../core/library/network";
import { type Plan, type Problem, plannedMinutes } from "../core/plan/model";
import { makePlan } from "../core/plan/planner";
import { readProblem } from "../core/plan/read";
import { random, seedOf } from "../core/rng";
import { DAY, type Zone, zoneOf } from "../core/time/zone";
import { vans } from "../core/van/model";
import { shopMinutes } from "../core/workshop/builds/left";
import { undecidedOf } from "../core/workshop/builds/open-choices";
import { freshJob } from "../core/workshop/state/from-network";
import type { JobRow, Shop } from "../core/workshop/state/model";
import { nameParts, toProblem } from "../core/workshop/state/problem";
import { insertBuild } from "../db/builds/build-network";
import { currentLibrary } from "../db/house/library";
import { insertTools } from "../db/house/tools";
import { insertVans } from "../db/house/vans";
import { saveForecast } from "../db/house/weather";
import { loadPlan, savePlan } from "../db/planning/plans";
import { insert, pool, rows, run, toSql, transaction } from "../db/pool";
import { loadShop } from "../db/shop";
import { hashPassword } from "../server/access/password";
import { nowMinute } from "../server/clock";
import { forecast } from "../standins/weather";
import { writeHoles } from "./holes";
import { writePapers } from "./papers";
import * as made from "./people";
import { LEAD } from "./people";
import { writeRecords } from "./records";
import { writeSheets } from "./sheets";
import { takePhotos } from "./take-photos";

/** Whether the demo is there: "half" when its loading was cut off (its plans are made last). */
export async function demoState(): Promise<"none" | "half" | "whole"> {
  if (!(await rows(pool(), "SELECT id FROM workshop LIMIT 1")).length) return "none";
  return (await rows(pool(), "SELECT id FROM plan WHERE kind = 'working'")).length ? "whole" : "half";
}

/** Fills an empty database with the demo, anchored to now. */
export async function loadDemo(say: (text: string) => void = () => undefined): Promise<void> {
  const zone = zoneOf(made.workshop.zone);
  const now = nowMinute(zone);
  const c = pool();
  say("people and places");
  await people(zone, now);
  const library = await transaction((t) => currentLibrary(t, now - 60 * DAY));
  for (const b of made.builds) {
    const arrives = workday(zone, now, -b.arrived) + 8 * 60;
    const { geometry } = vans.find((v) => v.id === b.van)!;
    const undecided = undecidedOf(b.open ?? [], b.options, geometry, library.jobs);
    await transaction((t) =>
      insertBuild(t, {
        id: b.id,
        name: b.name,
        client: b.client,
        purpose: b.purpose,
        vanId: b.van,
        arrives: toSql(arrives),
        due: toSql(arrives + 150 * DAY),
        createdAt: toSql(Math.min(now, arrives - 20 * DAY)),
        weight: b.weight,
        options: b.options,
        openChoices: b.open ?? [],
        libraryVersion: library.number,
        jobs: buildNetwork(b.options, geometry, library.jobs).map((j, seq) => ({
          ...freshJob(b.id, j, seq),
          undecided: undecided.get(j.code) ?? [],
        })),
        suppliers: made.suppliers.map((s) => s.id),
      }),
    );
  }
  say("the weeks behind");
  await playHistory(zone, now);
  await setParts(zone, now);
  await writeRecords(now);
  await writeHoles(now);
  await writePapers(now);
  await writeSheets(now);
  say("photos");
  await takePhotos(now);
  say("plans");
  await setDeadlines(zone, now);
  await publishPlan(zone, now, 1, "as of this morning");
  await oneSlip(zone, now);
  await storePlan(zone, now, "working", null, "");
  await run(c, "UPDATE workshop SET changes = 0, planned_changes = 0, stale_why = NULL");
}

/** Local midnight of the working day that many working days from today. */
function workday(zone: Zone, now: number, days: number): number {
  let day = zone.dayOf(now);
  const step = days < 0 ? -1 : 1;
  for (let left = Math.abs(days); left > 0; ) {
    day += step;
    if ((((day + 3) % 7) + 7) % 7 < 5) left--;
  }
  return zone.dayStart(day);
}

/** Local midnight of that day, or of the Friday before a weekend: nobody delivers on those. */
function weekday(zone: Zone, at: number): number {
  const day = zone.dayOf(at);
  const n = (((day + 3) % 7) + 7) % 7;
  return zone.dayStart(n > 4 ? day - (n - 4) : day);
}

async function people(zone: Zone, now: number): Promise<void> {
  const w = made.workshop;
  const password_hash = await hashPassword(made.DEMO_PASSWORD);
  await transaction(async (t) => {
    await insert(t, "workshop", [
      {
        id: w.id,
        name: w.name,
        zone: w.zone,
        latitude: w.latitude,
        longitude: w.longitude,
        noise_from: w.noise[0],
        noise_to: w.noise[1],
        yard_places: w.yardPlaces,
        yard_has: w.yardHas,
        weights: {},
        demo: true,
      },
    ]);
    await insert(
      t,
      "calendar",
      made.calendars.map(({ id, name }) => ({ id, name })),
    );
    await insert(
      t,
      "calendar_window",
      made.calendars.flatMap((k) => k.windows.map((x) => ({ id: v7(), calendar_id: k.id, ...x }))),
    );
    await insert(
      t,
      "bay",
      made.bays.map((b, seq) => ({
        id: b.id,
        name: b.name,
        seq,
        has: b.has,
        temp_c: b.tempC,
        heat_temp_c: b.heat?.tempC,
        heat_by: b.heat?.by ?? "",
        heat_hour_cost: b.heat?.hourCost ?? 0,
        heat_ahead_minutes: b.heat?.aheadMinutes ?? 60,
        day_cost: b.dayCost,
        max_height_mm: b.maxHeightMm,
        max_length_mm: b.maxLengthMm,
      })),
    );
    await insert(
      t,
      "fitter",
      made.fitters.map((f) => ({ id: f.id, name: f.name, calendar_id: f.calendar })),
    );
    await insert(
      t,
      "fitter_skill",
      made.fitters.flatMap((f) => Object.entries(f.skills).map(([skill, level]) => ({ fitter_id: f.id, skill, level }))),
    );
    await insert(
      t,
      "fitter_ticket",
      made.fitters.flatMap((f) =>
        f.tickets.map(([ticket, days]) => ({ fitter_id: f.id, ticket, until: zone.show(now + Number(days) * DAY).slice(0, 10) })),
      ),
    );
    await insert(
      t,
      "user",
      made.users.map((u) => ({ id: u.id, login: u.login, name: u.name, role: u.role, fitter_id: u.fitterId, password_hash })),
    );
    await insert(
      t,
      "supplier",
      made.suppliers.map((s) => ({
        id: s.id,
        name: s.name,
        lead_best_days: s.lead[0],
        lead_likely_days: s.lead[1],
        lead_worst_days: s.lead[2],
      })),
    );
    await insertVans(t);
    await insertTools(t, {
      grinder: 2,
      laser: 2,
      jigsaw: 2,
      "plunge saw": 2,
      crimper: 2,
      clamps: 3,
      "torque wrench": 2,
      "roof platform": 2,
    });
    await saveForecast(t, forecast(w, zone, now, 14), now);
    const away = workday(zone, now, 6);
    await insert(t, "absence", [
      { id: v7(), fitter_id: "nils", starts: toSql(away + 8 * 60), ends: toSql(away + DAY + 17 * 60), reason: "course" },
    ]);
  });
}

/** Plans from the first arrival on as if nothing had been done, and takes what lies before now as fact. */
async function playHistory(zone: Zone, now: number): Promise<void> {
  const shop = await loadShop(pool());
  const began = Math.min(...shop.builds.map((b) => b.arrives)) - 30;
  // The weather of those weeks counts too: work that was begun where it was too cold could not go on.
  const weather = forecast(made.workshop, zone, began, Math.ceil((now - began) / DAY) + 14);
  const past = toProblem({ ...shop, weather }, began);
  for (const b of past.builds)
    for (const j of b.jobs) {
      delete j.partsFrom;
      delete j.proofApproved;
      // Whatever tool it took was there: what is past is not to wait for one.
      delete j.tools;
      // Whoever bonded on cold metal then had warmed it.
      if (j.needs) delete j.needs.metal;
      if (j.needs) delete j.needs.maxWindMs;
    }
  const plan = telling(shop, readProblem(past), zone, now);
  const jobs = new Map(shop.builds.flatMap((b) => b.jobs.map((j) => [j.id, j] as const)));
  await transaction(async (t) => {
    const events: Record<string, unknown>[] = [];
    const event = (at: number, kind: string, job: JobRow, text: string, by: string) =>
      events.push({ id: v7(), at: toSql(at), user_id: by, kind, entity: "job", entity_id: job.id, build_id: job.buildId, text, data: {} });
    for (const p of plan.jobs) {
      const start = zone.parse(p.start);
      const end = zone.parse(p.end);
      if (start > now) continue;
      const job = jobs.get(p.id)!;
      const done = end <= now;
      await run(
        t,
        "UPDATE job SET state = ?, started_at = ?, running_since = ?, worked_minutes = ?, ended_at = ?, actual_place = ? WHERE id = ?",
        [
          done ? "done" : "started",
          toSql(start),
          done ? null : toSql(start),
          done ? Math.round(shopMinutes(shop, start, end)) : 0,
          done ? toSql(end) : null,
          p.place,
          p.id,
        ],
      );
      await insert(
        t,
        "job_fitter",
        p.fitters.map((fitter_id) => ({ job_id: p.id, fitter_id })),
      );
      await run(t, "UPDATE job_question SET answered_at = ?, answered_by = ? WHERE job_id = ?", [toSql(start), `u-${p.fitters[0]}`, p.id]);
      const share = done ? 1 : (now - start) / (end - start);
      await run(t, "UPDATE job_step SET done_at = ?, done_by = ? WHERE job_id = ? AND n <= ?", [
        toSql(Math.min(now, end)),
        `u-${p.fitters[0]}`,
        p.id,
        Math.floor(job.steps.length * share),
      ]);
      const who = p.fitters.map((f) => made.fitters.find((x) => x.id === f)!.name).join(" + ");
      const by = `u-${p.fitters[0]}`;
      event(start, "job.started", job, `${who} started ${job.name}`, by);
      if (done) event(end, "job.done", job, `${job.name} done`, by);
    }
    await run(
      t,
      "UPDATE IGNORE job_fitter f JOIN job j ON j.id = f.job_id SET f.running = 1 WHERE j.state = 'started' AND f.freed_at IS NULL",
    );
    for (const s of plan.stays)
      if (zone.parse(s.from) <= now && now < zone.parse(s.to))
        await run(t, "UPDATE build SET at_place = ?, at_since = ? WHERE id = ?", [s.place, toSql(zone.parse(s.from)), s.build]);
    // A van between two stays at this very minute counts as arrived where it is going.
    for (const b of shop.builds) {
      const stays = plan.stays.filter((s) => s.build === b.id);
      const i = stays.findIndex((s) => zone.parse(s.from) > now);
      if (i > 0 && zone.parse(stays[i - 1].to) <= now)
        await run(t, "UPDATE build SET at_place = ?, at_since = ? WHERE id = ?", [stays[i].place, toSql(now), b.id]);
    }
    await insert(t, "event", events);
  });
}

/** No job took what was planned for it: four fifths of it to a third more; what has to be done in one day not more. */
function asItWent(past: Problem, seed: number): Problem {
  const r = random(seed);
  const took = structuredClone(past);
  for (const j of took.builds.flatMap((b) => b.jobs)) {
    const share = 0.8 + (j.needs?.sameDay ? 0.2 : 0.5) * r();
    j.minutes = Math.max(10, Math.round((plannedMinutes(j.minutes) * share) / 5) * 5);
  }
  return took;
}

/** So many ways in which the weeks behind may have gone are tried. */
const PASTS = 30;

/**
 * A past that has something to show now: work under way whose photos keep other work closed that could come next. The first
 * that has it, else the first.
 */
function telling(shop: Shop, past: Problem, zone: Zone, now: number): Plan {
  let first: Plan | undefined;
  for (let seed = 1; seed <= PASTS; seed++) {
    const plan = makePlan(asItWent(past, seed), { iterations: 8, seed, near: true });
    first ??= plan;
    const at = new Map(plan.jobs.map((p) => [p.id, [zone.parse(p.start), zone.parse(p.end)] as const]));
    const doneBy = (id: string, t: number) => (at.get(id)?.[1] ?? Number.POSITIVE_INFINITY) <= t;
    const under = (id: string) => (at.get(id)?.[0] ?? Number.POSITIVE_INFINITY) < now && !doneBy(id, now);
    const keepsClosed = shop.builds.some((b) =>
      b.jobs.some(
        (a) =>
          under(a.id) &&
          a.hold.minutes === 0 &&
          a.shots.some((s) => s.beforeCloseUp) &&
          b.jobs.some(
            (j) =>
              j.covers.includes(a.id) &&
              j.after.every((x) => x.job === a.id || doneBy(x.job, now)) &&
              j.covers.every((c) => c === a.id || doneBy(c, now - 2 * DAY)),
          ),
      ),
    );
    if (keepsClosed && plan.unplaced.length === 0) return plan;
  }
  return first!;
}

/** What clients choose by samples, and the days that takes. */
const SAMPLED = new Set(["Floor covering", "Carpet lining, 2 m wide", "Worktop 2.1 m"]);
const SAMPLE_DAYS = 7;

/** Parts of what is done or near are here; farther ones on their way, the farthest not ordered yet. */
async function setParts(zone: Zone, now: number): Promise<void> {
  const shop = await loadShop(pool());
  const first = currentPlan(shop, now);
  const starts = new Map(first.jobs.map((j) => [j.id, zone.parse(j.start)]));
  let toCheck = false;
  await transaction(async (t) => {
    for (const job of shop.builds.flatMap((b) => b.jobs))
      for (const part of job.parts) {
        const r = random(seedOf(part.id));
        const days = ((starts.get(job.id) ?? now + 60 * DAY) - now) / DAY;
        const lead = shop.suppliers.find((s) => s.id === part.supplierId)!.leadLikelyDays;
        const here = job.state !== "todo" || days < 1.5 || (days < 6 && r() < 0.7);
        const shelf = `${"ABCD"[Math.floor(r() * 4)]}${1 + Math.floor(r() * 6)}`;
        const promised = weekday(zone, now + Math.max(0.9, Math.min(days - 0.6, lead)) * DAY) + 600;
        const set = here
          ? ["checked", null, now - (1 + r() * 6) * DAY, now - r() * DAY, shelf]
          : days < 14
            ? ["promised", promised, null, null, ""]
            : days < 30 && r() < 0.75
              ? ["ordered", null, null, null, ""]
              : ["needed", null, null, null, ""];
        if (here && job.state === "todo" && (r() < 0.25 || !toCheck)) {
          toCheck = true;
          set[0] = "arrived";
          set[3] = null;
        }
        const time = (v: unknown) => (v === null ? null : toSql(Math.round(v as number)));
        await run(
          t,
          "UPDATE part_line SET state = ?, promised_at = ?, first_promised_at = ?, arrived_at = ?, checked_at = ?, shelf = ?, sample_days = ? WHERE id = ?",
          [
            set[0] as string,
            time(set[1]),
            time(set[1]),
            time(set[2]),
            time(set[3]),
            set[4] as string,
            SAMPLED.has(part.name) ? SAMPLE_DAYS : 0,
            part.id,
          ],
        );
      }
  });
}

function currentPlan(shop: Shop, now: number, published?: Plan): Plan {
  return makePlan(readProblem(toProblem(shop, now, published) as Problem), { iterations: 60, seed: 1, local: true, near: true });
}

/** Deadlines around what the plan can do: one missed, one touch and go, the others with air. */
async function setDeadlines(zone: Zone, now: number): Promise<void> {
  for (let round = 0; round < 5; round++) {
    const shop = await loadShop(pool());
    const plan = currentPlan(shop, now);
    await transaction(async (t) => {
      for (const b of made.builds) {
        const finish = plan.builds.find((x) => x.id === b.id)?.finish;
        if (!finish) continue;
        const due = workday(zone, zone.parse(finish), b.slack) + 17 * 60;
        const arrives = shop.builds.find((x) => x.id === b.id)!.arrives;
        await run(t, "UPDATE build SET due = ? WHERE id = ?", [toSql(Math.max(due, arrives + DAY)), b.id]);
      }
    });
  }
}

async function storePlan(zone: Zone, now: number, kind: "working" | "published", number: number | null, note: string): Promise<void> {
  const shop = await loadShop(pool());
  const published = await loadPlan(pool(), "published", zone);
  const plan = currentPlan(shop, now, published?.plan);
  nameParts(plan, shop, now);
  await transaction((t) => savePlan(t, { id: v7(), kind, number, note, madeAt: now - 40, madeBy: LEAD, nowAt: now }, plan, zone));
}

const publishPlan = (zone: Zone, now: number, number: number, note: string) => storePlan(zone, now, "published", number, note);

/** What has happened since the plan was published: a late part, and a word from the bench. */
async function oneSlip(zone: Zone, now: number): Promise<void> {
  const shop = await loadShop(pool());
  const plan = (await loadPlan(pool(), "published", zone))?.plan;
  const starts = new Map((plan?.jobs ?? []).map((j) => [j.id, zone.parse(j.start)]));
  const soon = shop.builds
    .flatMap((b) =>
      b.jobs.flatMap((j) =>
        j.parts.filter((p) => p.state === "promised").map((part) => ({ b, j, part, start: starts.get(j.id) ?? Number.POSITIVE_INFINITY })),
      ),
    )
    .filter(({ b, j, start }) => j.state === "todo" && made.builds.some((m) => m.id === b.id && m.slack >= 5) && start > now + DAY)
    .sort((x, y) => x.start - y.start);
  const late = soon[0];
  const started = shop.builds.flatMap((b) => b.jobs).find((j) => j.state === "started");
  await transaction(async (t) => {
    if (late) {
      // Two working days behind the moment at which it is wanted.
      const to = workday(zone, late.start, 2) + 600;
      await run(t, "UPDATE part_line SET promised_at = ? WHERE id = ?", [toSql(to), late.part.id]);
      await insert(t, "event", [
        {
          id: v7(),
          at: toSql(now - 50),
          user_id: LEAD,
          kind: "part.promised",
          entity: "part",
          entity_id: late.part.id,
          build_id: late.b.id,
          text: `${late.b.name}: ${late.part.name} moved to ${zone.show(to).slice(0, 10)}`,
          data: {},
        },
      ]);
    }
    if (started)
      await insert(t, "remark", [
        {
          id: v7(),
          job_id: started.id,
          kind: "short",
          text: "Box of 4.2 × 32 is nearly empty, about forty left",
          stops_work: false,
          said_by: `u-${started.fitters[0]}`,
          said_at: toSql(now - 35),
        },
      ]);
  });
}
