// The second person of a job under way: comes for the minutes that need two, and is free again.

import { comesTo, type Help, hasSkill, helpOf } from "@/core/workshop/planning/second-hand";
import { crewBarred } from "@/core/workshop/starts/barred";
import type { JobRow, Shop } from "@/core/workshop/state/model";
import type { User } from "@/db/access/users";
import { freeFromJob, helpChanged, joinJob, takeBackHelp } from "@/db/builds/helpers";
import { loadPlan } from "@/db/planning/plans";
import { toSql } from "@/db/pool";
import { action, body, type Change, change, is } from "../action";
import { Refusal } from "../refusal";
import { find, log, mayAct } from "./jobs";

/** Whoever is on the job says so, the lead, and the one who is planned to help. */
async function mayHelp(x: Change, user: User, job: JobRow, fitter: string): Promise<void> {
  const plans = [(await loadPlan(x.c, "working", x.zone))?.plan, (await loadPlan(x.c, "published", x.zone))?.plan];
  if (user.fitterId === fitter && comesTo(plans, job) === fitter) return;
  await mayAct(x, user, job);
}

function come(shop: Shop, job: JobRow, help: Help, fitter: string): string {
  const who = shop.fitters.find((f) => f.id === fitter && !f.retired);
  if (!who) throw new Refusal(422, "fitter: there is no such fitter", { faults: [{ path: "fitter", message: "there is no such fitter" }] });
  if (job.fitters.includes(fitter)) throw new Refusal(409, `${who.name} is on ${job.name} already.`);
  if (help.here) {
    const name = shop.fitters.find((f) => f.id === help.here)?.name ?? help.here;
    throw new Refusal(409, `${name} helps with ${job.name} already.`);
  }
  if (!help.during && !help.freed) throw new Refusal(409, `The part of ${job.name} that needs two is over.`);
  if (!hasSkill(who, help)) throw new Refusal(409, `Not yet: it needs ${help.skill} at level ${help.level}.`);
  const other = shop.builds.flatMap((b) => b.jobs).find((j) => j.state === "started" && j.fitters.includes(fitter));
  if (other) throw new Refusal(409, `${who.name} is on ${other.name}.`);
  const [barred] = crewBarred(
    shop.fitters.filter((f) => f.id === fitter || job.fitters.includes(f.id)),
    job,
  );
  if (barred) throw new Refusal(409, `Not yet: ${barred}.`);
  return who.name;
}

export const helpActions = [
  action<{ fitter: string; act: "come" | "free" | "undo" }>(
    { method: "POST", path: "jobs/*/help", role: "any" },
    body({ fitter: is.id, act: { type: "string", enum: ["come", "free", "undo"] } }),
    (b, { user, ids }) =>
      change(user, async (x) => {
        const f = await find(x, ids[0]);
        const { shop, job } = f;
        await mayHelp(x, user, job, b.fitter);
        const help = helpOf(shop, job, x.now);
        if (!help) throw new Refusal(409, `${job.name} is not under way, or asks nobody for a part of it.`);
        if (b.act === "come") {
          const name = come(shop, job, help, b.fitter);
          await joinJob(x.c, job.id, b.fitter);
          await log(x, f, "job.helped", `${name} helps with ${job.name}`, { fitter: b.fitter });
        } else {
          const n = b.act === "undo" ? await takeBackHelp(x.c, job.id, b.fitter) : await freeFromJob(x.c, job.id, b.fitter, toSql(x.now));
          if (!n)
            throw new Refusal(409, "fitter: they do not help with it", {
              faults: [{ path: "fitter", message: "they do not help with it" }],
            });
          const name = shop.fitters.find((k) => k.id === b.fitter)?.name ?? b.fitter;
          const text = b.act === "undo" ? `${name} does not help with ${job.name} after all` : `${name} is free again from ${job.name}`;
          await log(x, f, b.act === "undo" ? "job.unhelped" : "job.freed", text, { fitter: b.fitter });
        }
        await helpChanged(x.c, job.id);
      }),
  ),
];
