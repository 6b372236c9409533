// One job split in two: tried on the plan, then done.

import { InputError } from "@/core/plan/fault";
import { type Split, splitFaults, withSplit } from "@/core/workshop/planning/split";
import { insertJobs, insertLinks } from "@/db/builds/build-network";
import { setShare } from "@/db/builds/split";
import { loadShop } from "@/db/shop";
import { action, body, change, is } from "../action";
import { datesWith } from "../planning/dates-with";
import { loadState } from "../planning/planning";
import { Refusal } from "../refusal";

const schema = body({
  act: { type: "string", enum: ["try", "split"] },
  kind: { type: "string", enum: ["prepare", "beside"] },
  minutes: { type: "integer", minimum: 1, maximum: 10_000 },
  bench: is.bool,
  zones: is.ids,
  after: is.ids,
});

function find(shop: Awaited<ReturnType<typeof loadShop>>, id: string, s: Split) {
  const build = shop.builds.find((b) => b.jobs.some((j) => j.id === id));
  const job = build?.jobs.find((j) => j.id === id);
  if (!build || !job) throw new Refusal(404, "There is no such job (any more).");
  const faults = splitFaults(job, s);
  if (faults.length) throw new InputError(faults);
  return { build, job, made: withSplit(build, job, s) };
}

export const splitActions = [
  action<Split & { act: "try" | "split" }>({ method: "POST", path: "jobs/*/split", role: "lead" }, schema, async (b, { user, ids }) => {
    if (b.act === "try") {
      const state = await loadState();
      return { dates: await datesWith(state, find(state.shop, ids[0], b).made.build) };
    }
    return change(user, async (x) => {
      const { build, job, made } = find(await loadShop(x.c), ids[0], b);
      if (!(await setShare(x.c, made.rest))) throw new Refusal(409, `${job.name} has already started.`);
      await insertJobs(x.c, [made.part], []);
      await insertLinks(x.c, made.links);
      const text = `${made.part.name}: ${b.minutes} min split off ${job.name}`.slice(0, 500);
      await x.event({ kind: "job.split", entity: "job", entityId: made.part.id, buildId: build.id, text });
      await x.stale(`${build.name}: ${text}`.slice(0, 300));
      return { id: made.part.id };
    });
  }),
];
