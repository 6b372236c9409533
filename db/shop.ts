// Reads the whole present state of the workshop: settings, people, active builds with all that hangs on their jobs.

import type { Pool } from "mysql2/promise";
import { shippedRoles } from "@/core/library/library";
import { completeOptions } from "@/core/library/options";
import type { BuildRecord } from "@/core/workshop/records/records";
import type {
  BayRow,
  BuildRow,
  CalendarRow,
  FitterRow,
  JobRow,
  JobState,
  PartRow,
  PartState,
  PhotoRow,
  ReadingRow,
  Shop,
  ShotRow,
  SupplierRow,
  ToolRow,
  VanRow,
  WeatherRow,
  Workshop,
} from "@/core/workshop/state/model";
import { loadFixings, loadFrameParts, loadGhosts, loadMarked, loadPractice, loadTimes, loadZoneRates } from "./history";
import { kept } from "./kept";
import { loadLeaks } from "./leaks";
import { type Conn, fromSql, fromSqlOrNull, rows } from "./pool";
import { loadSheets } from "./setout";
import { loadTemplates } from "./templates";

type Raw = Record<string, string | number | null>;
const json = <T>(v: unknown): T => JSON.parse(v as string) as T;
const bool = (v: unknown) => v === 1;
const text = (v: unknown) => v as string;
const num = (v: unknown) => v as number;

function grouped<T>(list: readonly Raw[], key: string, make: (r: Raw) => T): Map<string, T[]> {
  const out = new Map<string, T[]>();
  for (const r of list) {
    const k = r[key] as string;
    const at = out.get(k);
    if (at) at.push(make(r));
    else out.set(k, [make(r)]);
  }
  return out;
}

const made = new WeakMap<readonly Raw[], Map<string, unknown[]>>();

/** The same of rows that are kept: made once for the same list of them. Nothing else may go into what is made. */
function groupedOnce<T>(list: readonly Raw[], key: string, make: (r: Raw) => T): Map<string, T[]> {
  let there = made.get(list) as Map<string, T[]> | undefined;
  if (!there) made.set(list, (there = grouped(list, key, make)));
  return there;
}

export async function loadWorkshop(c: Conn | Pool): Promise<Workshop | undefined> {
  const [w] = await rows<Raw>(c, "SELECT * FROM workshop LIMIT 1");
  if (!w) return undefined;
  return {
    id: text(w.id),
    name: text(w.name),
    zone: text(w.zone),
    latitude: num(w.latitude),
    longitude: num(w.longitude),
    units: w.units as Workshop["units"],
    noiseFrom: w.noise_from as string | null,
    noiseTo: w.noise_to as string | null,
    noiseWeek: w.noise_week === null ? {} : json(w.noise_week),
    noiseConfirmed: text(w.noise_confirmed),
    skinBelowC: num(w.skin_below_c),
    figures: json(w.figures) as Workshop["figures"],
    firstTimes: bool(w.first_times),
    releaseCuts: bool(w.release_cuts),
    yardPlaces: num(w.yard_places),
    yardHas: json(w.yard_has),
    yardWork: bool(w.yard_work),
    shuntMinutes: num(w.shunt_minutes),
    goodsInMinutes: num(w.goods_in_minutes),
    horizonDays: num(w.horizon_days),
    weights: json(w.weights),
    hourRate: num(w.hour_rate),
    currency: text(w.currency),
    house: json(w.house),
    demo: bool(w.demo),
    changes: num(w.changes),
    plannedChanges: num(w.planned_changes),
    staleWhy: w.changes === w.planned_changes ? null : ((w.stale_why as string | null) ?? "something changed"),
    version: num(w.version),
  };
}

/** The whole present state, to be read and not written into. Throws when there is no workshop yet. */
export const loadShop = (c: Conn | Pool): Promise<Shop> => kept(c, "shop", () => readShop(c));

