// A job that has outrun its time box: what each course would do to the dates, planned before anybody decides.

import type { DateMove } from "@/core/workshop/builds/previews";
import { nextMorning, TRIED, type Tried, withCourse } from "@/core/workshop/planning/courses";
import { toProblem } from "@/core/workshop/state/problem";
import { action, body } from "../action";
import { datesOf } from "../planning/dates-with";
import { loadState } from "../planning/planning";
import { Refusal } from "../refusal";

export const courseActions = [
  action<{ left: number }>(
    { method: "POST", path: "jobs/*/courses", role: "lead" },
    body({ left: { type: "integer", minimum: 1, maximum: 10_000 } }),
    async (b, { ids }) => {
      const state = await loadState();
      const { shop, now, zone, published } = state;
      const job = shop.builds.flatMap((o) => o.jobs).find((j) => j.id === ids[0]);
      if (!job) throw new Refusal(404, "There is no such job (any more).");
      if (job.state !== "started" && job.state !== "paused") throw new Refusal(409, `${job.name} is not under way.`);
      const problem = toProblem(shop, now, published?.plan);
      const calendar = shop.calendars.find((c) => c.id === "shop");
      const morning = zone.show(nextMorning(shop.workshop.zone, calendar, now));
      const courses: { course: Tried; dates: DateMove[] }[] = [];
      for (const course of TRIED)
        courses.push({ course, dates: await datesOf(state, withCourse(problem, job.id, course, b.left, morning)!, job.buildId) });
      return { courses };
    },
  ),
];
