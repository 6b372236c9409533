// Fills the lanes view: lanes, the panel's facts, and what would move against the published plan.

import { drawnHours } from "@/core/lanes/axis";
import { byBay, byFitter, sketch, type Weeks } from "@/core/lanes/groups";
import { lanes } from "@/core/lanes/lanes";
import { causes } from "@/core/plan/causes";
import { diffPlans } from "@/core/plan/diff";
import { sayDay } from "@/core/plan/words";
import { AHEAD_DAYS } from "@/core/time/bounds";
import { openHours } from "@/core/time/calendar";
import { OpenSet } from "@/core/time/openset";
import { calendarData } from "@/core/workshop/builds/left";
import { answerOf, countMoved, sayAnswer } from "@/core/workshop/planning/answers";
import { frozenUntil } from "@/core/workshop/planning/frozen";
import { shotState } from "@/core/workshop/proof/proof";
import { workingDays } from "@/core/workshop/state/dates";
import { factJobs } from "@/core/workshop/state/facts";
import type { JobRow } from "@/core/workshop/state/model";
import { crewNames, placeName, sayMinutes } from "@/core/workshop/state/say";
import { bestBond, blockedMinutes } from "@/core/workshop/today/bond";
import type { State } from "@/server/planning/planning";
import type { JobCard, JobDetail, LanesView } from "@/ui/lanes/view";
import { vanShape } from "./van";

const BACK_DAYS = 10;

const PART_WORDS: Record<string, string> = {
  needed: "not ordered",
  ordered: "ordered, no date",
  promised: "promised",
  arrived: "here, not checked",
  checked: "here",
  wrong: "came wrong",
};

/** `against` is the published plan to compare with; the newest where none was asked for. `beside`: another answer than the working plan. */
export function lanesView(state: State, plans: LanesView["plans"], against?: State["published"], beside?: State["published"]): LanesView {
  const { shop, zone, now } = state;
  const plan = state.working?.plan;
  const published = state.published;
  const other = against ?? published;
  const all = lanes(shop, plan, other?.plan, now);
  const jobs: Record<string, JobCard> = {};
  for (const b of shop.builds) {
    for (const j of b.jobs) jobs[j.id] = card(state, b.name, j);
  }
  const name = (id: string) => ({ name: jobs[id]?.name ?? id, build: jobs[id]?.build ?? "" });
  const sorted = (list: readonly string[]) => [...list].sort().join();
  const diff = plan && other ? diffPlans(zone, other.plan, plan, factJobs(shop)) : { moves: [], handovers: [] };
  const shown = days(state, Math.max(...all.map((l) => Math.max(l.date.finish ?? now, l.date.due)), now));
  const weeks = weeksOf(state, shown);
  const roots = plan ? causes(plan, diff.moves) : new Map<string, string>();
  const whys = new Map(diff.moves.map((m) => [m.job, m.why]));
  const causeOf = (id: string): string => {
    const root = roots.get(id) ?? id;
    const { name: job, build } = name(root);
    return `${job}, ${build}: ${whys.get(root) ?? ""}`;
  };
  return {
    mayChange: true,
    opens: shop.builds.map((b) => b.id),
    zone: shop.workshop.zone,
    currency: shop.workshop.currency,
    now,
    lanes: all,
    groups: { bays: sketch(byBay(shop, all, weeks)), fitters: sketch(byFitter(shop, all, weeks)) },
    vans: Object.fromEntries(shop.builds.map((b) => [b.vanId, vanShape(shop, b.vanId)])),
    jobs,
    places: Object.fromEntries([...shop.bays.map((b) => [b.id, b.name]), ["yard", "Yard"], ["bench", "Bench"]]),
    people: Object.fromEntries(shop.fitters.map((f) => [f.id, f.name])),
    days: shown,
    hours: drawnHours(shop.calendars),
    published: published ? { number: published.head.number!, madeAt: published.head.madeAt, note: published.head.note } : null,
    plans,
    frozenUntil: published ? frozenUntil(shop, now) : null,
    answers:
      plan && published && beside && !shop.workshop.staleWhy
        ? {
            shown: sayAnswer(answerOf(shop, published.plan, plan)),
            other: sayAnswer(answerOf(shop, published.plan, beside.plan)),
            otherId: beside.head.id,
          }
        : null,
    against: other ? { number: other.head.number!, note: other.head.note, newest: other.head.number === published?.head.number } : null,
    hasPlan: !!plan,
    stale: shop.workshop.staleWhy,
    atRisk: all.filter((l) => l.date.state !== "safe").length,
    moves: diff.moves
      .filter((m) => jobs[m.job])
      .map((m) => ({
        jobId: m.job,
        code: jobs[m.job].code,
        ...name(m.job),
        stage: jobs[m.job].stage,
        from: m.from,
        to: m.to,
        who:
          sorted(m.oldFitters) === sorted(m.newFitters)
            ? null
            : `${crewNames(shop, m.newFitters) || "nobody"} instead of ${crewNames(shop, m.oldFitters) || "nobody"}`,
        place:
          m.oldPlace === m.newPlace || !m.oldPlace || !m.newPlace
            ? null
            : `${placeName(shop, m.newPlace)} instead of ${placeName(shop, m.oldPlace)}`,
        why: m.why,
        cause: causeOf(m.job),
      })),
    moved: countMoved(diff.moves),
    handovers: diff.handovers.flatMap((h) => {
      const b = shop.builds.find((x) => x.id === h.build);
      return b
        ? [
            {
              build: b.name,
              from: h.from,
              to: h.to,
              days: h.from !== null && h.to !== null ? workingDays(shop, h.from, h.to) : 0,
              due: b.due,
            },
          ]
        : [];
    }),
    unplaced: (plan?.unplaced ?? []).map((u) => ({ ...name(u.job), reason: u.reason })),
    pinsBroken: (plan?.pinsBroken ?? []).map((u) => ({ ...name(u.job), reason: u.reason })),
  };
}