async function readShop(c: Conn | Pool): Promise<Shop> {
  const workshop = await loadWorkshop(c);
  if (!workshop) throw new Error("there is no workshop in this database yet: run ./wide-lane demo, or ./wide-lane start once");
  const part = <T>(name: string, load: (c: Conn | Pool) => Promise<T>) => kept(c, name, () => load(c));
  const [
    calendars,
    bays,
    fitters,
    vans,
    suppliers,
    tools,
    templates,
    leaks,
    fixings,
    members,
    marked,
    practice,
    ghosts,
    times,
    zoneRates,
    weather,
    builds,
  ] = await Promise.all([
    part("calendars", loadCalendars),
    part("bays", loadBays),
    part("fitters", loadFitters),
    part("vans", loadVans),
    part("suppliers", loadSuppliers),
    part("tools", loadTools),
    part("templates", loadTemplates),
    part("leaks", loadLeaks),
    part("fixings", loadFixings),
    part("members", loadFrameParts),
    part("marked", loadMarked),
    part("practice", loadPractice),
    part("ghosts", loadGhosts),
    part("times", loadTimes),
    part("zoneRates", loadZoneRates),
    part("weather", loadWeather),
    part("builds", loadBuilds),
  ]);
  return {
    workshop,
    calendars,
    bays,
    fitters,
    vans,
    suppliers,
    tools,
    templates,
    leaks,
    fixings,
    members,
    marked,
    practice,
    ghosts,
    times,
    zoneRates,
    weather,
    builds: withFigures(builds, workshop.figures),
  };
}

const figured = new WeakMap<readonly BuildRow[], { figures: string; builds: BuildRow[] }>();

/** The builds, each knowing the figures of its house; the same list again as long as neither has changed. */
function withFigures(builds: BuildRow[], figures: Workshop["figures"]): BuildRow[] {
  const key = JSON.stringify(figures);
  const there = figured.get(builds);
  if (there?.figures === key) return there.builds;
  const made = builds.map((b) => ({ ...b, figures }));
  figured.set(builds, { figures: key, builds: made });
  return made;
}

async function loadCalendars(c: Conn | Pool): Promise<CalendarRow[]> {
  const list = await rows<Raw>(c, "SELECT id, name, retired, version FROM calendar ORDER BY id = 'shop' DESC, name");
  const windows = grouped(await rows<Raw>(c, "SELECT * FROM calendar_window ORDER BY weekday, opens"), "calendar_id", (r) => ({
    id: text(r.id),
    weekday: num(r.weekday),
    opens: text(r.opens),
    closes: text(r.closes),
  }));
  const days = grouped(await rows<Raw>(c, "SELECT * FROM calendar_day ORDER BY date, opens"), "calendar_id", (r) => ({
    id: text(r.id),
    date: text(r.date),
    opens: r.opens as string | null,
    closes: r.closes as string | null,
    overtime: bool(r.overtime),
    reason: text(r.reason),
  }));
  return list.map((r) => ({
    id: text(r.id),
    name: text(r.name),
    retired: bool(r.retired),
    version: num(r.version),
    windows: windows.get(text(r.id)) ?? [],
    days: days.get(text(r.id)) ?? [],
  }));
}

const span = (r: Raw) => ({ id: text(r.id), from: fromSql(text(r.starts)), to: fromSql(text(r.ends)), reason: text(r.reason) });

async function loadBays(c: Conn | Pool): Promise<BayRow[]> {
  const list = await rows<Raw>(c, "SELECT * FROM bay ORDER BY retired, seq, name");
  const closures = grouped(await rows<Raw>(c, "SELECT * FROM bay_closure ORDER BY starts"), "bay_id", span);
  const heats = grouped(await rows<Raw>(c, "SELECT * FROM bay_heat ORDER BY starts"), "bay_id", span);
  return list.map((r) => ({
    id: text(r.id),
    name: text(r.name),
    seq: num(r.seq),
    calendarId: r.calendar_id as string | null,
    has: json(r.has),
    tempC: r.temp_c as number | null,
    heatTempC: r.heat_temp_c as number | null,
    heatBy: text(r.heat_by),
    heatHourCost: num(r.heat_hour_cost),
    heatAheadMinutes: num(r.heat_ahead_minutes),
    dayCost: r.day_cost as number | null,
    maxHeightMm: r.max_height_mm as number | null,
    maxLengthMm: r.max_length_mm as number | null,
    retired: bool(r.retired),
    version: num(r.version),
    closures: closures.get(text(r.id)) ?? [],
    heats: heats.get(text(r.id)) ?? [],
  }));
}

