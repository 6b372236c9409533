// Reads the jobs of active builds with all that hangs on them; what no change has touched is the same again.

import type { Pool } from "mysql2/promise";
import { shippedRoles } from "@/core/library/library";
import type { JobRow, JobState, PartRow, PartState, PhotoRow, ShotRow } from "@/core/workshop/state/model";
import { type Conn, fromSql, fromSqlOrNull, rows } from "../pool";
import { bool, grouped, groupedOnce, json, num, type Raw, text } from "../raw";

function peopleOf(who: readonly { fitter: string; helper: boolean; freedAt: number | null }[], done: boolean) {
  const helpers = who.filter((w) => w.helper).map(({ fitter, freedAt }) => ({ fitter, freedAt }));
  return {
    fitters: who.filter((w) => done || w.freedAt === null).map((w) => w.fitter),
    ...(helpers.length ? { helpers } : {}),
  };
}

const ACTIVE = "JOIN job j ON j.id = x.job_id JOIN build b ON b.id = j.build_id AND b.state = 'active'";

/** The jobs of active builds, by build. */
export async function loadJobs(c: Conn | Pool): Promise<Map<string, JobRow[]>> {
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
