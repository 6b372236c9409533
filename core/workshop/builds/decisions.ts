// What must be decided before the day ends, each with its latest moment.

import type { Plan, PlanJob } from "../../plan/model";
import { sayClock, sayDay } from "../../plan/words";
import { DAY, type Minute, type Zone, zoneOf } from "../../time/zone";
import { openTooLong } from "../openings/holes";
import { coldTonight, opensSkin, skinClock } from "../openings/skin";
import { BOUND, skinVerdict } from "../openings/skin-verdict";
import { type Delay, delayAsks, delayWords } from "../planning/delays";
import { daysAtStake, hereIfAsked, orderBy, samplesBy } from "../planning/latest";
import { dryUntil } from "../planning/short-slot";
import { openShots, shotState } from "../proof/proof";
import { paperDecisions } from "../records/paper-decisions";
import { unheard } from "../starts/alone";
import { readyForRelease } from "../starts/released";
import { figure } from "../state/house-figures";
import type { BuildRow, JobRow, PartRow, Shop } from "../state/model";
import { count, crewNames, placeName, sayMinutes } from "../state/say";
import { availableFrom } from "../stores/parts";
import { askedByTimeBox } from "./left";
import type { OpenChoice } from "./open-choices";

export type DecisionKind =
  | "skin"
  | "proof"
  | "part"
  | "order"
  | "remark"
  | "move"
  | "unplaced"
  | "choice"
  | "unsure"
  | "release"
  | "time-box"
  | "remainder"
  | "tool"
  | "opening"
  | "slip"
  | "left-out";

export interface Decision {
  kind: DecisionKind;
  /** One or two signs in the badge: "!", "2", "P". */
  mark: string;
  tone: "signal" | "ink" | "amber";
  /** Whom it is about. */
  who: string;
  title: string;
  detail: string;
  /** Latest moment; null: as soon as possible. */
  by: Minute | null;
  buildId: string;
  jobId?: string;
  /** Id of the remark, for kind "remark". */
  refId?: string;
}

/** Work that opens the skin is looked at until the end of tomorrow, so that the day can be changed in time. */
const SKIN_DAYS = 1;

interface Look {
  shop: Shop;
  zone: Zone;
  now: Minute;
  planned: Map<string, PlanJob>;
  /** Midnight at the end of today. */
  night: Minute;
}

