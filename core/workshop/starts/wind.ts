// Wind: when big sheets are not carried outdoors, and what is lying about is tied down the evening before.

import type { Plan } from "../../plan/model";
import { figure } from "../state/house-figures";
import type { Shop } from "../state/model";

/** What the wind of today and tomorrow asks for, in words, with the work on big sheets that is planned for today; nothing on a quiet day. */
export function windWords(
  shop: Pick<Shop, "weather" | "builds" | "workshop">,
  today: string,
  tomorrow: string,
  plan?: Pick<Plan, "jobs">,
): string[] {
  const sheets = new Map(
    shop.builds.flatMap((b) => b.jobs.flatMap((j) => (j.tags.includes("big-sheet") && j.state !== "done" ? [[j.id, j.name]] : []))),
  );
  const here = (plan?.jobs ?? []).flatMap((p) =>
    p.start.slice(0, 10) <= today && today <= p.end.slice(0, 10) ? (sheets.get(p.id) ?? []) : [],
  );
  const most = figure(shop, "sheetWind");
  const of = (date: string) => shop.weather.find((d) => d.date === date)?.windMs ?? 0;
  return [
    ...(of(today) > most
      ? [`up to ${of(today)} m/s: no full sheets outdoors${here.length ? `, ${[...new Set(here)].join(" and ")} from under the roof` : ""}`]
      : []),
    ...(of(tomorrow) > most ? [`up to ${of(tomorrow)} m/s tomorrow: tie loose sheets down this evening`] : []),
  ];
}
