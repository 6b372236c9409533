// Fills the pages of builds: the list, and one build from all sides.

import { CHOICES } from "@/core/library/choices";
import { conflictsOf } from "@/core/library/conflicts";
import type { Options } from "@/core/library/options";
import { differsIn, forbiddenIn } from "@/core/library/order";
import { jobWith } from "@/core/library/roles";
import { some } from "@/core/library/when";
import { sayDay, sayTime } from "@/core/plan/words";
import { vans } from "@/core/van/model";
import { readingStates } from "@/core/van/readings";
import { cameOutWords, inventoryOf } from "@/core/workshop/bare-body/removed-items";
import { stripClosing } from "@/core/workshop/bare-body/strip-close";
import { rework, shellStates } from "@/core/workshop/bare-body/zones";
import { askedJobs } from "@/core/workshop/builds/asked-work";
import { changesByCause } from "@/core/workshop/builds/change-causes";
import { daysWorked, sayDaysWorked } from "@/core/workshop/builds/days-worked";
import { holdKeeps } from "@/core/workshop/builds/hold-keeps";
import { askedByTimeBox, workedMinutes } from "@/core/workshop/builds/left";
import { massLedger } from "@/core/workshop/builds/mass-ledger";
import { measuredVan, readingLimits } from "@/core/workshop/builds/measured";
import { buildMoney } from "@/core/workshop/builds/money";
import { openChoices } from "@/core/workshop/builds/open-choices";
import { nextAndStuck } from "@/core/workshop/builds/stuck";
import { askedFor, holeWords, lateHole, openSince, penetrationsIn, SIDE_WORDS, sayPenetration } from "@/core/workshop/openings/holes";
import { openingNorms, sayNorms } from "@/core/workshop/openings/opening-times";
import { openings } from "@/core/workshop/openings/openings";
import { delayWords } from "@/core/workshop/planning/delays";
import { handToHand } from "@/core/workshop/planning/hand-to-hand";
import { sideBySide } from "@/core/workshop/planning/side-by-side";
import { openShots } from "@/core/workshop/proof/proof";
import { paperWords } from "@/core/workshop/records/papers";
import { parkedStates } from "@/core/workshop/records/waits";
import { sheetMass, sheetNotices } from "@/core/workshop/sheets/sheets";
import { machineLines } from "@/core/workshop/starts/machine-hours";
import { noiseHours } from "@/core/workshop/starts/noise";
import { reachOrder } from "@/core/workshop/starts/reach";
import { obstacles } from "@/core/workshop/starts/ready";
import { tagWords } from "@/core/workshop/starts/tags";
import { templateWords } from "@/core/workshop/starts/templates";
import { buildDates } from "@/core/workshop/state/dates";
import { figure } from "@/core/workshop/state/house-figures";
import type { BuildRow, JobRow, Shop } from "@/core/workshop/state/model";
import { stageProgress } from "@/core/workshop/state/progress";
import { crewNames, fitterName, placeName, sayMinutes } from "@/core/workshop/state/say";
import { CLOSING, type ZoneJob } from "@/core/workshop/state/van-zones";
import { makerWords } from "@/core/workshop/stores/maker-times";
import { buildLog } from "@/server/builds/log-lines";
import { delaysNow } from "@/server/planning/delays";
import type { State } from "@/server/planning/planning";
import { keptOrders, libraryInUse, libraryOf } from "@/server/state/library";
import type { BuildCard, BuildView, SheetJob } from "@/ui/builds/view";
import { papersView } from "./papers";
import { partWords } from "./parts";
import { shotViews } from "./shots";
import { vanShape } from "./van";

const where = (shop: Shop, b: BuildRow): string => (b.at === null ? "off site" : `in ${placeName(shop, b.at)}`);