/** The list, the most urgent first. `plan` is the one that is worked to; `open` holds the choices clients have not made, by build. */
export function decisions(
  shop: Shop,
  plan: Plan | undefined,
  now: Minute,
  open: ReadonlyMap<string, readonly OpenChoice[]> = new Map(),
  slips: ReadonlyMap<string, Delay> = new Map(),
): Decision[] {
  const zone = zoneOf(shop.workshop.zone);
  const x: Look = {
    shop,
    zone,
    now,
    planned: new Map((plan?.jobs ?? []).map((j) => [j.id, j])),
    night: zone.dayStart(zone.dayOf(now) + 1),
  };
  const out: Decision[] = [];
  for (const b of shop.builds) {
    for (const j of b.jobs) {
      if (j.state === "done") continue;
      out.push(...remarksOf(b, j), ...unsureOf(b, j), ...releaseOf(x, b, j), ...timeBoxOf(x, b, j));
      const p = x.planned.get(j.id);
      if (!p) continue;
      const start = zone.parse(p.start);
      if (opensSkin(j) && start < x.night + SKIN_DAYS * DAY) out.push(...skinOf(x, b, j, p.place, start));
      if (j.state !== "started" && start < now + figure(x.shop, "proofAhead") * DAY) out.push(...proofOf(b, j, start));
      if (j.state !== "started" && start < now + figure(x.shop, "latePartsAhead") * DAY) out.push(...partsOf(x, b, j, start));
      out.push(...ordersOf(x, b, j, start));
      if (j.state === "todo" && start < now + figure(x.shop, "proofAhead") * DAY) out.push(...remaindersOf(b, j, start));
      const slip = slips.get(j.id);
      if (slip && delayAsks(x.shop, j, slip)) out.push(delayOf(b, j, slip, start));
      if (j.state !== "started" && start < now + figure(x.shop, "partsAhead") * DAY) out.push(...toolsOf(x, b, j, start));
    }
    out.push(...choicesOf(x, b, open.get(b.id) ?? [], plan));
    out.push(...moveOf(x, b, plan));
    out.push(...holesOf(x, b), ...paperDecisions(x, b));
  }
  const jobs = new Map(shop.builds.flatMap((b) => b.jobs.map((j) => [j.id, { b, j }] as const)));
  const lone = unheard(shop, now);
  if (lone)
    out.push({
      kind: "remark",
      mark: "!",
      tone: "signal",
      who: lone.name,
      title: "alone in the shop, and nothing ticked",
      detail: `${lone.job.name}: no sign since ${sayClock(x.zone, lone.since)}. Call, then look`,
      by: null,
      buildId: lone.job.buildId,
      jobId: lone.job.id,
    });
  for (const u of plan?.unplaced ?? []) {
    const at = jobs.get(u.job);
    if (at && !u.reason.startsWith("follows "))
      out.push({
        kind: "unplaced",
        mark: "×",
        tone: "signal",
        who: at.b.name,
        title: `${at.j.name} has no place in the plan`,
        detail: u.reason,
        by: null,
        buildId: at.b.id,
        jobId: at.j.id,
      });
  }
  const rank: Record<DecisionKind, number> = {
    unplaced: 0,
    remark: 1,
    unsure: 1,
    release: 1,
    "time-box": 2,
    skin: 3,
    proof: 4,
    opening: 4,
    remainder: 5,
    tool: 6,
    part: 7,
    choice: 8,
    move: 9,
    order: 10,
    slip: 6,
    "left-out": 11,
  };
  const when = (d: Decision) => d.by ?? now;
  return out.sort((a, b) => Number(when(a) > x.night) - Number(when(b) > x.night) || when(a) - when(b) || rank[a.kind] - rank[b.kind]);
}

function remarksOf(b: BuildRow, j: JobRow): Decision[] {
  return j.remarks.map((r) => ({
    kind: "remark" as const,
    mark: "!",
    tone: r.stopsWork ? ("signal" as const) : ("amber" as const),
    who: b.name,
    title: r.text,
    detail: `${j.name}${r.stopsWork ? " · work has stopped" : ""}`,
    by: null,
    buildId: b.id,
    jobId: j.id,
    refId: r.id,
  }));
}

/** Holes through the skin that nothing covers for the night, or that have been open too long. */
function holesOf(x: Look, b: BuildRow): Decision[] {
  const rain = dryUntil(x.shop, x.now);
  const weather =
    rain === undefined ? "" : rain === null ? "; no dry weather now" : `; dry for ${sayMinutes(rain - x.now)} by the forecast`;
  return openTooLong(x.shop, b, x.now).map((h) => ({
    kind: "opening" as const,
    mark: "O",
    tone: "signal" as const,
    who: b.name,
    title: `Hole ${h.no}, ${h.title}`,
    detail: `${h.says}${weather}`,
    by: x.night,
    buildId: b.id,
  }));
}

/** A job that was put off again and again: stop promising it, or clear what is in its way. */
const delayOf = (b: BuildRow, j: JobRow, slip: Delay, start: Minute): Decision => ({
  kind: "slip",
  mark: String(slip.count),
  tone: "amber",
  who: b.name,
  title: `${j.name} was put off ${slip.count} times`,
  detail: `${delayWords(slip)}: clear what is in its way, or say a date that holds`,
  by: start,
  buildId: b.id,
  jobId: j.id,
});

/** A job that has outrun its time box, until something was decided about it. */
function timeBoxOf(x: Look, b: BuildRow, j: JobRow): Decision[] {
  const over = askedByTimeBox(x.shop, b, j, x.now);
  if (over === undefined) return [];
  return [
    {
      kind: "time-box",
      mark: "T",
      tone: "signal",
      who: b.name,
      title: `${j.name} has taken ${sayMinutes(over)} longer than allowed`,
      detail: `${crewNames(x.shop, j.fitters)} · a second person, park it, or call the supplier?`,
      by: null,
      buildId: b.id,
      jobId: j.id,
    },
  ];
}

