// Actions on the papers of a build that a form can't send as a whole: stamps of sparks and swarf, a kit that is counted, jobs that
// others had done, and metal that is known from other vans.

import { v7 } from "uuid";
import { jobWith } from "@/core/library/roles";
import { fixingEstimate } from "@/core/workshop/bare-body/fixings";
import { knownFrameParts } from "@/core/workshop/openings/frame-parts";
import { type StampName, stamped } from "@/core/workshop/openings/hot-work";
import type { KitCheck } from "@/core/workshop/records/kinds/bare-zone";
import { isOver } from "@/core/workshop/records/kinds/kinds";
import type { BuildRecord } from "@/core/workshop/records/records";
import type { BuildRow, Shop } from "@/core/workshop/state/model";
import { kitLines, kitRecord } from "@/core/workshop/stores/kit";
import { setByOthers, setOurs } from "@/db/records/papers";
import { addRecord, setRecordData } from "@/db/records/records";
import { setOwnMinutes } from "@/db/sheets/sheet-takes";
import { loadShop } from "@/db/shop";
import { action, body, type Change, change, is } from "../action";
import { badField, Refusal } from "../refusal";
import { find, log } from "./jobs";

const STAMP_WORDS: Record<StampName, string> = { last: "last spark", clean: "swarf off", look: "looked at again, clean" };

async function recordOf(x: Change, id: string): Promise<{ shop: Shop; build: BuildRow; record: BuildRecord }> {
  const shop = await loadShop(x.c);
  for (const build of shop.builds) {
    const record = build.records.find((r) => r.id === id);
    if (record) return { shop, build, record };
  }
  throw new Refusal(404, "There is no such record.");
}

