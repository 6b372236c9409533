// A job of a build's network as a job of the shop that nobody has touched yet.

import type { NetworkJob } from "../../library/network";
import type { JobRow } from "./model";

export const jobId = (build: string, code: string): string => `${build}.${code}`;

/** What a job asks decisions for when its library entry says nothing: twice the likely time. */
const TIME_BOX = 2;

/** A job that nobody has begun. */
export const untouched = () => ({
  state: "todo" as const,
  startedAt: null,
  runningSince: null,
  workedMinutes: 0,
  endedAt: null,
  actualPlace: null,
  byOthers: null,
  version: 1,
  fitters: [],
  template: null,
  pin: { start: null, place: null, fitters: [] },
  remarks: [],
  remainders: [],
});

/** Everything of the network's job, under the build's id; nothing done, parts not ordered. */
export function freshJob(build: string, j: NetworkJob, seq: number): JobRow {
  const id = jobId(build, j.code);
  return {
    id,
    buildId: build,
    code: j.code,
    stage: j.stage,
    name: j.name,
    seq,
    minutes: j.minutes,
    place: j.place,
    yardOk: j.yardOk ?? false,
    bayHas: j.bay ?? [],
    zones: j.zones,
    needs: {
      dry: j.needs?.dry ?? false,
      daylight: j.needs?.daylight ?? false,
      minTempC: j.needs?.minTempC ?? null,
      maxTempC: j.needs?.maxTempC ?? null,
      metal: j.needs?.metal ?? false,
      maxWindMs: j.needs?.maxWindMs ?? null,
      noisy: j.needs?.noisy ?? false,
      sameDay: j.needs?.sameDay ?? false,
    },
    hold: {
      minutes: j.hold?.minutes ?? 0,
      still: j.hold?.still ?? false,
      keepOff: j.hold?.keepOff ?? null,
      minTempC: j.hold?.minTempC ?? null,
    },
    notBefore: null,
    cautions: j.cautions,
    kit: j.kit ?? [],
    tools: j.tools ?? [],
    roles: j.roles,
    tags: j.tags ?? [],
    means: j.means,
    irreversible: j.irreversible ?? null,
    releasedBy: null,
    releasedAt: null,
    pieces: j.pieces && { ...j.pieces, done: 0 },
    firstPiece: null,
    timeBox: j.timeBox ?? TIME_BOX,
    ...(j.makerMinutes === undefined ? {} : { makerMinutes: j.makerMinutes }),
    setOut: j.setOut ?? [],
    faults: j.faults ?? [],
    undecided: [],
    leaves: j.remainders.map((r) => ({ text: r.text, before: jobId(build, r.before) })),
    ...untouched(),
    crew: j.crew.map((c) => ({ skill: c.skill, level: c.level ?? 1, people: c.count ?? 1, ticket: c.ticket ?? null })),
    steps: j.steps.map((s, i) => ({ n: i + 1, text: s.text, does: s.does ?? null, doneAt: null, doneBy: null, waivedWhy: null })),
    questions: j.ask.map((text, i) => ({ n: i + 1, text, answeredAt: null, answeredBy: null, unsureBy: null })),
    after: j.after.map((a) => ({
      job: jobId(build, a.job),
      lag: 0,
      lagKind: "elapsed",
      ignoreHold: a.ignoreHold ?? false,
      reason: a.reason,
    })),
    covers: j.covers.map((c) => jobId(build, c)),
    parts: j.parts.map((p, i) => ({
      id: `${id}.part${i + 1}`,
      jobId: id,
      name: p.name,
      quantity: p.quantity,
      unit: p.unit,
      supplierId: p.supplier,
      state: "needed",
      promisedAt: null,
      firstPromisedAt: null,
      arrivedAt: null,
      checkedAt: null,
      price: p.price,
      shelf: "",
      note: "",
      cutOut: null,
      contents: [...p.contents],
      sampleDays: 0,
      version: 1,
    })),
    shots: j.proof.map((p, i) => ({
      id: `${id}.shot${i + 1}`,
      n: i + 1,
      text: p.text,
      beforeCloseUp: p.beforeCloseUp,
      version: 1,
      photos: [],
    })),
  };
}
