// Fills the pages of builds: the list, and one build from all sides.

import { sayDay, sayTime } from "@/core/plan/words";
import { buildDates } from "@/core/shop/dates";
import { workedMinutes } from "@/core/shop/left";
import type { BuildRow, JobRow, Shop } from "@/core/shop/model";
import { stageProgress } from "@/core/shop/progress";
import { obstacles } from "@/core/shop/ready";
import { crewNames, placeName, sayMinutes } from "@/core/shop/say";
import { buildLog } from "@/server/log-lines";
import type { State } from "@/server/planning";
import type { BuildCard, BuildView, SheetJob } from "@/ui/build/view";
import { stageOf } from "@/ui/kit/stage";
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

export function optionWords(o: BuildRow["options"]): string[] {
  return [
    o.windows === 0 ? "no side windows" : `${o.windows} side ${o.windows === 1 ? "window" : "windows"}`,
    ...(["fan", "solar", "swivels", "gas", "heater"] as const)
      .filter((k) => o[k])
      .map((k) => ({ fan: "roof fan", solar: "solar", swivels: "swivel seats", gas: "gas", heater: "heater" })[k]),
    o.firstFix === "services-first" ? "cables and pipes before insulation" : "insulation before cables and pipes",
  ];
}

export async function buildView(state: State, id: string, userNames: ReadonlyMap<string, string>): Promise<BuildView | undefined> {
  const { shop, zone, now } = state;
  const b = shop.builds.find((x) => x.id === id);
  if (!b) return undefined;
  const plan = state.working?.plan;
  const planned = new Map((plan?.jobs ?? []).map((j) => [j.id, j]));
  const byId = new Map(b.jobs.map((j) => [j.id, j]));
  const anywhere = new Map(shop.builds.flatMap((x) => x.jobs.map((job) => [job.id, { job, build: x.name }] as const)));
  const chain = plan?.builds.find((x) => x.id === id)?.chain ?? [];
  const started = b.jobs.filter((j) => j.state === "started" && j.place === "van");
  return {
    zone: shop.workshop.zone,
    now,
    id,
    version: b.version,
    name: b.name,
    client: b.client,
    purpose: b.purpose,
    vanName: shop.vans.find((v) => v.id === b.vanId)?.name ?? b.vanId,
    van: vanShape(shop, b.vanId),
    marks: started.flatMap((j) =>
      j.zones.map((z) => ({ zone: z, kind: "work" as const, colour: stageOf(j.stage).colour, label: `${j.name} in work` })),
    ),
    where: b.arrives > now && b.at === null ? `comes ${sayDay(zone, b.arrives)}` : where(shop, b),
    arrives: zone.show(b.arrives),
    due: zone.show(b.due),
    weight: b.weight,
    options: optionWords(b.options),
    date: buildDates(shop, plan).find((d) => d.buildId === id)!,
    stages: stageProgress(b),
    jobs: b.jobs.map((j) => sheetJob(state, j, byId, planned.get(j.id), userNames)),
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

function needsOf(shop: Shop, j: JobRow): string[] {
  return [
    j.place === "bench" ? "on the bench" : `on the van${j.yardOk ? ", yard will do" : ""}`,
    ...j.bayHas.map((h) => `bay with ${h}`),
    j.needs.dry && "dry",
    j.needs.daylight && "daylight or lit bay",
    j.needs.minTempC !== null && `${j.needs.minTempC} °C or warmer`,
    j.needs.noisy && `noisy, ${shop.workshop.noiseFrom ?? "any hour"}${shop.workshop.noiseTo ? ` to ${shop.workshop.noiseTo}` : ""}`,
    j.needs.sameDay && "done the day it is begun",
  ].filter((x): x is string => !!x);
}

function sheetJob(
  state: State,
  j: JobRow,
  byId: Map<string, JobRow>,
  p: { start: string; end: string; fitters: string[]; place: string; why?: { text: string }[] } | undefined,
  userNames: ReadonlyMap<string, string>,
): SheetJob {
  const { shop, zone, now } = state;
  const fact = j.state === "done" || j.state === "started";
  const { best, likely, worst } = j.minutes;
  return {
    id: j.id,
    code: j.code,
    stage: j.stage,
    name: j.name,
    state: j.state,
    place: placeName(shop, fact ? (j.actualPlace ?? "yard") : (p?.place ?? (j.place === "bench" ? "bench" : "yard"))),
    from: fact ? j.startedAt : p ? zone.parse(p.start) : null,
    to: j.state === "done" ? j.endedAt : p ? zone.parse(p.end) : null,
    who: crewNames(shop, fact ? j.fitters : (p?.fitters ?? [])),
    needs: needsOf(shop, j),
    hold: j.hold.minutes
      ? `then ${sayMinutes(j.hold.minutes)} untouched${j.hold.still ? ", the van not moved" : ""}${j.state === "done" && j.endedAt! + j.hold.minutes > now ? ` (until ${sayTime(zone, j.endedAt! + j.hold.minutes)})` : ""}`
      : null,
    likely: `${sayMinutes(best)} / ${sayMinutes(likely)} / ${sayMinutes(worst)}`,
    worked: j.state === "todo" ? null : sayMinutes(workedMinutes(shop, j, now)),
    steps: j.steps.map((s) => ({ n: s.n, text: s.text, done: s.doneAt !== null })),
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
    after: j.after.flatMap((a) =>
      byId.get(a.job) ? [{ name: byId.get(a.job)!.name, reason: a.reason, done: byId.get(a.job)!.state === "done" }] : [],
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
