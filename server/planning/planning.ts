// Replanning and publishing.

import { v7 } from "uuid";
import type { Chances } from "@/core/plan/chance";
import { checkPlan } from "@/core/plan/check/check";
import { diffPlans } from "@/core/plan/diff";
import type { Plan, Problem } from "@/core/plan/model";
import type { Verdict, Wish } from "@/core/plan/pinned";
import { type Zone, zoneOf } from "@/core/time/zone";
import { preparedVariants } from "@/core/workshop/planning/preparable";
import { factJobs } from "@/core/workshop/state/facts";
import { figure } from "@/core/workshop/state/house-figures";
import type { Shop } from "@/core/workshop/state/model";
import { nameParts, toProblem } from "@/core/workshop/state/problem";
import { newestChange } from "@/db/acts";
import { addEvent } from "@/db/events";

import {
  dropOther,
  giveLease,
  keepLease,
  leaseHeld,
  loadPlan,
  nextNumber,
  noteChange,
  notePlanned,
  publishedPlans,
  type StoredPlan,
  savePlan,
  swapAnswers,
  takeLease,
} from "@/db/planning/plans";
import { type Conn, pool, transaction } from "@/db/pool";
import { loadShop, loadWorkshop } from "@/db/shop";
import { droppable } from "../builds/drop-options";
import { nowMinute } from "../clock";
import { Refusal } from "../refusal";
import { log } from "../running/log";
import { keptRead } from "../state/kept-read";
import { writing } from "../writing";
import { type Better, chancesInThread, type GainStep, gainsInThread, planInThread, tryInThread, warmUp } from "./plan-thread";

/** Search steps on top of the rules: well under a second at the usual size, and the same result each time. */
const ITERATIONS = 60;
/** A search that was killed frees its lease in this time; one that lives says so again well before. */
const LEASE_SECONDS = 20;
const LEASE_BEAT_MS = 5000;

export interface State {
  shop: Shop;
  zone: Zone;
  now: number;
  /** A change that all of this knows of; perhaps it knows of newer ones. */
  change: number;
  working?: StoredPlan;
  published?: StoredPlan;
}

/** The state of one moment, whatever is written meanwhile; to be read and not written into. */
export async function loadState(): Promise<State> {
  // Read first: whoever shows this state and asks later what is the newest change must not take what it does not know yet for known.
  const change = await newestChange(pool());
  const read = async (c: Conn) => {
    const shop = await loadShop(c);
    const zone = zoneOf(shop.workshop.zone);
    return { shop, working: await loadPlan(c, "working", zone), published: await loadPlan(c, "published", zone) };
  };
  const { shop, working, published } = await keptRead("state", read, change);
  const zone = zoneOf(shop.workshop.zone);
  return { shop, zone, now: nowMinute(zone), change, working, published };
}

/** The published plans there are, and the one of a number (else the newest), to compare with. */
export async function plansToCompare(
  zone: Zone,
  number: number | undefined,
): Promise<{ list: Awaited<ReturnType<typeof publishedPlans>>; plan?: StoredPlan }> {
  const [list, plan] = await Promise.all([publishedPlans(pool()), number === undefined ? undefined : loadPlan(pool(), number, zone)]);
  return { list, plan };
}

/** Makes the planner ready for the first drag, where a page is opened on which one may come. */
export const warmPlanner = (state: State): void => warmUp(() => toProblem(state.shop, state.now, state.published?.plan));

/** The problem as it stands, for planning and for export. */
export async function currentProblem(): Promise<{ problem: Problem; state: State }> {
  const state = await loadState();
  return { problem: toProblem(state.shop, state.now, state.published?.plan), state };
}

/** Marks that the working plan no longer knows everything. The first reason stays until a replan. */
export async function markStale(c: Conn, why: string): Promise<void> {
  // A search that runs does not know of this change: what it would find is out of date.
  stopSearch();
  await dropOther(c);
  await noteChange(c, why);
}

/** The search that runs in this process, kept where every bundle of the server finds it. */
const shared = globalThis as { wideLaneSearch?: AbortController };

/** Stops a longer search: something newer takes over. */
function stopSearch(): void {
  shared.wideLaneSearch?.abort();
}

const TURN_MS = 60;
/** How often a newer replan asks for its turn: a search that is stopped answers within a step, a short replan within a second or so. */
const TURNS = 80;
const SHORT_TURNS = 25;

/** The lease of the workshop's planner; a longer search that holds it gives way to `newer` work. */
async function claim(workshopId: string, holder: string, newer: boolean): Promise<void> {
  for (let turn = 0; ; turn++) {
    if (!(await leaseHeld(pool(), workshopId)) && (await transaction((c) => takeLease(c, workshopId, holder, LEASE_SECONDS)))) return;
    if (!newer || turn >= (shared.wideLaneSearch ? TURNS : SHORT_TURNS))
      throw new Refusal(409, "A replan is already running; its result will show here in a moment.");
    stopSearch();
    await new Promise((done) => setTimeout(done, TURN_MS));
  }
}

