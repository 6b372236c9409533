// Work that a bad hour spoils is left for the morning: tried on the plan first, then pinned to when it could begin.

import { nextMorning, withMorning } from "@/core/workshop/planning/courses";
import { toProblem } from "@/core/workshop/state/problem";
import { setPinStart } from "@/db/planning/pins";
import { toSql } from "@/db/pool";
import { action, body, change, instant, is } from "../action";
import { planWith } from "../planning/dates-with";
import { loadState } from "../planning/planning";
import { Refusal } from "../refusal";

export const morningActions = [
  action<{ act: "try" | "pin" | "undo"; was?: string }>(
    { method: "POST", path: "jobs/*/morning", role: "lead" },
    body({ act: { type: "string", enum: ["try", "pin", "undo"] } }, { was: is.local }),
    async (b, { user, ids }) => {
      const state = await loadState();
      const { shop, now, zone, published } = state;
      const job = shop.builds.flatMap((o) => o.jobs).find((j) => j.id === ids[0]);
      if (!job) throw new Refusal(404, "There is no such job (any more).");
      if (job.state !== "todo") throw new Refusal(409, `${job.name} has already started.`);
      const say = (text: string, at: string | null) =>
        change(user, async (x) => {
          if (!(await setPinStart(x.c, job.id, at))) throw new Refusal(409, `${job.name} has already started.`);
          await x.event({ kind: "job.pinned", entity: "job", entityId: job.id, buildId: job.buildId, text });
          await x.stale(text);
        });
      if (b.act === "undo")
        return say(`${job.name} is not left for the morning after all`, b.was === undefined ? null : toSql(instant(state, b.was, "was")));
      const calendar = shop.calendars.find((c) => c.id === "shop");
      const morning = zone.show(nextMorning(shop.workshop.zone, calendar, now));
      const problem = withMorning(toProblem(shop, now, published?.plan), job.id, morning)!;
      const { plan, dates } = await planWith(state, problem, job.buildId);
      const start = plan.jobs.find((j) => j.id === job.id)?.start;
      if (!start) throw new Refusal(409, `${job.name} finds no place then.`);
      if (b.act === "pin") await say(`${job.name} is left for ${start.replace("T", " ")}`, toSql(zone.parse(start)));
      return { start, dates, was: job.pin.start === null ? null : zone.show(job.pin.start) };
    },
  ),
];
