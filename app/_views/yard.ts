// Fills the yard from the state of the workshop and the plan that is worked to.

import type { Plan } from "@/core/plan/model";
import { sayClock, sayDay } from "@/core/plan/words";
import { formatDate } from "@/core/time/zone";
import { decisions } from "@/core/workshop/builds/decisions";
import { departureStops, departureTicks } from "@/core/workshop/builds/departure";
import { holdKeeps } from "@/core/workshop/builds/hold-keeps";
import type { OpenChoice } from "@/core/workshop/builds/open-choices";
import type { Delay } from "@/core/workshop/planning/delays";
import { implausibleDates } from "@/core/workshop/planning/implausible-dates";
import { type LostTo, sayLost, withNothing } from "@/core/workshop/planning/lost-time";
import { freeFitters, pullForward } from "@/core/workshop/planning/pull-forward";
import { heatDuties } from "@/core/workshop/starts/heat";
import { noiseWords } from "@/core/workshop/starts/noise";
import { windWords } from "@/core/workshop/starts/wind";
import { buildDates } from "@/core/workshop/state/dates";
import type { BuildRow, JobRow, Shop } from "@/core/workshop/state/model";
import { crewNames, fitterName, initials, placeName } from "@/core/workshop/state/say";
import type { State } from "@/server/planning/planning";
import { stageOf } from "@/ui/kit/stage";
import { near } from "@/ui/kit/time";
import type { ZoneMark } from "@/ui/van/plan";
import type { BenchItem, Spot, Standing, Worker, YardView } from "@/ui/yard/view";
import { vanShape } from "./van";