export const paperActions = [
  // Taking out takes what holds it says; its best and worst keep their share of it.
  action({ method: "POST", path: "builds/*/fixings-planned", role: "lead" }, body({}), (_b, { user, ids }) =>
    change(user, async (x) => {
      const shop = await loadShop(x.c);
      const build = shop.builds.find((o) => o.id === ids[0]);
      if (!build) throw new Refusal(404, "There is no such build.");
      const estimate = fixingEstimate(shop, build);
      const job = jobWith(build.jobs, "strip-out");
      if (!estimate || estimate.minutes < 1) throw new Refusal(409, "No fixing is counted yet.");
      if (job?.state !== "todo") throw new Refusal(409, "Stripping has already started, or is not a job of this build.");
      const likely = Math.round(estimate.minutes);
      const share = (m: number) => Math.max(1, Math.round((likely * m) / job.minutes.likely));
      await setOwnMinutes(x.c, job.id, { best: share(job.minutes.best), likely, worst: share(job.minutes.worst) });
      await x.event({
        kind: "job.minutes",
        entity: "job",
        entityId: job.id,
        buildId: build.id,
        text: `${job.name}: ${likely} min by its fixings instead of ${job.minutes.likely}`,
      });
      await x.stale(`${build.name}: ${job.name} takes ${likely} min by its fixings`);
      return { minutes: likely };
    }),
  ),
  action<{ stamp: StampName }>(
    { method: "POST", path: "records/*/stamp", role: "any" },
    body({ stamp: { type: "string", enum: ["last", "clean", "look"] } }),
    (b, { user, ids }) =>
      change(user, async (x) => {
        const { build, record } = await recordOf(x, ids[0]);
        if (record.kind !== "sparks") throw new Refusal(422, "Only hot work and swarf are stamped.");
        const next = stamped(build, record.data, b.stamp, user.name, x.now, x.zone);
        if (typeof next === "string") throw new Refusal(409, `Not yet: ${next}.`);
        await setRecordData(x.c, record.id, next, isOver("sparks", { ...next }, false) ? x.now : null);
        await x.event({
          kind: "sparks.stamped",
          entity: "record",
          entityId: record.id,
          buildId: build.id,
          text: `${record.title}: ${STAMP_WORDS[b.stamp]}`,
        });
      }),
  ),
  action<{ what: string; have: boolean }>(
    { method: "POST", path: "jobs/*/kit", role: "any" },
    body({ what: is.words, have: is.bool }),
    (b, { user, ids }) =>
      change(user, async (x) => {
        const f = await find(x, ids[0]);
        const build = f.shop.builds.find((o) => o.id === f.job.buildId)!;
        const line = kitLines(f.shop, build, f.job, x.now).find((l) => l.what === b.what);
        if (!line) throw badField("what", "is not in this job's kit");
        if (b.have && line.short) throw new Refusal(409, `${line.what} is short: ${line.short}.`);
        const was = kitRecord(build, f.job.id);
        const have: KitCheck["have"] = { ...(was?.data.have ?? {}) };
        if (b.have) have[b.what] = { by: user.name, at: x.now };
        else delete have[b.what];
        if (was) await setRecordData(x.c, was.id, { have }, null);
        else
          await addRecord(x.c, {
            id: v7(),
            buildId: build.id,
            jobId: f.job.id,
            kind: "kit",
            title: f.job.name,
            data: { have },
            saidBy: user.id,
            saidAt: x.now,
          });
        await x.event({
          kind: "kit.counted",
          entity: "job",
          entityId: f.job.id,
          buildId: build.id,
          text: `${f.job.name}: ${b.what} ${b.have ? "is in the kit" : "is not in the kit"}`.slice(0, 500),
        });
      }),
  ),
  // A job that was done before the van came: no hours of ours, no proof of ours, and it says whose it is.
  action<{ who: string }>({ method: "POST", path: "jobs/*/by-others", role: "lead" }, body({ who: is.name }), (b, { user, ids }) =>
    change(user, async (x) => {
      const f = await find(x, ids[0]);
      const { job } = f;
      if (job.state !== "todo") throw new Refusal(409, `${job.name} has already started here.`);
      const build = f.shop.builds.find((o) => o.id === job.buildId)!;
      const who = b.who.trim();
      await setByOthers(x.c, job.id, who, Math.min(build.arrives, x.now), { by: user.id, at: x.now });
      await log(x, f, "job.by-others", `${job.name} was done by ${who} before the van came`, { who });
    }),
  ),
  action({ method: "POST", path: "jobs/*/ours", role: "lead" }, body({}), (_b, { ids, user }) =>
    change(user, async (x) => {
      const f = await find(x, ids[0]);
      if (!f.job.byOthers) throw new Refusal(409, `${f.job.name} is ours already.`);
      const begun = f.shop.builds.flatMap((o) => o.jobs).find((j) => j.state !== "todo" && j.after.some((a) => a.job === f.job.id));
      if (begun && !begun.byOthers) throw new Refusal(409, `${begun.name} has already started behind it.`);
      await setOurs(x.c, f.job.id);
      await log(x, f, "job.ours", `${f.job.name} is ours to do after all`);
    }),
  ),
  action({ method: "POST", path: "builds/*/known-metal", role: "any" }, body({}), (_b, { user, ids }) =>
    change(user, async (x) => {
      const shop = await loadShop(x.c);
      const build = shop.builds.find((o) => o.id === ids[0]);
      if (!build) throw new Refusal(404, "There is no such build.");
      const known = knownFrameParts(shop, build);
      if (!known.length) throw new Refusal(409, "Nothing more is known of this type of van.");
      for (const m of known)
        await addRecord(x.c, {
          id: v7(),
          buildId: build.id,
          jobId: null,
          kind: "member",
          title: m.title,
          // What another van's source said is not this one's: it is asked again.
          data: { side: m.side, what: m.what, mayGo: "unknown", note: `on another van of the type: ${m.says}`.slice(0, 500) },
          saidBy: user.id,
          saidAt: x.now,
        });
      await x.event({
        kind: "member.said",
        entity: "build",
        entityId: build.id,
        buildId: build.id,
        text: `${known.length} pieces of metal known from other vans of the type, to be looked for`,
      });
      return { added: known.length };
    }),
  ),
];
