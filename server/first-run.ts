// The first start on an empty database: an empty workshop with usual hours, the known vans, and one lead.

import { v7 } from "uuid";
import { zoneOf } from "@/core/time/zone";
import { addEvent } from "@/db/events";
import { insert, pool, rows, transaction } from "@/db/pool";
import { insertTools } from "@/db/tools";
import { addUser } from "@/db/users";
import { insertVans } from "@/db/vans";
import { saveForecast } from "@/db/weather";
import { forecast } from "@/standins/weather";
import { nowMinute } from "./clock";
import { cleanCode, hashPassword, newCode } from "./password";

/** So long the first code waits to be used. */
const FIRST_HOURS = 14 * 24;
const PLACE = { latitude: 50, longitude: 8 };

/** Makes the workshop when there is none; the lead's login and the code they sign in with once, to choose a password. */
export async function firstRun(name: string, zoneName: string): Promise<{ login: string; code: string } | undefined> {
  if ((await rows(pool(), "SELECT id FROM workshop LIMIT 1")).length) return undefined;
  const zone = zoneOf(zoneName);
  const now = nowMinute(zone);
  const code = newCode();
  const codeHash = await hashPassword(cleanCode(code));
  await transaction(async (c) => {
    await insert(c, "workshop", [
      {
        id: "workshop",
        name,
        zone: zoneName,
        ...PLACE,
        noise_from: "08:00",
        noise_to: "18:00",
        yard_places: 4,
        yard_has: ["roof-access", "wash"],
        weights: {},
      },
    ]);
    await insert(c, "calendar", [{ id: "shop", name: "Shop hours" }]);
    await insert(
      c,
      "calendar_window",
      [0, 1, 2, 3, 4].flatMap((weekday) =>
        [
          ["08:00", "12:00"],
          ["12:45", "17:00"],
        ].map(([opens, closes]) => ({ id: v7(), calendar_id: "shop", weekday, opens, closes })),
      ),
    );
    await insert(c, "bay", [{ id: "bay-1", name: "Bay 1", seq: 0, has: ["indoor", "lit"] }]);
    await insert(c, "supplier", [
      { id: "supplier", name: "Supplier to be named", lead_best_days: 2, lead_likely_days: 5, lead_worst_days: 14 },
    ]);
    await insertVans(c);
    await insertTools(c);
    await addUser(c, { id: "lead", login: "lead", name: "Lead", role: "lead", codeHash, hours: FIRST_HOURS });
    await saveForecast(c, forecast(PLACE, zone, now, 14), now);
    await addEvent(c, now, { userId: "lead", kind: "workshop.made", entity: "workshop", entityId: "workshop", text: `${name} set up` });
  });
  return { login: "lead", code };
}
