// What a build's papers come to: consents that are missing, damage dated, fixings summed, sparks that are not cleared.

import type { Van } from "@/core/van/model";
import { fixingEstimate } from "@/core/workshop/bare-body/fixings";
import { usualMarks } from "@/core/workshop/bare-body/marks";
import { seatsOpen } from "@/core/workshop/bare-body/seats";
import { placesOpen } from "@/core/workshop/bare-body/trap-places";
import { datedDamage, roundMissing } from "@/core/workshop/bare-body/walk-rounds";
import { goesWithIt } from "@/core/workshop/builds/goes-with-it";
import { firstStage, refusedWork } from "@/core/workshop/builds/other-trades";
import { consentsOpen } from "@/core/workshop/client/consent";
import { layoutFindings } from "@/core/workshop/client/layout-brief";
import { boxesToCount } from "@/core/workshop/openings/box-contents";
import { knownFrameParts } from "@/core/workshop/openings/frame-parts";
import { hotWorkOpen } from "@/core/workshop/openings/hot-work";
import { sparesFor } from "@/core/workshop/openings/spares";
import { cableEndsAsked } from "@/core/workshop/records/cable-ends";
import { TOUCH_WORDS } from "@/core/workshop/records/kinds/client";
import { entriesOf } from "@/core/workshop/records/kinds/of";
import type { BuildRow } from "@/core/workshop/state/model";
import type { State } from "@/server/planning/planning";
import type { PapersView } from "@/ui/builds/view";

/** Boxes that wait to be counted, for the build's page and for the card. */
export const boxesView = (
  b: Pick<BuildRow, "records" | "jobs" | "options" | "figures">,
  van: Pick<Van, "geometry"> | undefined,
): PapersView["boxes"] =>
  boxesToCount(b, van).map(({ part, jobId, items, open }) => ({
    name: part.name,
    job: b.jobs.find((j) => j.id === jobId)!.name,
    jobId,
    items,
    open,
  }));

export function papersView({ shop, zone, now }: State, b: BuildRow): PapersView {
  return {
    consents: consentsOpen(b).map((o) => `${TOUCH_WORDS[o.touches]}: ${o.job.name} waits for it`),
    layout: layoutFindings(
      b,
      shop.vans.find((v) => v.id === b.vanId),
    ),
    refused: refusedWork(b.records),
    goesWithIt: goesWithIt(b),
    firstStage: firstStage(b) ?? null,
    byOthers: b.jobs.flatMap((j) => (j.byOthers ? [{ id: j.id, name: j.name, who: j.byOthers }] : [])),
    seats: seatsOpen(b),
    dated: datedDamage(shop, b).map((d) => ({
      ...d,
      mark: { id: d.mark.id, title: d.mark.title, data: d.mark.data, photos: d.mark.photos },
    })),
    round: roundMissing(shop, b) ?? null,
    fixings: fixingEstimate(shop, b) ?? null,
    sparks: Object.fromEntries(entriesOf(b.records, "sparks").map((r) => [r.id, hotWorkOpen(shop, r.data, now, zone)])),
    spares: sparesFor(b),
    usual: usualMarks(shop, b),
    known: knownFrameParts(shop, b).length,
    tails: cableEndsAsked(b),
    boxes: boxesView(
      b,
      shop.vans.find((v) => v.id === b.vanId),
    ),
    places: placesOpen(
      b,
      shop.vans.find((v) => v.id === b.vanId),
    ).map(({ label, zone, rib, under }) => ({ label, zone, rib, under })),
  };
}