interface Budget {
  iterations?: number;
  ms?: number;
  /** A search that frees only what is displaced against the published plan, and what stands around it. */
  local?: boolean;
  onBetter?: (b: Better) => void;
  signal?: AbortSignal;
}

/** What came of a replan: the new working plan, another answer beside it, or nothing better than what is there. */
export interface Replanned extends StoredPlan {
  came: "working" | "other" | "nothing";
}

/**
 * Plans from the present state and stores the result as the working plan. One at a time for the workshop. Once a plan is published,
 * what a longer search finds stands beside the working plan, as long as that is up to date: the lead says which of the two it is to be.
 */
export async function replan(userId: string, budget: Budget = {}): Promise<Replanned> {
  const holder = v7();
  const { problem, state } = await currentProblem();
  const workshopId = state.shop.workshop.id;
  const searching = budget.ms !== undefined;
  await claim(workshopId, holder, !searching);
  const newer = new AbortController();
  // Somebody else holds the lease by now: this search was taken for dead, and what it would find is not wanted any more.
  const beat = setInterval(() => {
    keepLease(pool(), holder, LEASE_SECONDS).then(
      (held) => held || newer.abort(),
      (err) => log.warn({ err }, "the lease of a plan search could not be held on to"),
    );
  }, LEASE_BEAT_MS);
  if (searching) shared.wideLaneSearch = newer;
  const signals = [newer.signal, ...(budget.signal ? [budget.signal] : [])];
  try {
    const length = budget.ms === undefined ? { iterations: budget.iterations ?? ITERATIONS } : { ms: budget.ms };
    // A longer search goes on from the plan at hand; a plain replan stays as near as it can to the published one.
    const local = budget.local ?? !searching;
    const start = local ? undefined : withoutWhy(state.working?.plan);
    const plan = await planInThread(problem, { ...length, seed: 1, start, local }, budget.onBetter, AbortSignal.any(signals));
    if (newer.signal.aborted) throw new Refusal(409, "Something newer came in: the search was stopped.");
    // The checker has the last word: a plan that breaks a rule is never shown.
    const breaches = checkPlan(problem, plan);
    if (breaches.length) throw new Error(`the planner made a plan that breaks a rule: ${breaches[0].text}`);
    nameParts(plan, state.shop, state.now);
    const beside = !local && searching && state.published !== undefined && state.working !== undefined && !state.shop.workshop.staleWhy;
    const kind = beside ? ("other" as const) : ("working" as const);
    const head = { id: v7(), kind, number: null, note: "", madeAt: state.now, madeBy: userId, nowAt: state.now };
    if (beside && !diffPlans(state.zone, state.working!.plan, plan, factJobs(state.shop)).moves.length)
      return { head, plan, came: "nothing" };
    await writing(async (c, act) => {
      if (beside) {
        const workshop = await loadWorkshop(c);
        if (workshop?.changes !== state.shop.workshop.changes)
          throw new Refusal(409, "Something newer came in: what was found is out of date.");
        await savePlan(c, head, plan, state.zone);
        await addEvent(c, state.now, searchedEvent(userId, head.id, plan), act);
        return;
      }
      await dropOther(c);
      await savePlan(c, head, plan, state.zone);
      // What changed since the state was read is not in this plan: it stays stale then.
      await notePlanned(c, state.shop.workshop.changes);
      const event = {
        userId,
        kind: "plan.replanned",
        entity: "plan",
        entityId: head.id,
        text: budget.ms === undefined ? "replanned" : `searched on, ${plan.iterations} steps`,
        data: { cost: plan.cost ?? {}, unplaced: plan.unplaced.length },
      };
      await addEvent(c, state.now, event, act);
    });
    return { head, plan, came: kind };
  } finally {
    clearInterval(beat);
    await giveLease(pool(), holder).catch((err) => log.warn({ err }, "the lease of a plan search runs out by itself"));
    if (shared.wideLaneSearch === newer) shared.wideLaneSearch = undefined;
  }
}

const searchedEvent = (userId: string, id: string, plan: Plan) => ({
  userId,
  kind: "plan.searched",
  entity: "plan",
  entityId: id,
  text: `searched for another answer, ${plan.iterations} steps`,
  data: { cost: plan.cost ?? {}, unplaced: plan.unplaced.length },
});

/** The answer beside the working plan; undefined: there is none. */
export const otherAnswer = (zone: Zone): Promise<StoredPlan | undefined> => loadPlan(pool(), "other", zone);

