// The forecast as stored: one row a date, newer ones over older.

import type { Pool } from "mysql2/promise";
import type { WeatherRow } from "@/core/workshop/state/model";
import { type Conn, insert, run, toSql } from "../pool";

export async function saveForecast(c: Conn | Pool, days: readonly WeatherRow[], now: number): Promise<void> {
  if (!days.length) return;
  await run(c, "DELETE FROM weather_day WHERE date >= ?", [days[0].date]);
  await insert(
    c,
    "weather_day",
    days.map((d) => ({
      date: d.date,
      sunrise: d.sunrise,
      sunset: d.sunset,
      dry: d.dry,
      low_c: d.lowC,
      high_c: d.highC,
      wind_ms: d.windMs,
      fetched_at: toSql(now),
    })),
  );
}
