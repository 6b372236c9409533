// What the papers of a build ask the lead to decide: swarf before the night, a refused protection, a consent before its cut, damage
// that nobody explains, a kit that is short for tomorrow.

import type { PlanJob } from "../../plan/model";
import { sayClock } from "../../plan/words";
import { DAY, type Minute, type Zone } from "../../time/zone";
import { datedDamage } from "../bare-body/walk-rounds";
import type { Decision } from "../builds/decisions";
import { consentBefore } from "../client/consent";
import { hotWorkOpen } from "../openings/hot-work";
import { opensSkin } from "../openings/skin";
import { figure } from "../state/house-figures";
import type { BuildRow, JobRow, Shop } from "../state/model";
import { count } from "../state/say";
import { kitLines, kitOpen } from "../stores/kit";
import { leftOutToday } from "../today/left-out";
import { entriesOf } from "./kinds/of";
import { waitDecisions } from "./waits";

interface Look {
  shop: Shop;
  zone: Zone;
  now: Minute;
  planned: ReadonlyMap<string, PlanJob>;
  /** Midnight at the end of today. */
  night: Minute;
}

export function paperDecisions(x: Look, b: BuildRow): Decision[] {
  const base = { kind: "opening" as const, buildId: b.id };
  const out: Decision[] = [];
  const refused = (title: string, detail: string, jobId: string | null) =>
    out.push({ ...base, mark: "!", tone: "signal", who: b.name, title, detail, by: null, ...(jobId ? { jobId } : {}) });
  for (const r of entriesOf(b.records, "sparks")) {
    const open = r.data.stamps?.last ? hotWorkOpen(x.shop, r.data, x.now, x.zone) : [];
    if (open.length)
      out.push({
        ...base,
        mark: "S",
        tone: "amber",
        who: b.name,
        title: `Swarf of ${r.title}`,
        detail: `${open.join("; ")}: chips rust in the paint overnight, the van stays where it is`,
        by: x.night,
        ...(r.jobId ? { jobId: r.jobId } : {}),
      });
    if (r.data.refused && r.closedAt === null) refused(`Protection refused: ${r.title}`, r.data.refused, null);
  }
  for (const d of datedDamage(x.shop, b))
    if (d.unexplained && d.mark.closedAt === null && d.before)
      out.push({
        ...base,
        mark: "?",
        tone: "amber",
        who: b.name,
        title: `${d.mark.title} is not explained`,
        detail: d.between.length
          ? `worked there since it was last seen whole: ${andMore(d.between.map((w) => `${w.name} (${w.who})`))}`
          : "nobody worked there between the two views",
        by: x.night,
      });
  for (const r of entriesOf(b.records, "gear"))
    if (r.data.refused && r.closedAt === null) refused(`Gear not worn: ${r.title}`, r.data.refused, r.jobId);
  out.push(...waitDecisions(x, b));
  for (const s of leftOutToday(b, x.now, x.zone))
    out.push({
      kind: "left-out",
      mark: "–",
      tone: "ink",
      who: b.name,
      title: `Left out: ${s.step}`,
      detail: `${s.job.name}: ${s.why}`,
      by: x.night,
      buildId: b.id,
      jobId: s.job.id,
    });
  for (const j of b.jobs) out.push(...ofJob(x, b, j));
  return out;
}

/** The last three, and how many before them. */
const andMore = (list: readonly string[]): string =>
  `${list.slice(-3).join(", ")}${list.length > 3 ? ` and ${list.length - 3} before` : ""}`;

function ofJob(x: Look, b: BuildRow, j: JobRow): Decision[] {
  const p = x.planned.get(j.id);
  if (!p || j.state !== "todo") return [];
  const start = x.zone.parse(p.start);
  const base = { kind: "opening" as const, tone: "amber" as const, who: b.name, buildId: b.id, jobId: j.id };
  const out: Decision[] = [];
  const consent = start < x.now + figure(x.shop, "consentAhead") * DAY ? consentBefore(b, j)[0] : undefined;
  if (consent) out.push({ ...base, mark: "C", title: `Consent before ${j.name}`, detail: consent, by: start });
  // The kit of what opens the skin is counted the evening before.
  const counted = opensSkin(j) && start >= x.now && start < x.night + DAY ? kitLines(x.shop, b, j, x.now) : [];
  const short = kitOpen(counted);
  if (short.length)
    out.push({
      ...base,
      mark: "K",
      title: `Kit of ${j.name}, from ${x.zone.dayOf(start) === x.zone.dayOf(x.now) ? "" : "tomorrow "}${sayClock(x.zone, start)}`,
      detail: `${count(short.length, "line")} of ${counted.length} short or not counted: ${short
        .slice(0, 3)
        .map((l) => (l.short ? `${l.what} (${l.short})` : l.what))
        .join("; ")}`,
      by: Math.min(start, x.night),
    });
  return out;
}