export function buildCards(state: State): BuildCard[] {
  const { shop } = state;
  const dates = new Map(buildDates(shop, state.working?.plan).map((d) => [d.buildId, d]));
  return shop.builds.map((b) => {
    const running = b.jobs.filter((j) => j.state === "started");
    return {
      id: b.id,
      name: b.name,
      client: b.client,
      purpose: b.purpose,
      vanName: shop.vans.find((v) => v.id === b.vanId)?.name ?? b.vanId,
      van: vanShape(shop, b.vanId),
      where: b.arrives > state.now && b.at === null ? `comes ${sayDay(state.zone, b.arrives)}` : where(shop, b),
      date: dates.get(b.id)!,
      stages: stageProgress(b),
      now: running.length ? running.map((j) => `${j.name}, ${crewNames(shop, j.fitters)}`).join(" · ") : "nobody on it now",
    };
  });
}

/** What a build gets, short, in the order of asking. */
export function optionWords(o: Options): string[] {
  // How the van comes is what is found, not what the client gets.
  return CHOICES.filter((c) => c.kind === "option" && c.group !== "How the van comes" && c.key !== "windowKind" && some(o[c.key])).map(
    (c) => {
      const value = o[c.key];
      if (value === true) return c.label.toLowerCase();
      const label = c.values.find((v) => v.value === value)?.label ?? String(value);
      if (typeof value !== "number") return `${c.label.toLowerCase()} ${label}`;
      return c.key === "garageMm"
        ? `garage ${label}`
        : `${label} ${value === 1 ? c.label.toLowerCase().replace(/s$/, "") : c.label.toLowerCase()}`;
    },
  );
}

const SIDES = Object.keys(SIDE_WORDS) as (keyof typeof SIDE_WORDS)[];

