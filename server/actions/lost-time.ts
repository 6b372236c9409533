// Nothing fits: somebody is let go for the rest of the day, and the time is booked to its cause.

import { v7 } from "uuid";
import { LOST_TO, type LostTo, withNothing } from "@/core/workshop/planning/lost-time";
import { freeFitters, pullForward } from "@/core/workshop/planning/pull-forward";
import { addLostTime } from "@/db/planning/lost-time";
import { loadPlan } from "@/db/planning/plans";
import { toSql } from "@/db/pool";
import { loadShop } from "@/db/shop";
import { action, body, change, is } from "../action";
import { badField, Refusal } from "../refusal";

export const lostTimeActions = [
  action<{ fitterId: string; cause: LostTo }>(
    { method: "POST", path: "lost-time", role: "lead" },
    body({ fitterId: is.id, cause: { type: "string", enum: Object.keys(LOST_TO) } }),
    (b, { user }) =>
      change(user, async (x) => {
        const shop = await loadShop(x.c);
        const plan = (await loadPlan(x.c, "published", x.zone))?.plan ?? (await loadPlan(x.c, "working", x.zone))?.plan;
        const who = shop.fitters.find((f) => f.id === b.fitterId);
        if (!who) throw badField("fitterId", "is not known");
        const free = freeFitters(shop, plan, x.now);
        const idle = withNothing(shop, plan, free, pullForward(shop, plan, x.now), x.now).find((w) => w.fitterId === who.id);
        if (!idle) throw new Refusal(409, `${who.name} has work, could pull some forward, or isn't in now.`);
        const id = v7();
        const reason = `lost to ${LOST_TO[b.cause]}`;
        await addLostTime(x.c, {
          id,
          fitter: who.id,
          starts: toSql(x.now),
          ends: toSql(idle.until),
          reason,
          cause: b.cause,
          minutes: idle.minutes,
        });
        await x.event({
          kind: "time.lost",
          entity: "fitter",
          entityId: who.id,
          text: `${idle.minutes} min of ${who.name} ${reason}, free until ${x.zone.show(idle.until).slice(11)}`,
          data: { cause: b.cause, minutes: idle.minutes, why: idle.why },
        });
        await x.stale(`${who.name} is free until ${x.zone.show(idle.until).slice(11)}`);
        return { id };
      }),
  ),
];