async function loadFitters(c: Conn | Pool): Promise<FitterRow[]> {
  const list = await rows<Raw>(c, "SELECT * FROM fitter ORDER BY retired, name");
  const skills = grouped(
    await rows<Raw>(c, "SELECT * FROM fitter_skill ORDER BY level DESC, skill"),
    "fitter_id",
    (r) => [text(r.skill), num(r.level)] as [string, number],
  );
  const tickets = grouped(await rows<Raw>(c, "SELECT * FROM fitter_ticket ORDER BY ticket"), "fitter_id", (r) => ({
    id: text(r.ticket),
    until: r.until as string | null,
  }));
  const absences = grouped(await rows<Raw>(c, "SELECT * FROM absence ORDER BY starts"), "fitter_id", span);
  return list.map((r) => ({
    id: text(r.id),
    name: text(r.name),
    calendarId: text(r.calendar_id),
    retired: bool(r.retired),
    version: num(r.version),
    skills: Object.fromEntries(skills.get(text(r.id)) ?? []),
    tickets: tickets.get(text(r.id)) ?? [],
    nots: json(r.nots),
    absences: absences.get(text(r.id)) ?? [],
  }));
}

async function loadVans(c: Conn | Pool): Promise<VanRow[]> {
  return (await rows<Raw>(c, "SELECT * FROM van_template WHERE NOT retired ORDER BY name")).map((r) => ({
    id: text(r.id),
    name: text(r.name),
    lengthMm: num(r.length_mm),
    widthMm: num(r.width_mm),
    heightMm: num(r.height_mm),
    wheelbaseMm: num(r.wheelbase_mm),
    insideCrew: num(r.inside_crew),
    geometry: json(r.geometry),
  }));
}

async function loadSuppliers(c: Conn | Pool): Promise<SupplierRow[]> {
  return (await rows<Raw>(c, "SELECT * FROM supplier ORDER BY name")).map((r) => ({
    id: text(r.id),
    name: text(r.name),
    leadBestDays: num(r.lead_best_days),
    leadLikelyDays: num(r.lead_likely_days),
    leadWorstDays: num(r.lead_worst_days),
    retired: bool(r.retired),
    version: num(r.version),
  }));
}

async function loadTools(c: Conn | Pool): Promise<ToolRow[]> {
  return (await rows<Raw>(c, "SELECT * FROM tool ORDER BY name")).map((r) => ({
    id: text(r.id),
    name: text(r.name),
    pieces: num(r.pieces),
    state: r.state as ToolRow["state"],
    note: text(r.note),
    held: bool(r.held),
    opens: r.opens as string | null,
    closes: r.closes as string | null,
    hadFrom: r.had_from as string | null,
    hadUntil: r.had_until as string | null,
    floorMm: r.floor_mm as number | null,
    lengthMm: r.length_mm as number | null,
    outfeedMm: r.outfeed_mm as number | null,
    hourCost: r.hour_cost === null ? null : num(r.hour_cost),
    version: num(r.version),
  }));
}

async function loadWeather(c: Conn | Pool): Promise<WeatherRow[]> {
  return (await rows<Raw>(c, "SELECT * FROM weather_day ORDER BY date")).map((r) => ({
    date: text(r.date),
    sunrise: text(r.sunrise),
    sunset: text(r.sunset),
    dry: json(r.dry),
    lowC: num(r.low_c),
    highC: num(r.high_c),
    windMs: r.wind_ms as number | null,
  }));
}

async function loadBuilds(c: Conn | Pool): Promise<BuildRow[]> {
  const list = await rows<Raw>(c, "SELECT * FROM build WHERE state = 'active' ORDER BY due, id");
  const [jobs, records, readings, sheets] = await Promise.all([
    loadJobs(c),
    kept(c, "records", () => loadRecords(c)),
    kept(c, "readings", () => loadReadings(c)),
    kept(c, "sheets", () => loadSheets(c)),
  ]);
  return list.map((r) => ({
    id: text(r.id),
    name: text(r.name),
    client: text(r.client),
    purpose: text(r.purpose),
    vanId: text(r.van_template_id),
    arrives: fromSql(text(r.arrives)),
    due: fromSql(text(r.due)),
    weight: num(r.weight),
    options: completeOptions(json(r.options)),
    openChoices: json(r.open_choices),
    libraryVersion: r.library_version as number | null,
    records: records.get(text(r.id)) ?? [],
    sheets: sheets.filter((x) => x.buildId === r.id),
    readings: readings.get(text(r.id)) ?? [],
    at: r.at_place as string | null,
    atSince: fromSqlOrNull(r.at_since as string | null),
    state: text(r.state),
    version: num(r.version),
    jobs: jobs.get(text(r.id)) ?? [],
  }));
}

const OF_ACTIVE = "JOIN build b ON b.id = x.build_id AND b.state = 'active'";