/** The answer beside the working plan takes its place, and the working one stands beside it. Refused where `id` is not that answer. */
export function takeOther(userId: string, id: string): Promise<void> {
  return writing(async (c, act) => {
    const workshop = await loadWorkshop(c);
    if (!workshop) throw new Refusal(409, "There is no workshop yet.");
    if (workshop.staleWhy) throw new Refusal(409, `Both answers are out of date (${workshop.staleWhy}): replan first.`);
    if (!(await swapAnswers(c, id))) throw new Refusal(409, "This answer is not there any more. Look at the lanes again.");
    const now = nowMinute(zoneOf(workshop.zone));
    const event = { userId, kind: "plan.taken", entity: "plan", entityId: workshop.id, text: "took the other answer", data: {} };
    await addEvent(c, now, event, act);
  });
}

/** The problem and plan that wishes were last tried on: a drag asks many times while nothing changes. */
let lastTried: { key: string; problem: Problem; plan: Plan } | undefined;

/** What a pin would do to the plan at hand; nothing is stored. Refused while there is no plan. */
export async function tryWish(jobId: string, wish: Wish): Promise<Verdict> {
  const workshop = await loadWorkshop(pool());
  if (!workshop) throw new Refusal(409, "There is no workshop yet.");
  const key = `${workshop.changes} ${workshop.plannedChanges} ${nowMinute(zoneOf(workshop.zone))}`;
  if (lastTried?.key !== key) {
    const { problem, state } = await currentProblem();
    if (!state.working) throw new Refusal(409, "There is no plan yet: replan first.");
    lastTried = { key, problem, plan: withoutWhy(state.working.plan)! };
  }
  if (!lastTried.problem.builds.some((b) => b.jobs.some((j) => j.id === jobId))) throw new Refusal(404, "There is no such job to plan.");
  return tryInThread(lastTried.problem, lastTried.plan, jobId, wish);
}

/** A stored plan as a start for the planner: reasons and chains are made anew anyway. */
const withoutWhy = (plan: Plan | undefined): Plan | undefined =>
  plan && { ...plan, jobs: plan.jobs.map(({ why: _why, ...j }) => j), builds: [], stays: [] };

/** Tries what could gain a day for a build, against the plan at hand. Refused while there is none or it is stale. */
export async function tryGains(buildId: string, onGain: (g: GainStep) => void, signal?: AbortSignal): Promise<void> {
  const { problem, state } = await currentProblem();
  if (!problem.builds.some((b) => b.id === buildId)) throw new Refusal(404, "There is no such build.");
  if (!state.working) throw new Refusal(409, "There is no plan yet: replan first.");
  if (state.shop.workshop.staleWhy) throw new Refusal(409, `The plan is stale (${state.shop.workshop.staleWhy}): replan first.`);
  const build = state.shop.builds.find((b) => b.id === buildId);
  const variants = build
    ? [...(await droppable(state.shop, build, state.now)), ...preparedVariants(state.shop, build, state.working.plan, state.now)]
    : [];
  await gainsInThread(
    problem,
    withoutWhy(state.working.plan)!,
    buildId,
    state.shop.workshop.hourRate,
    variants,
    figure(state.shop, "promiseChance") / 100,
    onGain,
    signal,
  );
}

/** Plays the plan at hand through by chance. Refused while there is none or it is stale. */
export async function playChances(onPlayed: (p: { played: number; all: number }) => void, signal?: AbortSignal): Promise<Chances> {
  const { problem, state } = await currentProblem();
  if (!state.working) throw new Refusal(409, "There is no plan yet: replan first.");
  if (state.shop.workshop.staleWhy) throw new Refusal(409, `The plan is stale (${state.shop.workshop.staleWhy}): replan first.`);
  return chancesInThread(problem, withoutWhy(state.working.plan)!, figure(state.shop, "promiseChance") / 100, onPlayed, signal);
}

/** Publishes the working plan under the next number. Refused while it is stale. */
export function publish(userId: string, note: string): Promise<number> {
  return writing(async (c, act) => {
    const workshop = await loadWorkshop(c);
    if (!workshop) throw new Refusal(409, "There is no workshop yet.");
    const zone = zoneOf(workshop.zone);
    const now = nowMinute(zone);
    const working = await loadPlan(c, "working", zone);
    if (!working) throw new Refusal(409, "There is no plan yet: replan first.");
    if (workshop.staleWhy) throw new Refusal(409, `The plan is stale (${workshop.staleWhy}): replan, look at what moves, then publish.`);
    const number = await nextNumber(c);
    const head = { ...working.head, id: v7(), kind: "published" as const, number, note, madeAt: now, madeBy: userId };
    await savePlan(c, head, working.plan, zone);
    await dropOther(c);
    const event = {
      userId,
      kind: "plan.published",
      entity: "plan",
      entityId: head.id,
      text: `published plan ${number}${note ? `: ${note}` : ""}`,
      data: { number },
    };
    await addEvent(c, now, event, act);
    return number;
  });
}