export async function buildView(state: State, id: string, userNames: ReadonlyMap<string, string>): Promise<BuildView | undefined> {
  const { shop, zone, now } = state;
  const b = shop.builds.find((x) => x.id === id);
  if (!b) return undefined;
  const plan = state.working?.plan;
  const slips = await delaysNow(figure(state.shop, "delayFrom"));
  const planned = new Map((plan?.jobs ?? []).map((j) => [j.id, j]));
  const byId = new Map(b.jobs.map((j) => [j.id, j]));
  const anywhere = new Map(shop.builds.flatMap((x) => x.jobs.map((job) => [job.id, { job, build: x.name }] as const)));
  const chain = plan?.builds.find((x) => x.id === id)?.chain ?? [];
  const template = shop.vans.find((v) => v.id === b.vanId) ?? vans[1];
  const van = { ...template, geometry: measuredVan(template.geometry, b) };
  const date = buildDates(shop, plan).find((d) => d.buildId === id)!;
  const spans = new Map(b.jobs.map((j) => [j.id, spanOf(state, j, planned.get(j.id))]));
  const ends = [...spans.values()].flatMap((x) => x.to ?? []);
  const jobName = (x: string | null) => (x === null ? null : (byId.get(x)?.name ?? null));
  const reach = reachOrder(b);
  return {
    zone: shop.workshop.zone,
    now,
    id,
    version: b.version,
    name: b.name,
    client: b.client,
    purpose: b.purpose,
    vanName: shop.vans.find((v) => v.id === b.vanId)?.name ?? b.vanId,
    van,
    zoneJobs: b.jobs.filter((j) => j.place === "van").map((j) => zoneJob(b, j, spans)),
    span: { from: b.arrives, to: Math.max(now, b.arrives + 1440, ...ends) },
    options: b.options,
    openChoices: openChoices(zone, b, template.geometry, await libraryOf(b.libraryVersion), plan, shop.suppliers),
    openKeys: b.openChoices,
    openings: openings(shop, b, plan, now),
    norms: openingWords(shop, b, planned),
    holes: penetrationsIn(b.records).map((r) => ({
      ...r,
      says: sayPenetration(r.data),
      openSince: openSince(r) ?? null,
      by: userNames.get(r.saidBy) ?? r.saidBy,
      jobName: jobName(r.jobId),
    })),
    holesAsked: askedFor(b, shop.leaks).length,
    late: Object.fromEntries(SIDES.map((side) => [side, lateHole(b, side)?.says])),
    shell: shellStates(b, now),
    rework: [...rework(b.records)],
    closing: stripClosing(shop, b, plan, now),
    papers: papersView(state, b),
    asked: askedJobs(shop, b, now).map((a) => ({
      key: a.key,
      name: a.name,
      why: a.why,
      minutes: a.minutes.likely,
      stage: a.stage,
      stop: a.stop ?? null,
    })),
    ...nextAndStuck(shop, b, plan, now),
    beside: sideBySide(shop, b, plan, now),
    between: handToHand(shop, b, plan, now),
    conflicts: conflictsOf(b.options, van.geometry),
    house: shop.workshop.house,
    library: { version: b.libraryVersion, newest: (await libraryInUse(now)).number },
    readings: readingStates(template.geometry, b.readings, readingLimits(b)),
    readBy: Object.fromEntries(b.readings.map((r) => [r.name, `${userNames.get(r.readBy) ?? r.readBy}, ${sayTime(zone, r.readAt)}`])),
    records: b.records.map((r) => ({ ...r, by: userNames.get(r.saidBy) ?? r.saidBy, jobName: jobName(r.jobId) })),
    inventory: inventoryOf(b.records),
    mass: sheetMass(b),
    ledger: massLedger(b, van),
    changes: changesByCause(b.records),
    money: { ...buildMoney(shop, b, now), rate: shop.workshop.hourRate, currency: shop.workshop.currency },
    where: b.arrives > now && b.at === null ? `comes ${sayDay(zone, b.arrives)}` : where(shop, b),
    worked: sayDaysWorked(daysWorked(shop, b, now)),
    arrives: zone.show(b.arrives),
    due: zone.show(b.due),
    weight: b.weight,
    gets: optionWords(b.options),
    date,
    stages: stageProgress(b),
    orders: (await keptOrders()).map((o) => ({
      ...o,
      differs: differsIn(b.options, o.choices),
      forbidden: forbiddenIn(b.options, o.choices, van.geometry),
    })),
    reachWrong: [...reach.lost.map((l) => l.text), ...reach.wrong],
    reachSides: reach.sides,
    parked: parkedStates(b, zone.show(now).slice(0, 10)).map((p) => ({
      id: p.record.id,
      title: p.record.title,
      awake: p.awake,
      text: p.text,
    })),
    figures: shop.workshop.figures,
    jobs: b.jobs.map((j) => {
      const slip = slips.get(j.id);
      return { ...sheetJob(state, j, byId, planned.get(j.id), userNames), slips: slip ? delayWords(slip) : null };
    }),
    chain: chain
      .filter((l) => l.minutes >= 15)
      .map((l) => {
        const at = anywhere.get(l.job);
        const why = planned.get(l.job)?.why?.find((w) => w.kind === l.kind)?.text;
        return {
          name: at ? `${at.job.name}${at.build === b.name ? "" : ` (${at.build})`}` : l.job,
          minutes: l.minutes,
          said: sayMinutes(l.minutes),
          words: l.kind === "work" ? "is worked on" : l.kind === "hold" ? "is left untouched" : (why ?? l.kind),
        };
      }),
    log: await buildLog(id),
    fitters: shop.fitters.filter((f) => !f.retired).map((f) => ({ id: f.id, name: f.name })),
  };
}

/** When a job was or is planned to be. */
function spanOf(
  { zone, now }: State,
  j: JobRow,
  p: { start: string; end: string } | undefined,
): { from: number | null; to: number | null } {
  if (j.state === "done") return { from: j.startedAt, to: j.endedAt };
  if (j.state === "started") return { from: j.startedAt, to: Math.max(now + 1, p ? zone.parse(p.end) : now + j.minutes.likely) };
  return p ? { from: zone.parse(p.start), to: zone.parse(p.end) } : { from: null, to: null };
}

