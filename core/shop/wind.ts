// Wind: when big sheets are not carried outdoors, and what is lying about is tied down the evening before.

import type { Shop } from "./model";

/** Metres a second above which full sheets are not handled outdoors. A house figure. */
export const SHEETS_MS = 8;

/** What the wind of today and tomorrow asks for, in words; nothing on a quiet day. */
export function windWords(shop: Pick<Shop, "weather">, today: string, tomorrow: string): string[] {
  const of = (date: string) => shop.weather.find((d) => d.date === date)?.windMs ?? 0;
  return [
    ...(of(today) > SHEETS_MS ? [`up to ${of(today)} m/s: no full sheets outdoors`] : []),
    ...(of(tomorrow) > SHEETS_MS ? [`up to ${of(tomorrow)} m/s tomorrow: tie loose sheets down this evening`] : []),
  ];
}
