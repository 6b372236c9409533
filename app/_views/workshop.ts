// Fills the workshop view.

import type { IdleCause } from "@/core/lanes/idle";
import { skillLoad } from "@/core/lanes/skill-load";
import type { Entry } from "@/core/library/library";
import { sayDay, sayTime } from "@/core/plan/words";
import { openHours } from "@/core/time/calendar";
import { OpenSet } from "@/core/time/openset";
import { type BayStands, bayStands } from "@/core/workshop/builds/bay-stands";
import { calendarData } from "@/core/workshop/builds/left";
import { soleSkills } from "@/core/workshop/planning/sole-skills";
import { heatCost, heatUsers } from "@/core/workshop/starts/heat";
import { machineHours, machineWords } from "@/core/workshop/starts/machine-hours";
import { inUse } from "@/core/workshop/starts/tools";
import type { BayRow, Span } from "@/core/workshop/state/model";
import { sayMinutes } from "@/core/workshop/state/say";
import { partsBySupplier } from "@/core/workshop/stores/by-supplier";
import { saySupplier, supplierRecord } from "@/core/workshop/stores/supplier-record";
import { accessAndBackups, allUsers } from "@/server/access/people";
import type { State } from "@/server/planning/planning";
import { diskFree, LOW_DISK } from "@/server/running/disk";
import type { WorkshopView } from "@/ui/workshop/view";

const WEEKS = 5;

/** Skills of the weeks to come, by the plan that is worked to. */
function skillsOf({ shop, zone, now, published, working }: State): WorkshopView["load"] {
  const plan = (working ?? published)?.plan;
  if (!plan) return [];
  const today = zone.dayOf(now);
  const monday = today - ((today + 3) % 7);
  const weeks = Array.from({ length: WEEKS + 1 }, (_, i) => Math.max(now, zone.dayStart(monday + 7 * i)));
  const jobs = new Map(shop.builds.flatMap((b) => b.jobs.map((j) => [j.id, j] as const)));
  const asks = plan.jobs.flatMap((p) => {
    const j = jobs.get(p.id);
    if (!j || j.state === "done") return [];
    const work = (p.work ?? [[p.start, p.end]]).map(([a, z]) => [zone.parse(a), zone.parse(z)] as const);
    return j.crew.map((c) => ({ skill: c.skill, level: c.level, people: c.people, work }));
  });
  const last = zone.dayOf(weeks[WEEKS]) + 1;
  const gives = shop.fitters
    .filter((f) => !f.retired)
    .map((f) => {
      const row = shop.calendars.find((c) => c.id === f.calendarId);
      const open = row ? openHours(zone, calendarData(row), today - 1, last).open : OpenSet.of([]);
      return { skills: f.skills, open: open.without(f.absences.map((a): [number, number] => [a.from, a.to])) };
    });
  return skillLoad(weeks, asks, gives).map((s) => ({ ...s, weeks: s.weeks.map((w) => ({ ...w, week: sayDay(zone, w.from) })) }));
}

/** What stands idle in a bay in the weeks ahead, in words. */
function standsWords({ shop, zone }: State, stands: BayStands | undefined): WorkshopView["bays"][number]["stands"] {
  if (!stands) return null;
  const name = (id: string) => shop.builds.find((b) => b.id === id)?.name ?? id;
  return {
    sums: stands.sums.map((s) => `${sayMinutes(s.minutes)} ${IDLE_WORDS[s.cause]}`),
    long: stands.long.map((i) => `${name(i.build)}, ${sayTime(zone, i.from)} to ${sayTime(zone, i.to)}: ${i.text || IDLE_WORDS[i.cause]}`),
    asked: stands.asked.map(name),
  };
}

const IDLE_WORDS: Record<IdleCause, string> = {
  cure: "for a cure",
  away: "for somebody away",
  people: "for people on other work",
  tools: "for a tool",
  parts: "for parts",
  weather: "for weather or light",
  photos: "for photos",
  "bench work": "for bench work",
  date: "in between",
};

/** What heating costs, and which jobs stop or cure longer without it. */
function heatWords({ shop, zone, published, working }: State, bay: BayRow, slot: Span): string {
  const plan = (working ?? published)?.plan;
  const users = plan ? heatUsers(shop, plan, bay.id, slot, zone) : [];
  const named = users.map((j) => `${j.name} (${shop.builds.find((b) => b.id === j.buildId)!.name})`);
  const cost = bay.heatHourCost ? `${heatCost(bay, slot)} ${shop.workshop.currency} · ` : "";
  return `to ${bay.heatTempC} °C, allowed by ${bay.heatBy} · ${cost}${named.length ? `without it these wait or cure longer: ${named.join(", ")}` : "no planned work needs it"}`;
}