function zoneJob(b: BuildRow, j: JobRow, spans: ReadonlyMap<string, { from: number | null; to: number | null }>): ZoneJob {
  const covering = b.jobs.filter((k) => k.covers.includes(j.id)).flatMap((k) => spans.get(k.id)!.from ?? []);
  return {
    name: j.name,
    stage: j.stage,
    zones: j.zones,
    ...spans.get(j.id)!,
    holdMinutes: j.hold.minutes,
    keepOff: j.hold.keepOff,
    still: j.hold.still,
    closes: CLOSING.has(j.irreversible ?? ""),
    // Of what is still to be done no photo can be missing yet.
    openProof: j.state === "done" ? openShots(j).length : 0,
    coveredFrom: covering.length ? Math.min(...covering) : null,
  };
}

function needsOf(shop: Shop, j: JobRow): string[] {
  return [
    j.place === "bench" ? "on the bench" : `on the van${j.yardOk ? ", yard will do" : ""}`,
    ...j.bayHas.map((h) => `bay with ${h}`),
    j.needs.dry && "dry",
    j.needs.daylight && "daylight or lit bay",
    j.needs.minTempC !== null && `${j.needs.minTempC} °C or warmer${j.needs.metal ? ", the metal too" : ""}`,
    j.needs.maxTempC !== null && `${j.needs.maxTempC} °C at most`,
    j.needs.maxWindMs !== null && `${j.needs.maxWindMs} m/s of wind at most, outdoors`,
    ...tagWords(j),
    j.needs.noisy && `noisy: ${noiseHours(shop.workshop)}`,
    j.needs.sameDay && "finished on the day it starts",
  ].filter((x): x is string => !!x);
}

/** What is done that can't be undone, as a verb. */
export const DEED: Record<string, string> = { cut: "cut", bond: "bond", tank: "tank", "screw-down": "screw down", "close-up": "close up" };

function sheetsOf({ shop, working, now }: State, j: JobRow): SheetJob["sheets"] {
  const b = shop.builds.find((x) => x.id === j.buildId)!;
  return Object.fromEntries(
    b.sheets
      .filter((s) => s.jobId === j.id)
      .map((s) => [
        s.calculator,
        { locked: s.lockedAt !== null, contradicted: sheetNotices(shop, b, s, working?.plan, now).length > 0, worst: s.worst },
      ]),
  );
}

/** What a time box asks, in words; null while inside it or once something was decided for it. */
export function overBox({ shop, now }: State, j: JobRow): string | null {
  const over = askedByTimeBox(shop, shop.builds.find((b) => b.id === j.buildId)!, j, now);
  if (over === undefined) return null;
  const maker = makerWords(shop, j);
  return `${sayMinutes(over)} longer than allowed (${j.timeBox} × likely)${maker ? `. ${maker}` : ""}`;
}

