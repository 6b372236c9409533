// Actions on jobs that something found asks for: see what they do to the dates, take them on, leave them.

import { askedJobs } from "@/core/workshop/builds/asked-work";
import { type AskedJob, isExtra, withExtra } from "@/core/workshop/builds/extra-work";
import { rejoined } from "@/core/workshop/planning/split";
import type { BuildRow, Shop } from "@/core/workshop/state/model";
import { dropJob, insertJobs, insertLinks } from "@/db/builds/build-network";
import { setShare } from "@/db/builds/split";
import { loadShop } from "@/db/shop";
import { action, body, change, is } from "../action";
import { datesWith } from "../planning/dates-with";
import { loadState } from "../planning/planning";
import { Refusal } from "../refusal";
import { find, log } from "./jobs";

const KEY = { type: "string", minLength: 3, maxLength: 160 };

function asked(shop: Shop, buildId: string, key: string, now: number): { build: BuildRow; job: AskedJob } {
  const build = shop.builds.find((o) => o.id === buildId);
  if (!build) throw new Refusal(404, "There is no such build.");
  const job = askedJobs(shop, build, now).find((a) => a.key === key);
  if (!job) throw new Refusal(409, "Nothing asks for that any more, or it is among the jobs already.");
  return { build, job };
}

export const extraActions = [
  action<{ key: string }>({ method: "POST", path: "builds/*/extras/try", role: "lead" }, body({ key: KEY }), async (b, { ids }) => {
    const state = await loadState();
    const { build, job } = asked(state.shop, ids[0], b.key, state.now);
    return { minutes: job.minutes.likely, dates: await datesWith(state, withExtra(build, job).build) };
  }),
  action<{ key: string }>({ method: "POST", path: "builds/*/extras", role: "lead" }, body({ key: KEY }), (b, { user, ids }) =>
    change(user, async (x) => {
      const shop = await loadShop(x.c);
      const a = asked(shop, ids[0], b.key, x.now);
      if (a.job.stop) throw new Refusal(409, `Not yet: ${a.job.stop}.`);
      const { build, job, waits } = withExtra(a.build, a.job);
      await insertJobs(x.c, [job], []);
      await insertLinks(
        x.c,
        build.jobs.flatMap((j) => (waits.includes(j.id) ? [{ ...j, covers: [], after: j.after.filter((l) => l.job === job.id) }] : [])),
      );
      await x.event({
        kind: "job.taken-on",
        entity: "job",
        entityId: job.id,
        buildId: build.id,
        text: `${job.name}, ${job.minutes.likely} min, taken on: ${a.job.why}`.slice(0, 500),
      });
      await x.stale(`${build.name}: ${job.name} is taken on`);
      return { id: job.id };
    }),
  ),
  action<{ why: string }>({ method: "POST", path: "jobs/*/leave", role: "lead" }, body({ why: is.words }), (b, { user, ids }) =>
    change(user, async (x) => {
      const f = await find(x, ids[0]);
      if (!isExtra(f.job)) throw new Refusal(409, `${f.job.name} is part of what the choices ask for: change those.`);
      if (f.job.state !== "todo") throw new Refusal(409, `${f.job.name} has already started.`);
      const back = rejoined((await loadShop(x.c)).builds.find((b) => b.id === f.job.buildId)!, f.job);
      if (back) await setShare(x.c, back);
      await log(x, f, "job.left", `${f.job.name} is left: ${b.why.trim()}`.slice(0, 500));
      await dropJob(x.c, f.job.id);
    }),
  ),
];
