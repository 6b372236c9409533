// Damage is dated by walk-rounds: the last time its side was seen without it, and who worked on the van from then on.

import { VIEW_LABEL } from "../../van/drawing";
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

/**
 * The walk-round that is missing where the van stands: none since it came into this bay. Undefined off site, in the yard, or
 * where a house walks no rounds at all.
 */
export function roundMissing(shop: Pick<Shop, "bays">, build: Pick<BuildRow, "records" | "at" | "atSince">): string | undefined {
  const bay = shop.bays.find((b) => b.id === build.at);
  const rounds = entriesOf(build.records, "round");
  if (!bay || build.atSince === null || !rounds.length) return undefined;
  if (rounds.some((r) => r.saidAt >= build.atSince!)) return undefined;
  const seen = new Set(rounds.flatMap((r) => r.data.views));
  return `Walk round it first: no views since it came into ${bay.name} (${[...seen].map((v) => VIEW_LABEL[v].toLowerCase()).join(", ")})`;
}
