// Why a job does not start earlier: found by trying, on the finished plan, every earlier moment it could have had.

import type { Minute } from "../time/zone";
import type { Board, Placed, Stay } from "./board";
import { BENCH, type Job } from "./compile";
import { benchFrame, type Conflict, earliestWith, type Frame } from "./fit";
import type { Why, WhyKind } from "./model";
import { hotAt } from "./warm";
import { sayTime } from "./words";

export interface Reason {
  kind: WhyKind;
  /** Job that stands in the way, where one does (the chain walks along it). */
  job?: number;
  ref?: string;
  until: Minute;
  /** In words, asked for by the few reasons that are told. */
  text: () => string;
}

/** Night, weekend and weather say less than what kept the job until then: on a tie they come last. */
const GENERAL = new Set<WhyKind>(["calendar", "now"]);

/** Reasons for the start of a planned job, the binding one first. */
export function reasonsFor(b: Board, job: Job): Reason[] {
  const p = b.placed[job.index];
  if (!p || job.done || job.started) return [];
  const { c } = b;
  const reasons = new Map<string, Reason>();
  const add = (r: Reason) => {
    const key = `${r.kind} ${r.ref ?? ""}`;
    const old = reasons.get(key);
    if (!old || old.until < r.until) reasons.set(key, r);
  };
  for (const r of bounds(b, job)) add(r);
  // A pin that could not be kept holds its job back all the same.
  const pinned = job.pin?.start;
  if (pinned !== undefined && pinned < p.start) add({ kind: "pin", until: pinned, text: () => `pinned to ${sayTime(c.zone, pinned)}` });
  let lower = c.now;
  for (const r of reasons.values()) lower = Math.max(lower, r.until);
  const frame = frameOf(b, job, p, add);
  lower = Math.max(lower, frame.from);
  b.unbook(job.index);
  earliestWith(b, job, frame, p.crew, Math.min(lower, p.start), (conflict) => {
    if (conflict.until <= p.start) add(inWords(b, job, p, conflict));
  });
  b.book(job, p);
  if (pinned === p.start) add({ kind: "pin", until: p.start, text: () => `pinned to ${sayTime(c.zone, p.start)}` });
  const hours = b.hours(job, p.place, p.crew);
  const effect = (r: Reason) => hours.next(r.until);
  const sorted = [...reasons.values()]
    .filter((r) => r.until <= p.start)
    .map((r) => ({ r, from: effect(r) }))
    .sort((x, y) => y.from - x.from || Number(GENERAL.has(x.r.kind)) - Number(GENERAL.has(y.r.kind)) || y.r.until - x.r.until)
    .map(({ r }) => r);
  // A replan leaves what still holds where it was published, though it could go earlier by now: then that is the reason.
  if (job.published?.start === p.start && (!sorted.length || effect(sorted[0]) < p.start))
    sorted.unshift({ kind: "not-before", until: p.start, text: () => `kept at ${sayTime(c.zone, p.start)}, as published` });
  // A stop line is always said, however long ago its job ended: somebody still has to look at the photos.
  return sorted.filter((r, i) => i < 6 || r.kind === "proof");
}

/** Reasons in the plan's format. */
export const asWhy = (b: Board, reasons: readonly Reason[]): Why[] =>
  reasons.map((r) => ({ kind: r.kind, ...(r.ref ? { ref: r.ref } : {}), until: b.c.zone.show(b.c.zone.sayable(r.until)), text: r.text() }));

function named(b: Board, job: Job, other: number): string {
  const o = b.c.jobs[other];
  return o.build === job.build ? o.name : `${o.name} (${b.c.builds[o.build].name})`;
}

