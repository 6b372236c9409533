// Fills a bench card for one fitter, or for one job that the lead opened.

import { sayClock, sayDay, sayTime } from "@/core/plan/words";
import { openHours } from "@/core/time/calendar";
import { readingStates } from "@/core/van/readings";
import { cameOutWords } from "@/core/workshop/bare-body/removed-items";
import { zonesOf } from "@/core/workshop/bare-body/zones";
import { calendarData, workedMinutes } from "@/core/workshop/builds/left";
import { measuredVan, readingLimits } from "@/core/workshop/builds/measured";
import { holesOf, isSoak, sayPenetration } from "@/core/workshop/openings/holes";
import { hotWorkOpen } from "@/core/workshop/openings/hot-work";
import { opensSkin, skinClock } from "@/core/workshop/openings/skin";
import { BOUND, skinVerdict } from "@/core/workshop/openings/skin-verdict";
import { beginners, comesTo, hasSkill, helpOf, sayHelp } from "@/core/workshop/planning/second-hand";
import { slotOffers } from "@/core/workshop/planning/short-slot";
import { entriesOf } from "@/core/workshop/records/kinds/of";
import { paperWords } from "@/core/workshop/records/papers";
import { maySign } from "@/core/workshop/starts/first-piece";
import { firstTimeWords } from "@/core/workshop/starts/first-time";
import { gearWords } from "@/core/workshop/starts/gear";
import { airAt, atLimit } from "@/core/workshop/starts/heat";
import { longDayWords } from "@/core/workshop/starts/long-day";
import { machineLines } from "@/core/workshop/starts/machine-hours";
import { noiseWords } from "@/core/workshop/starts/noise";
import { startObstacles } from "@/core/workshop/starts/ready";
import { releaseFault } from "@/core/workshop/starts/released";
import { dustWords } from "@/core/workshop/starts/tags";
import { templatesOf, templateWords } from "@/core/workshop/starts/templates";
import { figure } from "@/core/workshop/state/house-figures";
import type { BuildRow, JobRow, Shop } from "@/core/workshop/state/model";
import { crewNames, fitterName, placeName, sayMinutes } from "@/core/workshop/state/say";
import { buildsOf } from "@/core/workshop/state/seen-by";
import { byStep, kitLines } from "@/core/workshop/stores/kit";
import { bondClocks, runningClocks } from "@/core/workshop/today/clocks";
import { dayEnd } from "@/core/workshop/today/day-end";
import type { State } from "@/server/planning/planning";
import type { CardJob, CardView } from "@/ui/card/view";
import { DEED, overBox } from "./build";
import { cardSheets } from "./card-sheets";
import { foundOn } from "./found";
import { shotViews } from "./shots";

/** Jobs of a fitter, the one under way first, then as published. */
export function jobsOf(state: State, fitter: string): JobRow[] {
  const planned = new Map((state.published?.plan.jobs ?? []).map((j) => [j.id, j]));
  const mine = state.shop.builds
    .flatMap((b) => b.jobs)
    .filter(
      (j) =>
        j.state !== "done" &&
        (j.state === "started" ? j.fitters.includes(fitter) || helps(state, j, fitter) : planned.get(j.id)?.fitters.includes(fitter)),
    );
  const starts = (j: JobRow) => {
    const p = planned.get(j.id);
    return p?.helpers?.find((h) => h.fitter === fitter)?.work[0]?.[0] ?? p?.start ?? "9";
  };
  const rank = (j: JobRow) => (j.state === "started" && j.fitters.includes(fitter) ? "0" : `1${starts(j)}`);
  return mine.sort((a, b) => rank(a).localeCompare(rank(b)));
}

const comes = ({ working, published }: State, j: JobRow) => comesTo([working?.plan, published?.plan], j);

/** Whether a fitter is planned to help with a job under way, and has not been yet. */
const helps = (state: State, j: JobRow, fitter: string): boolean =>
  comes(state, j) === fitter && !!helpOf(state.shop, j, state.now)?.during && !j.helpers?.some((h) => h.fitter === fitter);

function helpView(state: State, j: JobRow): CardJob["help"] {
  const { shop, now } = state;
  const help = helpOf(shop, j, now);
  if (!help) return null;
  const person = (id: string | undefined | null) => (id ? { id, name: fitterName(shop, id) } : null);
  const busy = new Set(shop.builds.flatMap((b) => b.jobs.flatMap((k) => (k.state === "started" ? k.fitters : []))));
  const { here, freed } = help;
  return {
    here: person(here),
    comes: here || freed ? null : person(comes(state, j)),
    others: here
      ? []
      : shop.fitters.filter((f) => !f.retired && !busy.has(f.id) && hasSkill(f, help)).map(({ id, name }) => ({ id, name })),
    says: sayHelp(help, here && fitterName(shop, here)),
  };
}