/**
 * The lanes as a fitter sees them: the published plan, to be looked at. No client's name, nothing of what the lead weighs, and only
 * the vans in `mine` can be opened.
 */
export function fitterLanes(state: State, mine: ReadonlySet<string>): LanesView {
  const view = lanesView({ ...state, working: state.published }, []);
  return {
    ...view,
    mayChange: false,
    opens: view.opens.filter((id) => mine.has(id)),
    lanes: view.lanes.map((l) => ({ ...l, client: "" })),
    stale: null,
    moves: [],
    moved: 0,
    handovers: [],
    unplaced: [],
    pinsBroken: [],
  };
}

/** The same as a fitter sees it, by the published plan; the parts of vans they do not work on are left out. */
export function fitterDetail(state: State, id: string, mine: ReadonlySet<string>): JobDetail | undefined {
  const detail = jobDetail({ ...state, working: state.published }, id);
  const build = state.shop.builds.find((b) => b.jobs.some((j) => j.id === id));
  return detail && build && !mine.has(build.id) ? { ...detail, parts: [] } : detail;
}

const card = ({ zone }: State, build: string, j: JobRow): JobCard => ({
  id: j.id,
  code: j.code,
  name: j.name,
  buildId: j.buildId,
  build,
  stage: j.stage,
  version: j.version,
  pin: { start: j.pin.start === null ? null : zone.show(j.pin.start), place: j.pin.place, fitters: j.pin.fitters },
});

/** What the panel says of one job, by the working plan; undefined: there is no such job. */
export function jobDetail(state: State, id: string): JobDetail | undefined {
  const { shop, zone, now } = state;
  const build = shop.builds.find((b) => b.jobs.some((j) => j.id === id));
  const j = build?.jobs.find((x) => x.id === id);
  if (!build || !j) return undefined;
  const byId = new Map(build.jobs.map((x) => [x.id, x]));
  const planned = state.working?.plan.jobs.find((p) => p.id === id);
  const calendar = shop.calendars.find((c) => c.id === "shop");
  const today = zone.dayOf(now);
  const open = calendar && openHours(zone, calendarData(calendar), today - BACK_DAYS, today + 400).open;
  const { best, likely, worst } = j.minutes;
  return {
    likely: `likely ${sayMinutes(likely)} (${sayMinutes(best)} to ${sayMinutes(worst)})`,
    why: planned?.why ?? [],
    bond: bondOf(j, planned && { from: zone.parse(planned.start), to: zone.parse(planned.end) }, open),
    after: j.after.flatMap((a) => {
      const p = byId.get(a.job);
      return p ? [{ name: p.name, reason: a.reason, done: p.state === "done" }] : [];
    }),
    covers: j.covers.flatMap((c) => coverOf(byId.get(c))),
    parts: j.parts.map((p) => ({
      name: p.name,
      quantity: `${p.quantity} ${p.unit}`,
      state: p.state === "promised" && p.promisedAt !== null ? `promised ${sayDay(zone, p.promisedAt)}` : PART_WORDS[p.state],
    })),
  };
}