async function loadRecords(c: Conn | Pool): Promise<Map<string, BuildRecord[]>> {
  const [list, photos] = await Promise.all([
    rows<Raw>(c, `SELECT x.* FROM record x ${OF_ACTIVE} ORDER BY x.said_at DESC, x.id DESC`),
    rows<Raw>(c, "SELECT record_id, sha256, shows FROM record_photo ORDER BY taken_at, sha256"),
  ]);
  const of = grouped(photos, "record_id", (r) => ({ sha: text(r.sha256), shows: r.shows as string | null }));
  return grouped(
    list,
    "build_id",
    (r) =>
      ({
        id: text(r.id),
        kind: r.kind,
        jobId: r.job_id,
        title: text(r.title),
        data: json(r.data),
        saidBy: text(r.said_by),
        saidAt: fromSql(text(r.said_at)),
        closedAt: fromSqlOrNull(r.closed_at as string | null),
        version: num(r.version),
        photos: (of.get(text(r.id)) ?? []).map((p) => p.sha),
        shows: (of.get(text(r.id)) ?? []).map((p) => p.shows),
      }) as BuildRecord,
  );
}

async function loadReadings(c: Conn | Pool): Promise<Map<string, ReadingRow[]>> {
  const list = await rows<Raw>(c, `SELECT x.* FROM van_reading x ${OF_ACTIVE} ORDER BY x.name`);
  return grouped(list, "build_id", (r) => ({
    name: text(r.name),
    mm: num(r.mm),
    againMm: r.again_mm as number | null,
    readBy: text(r.read_by),
    readAt: fromSql(text(r.read_at)),
  }));
}

/** Who is on a job, or was; without those let go while it runs. */
function peopleOf(who: readonly { fitter: string; helper: boolean; freedAt: number | null }[], done: boolean) {
  const helpers = who.filter((w) => w.helper).map(({ fitter, freedAt }) => ({ fitter, freedAt }));
  return {
    fitters: who.filter((w) => done || w.freedAt === null).map((w) => w.fitter),
    ...(helpers.length ? { helpers } : {}),
  };
}

const ACTIVE = "JOIN job j ON j.id = x.job_id JOIN build b ON b.id = j.build_id AND b.state = 'active'";