/** What keeps a job whatever crew and place it has: predecessors, holds, proof, parts, dates. */
function bounds(b: Board, job: Job): Reason[] {
  const { c } = b;
  const out: Reason[] = [{ kind: "now", until: c.now, text: () => "nothing is planned before now" }];
  for (const l of job.before) {
    const p = b.placed[l.job];
    if (!p) continue;
    const ref = c.jobs[l.job].id;
    const from = l.ignoreHold ? p.end : p.holdUntil;
    const until = l.working && l.lag > 0 ? c.shop.after(from, l.lag) : from + l.lag;
    const name = named(b, job, l.job);
    if (l.proof) out.push({ kind: "proof", job: l.job, ref, until: p.end, text: () => `the photos of ${name} have to be approved first` });
    else if (!l.ignoreHold && p.holdUntil > p.end)
      out.push({ kind: "hold", job: l.job, ref, until, text: () => `${name} is left untouched until ${sayTime(c.zone, p.holdUntil)}` });
    else
      out.push({
        kind: "predecessor",
        job: l.job,
        ref,
        until,
        text: () => `after ${name}${l.lag ? `, and ${l.lag} min more` : ""}`,
      });
  }
  const { partsFrom, notBefore } = job;
  if (partsFrom !== undefined)
    out.push({ kind: "part", until: partsFrom, text: () => `waits for its parts until ${sayTime(c.zone, partsFrom)}` });
  if (notBefore !== undefined)
    out.push({ kind: "not-before", until: notBefore, text: () => `not wanted before ${sayTime(c.zone, notBefore)}` });
  const arrives = c.builds[job.build].arrives;
  if (job.van && arrives > c.now) out.push({ kind: "arrival", until: arrives, text: () => `the van arrives ${sayTime(c.zone, arrives)}` });
  return out;
}

/** Where the job lies, and from when the van could have stood there at the soonest. */
function frameOf(b: Board, job: Job, p: Placed, add: (r: Reason) => void): Frame {
  if (!job.van || p.place === BENCH) return benchFrame;
  const { c } = b;
  const stays = b.stays[job.build];
  const i = stays.findIndex((s) => s.place === p.place && s.from <= p.start && p.end <= s.to);
  if (i < 0) return { place: p.place, from: p.start, to: Number.POSITIVE_INFINITY };
  const stay = stays[i];
  if (stay.from <= c.now) return { place: p.place, from: stay.from, to: stay.to };
  let from = c.builds[job.build].arrives;
  const before = stays[i - 1];
  if (before) {
    from = before.firm + c.shunt;
    const last = lastNeeding(b, before, stay.from);
    add({
      kind: "shunt",
      job: last,
      ref: last === undefined ? undefined : c.jobs[last].id,
      until: from,
      text: () => `the van is moved to ${c.places[p.place].name} first, ${c.shunt} min`,
    });
  }
  if (p.place !== c.yard) {
    const holder = holderBefore(b, stay);
    if (holder) {
      const last = lastNeeding(b, holder, stay.from);
      add({
        kind: "bay",
        job: last,
        ref: c.builds[holder.build].id,
        until: b.hardEnd(holder),
        text: () => `${c.places[p.place].name} is held by ${c.builds[holder.build].name} until ${sayTime(c.zone, b.hardEnd(holder))}`,
      });
      from = Math.max(from, b.hardEnd(holder));
    }
  }
  return { place: p.place, from, to: stay.to };
}

function holderBefore(b: Board, stay: Stay): Stay | undefined {
  let found: Stay | undefined;
  for (const s of b.atPlace[stay.place])
    if (s.build !== stay.build && s.from < stay.from && (!found || b.hardEnd(s) > b.hardEnd(found))) found = s;
  return found;
}

function lastNeeding(b: Board, stay: Stay, by: Minute): number | undefined {
  let best: number | undefined;
  for (const k of b.c.builds[stay.build].jobs) {
    const p = b.placed[k];
    if (!p || p.place !== stay.place || p.end > by || p.start < stay.from) continue;
    if (best === undefined || p.end > b.placed[best]!.end) best = k;
  }
  return best;
}