/** What other jobs have left to finish, and this one would bury. */
function remaindersOf(b: BuildRow, j: JobRow, start: Minute): Decision[] {
  return b.jobs.flatMap((from) =>
    from.remainders
      .filter((r) => r.before === j.id)
      .map((r) => ({
        kind: "remainder" as const,
        mark: "…",
        tone: "amber" as const,
        who: b.name,
        title: `${from.name} still has something to finish: ${r.text}`,
        detail: `${j.name} would bury it`,
        by: start,
        buildId: b.id,
        jobId: from.id,
      })),
  );
}

/** Tools that are not sound, before the next job that books them. */
function toolsOf(x: Look, b: BuildRow, j: JobRow, start: Minute): Decision[] {
  return x.shop.tools
    .filter((t) => t.state !== "sound" && j.tools.includes(t.name))
    .map((t) => ({
      kind: "tool" as const,
      mark: "T",
      tone: "amber" as const,
      who: b.name,
      title: `the ${t.name} is ${t.state}`,
      detail: `${j.name} books it${t.note ? ` · ${t.note}` : ""}`,
      by: start,
      buildId: b.id,
      jobId: j.id,
    }));
}

/** What can't be undone and is only short of its release; where nothing is asked before it, when its day is near. */
function releaseOf(x: Look, b: BuildRow, j: JobRow): Decision[] {
  const p = x.planned.get(j.id);
  const near = p !== undefined && x.zone.parse(p.start) < x.night + SKIN_DAYS * DAY;
  if (!readyForRelease(x.shop, j) || !(j.questions.length || near)) return [];
  return [
    {
      kind: "release",
      mark: "2",
      tone: "ink",
      who: b.name,
      title: `Release: ${j.name}`,
      detail: `${j.questions.length ? "all of it is answered" : "nothing is asked before it"} · on its card`,
      by: null,
      buildId: b.id,
      jobId: j.id,
    },
  ];
}

/** Questions before what can't be undone of which somebody was not sure: a second person is wanted. */
function unsureOf(b: BuildRow, j: JobRow): Decision[] {
  if (j.state !== "todo") return [];
  return j.questions
    .filter((q) => q.unsureBy !== null && q.answeredAt === null)
    .map((q) => ({
      kind: "unsure",
      mark: "2",
      tone: "signal",
      who: b.name,
      title: `Not sure: ${q.text}`,
      detail: `${j.name} · somebody else has to check and answer on its card`,
      by: null,
      buildId: b.id,
      jobId: j.id,
    }));
}

/** Choices that a client has to make soon, or should have made. */
function choicesOf(x: Look, b: BuildRow, open: readonly OpenChoice[], plan: Plan | undefined): Decision[] {
  const chain = new Set((plan?.builds.find((r) => r.id === b.id)?.chain ?? []).map((l) => l.job));
  return open
    .filter((c) => c.by !== null && c.by < x.now + figure(x.shop, "choicesAhead") * DAY)
    .map((c) => {
      const passed = c.by! < x.now;
      const soon = c.by! < x.now + figure(x.shop, "choicesPress") * DAY;
      const costs = c.holds.some((h) => chain.has(h.id)) ? "each day now costs a day of the date" : "no day of the date hangs on it yet";
      return {
        kind: "choice" as const,
        mark: "?",
        tone: passed ? ("signal" as const) : soon ? ("amber" as const) : ("ink" as const),
        who: b.name,
        title: passed
          ? `${c.label} is not decided, and should be`
          : soon
            ? `${c.label} is not decided`
            : `Ask about ${c.label.toLowerCase()}`,
        detail: `${c.owner} · ${passed ? `${count(c.holds.length, "job")} waiting on decision, ${costs}; ` : ""}first it holds ${c.holds[0]?.name ?? "nothing"}, planned as ${c.assumed}`,
        by: c.by,
        buildId: b.id,
        ...(c.holds[0] ? { jobId: c.holds[0].id } : {}),
      };
    });
}