export function yardView(
  state: State,
  open: ReadonlyMap<string, readonly OpenChoice[]> = new Map(),
  slips: ReadonlyMap<string, Delay> = new Map(),
  lost: readonly { cause: LostTo; minutes: number }[] = [],
): YardView {
  const { shop, zone, now } = state;
  const plan = (state.published ?? state.working)?.plan;
  const working = (state.working ?? state.published)?.plan;
  const planned = new Map((plan?.jobs ?? []).map((j) => [j.id, j]));
  const z = shop.workshop.zone;
  const worker = (id: string): Worker => ({ id, name: fitterName(shop, id), initials: initials(fitterName(shop, id)) });

  const standing = (b: BuildRow): Standing => {
    const started = b.jobs.filter((j) => j.place === "van" && j.state === "started");
    const holds = b.jobs.filter((j) => j.place === "van" && j.state === "done" && j.hold.minutes > 0 && j.endedAt! + j.hold.minutes > now);
    const marks: ZoneMark[] = [
      ...holds.flatMap((j) =>
        holdZones(j).map((zoneName) => ({ zone: zoneName, kind: "hold" as const, colour: "", label: `${j.name} under its hold` })),
      ),
      ...started.flatMap((j) =>
        j.zones.map((zoneName) => ({ zone: zoneName, kind: "work" as const, colour: stageOf(j.stage).colour, label: `${j.name} in work` })),
      ),
    ];
    const next = b.jobs
      .filter((j) => (j.state === "todo" || j.state === "paused") && planned.has(j.id) && j.place === "van")
      .sort((x, y) => planned.get(x.id)!.start.localeCompare(planned.get(y.id)!.start))[0];
    const lines = [
      ...started.map((j) => ({
        jobId: j.id,
        stage: j.stage,
        name: j.name,
        detail: `${crewNames(shop, j.fitters)} · till ${near(z, ends(state, j, plan), now)}`,
      })),
      ...holds.map((j) => ({
        jobId: j.id,
        stage: j.stage,
        name: `${j.name}: hold`,
        detail: `nobody touches it until ${near(z, j.endedAt! + j.hold.minutes, now)} · ${holdKeeps(shop, j, b.at ?? "yard", j.endedAt! + j.hold.minutes - now)}`,
      })),
    ];
    if (!started.length && next) {
      const p = planned.get(next.id)!;
      lines.push({
        jobId: next.id,
        stage: next.stage,
        name: `next: ${next.name}`,
        detail: `${near(z, zone.parse(p.start), now)} in ${placeName(shop, p.place)} with ${crewNames(shop, p.fitters)}`,
      });
    }
    if (!lines.length)
      lines.push({
        jobId: "",
        stage: "",
        name: b.jobs.every((j) => j.state === "done") ? "ready to hand over" : "nothing planned on the van",
        detail: "",
      });
    const still = holds.find((j) => j.hold.still);
    return {
      buildId: b.id,
      name: b.name,
      van: vanShape(shop, b.vanId),
      marks,
      people: [...new Set(started.flatMap((j) => j.fitters))].map(worker),
      lines,
      stuck: started.length
        ? `${started[0].name} is under way`
        : still
          ? `${still.name} cures until ${near(z, still.endedAt! + still.hold.minutes, now)}`
          : null,
      leaving: { ticks: departureTicks(b), stops: departureStops(shop, b, now) },
    };
  };

  const duties = heatDuties(shop, now, zone);
  const spots: Spot[] = shop.bays
    .filter((b) => !b.retired)
    .map((b) => {
      const here = shop.builds.find((x) => x.at === b.id);
      const next = plan?.stays.filter((s) => s.place === b.id && zone.parse(s.from) > now).sort((x, y) => x.from.localeCompare(y.from))[0];
      const notes: string[] = [];
      if (!here)
        notes.push(
          next
            ? `free till ${near(z, zone.parse(next.from), now)}, then ${shop.builds.find((x) => x.id === next.build)?.name}`
            : "free, nothing planned here",
        );
      const closed = b.closures.find((c) => c.from <= now && now < c.to);
      if (closed) notes.push(`closed until ${near(z, closed.to, now)}${closed.reason ? `, ${closed.reason}` : ""}`);
      const today = shop.weather.find((w) => w.date === formatDate(zone.dayOf(now)));
      notes.push(...duties.filter((d) => d.bayId === b.id).map((d) => d.text));
      if (!b.has.includes("indoor") && today) notes.push(`${today.lowC} to ${today.highC} °C today`);
      return {
        id: b.id,
        name: b.name,
        indoor: b.has.includes("indoor"),
        about: [...b.has.filter((h) => h !== "indoor"), b.has.includes("indoor") ? "" : "outdoors", b.tempC === null ? "" : `${b.tempC} °C`]
          .filter(Boolean)
          .join(" · "),
        van: here ? standing(here) : null,
        notes,
      };
    });

  const forward = pullForward(shop, plan, now);
  const freeUntil = freeFitters(shop, plan, now);
  const free = [...freeUntil].map(([id, until]) => `${fitterName(shop, id)} till ${sayClock(zone, until)}`);
  return {
    zone: z,
    now,
    spots,
    yardPlaces: shop.workshop.yardPlaces,
    yard: shop.builds.filter((b) => b.at === "yard").map(standing),
    toCome: shop.builds
      .filter((b) => b.at === null && b.jobs.some((j) => j.state !== "done"))
      .map((b) => ({
        buildId: b.id,
        name: b.name,
        detail: b.arrives > now ? `comes ${sayDay(zone, b.arrives)}` : `off site, due here since ${sayDay(zone, b.arrives)}`,
      })),
    bench: bench(shop, state, worker, plan),
    weather: [weatherWords(state), noiseWords(shop, now)].filter(Boolean).join(" · "),
    warm: warmWords(shop),
    decisions: decisions(shop, plan, now, open, slips),
    dates: buildDates(shop, working),
    forward: forward.slice(0, 5).map((f) => ({
      jobId: f.jobId,
      buildId: f.buildId,
      stage: f.stage,
      title: `${f.buildName}, ${f.name}`,
      detail: `${f.place === "bench" ? "bench" : placeName(shop, f.place)} · ${crewNames(shop, f.crew)} free till ${sayClock(zone, f.freeUntil)}${f.planned === null ? "" : ` · planned ${sayDay(zone, f.planned)}`}${f.fits ? "" : " · may not be done by then"}${f.worth > 0 ? ` · ${f.worth} ${f.worth === 1 ? "day" : "days"} of its date hang on it` : ""}${f.frees > 0 ? ` · frees its bay ${f.frees} ${f.frees === 1 ? "day" : "days"} sooner` : ""}${f.shunt > 0 ? ` · the van moved there first, ${f.shunt} min` : ""}${f.carry > 0 ? ` · sheets carried there, ${f.carry} min` : ""}${f.trap ? ` · ${f.trap}` : ""}`,
    })),
    forwardNote: free.length ? `free now: ${free.join(", ")}` : "everybody is on something",
    idle: withNothing(shop, plan, freeUntil, forward, now).map((w) => ({ ...w, until: sayClock(zone, w.until) })),
    lost: sayLost(lost),
    implausibleDates: implausibleDates(shop, now),
    stale: shop.workshop.staleWhy,
    places: [
      ...shop.bays.filter((b) => !b.retired).map((b) => ({ id: b.id, name: b.name })),
      { id: "yard", name: "The yard" },
      { id: "off", name: "Off site" },
    ],
    hasPlan: !!state.working,
    builds: shop.builds.length,
  };
}