const PLAIN: Partial<Record<WhyKind, string>> = {
  dry: "no dry weather",
  daylight: "no daylight",
  wind: "too windy",
  noise: "no noisy work",
  "same-day": "would not be done the same day",
};

function inWords(b: Board, job: Job, p: Placed, x: Conflict): Reason {
  const { c } = b;
  const till = () => `until ${sayTime(c.zone, x.until)}`;
  const ref = x.job === undefined ? undefined : c.jobs[x.job].id;
  switch (x.kind) {
    case "fitter": {
      const f = c.fitters[x.fitter!];
      return { kind: "fitter", job: x.job, ref: f.id, until: x.until, text: () => `${f.name} is on ${named(b, job, x.job!)} ${till()}` };
    }
    case "zone":
      return {
        kind: "zone",
        job: x.job,
        ref,
        until: x.until,
        text: () => `${named(b, job, x.job!)} is being done in the same place ${till()}`,
      };
    case "hold":
      return {
        kind: "hold",
        job: x.job,
        ref,
        until: x.until,
        text: () => `${named(b, job, x.job!)} keeps this part of the van clear ${till()}`,
      };
    case "inside-crew":
      return {
        kind: "inside-crew",
        job: x.job,
        ref,
        until: x.until,
        text: () => `no room inside beside ${named(b, job, x.job!)} ${till()}`,
      };
    case "tool":
      return {
        kind: "tool",
        job: x.job,
        ref,
        until: x.until,
        text: () => `the ${c.tools[x.tool!].name} is in use on ${named(b, job, x.job!)} ${till()}`,
      };
    case "temperature": {
      // The day that shuts it ends when it may be done again.
      const hot =
        job.maxTempC !== undefined && p.place !== BENCH && hotAt(c, c.places[p.place], job.maxTempC).minutes(x.until - 1, x.until) > 0;
      return { kind: "temperature", until: x.until, text: () => `too ${hot ? "warm" : "cold"} ${till()}` };
    }
    case "calendar":
      return closed(b, job, p, x.until);
    default:
      return { kind: x.kind, until: x.until, text: () => `${PLAIN[x.kind] ?? x.kind} ${till()}` };
  }
}

/** Which of crew, place, weather, light and noise hours is shut in the minute before it opens. */
function closed(b: Board, job: Job, p: Placed, until: Minute): Reason {
  const { c } = b;
  const t = until - 1;
  const till = () => `until ${sayTime(c.zone, until)}`;
  for (const f of p.crew)
    if (!c.fitters[f].open.has(t) && c.shop.has(t))
      return { kind: "calendar", ref: c.fitters[f].id, until, text: () => `${c.fitters[f].name} is away ${till()}` };
  const place = p.place === BENCH ? undefined : c.places[p.place];
  if (place && !place.open.has(t) && c.shop.has(t))
    return { kind: "calendar", ref: place.id, until, text: () => `${place.name} is closed ${till()}` };
  // Where it comes back overnight, it was the machine all the same that the job waited for in the hours before.
  const k = c.shop.indexAt(t);
  const last = c.shop.has(t) || k === 0 ? t : c.shop.to[k - 1] - 1;
  for (const { tool } of job.tools) {
    const { id, name, open } = c.tools[tool];
    if (open && !open.has(last) && c.shop.has(last) && last >= job.release)
      return { kind: "tool", ref: id, until, text: () => `the ${name} is not available ${till()}` };
  }
  const peopleIn = p.crew.length ? p.crew.every((f) => c.fitters[f].open.has(t)) : c.shop.has(t);
  const kind: WhyKind = !peopleIn
    ? "calendar"
    : job.dry && place && !place.indoor && !c.dry.has(t)
      ? "dry"
      : job.daylight && place && !place.lit && !c.light.has(t)
        ? "daylight"
        : job.noisy && c.noise && !c.noise.has(t)
          ? "noise"
          : "calendar";
  return { kind, until, text: () => `${PLAIN[kind] ?? "Workshop closed"} ${till()}` };
}