/** How far the photos of a job are that another one would cover; nothing where none are asked for. */
function coverOf(c: JobRow | undefined): JobDetail["covers"] {
  const asked = c?.shots.filter((s) => s.beforeCloseUp) ?? [];
  if (!c || !asked.length) return [];
  const states = asked.map(shotState);
  return [
    {
      name: c.name,
      asked: asked.length,
      approved: states.filter((s) => s === "approved").length,
      waiting: states.filter((s) => s === "waiting").length,
    },
  ];
}

/** Weeks of the days shown, and the hours of people and bays in them. */
function weeksOf({ shop, zone, now }: State, shown: LanesView["days"]): Weeks {
  const first = zone.dayOf(shown[0]?.at ?? now);
  const last = first + shown.length;
  const sets = new Map<string, OpenSet>();
  const hours = (calendar: string | null): OpenSet => {
    const row = shop.calendars.find((c) => c.id === (calendar ?? "shop"));
    return row ? openHours(zone, calendarData(row), first, last).open : OpenSet.of([]);
  };
  return {
    mondays: Array.from({ length: Math.floor(shown.length / 7) + 1 }, (_, i) => zone.dayStart(first + 7 * i)),
    open: (id) => {
      let set = sets.get(id);
      if (!set) {
        const fitter = shop.fitters.find((f) => f.id === id);
        const off = (fitter?.absences ?? shop.bays.find((b) => b.id === id)?.closures ?? []).map((o) => [o.from, o.to] as [number, number]);
        set = hours(fitter?.calendarId ?? shop.bays.find((b) => b.id === id)?.calendarId ?? null).without(off);
        sets.set(id, set);
      }
      return set;
    },
  };
}

/** What a planned hold blocks, and when the bond would cost least. */
function bondOf(j: JobRow, block: { from: number; to: number } | undefined, open: OpenSet | undefined): JobDetail["bond"] {
  if (!block || !open || j.hold.minutes === 0 || (j.state !== "todo" && j.state !== "paused")) return null;
  const blocked = blockedMinutes(open, block.to, j.hold.minutes);
  const best = bestBond(open, block.from, open.minutes(block.from, block.to), j.hold.minutes);
  return { blocked, better: best && best.blocked < blocked && best.start > block.from ? best : null };
}

const MONTHS = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];

function days({ shop, zone, now }: State, last: number): LanesView["days"] {
  const from = zone.dayOf(now) - BACK_DAYS;
  // From a Monday to the end of the week behind the last date.
  const first = from - ((((from + 3) % 7) + 7) % 7);
  // A date far beyond what anybody plans would draw days without end.
  const end = Math.min(zone.dayOf(last), zone.dayOf(now) + AHEAD_DAYS) + 7;
  const calendar = shop.calendars.find((c) => c.id === "shop");
  const open = calendar ? openHours(zone, calendarData(calendar), first, end).open : undefined;
  return Array.from({ length: end - first + 1 }, (_, i) => {
    const d = first + i;
    const date = new Date(d * 86_400_000);
    const at = zone.dayStart(d);
    return {
      at,
      label: sayDay(zone, at),
      weekday: "MTWTFSS"[(((d + 3) % 7) + 7) % 7],
      open: (open?.minutes(at, zone.dayStart(d + 1)) ?? 0) > 0,
      date: date.getUTCDate(),
      month: MONTHS[date.getUTCMonth()],
    };
  });
}