function skinOf(x: Look, b: BuildRow, j: JobRow, place: string, start: Minute): Decision[] {
  const clock = skinClock(x.shop, j, place, Math.max(x.now, x.zone.dayStart(x.zone.dayOf(start))));
  const until = `${clock.binds === "rain" ? "dry" : clock.binds === "dusk" ? "light" : "open"} until ${sayClock(x.zone, clock.limit)}`;
  const base = { kind: "skin" as const, mark: "!", who: b.name, buildId: b.id, jobId: j.id };
  const verdict = skinVerdict(x.shop, b, j, place, x.now);
  if (verdict?.sheet)
    return [
      {
        ...base,
        tone: "signal",
        title: verdict.on ? `${j.name}: ${verdict.on.who} goes on against the clock` : `${j.name}: sheet over now`,
        detail: `${verdict.on ? `${verdict.on.why} · ` : ""}${sayMinutes(verdict.rest)} of work in nine cases of ten and ${figure(x.shop, "sheetOver")} min to sheet over, ${sayMinutes(verdict.left)} to ${BOUND[clock.binds]}`,
        by: null,
      },
    ];
  if (j.state === "started")
    return [
      {
        ...base,
        tone: "signal",
        title: `${j.name}: sealed, or sheeted over from ${sayClock(x.zone, clock.limit - figure(x.shop, "sheetOver"))}`,
        detail: until,
        by: clock.limit - figure(x.shop, "sheetOver"),
      },
    ];
  const other = clock.otherDay
    ? `or leave it for ${sayDay(x.zone, x.zone.dayStart(Date.parse(`${clock.otherDay}T00:00Z`) / 86_400_000))}`
    : "or leave it";
  const late = clock.latest < x.now || clock.latest < x.zone.dayStart(x.zone.dayOf(start));
  return [
    {
      ...base,
      tone: late || clock.latest < start ? "signal" : "ink",
      title: late
        ? `${j.name}: too short a day${start < x.night ? "" : ` on ${sayDay(x.zone, start)}`}, ${other.replace("or leave", "leave")}`
        : `${j.name}: start by ${start < x.night ? "" : `${sayDay(x.zone, start)} `}${sayClock(x.zone, clock.latest)} ${other}`,
      detail: [
        `allow ${sayMinutes(clock.careful)} until it is watertight, ${until}${clock.kept.minutes ? `, done ${clock.kept.minutes} min before ${BOUND[clock.kept.before]}` : ""}`,
        coldTonight(x.shop, j, place, start),
      ]
        .filter(Boolean)
        .join(" · "),
      by: late ? null : clock.latest,
    },
  ];
}

function proofOf(b: BuildRow, j: JobRow, start: Minute): Decision[] {
  const out: Decision[] = [];
  const byId = new Map(b.jobs.map((k) => [k.id, k]));
  for (const id of j.covers) {
    const covered = byId.get(id);
    if (covered?.state !== "done") continue;
    const open = openShots(covered);
    if (!open.length) continue;
    const waiting = open.filter((s) => shotState(s) === "waiting").length;
    out.push({
      kind: "proof",
      mark: String(open.length),
      tone: "ink",
      who: b.name,
      title: `${count(open.length, "photo")} of ${covered.name} before ${j.name}`,
      detail: waiting === open.length ? `${waiting === 1 ? "it waits" : "they wait"} for the lead` : open.map((s) => s.text).join(" · "),
      by: start,
      buildId: b.id,
      jobId: covered.id,
    });
  }
  return out;
}

