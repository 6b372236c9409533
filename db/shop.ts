// Reads the whole present state of the workshop: settings, people, active builds with all that hangs on their jobs.

import type { Pool } from "mysql2/promise";
import { completeOptions } from "@/core/library/options";
import type { BuildRecord } from "@/core/workshop/records/records";
import type { BuildRow, ReadingRow, Shop, Workshop } from "@/core/workshop/state/model";
import { loadLeaks } from "./house/leaks";
import { loadTemplates } from "./house/templates";
import { kept } from "./kept";
import { type Conn, fromSql, fromSqlOrNull, rows } from "./pool";
import { bool, grouped, json, num, type Raw, text } from "./raw";
import { loadSheets } from "./sheets/setout";
import { loadFixings, loadFrameParts, loadGhosts, loadMarked, loadPractice, loadTimes, loadZoneRates } from "./state/history";
import { loadBays, loadCalendars, loadFitters, loadSuppliers, loadTools, loadVans, loadWeather } from "./state/load-house";
import { loadJobs } from "./state/load-jobs";

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
