// Other choices in mid-build: what comes, what goes, what changes, and which finished work would have to be opened again.

import type { JobRow } from "../state/model";
import { isExtra } from "./extra-work";

export interface OptionChange {
  /** New jobs, not begun. */
  added: JobRow[];
  /** Jobs not begun that fall away. */
  dropped: JobRow[];
  /** Jobs not begun whose content becomes another; `next` is the whole new row. */
  changed: { old: JobRow; next: JobRow; minutes: number }[];
  /** Jobs not begun that wait for others than before. */
  moved: { job: JobRow; waitsFor: string[]; noLonger: string[] }[];
  /** Begun or done, but not wanted any more: it stays as it is, the work is lost or has to be taken back by hand. */
  lost: JobRow[];
  /** Done or under way, but lies over something that is now to come: it is opened and closed again, as a job of its own. */
  reopened: { old: JobRow; again: JobRow; because: string[] }[];
  /** All jobs as they will be. */
  jobs: JobRow[];
  /** Likely minutes of work more (or less), with what is opened again. */
  minutes: number;
  /** Parts more (or less), in money. */
  cost: number;
  /** Money in parts already ordered or here that fall away. */
  wasted: number;
}

const begun = (j: JobRow) => j.state !== "todo";
const partsOf = (j: JobRow) => j.parts.reduce((n, p) => n + p.quantity * p.price, 0);

/** What of a job the choices decide; not its state, its parts' state or its photos. */
const content = (j: JobRow) => ({
  name: j.name,
  minutes: j.minutes,
  place: j.place,
  yardOk: j.yardOk,
  bayHas: j.bayHas,
  zones: j.zones,
  needs: j.needs,
  hold: j.hold,
  crew: j.crew,
  cautions: j.cautions,
  kit: j.kit,
  pieces: j.pieces && [j.pieces.name, j.pieces.count],
  steps: j.steps.map((s) => s.text),
  questions: j.questions.map((q) => q.text),
  parts: j.parts.map((p) => [p.name, p.quantity, p.unit]),
  shots: j.shots.map((s) => [s.text, s.beforeCloseUp]),
});

/**
 * Compares a build's jobs with the network that other choices make. Facts stay facts: what is begun is
 * never changed. A finished job that in the new network comes after a new one, in the same place, is
 * taken to lie over it: it gets a twin (code + "r") that opens and closes it again, with its own hours,
 * photos and questions, and everything still to come that waited for it waits for the twin too.
 */
export function changeOptions(now: readonly JobRow[], wanted: readonly JobRow[]): OptionChange {
  const old = new Map(now.map((j) => [j.id, j]));
  const next = new Map(wanted.map((j) => [j.id, j]));
  const again = now.filter((j) => !next.has(j.id) && (/r\d*$/.test(j.code) || isExtra(j)));
  const stays = new Set(again.map((j) => j.id));
  const added = wanted.filter((j) => !old.has(j.id));
  const gone = now.filter((j) => !next.has(j.id) && !again.includes(j));
  const dropped = gone.filter((j) => !begun(j));
  const lost = gone.filter(begun);

  const reopened = reopen(added, now, wanted);
  const twins = reopened.map((r) => r.again);
  const twinOf = new Map(reopened.map((r) => [r.old.id, r.again.id]));

  const changed: OptionChange["changed"] = [];
  const moved: OptionChange["moved"] = [];
  const jobs: JobRow[] = [];
  for (const w of wanted) {
    const was = old.get(w.id);
    const twinned = withTwins(w, twinOf, new Set(twins.map((t) => t.id)));
    // What waited for work that no choice asks for still does.
    const after = { ...twinned, after: [...twinned.after, ...(was?.after.filter((a) => stays.has(a.job)) ?? [])] };
    if (!was) {
      jobs.push(after);
      continue;
    }
    if (begun(was)) {
      jobs.push(was);
      continue;
    }
    const kept = keep(was, after);
    jobs.push(kept);
    if (JSON.stringify(content(was)) !== JSON.stringify(content(w)))
      changed.push({ old: was, next: kept, minutes: w.minutes.likely - was.minutes.likely });
    const a = new Set(was.after.map((x) => x.job));
    const b = new Set(kept.after.map((x) => x.job));
    const name = (id: string) => next.get(id)?.name ?? twins.find((t) => t.id === id)?.name ?? id;
    const waitsFor = [...b].filter((x) => !a.has(x) && (old.has(x) || twins.some((t) => t.id === x))).map(name);
    const noLonger = [...a].filter((x) => !b.has(x) && next.has(x)).map(name);
    if (waitsFor.length || noLonger.length) moved.push({ job: kept, waitsFor, noLonger });
  }
  // What was opened again by an earlier change, and what is lost, stays among the build's jobs.
  const left = new Set([...jobs, ...again, ...lost, ...twins].map((j) => j.id));
  jobs.push(...again.map((j) => ({ ...j, after: j.after.filter((a) => left.has(a.job)) })), ...lost, ...twins);
  const sum = (list: readonly JobRow[], f: (j: JobRow) => number) => list.reduce((n, j) => n + f(j), 0);
  const likely = (j: JobRow) => j.minutes.likely;
  return {
    added,
    dropped,
    changed,
    moved,
    lost,
    reopened,
    jobs,
    minutes: sum(added, likely) - sum(dropped, likely) + changed.reduce((n, c) => n + c.minutes, 0) + sum(twins, likely),
    cost: Math.round(sum(added, partsOf) - sum(dropped, partsOf) + changed.reduce((n, c) => n + partsOf(c.next) - partsOf(c.old), 0)),
    wasted: Math.round(
      [...dropped, ...lost].flatMap((j) => j.parts).reduce((n, p) => n + (p.state === "needed" ? 0 : p.quantity * p.price), 0),
    ),
  };
}