export async function cardView(
  state: State,
  user: { id?: string; role: "lead" | "fitter"; fitterId: string | null },
  asked: { job?: string; fitter?: string },
  userNames: ReadonlyMap<string, string> = new Map(),
): Promise<CardView> {
  const { shop, now, zone } = state;
  const lead = user.role === "lead";
  const people = lead ? shop.fitters.filter((f) => !f.retired).map((f) => ({ id: f.id, name: f.name })) : [];
  const all = shop.builds.flatMap((b) => b.jobs);
  const named = all.find((j) => j.id === asked.job);
  const planned = new Map((state.published?.plan.jobs ?? []).map((j) => [j.id, j]));
  const ofJob = named && (named.fitters.find((f) => !named.helpers?.some((h) => h.fitter === f)) ?? planned.get(named.id)?.fitters[0]);
  const who = lead ? (asked.fitter ?? ofJob ?? people[0]?.id ?? null) : user.fitterId;
  const list = who ? jobsOf(state, who) : [];
  // A question that somebody is not sure of is anybody's to look at.
  const unsure = named?.state === "todo" && named.questions.some((q) => q.unsureBy !== null && q.answeredAt === null);
  const mayOpen = named && (lead || unsure || list.some((j) => j.id === named.id) || named.fitters.includes(who ?? ""));
  const job = mayOpen ? named : list[0];
  return {
    zone: shop.workshop.zone,
    now,
    fixed: !!process.env.WIDE_LANE_NOW,
    event: String(state.change),
    lead,
    who: who ? { id: who, name: fitterName(shop, who) } : null,
    people,
    job: job ? cardJob(state, job, who, (id) => ({ name: userNames.get(id) ?? "somebody", mine: id === user.id }), user) : null,
    dayEnd: who && atDaysEnd(state) ? dayEnd(shop, state.published?.plan, who, now) : null,
    slot: slotOf(state, list, planned),
    later: list
      .filter((j) => j.id !== job?.id)
      .slice(0, 6)
      .map((j) => ({
        id: j.id,
        stage: j.stage,
        name: j.name,
        build: shop.builds.find((b) => b.id === j.buildId)!.name,
        from: planned.get(j.id) ? zone.parse(planned.get(j.id)!.start) : null,
        state: j.state,
      })),
  };
}

/** In the last hour of the shop's day, and after it. */
function atDaysEnd({ shop, now, zone }: State): boolean {
  const calendar = shop.calendars.find((c) => c.id === "shop");
  if (!calendar) return false;
  const day = zone.dayOf(now);
  const last = openHours(zone, calendarData(calendar), day, day).open.stretches().at(-1);
  return last !== undefined && now >= last[1] - figure(shop, "dayEnd");
}

/** What fits before the next job, where nothing is under way. */
function slotOf({ shop, now, zone }: State, list: readonly JobRow[], planned: ReadonlyMap<string, { start: string }>): CardView["slot"] {
  const [first] = list;
  if (!first || first.state === "started") return null;
  const start = planned.get(first.id)?.start;
  const minutes = start ? zone.parse(start) - now : 0;
  const offers = slotOffers(shop, minutes, now).slice(0, 4);
  return offers.length ? { minutes: sayMinutes(minutes), offers } : null;
}

/** At the very limit of what its product takes: allowed, and told. */
function limitWords({ shop, zone, now }: State, j: JobRow, place: string): string | null {
  const day = shop.weather.find((d) => d.date === zone.show(now).slice(0, 10));
  if (!day || j.place !== "van") return null;
  const bay = shop.bays.find((b) => b.id === place);
  return atLimit(j, airAt(bay, day, now, sayClock(zone, now)), shop.workshop.skinBelowC) ?? null;
}

/** Whose release a step has or waits for, where the house asks for a second name. */
function releaseView({ shop }: State, j: JobRow, user: Reader, said: Said): CardJob["release"] {
  if (!shop.workshop.releaseCuts || j.irreversible === null || j.state === "done") return null;
  const why = releaseFault(shop, j, user.id ?? "") ?? null;
  return { by: j.releasedBy === null ? null : said(j.releasedBy).name, may: user.role === "lead" && why === null, why };
}

