// A replan around a change: the answer that leaves most of the published plan alone. What still holds stays; a search for the fewest
// moves first, then coarser means, and of what they find the quietest.

import type { Random } from "../../rng";
import type { Board } from "../board";
import type { Compiled } from "../compile";
import { costOf } from "../cost";
import { type Generated, generate, generateWithin, type Rule } from "../generate";
import { type Candidate, improve } from "../improve";
import type { Cost, Problem } from "../model";
import { isFree } from "../moves";
import { pushedRule, pushOn } from "../push";
import { movedShare, repair } from "../repair";
import { keptRules, placedRule } from "../rules";
import { byHand } from "./by-hand";
import { quietRule } from "./quiet";
import { noise, SMALL, type Upheaval, upheavalOf } from "./upheaval";
import { handoverLimits } from "./weight";

export interface ReplanTerms {
  /** How much of the budget is used, 0 to 1; told how many steps of the search are done. */
  used(steps: number): number;
  /** Looks at a job that the search for the fewest moves may take. */
  effort: number;
  /** The budget is one of time: then the means are as many as it lasts for. */
  timed: boolean;
  stopped(): boolean;
  /** Told of every quieter plan; false ends the replan with it. */
  onBetter(cost: Cost, steps: number): boolean;
  random: Random;
}

/** Up to so much of the work the published plan may simply be pushed on. */
const PUSHED = 0.1;
/** The coarser means get so much of the time, the search the rest. */
const MEANS = 0.7;
/** What lateness against the published date and moves cost in the search for a quieter plan. */
const QUIET_WEIGHTS = { late: 400, flow: 0, shunts: 0, churn: 1, overtime: 0 };

interface Weighed extends Candidate {
  upheaval: Upheaval;
  noise: number;
}

/**
 * The quietest plan that was found. The published plan itself where all of it still holds, whatever a search would gain. Never noisier
 * than the same change dealt with by hand (`byHand`), and never later than that.
 */
export function replan(c: Compiled, problem: Problem, terms: ReplanTerms): Candidate {
  const state = new Replan(c, terms);
  const kept = keptRules(c);
  const pushed = pushOn(c, PUSHED);
  if (pushed) state.lay(pushedRule(kept[0], pushed));
  const asWas = asPublished(c, state, problem, kept);
  if (asWas) return asWas;
  const quiet = state.least() ? undefined : quietRule(c, kept[0], terms.effort, state.cache, terms.stopped);
  if (quiet) state.lay(quiet);
  const hand = state.least() ? undefined : byHand(c, kept[0], state.cache);
  if (hand) state.limit(state.weigh(generate(c, hand, state.cache)));
  for (const means of state.small()
    ? []
    : [() => repair(c, kept[0], state.cache), ...kept.map((rule) => () => generateWithin(c, rule, state.cache))]) {
    // One of them at least, however short the time.
    if (state.ended || state.small() || (state.best && terms.timed && terms.used(0) >= MEANS)) break;
    const found = means();
    if (found) state.consider(state.weigh(found));
  }
  if (!state.ended && !state.small() && terms.used(0) < 1) searchOn(c, state, terms);
  return state.best!;
}

class Replan {
  best: Weighed | undefined;
  cache: Board["cache"] | undefined;
  ended = false;
  steps = 0;
  private most: Upheaval | undefined;
  private readonly c: Compiled;
  private readonly terms: ReplanTerms;

  constructor(c: Compiled, terms: ReplanTerms) {
    this.c = c;
    this.terms = terms;
  }

  weigh(g: Generated): Weighed {
    this.cache = g.board.cache;
    const upheaval = upheavalOf(g);
    return { ...g, cost: costOf(g.board, g.unplaced), upheaval, noise: noise(upheaval) };
  }

  lay(rule: Rule): Weighed {
    const next = this.weigh(generate(this.c, rule, this.cache));
    this.consider(next);
    return next;
  }

  /** What was made by hand: nothing later than that, or with more lost, is an answer. */
  limit(hand: Weighed): void {
    this.most = hand.upheaval;
    if (this.best && this.isWorse(this.best.upheaval)) this.best = undefined;
    this.consider(hand);
  }

  private isWorse(u: Upheaval): boolean {
    const m = this.most;
    if (!m) return false;
    return u.lost !== m.lost ? u.lost > m.lost : u.pins !== m.pins ? u.pins > m.pins : u.days > m.days;
  }

  consider(next: Weighed): void {
    if (this.isWorse(next.upheaval)) return;
    const { best } = this;
    if (best && (next.noise > best.noise || (next.noise === best.noise && next.cost.total >= best.cost.total))) return;
    this.best = next;
    if (!this.terms.onBetter(next.cost, this.steps)) this.ended = true;
  }

  /** One job moves or none, and no date is lost: less there can't be. */
  least(): boolean {
    return this.small() && this.best!.upheaval.moved <= 1;
  }

  /** Few jobs move, no date is lost and all have a place: nothing else needs to be looked at. */
  small(): boolean {
    return this.best !== undefined && this.best.noise <= SMALL && this.best.upheaval.days === 0;
  }
}

/**
 * The published plan, where all of it still holds: nothing that was published moves, and what had no place there has none now either; a
 * pin is broken only where it was broken then. Undefined: something does not hold any more, or something new wants a place.
 */
function asPublished(c: Compiled, state: Replan, problem: Problem, kept: readonly Rule[]): Candidate | undefined {
  const pushed = state.best;
  const broken = new Set(problem.published?.pinsBroken?.map((p) => p.job));
  const open = c.jobs.filter((j) => !j.done && !j.started && !j.published);
  const stands = (x: Candidate) =>
    movedShare(x.board) === 0 &&
    x.unplaced.size === open.length &&
    [...x.unplaced.keys()].every((j) => !c.jobs[j].published) &&
    [...x.pinsBroken.keys()].every((j) => broken.has(c.jobs[j].id));
  if (pushed && stands(pushed)) return pushed;
  // Pushing on gives up where some of the work never had a place, or a pin is broken: laid down as it was, it shows whether it stands.
  if (!open.length && !broken.size) return undefined;
  for (const rule of new Set([kept[0], kept[kept.length - 1]])) {
    const laid = state.lay(rule);
    if (stands(laid)) return laid;
  }
  return undefined;
}

/** The jobs, those of them pinned to their published place that still stand there in the days to be left alone. */
function leftAlone(c: Compiled, b: Board): Compiled["jobs"] {
  return c.jobs.map((j) => {
    const p = b.placed[j.index];
    if (!p || !isFree(j) || !j.published || p.start !== j.published.start || p.start >= c.frozen) return j;
    return { ...j, pin: { start: p.start, place: p.place, fitters: [...p.crew] } };
  });
}

/** Searches from the quietest plan so far for one that is quieter still: later than published costs much, each move a little. */
function searchOn(c: Compiled, state: Replan, terms: ReplanTerms): void {
  const limits = handoverLimits(c, 0);
  const asPromised: Compiled = {
    ...c,
    weights: QUIET_WEIGHTS,
    jobs: leftAlone(c, state.best!.board),
    builds: c.builds.map((b, k) => (Number.isFinite(limits[k]) ? { ...b, due: limits[k], weight: 1 } : b)),
  };
  const start = generate(asPromised, placedRule(state.best!.board));
  const found = improve(asPromised, { ...start, cost: costOf(start.board, start.unplaced) }, terms.random, {
    local: true,
    used: (steps) => {
      state.steps = steps;
      return terms.used(steps);
    },
    stopped: () => terms.stopped(),
    onBetter: () => !terms.stopped(),
  });
  state.lay(placedRule(found.board));
}
