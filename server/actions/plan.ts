// Actions on the plan: replan, publish.

import { action, body, is } from "../action";
import { publish, replan } from "../planning";

export const planActions = [
  action({ method: "POST", path: "plan", role: "lead" }, body({}), async (_b, { user, signal }) => {
    const { plan } = await replan(user.id, { signal });
    return { cost: plan.cost, unplaced: plan.unplaced.length, pinsBroken: plan.pinsBroken };
  }),
  action<{ note?: string }>({ method: "POST", path: "plan/publish", role: "lead" }, body({}, { note: is.text }), async (b, { user }) => ({
    number: await publish(user.id, b.note?.trim() ?? ""),
  })),
];
