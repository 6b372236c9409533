// Hot work and swarf: off the same shift, looked at twice, the fire watched; until then the van stays where it stands.

import { sayClock } from "../../plan/words";
import { type Zone, zoneOf } from "../../time/zone";
import type { HotWork } from "../records/kinds/hot-work";
import { entriesOf } from "../records/kinds/of";
import { figure, type House } from "../state/house-figures";
import type { BuildRow, JobRow, Shop } from "../state/model";
import { cutsBody } from "./cuts";

export type StampName = "last" | "clean" | "look";

/** Jobs whose start opens an entry by itself: those that cut the van. */
export const throwsChips = cutsBody;

/** Until when the fire is watched: only after a grinder. */
export const watchUntil = (house: House, s: HotWork): number | undefined =>
  s.tool === "grinder" && s.stamps?.last ? s.stamps.last.at + figure(house, "fireWatch") : undefined;

/** What an entry still lacks before the van may leave its place, in words. */
export function hotWorkOpen(house: House, s: HotWork, now: number, zone: Zone): string[] {
  const out: string[] = [];
  const until = watchUntil(house, s);
  if (until !== undefined && until > now) out.push(`fire watch until ${sayClock(zone, until)}`);
  if (!s.stamps?.clean) out.push("its swarf is not off");
  else if (!s.stamps.look) {
    const from = s.stamps.clean.at + figure(house, "secondLook");
    out.push(`no second look yet${from > now ? `, from ${sayClock(zone, from)}` : ""}`);
  }
  return out;
}

/** Whether it can be stamped now; in words why not. A new spark takes back what was cleaned before it. */
export function stamped(house: House, s: HotWork, name: StampName, by: string, now: number, zone: Zone): HotWork | string {
  const stamps = s.stamps ?? {};
  const stamp = { by, at: now };
  if (name === "last") return { ...s, stamps: { last: stamp } };
  if (name === "clean") return { ...s, stamps: { ...(stamps.last ? { last: stamps.last } : { last: stamp }), clean: stamp } };
  if (!stamps.clean) return "the swarf has to be off first";
  const from = stamps.clean.at + figure(house, "secondLook");
  if (now < from) return `look again from ${sayClock(zone, from)}: chips creep out of ledges meanwhile`;
  return { ...s, stamps: { ...stamps, look: stamp } };
}

/** What keeps the van where it stands. */
export function hotWorkStop(shop: Pick<Shop, "workshop">, build: Pick<BuildRow, "records">, now: number): string[] {
  const zone = zoneOf(shop.workshop.zone);
  return entriesOf(build.records, "sparks").flatMap((r) => hotWorkOpen(shop, r.data, now, zone).map((w) => `${r.title}: ${w}`));
}

/** Cavities that are still taped shut: insulation waits until they are open again. */
export const tapedBefore = (build: Pick<BuildRow, "records">, job: Pick<JobRow, "stage">): string[] =>
  job.stage !== "insulation"
    ? []
    : entriesOf(build.records, "sparks")
        .filter((r) => (r.data.taped ?? 0) > (r.data.untaped ?? 0))
        .map((r) => `${(r.data.taped ?? 0) - (r.data.untaped ?? 0)} cavities are still taped shut from ${r.title}`);