function sheetJob(
  state: State,
  j: JobRow,
  byId: Map<string, JobRow>,
  p: { start: string; end: string; fitters: string[]; place: string; why?: { text: string }[] } | undefined,
  userNames: ReadonlyMap<string, string>,
): Omit<SheetJob, "slips"> {
  const { shop, zone, now } = state;
  const fact = j.state === "done" || j.state === "started";
  const { best, likely, worst } = j.minutes;
  const place = fact ? (j.actualPlace ?? "yard") : (p?.place ?? (j.place === "bench" ? "bench" : "yard"));
  return {
    id: j.id,
    code: j.code,
    roles: j.roles,
    stage: j.stage,
    name: j.name,
    extra: j.extra !== undefined,
    state: j.state,
    place: placeName(shop, place),
    from: fact ? j.startedAt : p ? zone.parse(p.start) : null,
    to: j.state === "done" ? j.endedAt : p ? zone.parse(p.end) : null,
    who: crewNames(shop, fact ? j.fitters : (p?.fitters ?? [])),
    needs: needsOf(shop, j),
    hold: j.hold.minutes
      ? `then ${sayMinutes(j.hold.minutes)} untouched: ${holdKeeps(shop, j, place)}${j.state === "done" && j.endedAt! + j.hold.minutes > now ? ` (until ${sayTime(zone, j.endedAt! + j.hold.minutes)})` : ""}`
      : null,
    likelyMinutes: likely,
    likely: `${sayMinutes(best)} / ${sayMinutes(likely)} / ${sayMinutes(worst)}`,
    worked: j.state === "todo" ? null : sayMinutes(workedMinutes(shop, j, now)),
    steps: j.steps.map((s) => ({ n: s.n, text: s.text, done: s.doneAt !== null, waived: s.waivedWhy })),
    questions: j.questions.map((q) => ({
      n: q.n,
      text: q.text,
      unsure: q.unsureBy === null ? null : (userNames.get(q.unsureBy) ?? "somebody"),
      answered: q.answeredAt === null ? null : `${userNames.get(q.answeredBy ?? "") ?? "somebody"}, ${sayTime(zone, q.answeredAt)}`,
    })),
    deed: DEED[j.irreversible ?? ""] ?? "start",
    pieces: j.pieces,
    overBox: overBox(state, j),
    means: j.means,
    cameOut: [
      ...cameOutWords(shop.builds.find((b) => b.id === j.buildId)!, j),
      ...holeWords(shop.builds.find((b) => b.id === j.buildId)!, j),
      ...templateWords(shop, shop.builds.find((b) => b.id === j.buildId)!, j),
      ...paperWords(shop, shop.builds.find((b) => b.id === j.buildId)!, j),
    ],
    tools: j.tools,
    machines: machineLines(shop, j),
    setOut: j.setOut,
    sheets: sheetsOf(state, j),
    leaves: j.leaves.flatMap((l) => (byId.has(l.before) ? [{ ...l, beforeName: byId.get(l.before)!.name }] : [])),
    remainders: j.remainders.map((r) => ({
      id: r.id,
      text: r.text,
      before: r.before ? (byId.get(r.before)?.name ?? null) : null,
      owner: r.owner ? fitterName(shop, r.owner) : "nobody",
      by: userNames.get(r.saidBy) ?? r.saidBy,
      at: r.saidAt,
    })),
    faults: j.faults,
    cautions: j.cautions,
    kit: j.kit,
    parts: j.parts.map((x) => ({
      id: x.id,
      name: x.name,
      quantity: `${x.quantity} ${x.unit}`,
      state: partWords(zone, x),
      here: x.state === "checked",
    })),
    shots: shotViews(j, userNames),
    zones: j.zones,
    after: j.after.flatMap((a) =>
      byId.get(a.job) ? [{ id: a.job, name: byId.get(a.job)!.name, reason: a.reason, done: byId.get(a.job)!.state === "done" }] : [],
    ),
    covers: j.covers.flatMap((c) => byId.get(c)?.name ?? []),
    remarks: j.remarks.map((r) => ({ id: r.id, text: r.text, by: userNames.get(r.saidBy) ?? r.saidBy, at: r.saidAt, stops: r.stopsWork })),
    why: p?.why?.[0]?.text ?? null,
    obstacles: fact ? [] : obstacles(shop, j, now, byId).map((o) => o.text),
    crew: j.crew
      .map(
        (c) =>
          `${c.people} × ${c.skill === "any" ? "anybody" : c.skill}${c.level > 1 ? ` level ${c.level}` : ""}${c.ticket ? ` with ${c.ticket} ticket` : ""}`,
      )
      .join(", "),
  };
}

/** What openings took, of who is to set them out where that is known. */
function openingWords(shop: Shop, b: BuildRow, planned: ReadonlyMap<string, { fitters: string[] }>): string {
  const job = jobWith(b.jobs, "mark-out");
  const who = job && (job.fitters[0] ?? planned.get(job.id)?.fitters[0]);
  return sayNorms(openingNorms(shop, b.vanId, who), who && fitterName(shop, who));
}
