// Something else in place of a late part: what it would do to the dates, tried on the plan and not stored.

import { withSubstitute } from "@/core/workshop/planning/courses";
import { entriesOf } from "@/core/workshop/records/kinds/of";
import { toProblem } from "@/core/workshop/state/problem";
import { action, body } from "../action";
import { datesOf } from "../planning/dates-with";
import { loadState } from "../planning/planning";
import { Refusal } from "../refusal";

const DAY = 1440;

export const substituteActions = [
  action({ method: "POST", path: "records/*/instead", role: "lead" }, body({}), async (_b, { ids }) => {
    const state = await loadState();
    const { shop, now, zone, published } = state;
    const build = shop.builds.find((b) => b.records.some((r) => r.id === ids[0]));
    const record = build && entriesOf(build.records, "substitute").find((r) => r.id === ids[0]);
    if (!build || !record?.jobId) throw new Refusal(404, "There is no such entry at a job (any more).");
    const here = zone.show(now + record.data.days * DAY + shop.workshop.goodsInMinutes);
    const problem = withSubstitute(toProblem(shop, now, published?.plan), record.jobId, here, (record.data.hours ?? 0) * 60);
    if (!problem) throw new Refusal(409, "That job has already started.");
    return { dates: await datesOf(state, problem, build.id) };
  }),
];
