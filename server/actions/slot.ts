// The next dry stretch, handed out: openings are pinned into it by exposure, those that can't hold their pin are left.

import { slotPlan } from "@/core/workshop/planning/dry-slots";
import { pinsThatHold, withPins } from "@/core/workshop/planning/slot-pins";
import { toProblem } from "@/core/workshop/state/problem";
import { setPinStart } from "@/db/planning/pins";
import { toSql } from "@/db/pool";
import { action, body, change } from "../action";
import { planInThread } from "../planning/plan-thread";
import { loadState } from "../planning/planning";
import { Refusal } from "../refusal";

export const slotActions = [
  action({ method: "POST", path: "slot/pin", role: "lead" }, body({}), async (_b, { user }) => {
    const state = await loadState();
    const { shop, now, working, published } = state;
    const plan = (working ?? published)?.plan;
    const slot = plan && slotPlan(shop, plan, now);
    if (!slot) throw new Refusal(409, "No opening waits for a dry stretch, or the forecast has none.");
    // Tried first: only what holds its start is pinned.
    const problem = toProblem(withPins(shop, slot.fits), now, published?.plan);
    const tried = await planInThread(problem, { seed: 1, iterations: 0, local: true });
    const { hold, fail } = pinsThatHold(slot.fits, tried, state.zone);
    if (!hold.length) throw new Refusal(409, `None of them can begin then: ${fail[0].why}.`);
    return change(user, async (x) => {
      for (const p of hold) {
        await setPinStart(x.c, p.jobId, toSql(p.start));
        await x.event({
          kind: "job.pinned",
          entity: "job",
          entityId: p.jobId,
          buildId: shop.builds.find((b) => b.jobs.some((j) => j.id === p.jobId))!.id,
          text: `${p.name} pinned into the dry stretch of ${slot.date}, ${state.zone.show(p.start).slice(11)}`.slice(0, 500),
        });
      }
      await x.stale(`the dry stretch of ${slot.date} was handed out`);
      return { pinned: hold.map((p) => p.name), left: [...fail.map((f) => f.name), ...slot.waits] };
    });
  }),
];
