// Nothing fits: somebody is let go for the rest of the day, and the time is booked to its cause.

import { v7 } from "uuid";
import { LOST_TO, type LostTo, withNothing } from "@/core/workshop/planning/lost-time";
import { freeFitters, pullForward } from "@/core/workshop/planning/pull-forward";
import { addLostTime } from "@/db/planning/lost-time";
import { toSql } from "@/db/pool";
import { action, body, change, is } from "../action";
import { loadState } from "../planning/planning";
import { badField, Refusal } from "../refusal";

export const lostTimeActions = [
  action<{ fitterId: string; cause: LostTo }>(
    { method: "POST", path: "lost-time", role: "lead" },
    body({ fitterId: is.id, cause: { type: "string", enum: Object.keys(LOST_TO) } }),
    async (b, { user }) => {
      const { shop, now, working, published, zone } = await loadState();
      const plan = (published ?? working)?.plan;
      const who = shop.fitters.find((f) => f.id === b.fitterId);
      if (!who) throw badField("fitterId", "is not known");
      const idle = withNothing(shop, plan, freeFitters(shop, plan, now), pullForward(shop, plan, now), now).find(
        (w) => w.fitterId === who.id,
      );
      if (!idle) throw new Refusal(409, `${who.name} has work, could pull some forward, or isn't in now.`);
      return change(user, async (x) => {
        const id = v7();
        const reason = `lost to ${LOST_TO[b.cause]}`;
        await addLostTime(x.c, {
          id,
          fitter: who.id,
          starts: toSql(now),
          ends: toSql(idle.until),
          reason,
          cause: b.cause,
          minutes: idle.minutes,
        });
        await x.event({
          kind: "time.lost",
          entity: "fitter",
          entityId: who.id,
          text: `${idle.minutes} min of ${who.name} ${reason}, free until ${zone.show(idle.until).slice(11)}`,
          data: { cause: b.cause, minutes: idle.minutes, why: idle.why },
        });
        await x.stale(`${who.name} is free until ${zone.show(idle.until).slice(11)}`);
        return { id };
      });
    },
  ),
];
