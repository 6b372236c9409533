// The first start on an empty database: an empty workshop with usual hours, the known vans, and one lead.

import { zoneOf } from "@/core/time/zone";
import { addUser } from "@/db/access/users";
import { addEvent } from "@/db/events";
import { addBay, addCalendar, addSupplier, addWorkshop, setWindows, workshopId } from "@/db/house/house";
import { insertTools } from "@/db/house/tools";
import { insertVans } from "@/db/house/vans";
import { saveForecast } from "@/db/house/weather";
import { pool, transaction } from "@/db/pool";
import { forecast } from "@/standins/weather";
import { nowMinute } from "../clock";
import { cleanCode, hashPassword, newCode } from "./password";

/** So long the first code waits to be used. */
const FIRST_HOURS = 14 * 24;
const PLACE = { latitude: 50, longitude: 8 };

/** Makes the workshop when there is none; the lead's login and the code they sign in with once, to choose a password. */
export async function firstRun(name: string, zoneName: string): Promise<{ login: string; code: string } | undefined> {
  if (await workshopId(pool())) return undefined;
  const zone = zoneOf(zoneName);
  const now = nowMinute(zone);
  const code = newCode();
  const codeHash = await hashPassword(cleanCode(code));
  await transaction(async (c) => {
    await addWorkshop(c, {
      id: "workshop",
      name,
      zone: zoneName,
      ...PLACE,
      noise_from: "08:00",
      noise_to: "18:00",
      yard_places: 4,
      yard_has: ["roof-access", "wash"],
      weights: {},
    });
    await addCalendar(c, "shop", "Shop hours");
    await setWindows(
      c,
      "shop",
      [0, 1, 2, 3, 4].flatMap((weekday) =>
        [
          ["08:00", "12:00"],
          ["12:45", "17:00"],
        ].map(([opens, closes]) => ({ weekday, opens, closes })),
      ),
    );
    await addBay(c, { id: "bay-1", name: "Bay 1", seq: 0, has: ["indoor", "lit"] });
    await addSupplier(c, { id: "supplier", name: "Supplier to be named", best: 2, likely: 5, worst: 14 });
    await insertVans(c);
    await insertTools(c);
    await addUser(c, { id: "lead", login: "lead", name: "Lead", role: "lead", codeHash, hours: FIRST_HOURS });
    await saveForecast(c, forecast(PLACE, zone, now, 14), now);
    await addEvent(c, now, { userId: "lead", kind: "workshop.made", entity: "workshop", entityId: "workshop", text: `${name} set up` });
  });
  return { login: "lead", code };
}
