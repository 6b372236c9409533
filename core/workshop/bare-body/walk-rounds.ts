// Damage is dated by walk-rounds: the last time its side was seen without it, and who worked on the van from then on.

import { VIEW_LABEL, type ViewName } from "../../van/drawing";
import { type CutJob, cutsBody } from "../openings/cuts";
import { sideOf } from "../openings/holes";
import { entriesOf } from "../records/kinds/of";
import type { BuildRow, JobRow, Shop } from "../state/model";
import type { MarkRecord } from "./marks";
import { marksIn } from "./marks";

export interface Dated {
  mark: MarkRecord;
  /** When it was first seen; when its side was last seen without it, if ever. */
  seen: number;
  before: { at: number; where: string; photos: string[] } | null;
  /** Work on the van between the two, each with its people. */
  between: { name: string; who: string }[];
  /** Nobody has said yet how it came about. */
  unexplained: boolean;
}

const worked = (j: JobRow, from: number, to: number): boolean =>
  j.place === "van" && j.startedAt !== null && j.startedAt <= to && (j.endedAt ?? Number.POSITIVE_INFINITY) >= from;

/** Every damage of a build with the span in which it came about, the newest first. */
export function datedDamage(shop: Pick<Shop, "fitters">, build: Pick<BuildRow, "records" | "jobs" | "arrives">): Dated[] {
  const rounds = entriesOf(build.records, "round");
  const name = (id: string) => shop.fitters.find((f) => f.id === id)?.name ?? id;
  return marksIn(build.records)
    .filter((m) => m.data.what === "damage")
    .sort((a, b) => b.saidAt - a.saidAt)
    .map((mark) => {
      const last = rounds.filter((r) => r.saidAt < mark.saidAt && r.data.views.includes(mark.data.view)).at(-1);
      const from = last?.saidAt ?? build.arrives;
      return {
        mark,
        seen: mark.saidAt,
        before: last ? { at: last.saidAt, where: last.title, photos: last.photos } : null,
        between: build.jobs
          .filter((j) => worked(j, from, mark.saidAt))
          .map((j) => ({ name: j.name, who: j.fitters.map(name).join(" + ") || "nobody named" })),
        unexplained: !mark.data.outcome?.trim(),
      };
    });
}

/** Views of a walk-round where none was taken yet: the outside, as far as somebody can walk round it. */
const STANDARD: readonly ViewName[] = ["left", "right", "rear", "roof"];

/**
 * Views that are missing where the van stands: those of the rounds before (without any, the outside) that nobody has taken since it came
 * into this bay. Undefined off site and in the yard.
 */
export function roundMissing(shop: Pick<Shop, "bays">, build: Pick<BuildRow, "records" | "at" | "atSince">): string | undefined {
  const bay = shop.bays.find((b) => b.id === build.at);
  if (!bay || build.atSince === null) return undefined;
  const rounds = entriesOf(build.records, "round");
  const asked = rounds.length ? [...new Set(rounds.flatMap((r) => r.data.views))] : STANDARD;
  const taken = new Set(rounds.filter((r) => r.saidAt >= build.atSince!).flatMap((r) => r.data.views));
  const open = asked.filter((v) => !taken.has(v));
  return open.length
    ? `Walk round it first: no views since it came into ${bay.name} (${open.map((v) => VIEW_LABEL[v].toLowerCase()).join(", ")})`
    : undefined;
}

/** The view in which a cut shows, before the saw and after it: asked while it is to be done, and while it is under way. */
export function cutViewMissing(
  build: Pick<BuildRow, "records">,
  job: CutJob & Pick<JobRow, "zones" | "state" | "startedAt">,
): string | undefined {
  if (!cutsBody(job) || job.state === "done") return undefined;
  const side = sideOf(job);
  const view: ViewName = side === "floor" ? "under" : side;
  const when = job.state === "todo" ? "before cut" : "after cut";
  const from = job.state === "todo" ? Number.NEGATIVE_INFINITY : (job.startedAt ?? 0);
  const taken = entriesOf(build.records, "round").some((r) => r.data.when === when && r.data.views.includes(view) && r.saidAt >= from);
  return taken ? undefined : `Walk-round ${when === "before cut" ? "before the cut" : "after the cut"}: ${VIEW_LABEL[view].toLowerCase()}`;
}