export async function workshopView(state: State, jobs: readonly Entry[]): Promise<WorkshopView> {
  const { shop, zone, now, published, working } = state;
  const w = shop.workshop;
  const today = zone.show(now).slice(0, 10);
  const using = inUse(shop, now);
  const plan = (working ?? published)?.plan;
  const stands = plan && bayStands(shop, plan, now);
  const [access, free] = await Promise.all([accessAndBackups(), diskFree()]);
  const only = soleSkills(shop, (published ?? working)?.plan, now);
  const bySupplier = partsBySupplier(shop);
  const records = shop.builds.flatMap((b) => b.records);
  const all = shop.builds.flatMap((b) => b.jobs);
  const nameOf = new Map(shop.builds.map((b) => [b.id, b.name]));
  const asked = jobs.flatMap((j) => j.crew.map((c) => c.skill)).filter((s) => s !== "any");
  return {
    zone: w.zone,
    now,
    workshop: {
      version: w.version,
      name: w.name,
      zone: w.zone,
      yardPlaces: w.yardPlaces,
      shuntMinutes: w.shuntMinutes,
      goodsInMinutes: w.goodsInMinutes,
      noiseFrom: w.noiseFrom,
      noiseTo: w.noiseTo,
      noiseWeek: w.noiseWeek,
      noiseConfirmed: w.noiseConfirmed,
      skinBelowC: w.skinBelowC,
      firstTimes: w.firstTimes,
      releaseCuts: w.releaseCuts,
      house: w.house,
      figures: w.figures,
      hourRate: w.hourRate,
      currency: w.currency,
    },
    bays: shop.bays.map(({ closures: _c, heats: _h, seq: _s, calendarId: _k, ...b }) => ({
      ...b,
      stands: standsWords(state, stands?.get(b.id)),
    })),
    fitters: shop.fitters.map(({ absences: _a, ...f }) => ({
      ...f,
      nots: f.nots,
      tickets: f.tickets.map((t) => ({ ...t, expired: !!t.until && t.until < today })),
      only: only
        .filter((o) => o.fitterId === f.id)
        .map((o) => {
          const when = o.next.at === null ? "" : `, ${sayDay(zone, o.next.at)}`;
          const train = o.train ? `; ${o.train} could learn it there` : "; nobody is learning it yet";
          return `${o.what}: ${o.jobs} ${o.jobs === 1 ? "job" : "jobs"}, next ${o.next.name} (${o.next.build}${when})${train}`;
        }),
    })),
    load: skillsOf(state),
    calendars: shop.calendars,
    spans: [
      ...shop.fitters.flatMap((f) => f.absences.map((a) => ({ ...a, who: f.name, ownerId: f.id, kind: "absence" as const }))),
      ...shop.bays.flatMap((b) => b.closures.map((a) => ({ ...a, who: b.name, ownerId: b.id, kind: "closure" as const }))),
      ...shop.bays.flatMap((b) =>
        b.heats.map((a) => ({ ...a, who: b.name, ownerId: b.id, kind: "heat" as const, about: heatWords(state, b, a) })),
      ),
    ]
      .filter((s) => s.to > now - 1440)
      .sort((a, b) => a.from - b.from),
    users: (await allUsers()).map((u) => ({
      id: u.id,
      version: u.version,
      login: u.login,
      name: u.name,
      role: u.role,
      fitterId: u.fitterId,
      retired: u.retired,
      second: u.second,
    })),
    audit: access.audit,
    safekeeping: access.safekeeping,
    diskLow: free !== undefined && free < LOW_DISK ? `${Math.round(free / 1e6)} MB` : null,
    suppliers: shop.suppliers.map((s) => {
      const record = supplierRecord(bySupplier.get(s.id) ?? [], s.id, records);
      return { ...s, open: record.open, record: saySupplier(record) };
    }),
    tools: shop.tools.map((t) => {
      const mine = all.filter((j) => j.tools.includes(t.name));
      return {
        ...t,
        says: machineWords(t, zone),
        ahead: machineHours(t, mine, plan, zone),
        users: using.get(t.id)!.map((j) => `${j.name} (${nameOf.get(j.buildId)})`),
        jobs: mine.filter((j) => j.state !== "done").length,
      };
    }),
    templates: shop.templates,
    vans: shop.vans.map(({ id, name }) => ({ id, name })),
    served: jobs.filter((j) => j.roles?.includes("by-template")).map(({ code, name }) => ({ code, name })),
    skills: [...new Set([...asked, ...shop.fitters.flatMap((f) => Object.keys(f.skills))])].sort(),
    weather: shop.weather
      .filter((d) => d.date >= today)
      .map((d) => ({ ...d, dry: d.dry.map(([a, b]) => `${a} to ${b}`).join(", ") || "none" })),
  };
}
