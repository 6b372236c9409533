// Actions on the plan: replan, publish.

import { action, body, is } from "../action";
import { publish, replan, takeOther, tryWish } from "../planning/planning";

export const planActions = [
  // `quick`: the published plan repaired, without a search behind it.
  action<{ quick?: boolean }>({ method: "POST", path: "plan", role: "lead" }, body({}, { quick: is.bool }), async (b, { user, signal }) => {
    const { plan } = await replan(user.id, { signal, ...(b.quick ? { iterations: 0 } : {}) });
    return { cost: plan.cost, unplaced: plan.unplaced.length, pinsBroken: plan.pinsBroken };
  }),
  action<{ job: string; start?: string; place?: string; fitters?: string[] }>(
    { method: "POST", path: "plan/try", role: "lead" },
    body({ job: is.id }, { start: is.local, place: is.id, fitters: is.ids }),
    (b) =>
      tryWish(b.job, { ...(b.start && { start: b.start }), ...(b.place && { bay: b.place }), ...(b.fitters && { fitters: b.fitters }) }),
  ),
  action<{ plan: string }>({ method: "POST", path: "plan/other/take", role: "lead" }, body({ plan: is.id }), async (b, { user }) => {
    await takeOther(user.id, b.plan);
    return {};
  }),
  action<{ note?: string }>(
    { method: "POST", path: "plan/publish", role: "lead" },
    body({}, { note: { type: "string", maxLength: 300 } }),
    async (b, { user }) => ({
      number: await publish(user.id, b.note?.trim() ?? ""),
    }),
  ),
];