/** Jobs over something new: done, later in the new order, and in the same place or closing it up. */
function reopen(added: readonly JobRow[], now: readonly JobRow[], wanted: readonly JobRow[]): OptionChange["reopened"] {
  const next = new Map(wanted.map((j) => [j.id, j]));
  const before = new Map<string, Set<string>>();
  const ancestors = (id: string): Set<string> => {
    const known = before.get(id);
    if (known) return known;
    const set = new Set<string>();
    before.set(id, set);
    for (const a of next.get(id)?.after ?? []) {
      set.add(a.job);
      for (const b of ancestors(a.job)) set.add(b);
    }
    return set;
  };
  const codes = new Set(now.map((j) => j.code));
  return now.flatMap((j) => {
    if (!begun(j) || !next.has(j.id)) return [];
    const over = added.filter(
      (a) =>
        a.place === "van" &&
        ancestors(j.id).has(a.id) &&
        (next.get(j.id)!.covers.includes(a.id) || a.zones.some((z) => j.zones.includes(z))),
    );
    if (!over.length || j.place === "bench") return [];
    let code = `${j.code}r`;
    for (let n = 2; codes.has(code); n++) code = `${j.code}r${n}`;
    const id = `${j.buildId}.${code}`;
    const twin: JobRow = {
      ...next.get(j.id)!,
      id,
      code,
      name: `${j.name}: opened again`.slice(0, 160),
      parts: [],
      shots: next.get(j.id)!.shots.map((s, i) => ({ ...s, id: `${id}.shot${i + 1}`, photos: [] })),
      after: over.map((a) => ({
        job: a.id,
        lag: 0,
        lagKind: "elapsed" as const,
        ignoreHold: false,
        reason: `${a.name} came after it was done`,
      })),
      covers: [],
    };
    return [{ old: j, again: twin, because: over.map((a) => a.name) }];
  });
}

/** A job not begun waits for the twin of what it waited for. */
function withTwins(j: JobRow, twinOf: ReadonlyMap<string, string>, twins: ReadonlySet<string>): JobRow {
  if (twins.has(j.id)) return j;
  const more = j.after.flatMap((a) => {
    const twin = twinOf.get(a.job);
    return twin ? [{ ...a, job: twin, reason: "it was opened again" }] : [];
  });
  return more.length ? { ...j, after: [...j.after, ...more] } : j;
}

/** The wanted content with what already happened to the job: pins, photos, orders, remarks, answers. */
function keep(was: JobRow, wanted: JobRow): JobRow {
  const partBy = new Map(was.parts.map((p) => [p.name, p]));
  const shotBy = new Map(was.shots.map((s) => [s.text, s]));
  const answered = new Map(was.questions.map((q) => [q.text, q]));
  const names = new Set(wanted.parts.map((p) => p.name));
  const taken = new Set(was.parts.map((p) => p.id));
  let n = 0;
  const free = () => {
    do n++;
    while (taken.has(`${was.id}.part${n}`));
    return `${was.id}.part${n}`;
  };
  const parts = [
    ...wanted.parts.map((p) => {
      const have = partBy.get(p.name);
      // An order that is out keeps its quantity; a line not ordered takes the new one.
      return have
        ? { ...have, quantity: have.state === "needed" ? p.quantity : have.quantity }
        : { ...p, id: free(), supplierId: p.supplierId };
    }),
    // What is ordered or here stays, to be sent back or kept.
    ...was.parts.filter((p) => !names.has(p.name) && p.state !== "needed"),
  ];
  return {
    ...wanted,
    notBefore: was.notBefore,
    pin: was.pin,
    version: was.version,
    remarks: was.remarks,
    remainders: was.remainders,
    questions: wanted.questions.map((q) => ({ ...q, ...pick(answered.get(q.text)) })),
    parts,
    shots: wanted.shots.map((s) => ({ ...s, photos: shotBy.get(s.text)?.photos ?? [] })),
  };
}

const pick = (q: JobRow["questions"][number] | undefined) =>
  q ? { answeredAt: q.answeredAt, answeredBy: q.answeredBy, unsureBy: q.unsureBy } : {};