function partsOf(x: Look, b: BuildRow, j: JobRow, start: Minute): Decision[] {
  const base = { kind: "part" as const, mark: "P", tone: "amber" as const, who: b.name, buildId: b.id, jobId: j.id };
  const when = `${j.name} is planned ${sayDay(x.zone, start)} ${sayClock(x.zone, start)}`;
  const soon = start < x.now + figure(x.shop, "partsAhead") * DAY;
  return j.parts.flatMap((p): Decision[] => {
    if (p.state === "wrong")
      return [{ ...base, title: `${p.name} came wrong`, detail: `${when}${p.note ? ` · ${p.note}` : ""}`, by: null }];
    if (p.state === "arrived" && soon)
      return [
        {
          ...base,
          title: `check ${p.name}, it is here`,
          detail: `${when}${p.shelf ? ` · shelf ${p.shelf}` : ""}`,
          by: start - x.shop.workshop.goodsInMinutes,
        },
      ];
    if (p.state !== "promised") return [];
    if (p.promisedAt! < x.now)
      return [{ ...base, title: `${p.name} is overdue since ${sayDay(x.zone, p.promisedAt!)}`, detail: when, by: null }];
    const from = availableFrom(p, undefined, x.now, x.shop.workshop.goodsInMinutes).from;
    if (from > start)
      return [
        {
          ...base,
          title: `${p.name} comes ${sayDay(x.zone, p.promisedAt!)}, too late`,
          detail: `${when}; replan to see what it moves`,
          by: start,
        },
      ];
    return [];
  });
}

function ordersOf(x: Look, b: BuildRow, j: JobRow, start: Minute): Decision[] {
  const needed = j.parts.filter((p) => p.state === "needed");
  const late = needed.filter((p) => orderBy(x.shop, p.supplierId, start) < x.night);
  // What is chosen by samples is asked about first, as long as there is time to wait for them.
  const samples = needed.filter((p) => !late.includes(p) && (samplesBy(x.shop, p, start) ?? x.night) < x.night);
  const base = { kind: "order" as const, mark: "O", tone: "amber" as const, who: b.name, by: x.night, buildId: b.id, jobId: j.id };
  const out: Decision[] = [];
  if (late.length) {
    const here = Math.max(...late.map((p) => hereIfAsked(x.shop, p, x.now)));
    const choosing = late.some((p) => p.sampleDays > 0) ? ", chosen first," : "";
    out.push({
      ...base,
      title: `order ${late.map((p) => p.name).join(", ")} today`,
      detail: `for ${j.name}, ${sayDay(x.zone, start)}; here by ${sayDay(x.zone, here)}${choosing} if ordered now${atStake(x, late, start)}`,
    });
  }
  if (samples.length)
    out.push({
      ...base,
      title: `ask for samples of ${samples.map((p) => p.name).join(", ")} today`,
      detail: `${count(Math.max(...samples.map((p) => p.sampleDays)), "day")} to see them and to choose, then ordered for ${j.name}, ${sayDay(x.zone, start)}${atStake(x, samples, start)}`,
    });
  return out;
}

/** The days that the job would begin late, though it were asked for at once. */
function atStake(x: Look, parts: readonly PartRow[], start: Minute): string {
  const days = Math.max(...parts.map((p) => daysAtStake(x.shop, p, start, x.now)));
  return days ? `, ${count(days, "day")} late for it` : "";
}

function moveOf(x: Look, b: BuildRow, plan: Plan | undefined): Decision[] {
  const stay = plan?.stays.find((s) => s.build === b.id && x.zone.parse(s.to) > x.now && s.place !== b.at);
  if (!stay || x.zone.parse(stay.from) >= x.night) return [];
  const from = x.zone.parse(stay.from);
  const by = Math.max(x.now, from - (b.at ? x.shop.workshop.shuntMinutes : 0));
  const next = b.jobs
    .filter((j) => x.planned.get(j.id)?.place === stay.place && j.state === "todo")
    .sort((p, q) => x.planned.get(p.id)!.start.localeCompare(x.planned.get(q.id)!.start))[0];
  return [
    {
      kind: "move",
      mark: "»",
      tone: "ink",
      who: b.name,
      title: `to ${placeName(x.shop, stay.place)} at ${sayClock(x.zone, by)}`,
      detail: next
        ? `for ${next.name} with ${crewNames(x.shop, x.planned.get(next.id)!.fitters)}`
        : b.at
          ? `out of ${placeName(x.shop, b.at)}`
          : "arrives",
      by,
      buildId: b.id,
    },
  ];
}
