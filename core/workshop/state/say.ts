// Small words that several views share: places, people, durations, counts.

import type { Shop } from "./model";

type Named = Pick<Shop, "bays" | "fitters">;

/** "Bay 2", "the yard", "the bench" */
export const placeName = (shop: Named, id: string): string =>
  id === "yard" ? "the yard" : id === "bench" ? "the bench" : (shop.bays.find((b) => b.id === id)?.name ?? id);

export const fitterName = (shop: Named, id: string): string => shop.fitters.find((f) => f.id === id)?.name ?? id;

/** "Ines + Teo" */
export const crewNames = (shop: Named, ids: readonly string[]): string => ids.map((id) => fitterName(shop, id)).join(" + ");

/** "IN": two letters that stand for a person on the floor plan. */
export const initials = (name: string): string => {
  const words = name.trim().split(/\s+/);
  return (words.length > 1 ? words[0][0] + words[words.length - 1][0] : name.slice(0, 2)).toUpperCase();
};

/** Minutes as "40 min", "3 h", "3 h 35"; from a day on as "2 days 4 h" of elapsed time. */
export function sayMinutes(minutes: number): string {
  const m = Math.max(0, Math.round(minutes));
  if (m < 60) return `${m} min`;
  if (m >= 2880) {
    const days = Math.floor(m / 1440);
    const h = Math.round((m % 1440) / 60);
    return h ? `${days} days ${h} h` : `${days} days`;
  }
  return m % 60 ? `${Math.floor(m / 60)} h ${String(m % 60).padStart(2, "0")}` : `${m / 60} h`;
}

/** Minutes of work as whole hours, "185 h": work has no days of 24 hours. */
export const sayHours = (minutes: number): string => `${Math.round(minutes / 60)} h`;

/** "1 photo", "3 photos" */
export const count = (n: number, word: string): string => `${n} ${word}${n === 1 ? "" : "s"}`;