const holdZones = (j: JobRow): string[] => (j.hold.keepOff === "all" ? ["floor", "left", "right"] : (j.hold.keepOff ?? j.zones));

/** When a job under way ends by the plan; where the plan does not know it, by what is usual. */
function ends(state: State, j: JobRow, plan: Plan | undefined): number {
  const p = (state.working?.plan ?? plan)?.jobs.find((x) => x.id === j.id);
  const end = p ? state.zone.parse(p.end) : state.now + j.minutes.likely;
  return Math.max(end, state.now);
}

function bench(shop: Shop, state: State, worker: (id: string) => Worker, plan: Plan | undefined): BenchItem[] {
  const { zone, now } = state;
  const z = shop.workshop.zone;
  const planned = new Map((plan?.jobs ?? []).map((j) => [j.id, j]));
  const out: BenchItem[] = [];
  for (const b of shop.builds)
    for (const j of b.jobs.filter((x) => x.place === "bench")) {
      const base = { jobId: j.id, buildId: b.id, build: b.name, stage: j.stage, name: j.name };
      if (j.state === "started")
        out.push({
          ...base,
          detail: `till ${near(z, ends(state, j, plan), now)}${j.hold.minutes ? `, then ${Math.round(j.hold.minutes / 60)} h` : ""}`,
          people: j.fitters.map(worker),
          ready: true,
        });
      else if (j.state === "done" && j.hold.minutes && j.endedAt! + j.hold.minutes > now)
        out.push({ ...base, detail: `drying until ${near(z, j.endedAt! + j.hold.minutes, now)}`, people: [], ready: true });
    }
  const next = shop.builds
    .flatMap((b) =>
      b.jobs
        .filter((j) => j.place === "bench" && j.state === "todo" && planned.has(j.id))
        .map((j) => ({ b, j, start: zone.parse(planned.get(j.id)!.start) })),
    )
    .filter((x) => x.start >= now)
    .sort((x, y) => x.start - y.start)
    .slice(0, Math.max(1, 3 - out.length));
  for (const { b, j, start } of next)
    out.push({
      jobId: j.id,
      buildId: b.id,
      build: b.name,
      stage: j.stage,
      name: j.name,
      detail: `next, ${near(z, start, now)} with ${crewNames(shop, planned.get(j.id)!.fitters)}`,
      people: [],
      ready: false,
    });
  return out;
}

function weatherWords({ shop, zone, now, published }: State): string {
  const w = shop.weather.find((x) => x.date === formatDate(zone.dayOf(now)));
  if (!w) return "no forecast";
  const clock = sayClock(zone, now);
  const dry = w.dry.find(([a, b]) => a <= clock && clock < b);
  const later = w.dry.find(([a]) => a > clock);
  const rain = dry ? (dry[1] === "24:00" ? "dry all day" : `dry to ${dry[1]}`) : later ? `rain till ${later[0]}` : "rain";
  return [`dusk ${w.sunset}`, rain, ...windWords(shop, formatDate(zone.dayOf(now)), formatDate(zone.dayOf(now) + 1), published?.plan)].join(
    " · ",
  );
}

function warmWords(shop: Shop): string {
  const temps = shop.bays.filter((b) => !b.retired && b.has.includes("heated") && b.tempC !== null).map((b) => b.tempC!);
  if (!temps.length) return "";
  const [low, high] = [Math.min(...temps), Math.max(...temps)];
  return low === high ? `${low} °C` : `${low} to ${high} °C`;
}