async function loadJobs(c: Conn | Pool): Promise<Map<string, JobRow[]>> {
  const of = (table: string, order: string) => rows<Raw>(c, `SELECT x.* FROM ${table} x ${ACTIVE} ORDER BY ${order}`);
  const [list, crew, who, pins, steps, after, covers, parts, shots, photos, remarks, questions, held, remainders] = await Promise.all([
    rows<Raw>(c, "SELECT x.* FROM job x JOIN build b ON b.id = x.build_id AND b.state = 'active' ORDER BY x.build_id, x.seq"),
    of("job_crew", "x.n"),
    of("job_fitter", "x.fitter_id"),
    of("job_pin_fitter", "x.fitter_id"),
    of("job_step", "x.n"),
    of("job_precedence", "x.after_job_id"),
    of("job_cover", "x.covered_job_id"),
    of("part_line", "x.id"),
    of("proof_shot", "x.n"),
    rows<Raw>(
      c,
      `SELECT p.id, p.proof_shot_id, p.sha256, p.taken_by, p.taken_at, p.look_again, r.verdict, r.reason, r.reviewed_by
       FROM photo p JOIN proof_shot x ON x.id = p.proof_shot_id ${ACTIVE}
       LEFT JOIN photo_review r ON r.photo_id = p.id ORDER BY p.taken_at, p.id`,
    ),
    rows<Raw>(c, `SELECT x.* FROM remark x ${ACTIVE} WHERE x.settled_at IS NULL ORDER BY x.said_at`),
    of("job_question", "x.n"),
    of("job_template", "x.job_id"),
    rows<Raw>(c, `SELECT x.* FROM remainder x ${ACTIVE} WHERE x.closed_at IS NULL ORDER BY x.said_at`),
  ]);
  const by = {
    crew: groupedOnce(crew, "job_id", (r) => ({
      skill: text(r.skill),
      level: num(r.level),
      people: num(r.people),
      ticket: r.ticket as string | null,
    })),
    who: groupedOnce(who, "job_id", (r) => ({
      fitter: text(r.fitter_id),
      helper: bool(r.helper),
      freedAt: fromSqlOrNull(r.freed_at as string | null),
    })),
    pins: groupedOnce(pins, "job_id", (r) => text(r.fitter_id)),
    steps: groupedOnce(steps, "job_id", (r) => ({
      n: num(r.n),
      text: text(r.text),
      does: r.does as string | null,
      doneAt: fromSqlOrNull(r.done_at as string | null),
      doneBy: r.done_by as string | null,
      waivedWhy: r.waived_why as string | null,
    })),
    questions: groupedOnce(questions, "job_id", (r) => ({
      n: num(r.n),
      text: text(r.text),
      answeredAt: fromSqlOrNull(r.answered_at as string | null),
      answeredBy: r.answered_by as string | null,
      unsureBy: r.unsure_by as string | null,
    })),
    remainders: groupedOnce(remainders, "job_id", (r) => ({
      id: text(r.id),
      jobId: text(r.job_id),
      text: text(r.text),
      before: r.before_job_id as string | null,
      owner: r.owner_id as string | null,
      saidBy: text(r.said_by),
      saidAt: fromSql(text(r.said_at)),
    })),
    after: groupedOnce(after, "job_id", (r) => ({
      job: text(r.after_job_id),
      lag: num(r.lag_minutes),
      lagKind: r.lag_kind as "elapsed" | "working",
      ignoreHold: bool(r.ignore_hold),
      reason: text(r.reason),
    })),
    covers: groupedOnce(covers, "job_id", (r) => text(r.covered_job_id)),
    parts: groupedOnce(parts, "job_id", partOf),
    photos: groupedOnce(photos, "proof_shot_id", (r) => ({
      id: text(r.id),
      shotId: text(r.proof_shot_id),
      sha256: text(r.sha256),
      takenBy: text(r.taken_by),
      takenAt: fromSql(text(r.taken_at)),
      verdict: r.verdict as PhotoRow["verdict"],
      reason: r.reason as string | null,
      reviewedBy: r.reviewed_by as string | null,
      lookAgain: r.look_again === null ? null : (json(r.look_again) as string[]),
    })),
    remarks: groupedOnce(remarks, "job_id", (r) => ({
      id: text(r.id),
      jobId: text(r.job_id),
      kind: text(r.kind),
      text: text(r.text),
      stopsWork: bool(r.stops_work),
      saidBy: text(r.said_by),
      saidAt: fromSql(text(r.said_at)),
    })),
  };
  const template = groupedOnce(held, "job_id", (r) => ({
    templateId: text(r.template_id),
    by: text(r.ticked_by),
    at: fromSql(text(r.ticked_at)),
  }));
  const shotsBy = shotsWith(shots, photos, (r) => ({
    id: text(r.id),
    n: num(r.n),
    text: text(r.text),
    beforeCloseUp: bool(r.before_close_up),
    version: num(r.version),
    photos: by.photos.get(text(r.id)) ?? [],
  }));
  return grouped(list, "build_id", (r): JobRow => {
    const own = ofRow(r);
    const { id } = own;
    return whole(
      own,
      [...Object.values(by), template, shotsBy].map((m) => m.get(id)),
      () => ({
        ...own,
        pin: { start: fromSqlOrNull(r.pin_start as string | null), place: r.pin_place as string | null, fitters: by.pins.get(id) ?? [] },
        template: template.get(id)?.[0] ?? null,
        crew: by.crew.get(id) ?? [],
        ...peopleOf(by.who.get(id) ?? [], r.state === "done"),
        steps: by.steps.get(id) ?? [],
        questions: by.questions.get(id) ?? [],
        remainders: by.remainders.get(id) ?? [],
        after: by.after.get(id) ?? [],
        covers: by.covers.get(id) ?? [],
        parts: by.parts.get(id) ?? [],
        shots: shotsBy.get(id) ?? [],
        remarks: by.remarks.get(id) ?? [],
      }),
    );
  });
}

const shotsMade = new WeakMap<readonly Raw[], { photos: readonly Raw[]; by: Map<string, ShotRow[]> }>();

/** Shots by job, each with its photos; made once for the same lists of both. */
function shotsWith(shots: readonly Raw[], photos: readonly Raw[], make: (r: Raw) => ShotRow): Map<string, ShotRow[]> {
  let there = shotsMade.get(shots);
  if (there?.photos !== photos) shotsMade.set(shots, (there = { photos, by: grouped(shots, "job_id", make) }));
  return there.by;
}

const wholes = new WeakMap<Bare, { of: readonly unknown[]; job: JobRow }>();

/** A job with all that hangs on it; the same again as long as none of that has changed. */
function whole(own: Bare, of: readonly unknown[], make: () => JobRow): JobRow {
  let there = wholes.get(own);
  if (!there || there.of.some((x, i) => x !== of[i])) wholes.set(own, (there = { of, job: make() }));
  return there.job;
}