/** Whose signature the rest of a batch has or waits for. */
function firstPieceView({ shop }: State, j: JobRow, user: Reader, said: Said): CardJob["firstPiece"] {
  if (!j.pieces?.first || j.pieces.count < 2) return null;
  const f = j.firstPiece;
  return { by: f && (f.by === null ? "an earlier count" : said(f.by).name), read: f?.read ?? null, maySign: maySign(shop, j, user) };
}

type Said = (user: string) => { name: string; mine: boolean };
type Reader = { id?: string; role: string; fitterId: string | null };

function cardJob(state: State, j: JobRow, who: string | null, said: Said, user: Reader): CardJob {
  const { shop, zone, now } = state;
  const build = shop.builds.find((b) => b.id === j.buildId)!;
  const p = state.published?.plan.jobs.find((x) => x.id === j.id);
  const fact = j.state === "started" || j.state === "done";
  const placeId = fact ? (j.actualPlace ?? "yard") : (p?.place ?? (j.place === "bench" ? "bench" : (build.at ?? "yard")));
  const crew = j.fitters.length && j.state !== "todo" ? j.fitters : (p?.fitters ?? (who ? [who] : []));
  const planStart = p ? zone.parse(p.start) : null;
  const length = p ? zone.parse(p.end) - zone.parse(p.start) : j.minutes.likely;
  const from = fact ? j.startedAt : planStart;
  const to =
    j.state === "done"
      ? j.endedAt
      : p
        ? Math.max(zone.parse(p.end), j.state === "started" ? now : 0)
        : from === null
          ? null
          : from + length;
  const van = shop.vans.find((v) => v.id === build.vanId);
  const opens = user.role === "lead" || buildsOf(shop, state.published?.plan, user.fitterId ?? "").some((b) => b.id === build.id);
  const covering = build.jobs.filter((k) => k.covers.includes(j.id)).map((k) => k.name);
  return {
    id: j.id,
    code: j.code,
    stage: j.stage,
    name: j.name,
    build: build.name,
    state: j.state,
    place: placeName(shop, placeId),
    with: crewNames(
      shop,
      crew.filter((f) => f !== who),
    ),
    from,
    to,
    holdUntil: to !== null && j.hold.minutes ? to + j.hold.minutes : null,
    holdWords: j.hold.keepOff === "all" || !j.hold.keepOff ? "nobody touches it" : `nobody on the ${j.hold.keepOff.join(", ")}`,
    noise: j.needs.noisy && j.state !== "done" ? (noiseWords(shop, now) ?? null) : null,
    machines: j.state === "done" ? [] : machineLines(shop, j),
    dust: dustWords(shop, j, now, (t) => sayTime(zone, t)),
    limit: j.state === "done" ? null : limitWords(state, j, placeId),
    urgent: opensSkin(j) && j.state !== "done" ? urgentWords(state, build, j, placeId, from ?? now) : null,
    goesOn: goesOn(shop, build, j, placeId, now),
    help: helpView(state, j),
    steps: j.steps.map((s) => ({
      n: s.n,
      text: s.text,
      done: s.doneAt !== null,
      waived: s.waivedWhy,
      guards: s.does !== null && s.does !== "photo",
    })),
    questions: j.questions.map((q) => {
      const by = q.unsureBy === null ? undefined : said(q.unsureBy);
      return { n: q.n, text: q.text, yes: q.answeredAt !== null, unsure: by?.name ?? null, mine: by?.mine ?? false };
    }),
    deed: DEED[j.irreversible ?? ""] ?? "start",
    release: releaseView(state, j, user, said),
    pieces: j.pieces,
    firstPiece: firstPieceView(state, j, user, said),
    leaves: j.leaves.flatMap((l) => {
      const before = build.jobs.find((k) => k.id === l.before);
      return before && before.state === "todo" ? [{ ...l, beforeName: before.name }] : [];
    }),
    laterJobs: build.jobs.filter((k) => k.state === "todo" && k.id !== j.id).map(({ id, name }) => ({ id, name })),
    remainders: j.remainders.map((r) => r.text),
    cameOut: [
      ...cameOutWords(build, j),
      ...templateWords(state.shop, build, j),
      ...paperWords(shop, build, j),
      ...gearWords(build, j, zone.dayStart(zone.dayOf(now))),
    ],
    holes:
      j.state === "done"
        ? []
        : holesOf(build, j).map((r) => ({
            id: r.id,
            version: r.version,
            no: r.no,
            title: r.title,
            data: r.data,
            says: sayPenetration(r.data),
            photos: r.photos,
            shows: r.shows ?? [],
          })),
    soaks: isSoak(j),
    sparks: entriesOf(build.records, "sparks")
      .map((r) => ({
        id: r.id,
        version: r.version,
        jobId: r.jobId,
        title: r.title,
        data: r.data,
        open: hotWorkOpen(build, r.data, now, zone),
      }))
      .filter(
        (r) => (r.jobId === j.id || r.data.stamps?.last !== undefined) && (r.open.length > 0 || (r.jobId === j.id && j.state !== "done")),
      ),
    clocks: runningClocks(build, now),
    figures: shop.workshop.figures,
    bond: bondClocks(build, j.id),
    // Only of what would be begun today.
    tired:
      j.state === "todo" && (planStart ?? now) < zone.dayStart(zone.dayOf(now) + 1) && longDayWords(shop, j, crew, placeId, now).length > 0,
    mind:
      j.state === "done"
        ? []
        : [...longDayWords(shop, j, crew, placeId, now), ...(j.state === "todo" ? firstTimeWords(shop, j, crew) : [])],
    pick: j.state === "done" ? [] : byStep(kitLines(shop, build, j, now)),
    zones: j.state === "done" ? [] : zonesOf(build, j, now),
    templateAsked: j.state !== "done" && templatesOf(state.shop, build, j).length > 0,
    readings: van && j.setOut.includes("check-in") ? readingStates(van.geometry, build.readings, readingLimits(build)) : null,
    buildId: build.id,
    opensBuild: opens,
    found:
      opens && j.state !== "done" && van
        ? foundOn(build, { ...van, geometry: measuredVan(van.geometry, build) }, (id) => said(id).name)
        : null,
    setOut: cardSheets(state, build, j, user.id ?? "", (id) => said(id).name),
    overBox: overBox(state, j),
    cautions: j.cautions,
    shots: shotViews(j, new Map()),
    stops: covering,
    // Questions stand on the card themselves.
    obstacles: fact
      ? []
      : startObstacles(shop, j, j.state === "todo" && p ? beginners(p) : crew, build.at ?? placeId, now)
          .filter((o) => o.kind !== "question")
          .map((o) => o.text),
    remarks: j.remarks.map((r) => r.text),
    canUndo:
      (j.state === "started" && j.workedMinutes === 0 && j.steps.every((s) => s.doneAt === null)) ||
      (j.state === "done" && now - j.endedAt! <= 60),
    worked: sayMinutes(workedMinutes(shop, j, now)),
  };
}