type Bare = Omit<
  JobRow,
  | "pin"
  | "template"
  | "crew"
  | "fitters"
  | "helpers"
  | "steps"
  | "questions"
  | "remainders"
  | "after"
  | "covers"
  | "parts"
  | "shots"
  | "remarks"
>;

const bare = new WeakMap<Raw, Bare>();

/** What a job's own row says of it; made once for the same row. */
function ofRow(r: Raw): Bare {
  let there = bare.get(r);
  if (!there) bare.set(r, (there = bareJob(r)));
  return there;
}

function bareJob(r: Raw): Bare {
  const id = text(r.id);
  return {
    id,
    buildId: text(r.build_id),
    code: text(r.code),
    stage: text(r.stage),
    name: text(r.name),
    seq: num(r.seq),
    minutes: { best: num(r.best_minutes), likely: num(r.likely_minutes), worst: num(r.worst_minutes) },
    place: r.place as "van" | "bench",
    yardOk: bool(r.yard_ok),
    bayHas: json(r.bay_has),
    zones: json(r.zones),
    needs: {
      dry: bool(r.needs_dry),
      daylight: bool(r.needs_daylight),
      minTempC: r.needs_min_temp_c as number | null,
      maxTempC: r.needs_max_temp_c as number | null,
      metal: bool(r.needs_metal),
      maxWindMs: r.needs_max_wind_ms as number | null,
      noisy: bool(r.noisy),
      sameDay: bool(r.same_day),
    },
    hold: {
      minutes: num(r.hold_minutes),
      still: bool(r.hold_still),
      keepOff: r.hold_keep_off === null ? null : json(r.hold_keep_off),
      minTempC: r.hold_min_temp_c as number | null,
    },
    notBefore: fromSqlOrNull(r.not_before as string | null),
    cautions: json(r.cautions),
    kit: json(r.kit),
    tools: json(r.tools),
    roles: r.roles === null ? shippedRoles(text(r.code)) : json(r.roles),
    tags: json(r.tags),
    means: json(r.means),
    irreversible: r.irreversible as string | null,
    releasedBy: r.released_by as string | null,
    releasedAt: fromSqlOrNull(r.released_at as string | null),
    pieces:
      r.pieces === null
        ? null
        : { name: text(r.piece_name), count: num(r.pieces), done: num(r.pieces_done), first: r.first_piece_asked === 1 },
    firstPiece:
      r.first_piece_at === null
        ? null
        : { by: r.first_piece_by as string | null, at: fromSql(r.first_piece_at as string), read: text(r.first_piece_read) },
    timeBox: num(r.time_box),
    ...(r.maker_minutes === null ? {} : { makerMinutes: num(r.maker_minutes) }),
    setOut: json(r.set_out),
    faults: json(r.faults),
    undecided: json(r.undecided),
    leaves: json(r.leaves),
    state: r.state as JobState,
    startedAt: fromSqlOrNull(r.started_at as string | null),
    runningSince: fromSqlOrNull(r.running_since as string | null),
    workedMinutes: num(r.worked_minutes),
    endedAt: fromSqlOrNull(r.ended_at as string | null),
    actualPlace: r.actual_place as string | null,
    byOthers: r.by_others as string | null,
    ...(r.own_best === null
      ? {}
      : { own: { best: num(r.own_best), likely: num(r.own_likely), worst: num(r.own_worst), hold: num(r.own_hold) } }),
    ...(r.extra === null ? {} : { extra: r.extra as string }),
    version: num(r.version),
  };
}

function partOf(r: Raw): PartRow {
  return {
    id: text(r.id),
    jobId: text(r.job_id),
    name: text(r.name),
    quantity: num(r.quantity),
    unit: text(r.unit),
    supplierId: text(r.supplier_id),
    state: r.state as PartState,
    promisedAt: fromSqlOrNull(r.promised_at as string | null),
    firstPromisedAt: fromSqlOrNull(r.first_promised_at as string | null),
    arrivedAt: fromSqlOrNull(r.arrived_at as string | null),
    checkedAt: fromSqlOrNull(r.checked_at as string | null),
    price: num(r.price),
    shelf: text(r.shelf),
    note: text(r.note),
    cutOut: r.cut_out === null ? null : (json(r.cut_out) as PartRow["cutOut"]),
    contents: json(r.contents) as string[],
    ...(r.setout_sheet_id === null ? {} : { ruled: { sheet: text(r.setout_sheet_id), own: r.own_quantity as number | null } }),
    sampleDays: num(r.sample_days),
    version: num(r.version),
  };
}