/** Against the clock of an open skin: null where it is kept; else who goes on, once somebody does. */
function goesOn(shop: Shop, build: BuildRow, j: JobRow, place: string, now: number): { who: string | null } | null {
  const v = skinVerdict(shop, build, j, place, now);
  return v?.sheet ? { who: v.on?.who ?? null } : null;
}

function urgentWords({ shop, zone, now }: State, build: BuildRow, j: JobRow, place: string, start: number): string {
  const v = skinVerdict(shop, build, j, place, now);
  if (v?.sheet)
    return `Sheet over now: ${sayMinutes(v.rest)} of work in nine cases of ten and ${figure(shop, "sheetOver")} min to sheet over, ${sayMinutes(v.left)} to ${BOUND[v.clock.binds]}${v.on ? `. ${v.on.who} goes on: ${v.on.why}` : ""}`;
  const today = zone.dayOf(Math.max(start, now)) === zone.dayOf(now);
  const clock = skinClock(shop, j, place, today ? now : zone.dayStart(zone.dayOf(start)));
  if (j.state === "started")
    return `Sealed by ${sayClock(zone, clock.limit)}, or sheeted over from ${sayClock(zone, clock.limit - figure(shop, "sheetOver"))}`;
  const other = clock.otherDay
    ? `leave it for ${sayDay(zone, zone.dayStart(Date.parse(`${clock.otherDay}T00:00Z`) / 86_400_000))}`
    : "leave it for a longer day";
  const day = today ? "" : `${sayDay(zone, start)} `;
  return clock.latest < (today ? now : zone.dayStart(zone.dayOf(start)))
    ? `Too short a day: ${other}`
    : `Start by ${day}${sayClock(zone, clock.latest)} or ${other}`;
}
