// Actions on a build's choices: see what others would change, take them, leave some open.

import { v7 } from "uuid";
import { sayChoice } from "@/core/library/choices";
import { massOf } from "@/core/library/mass";
import { OPTION_KEYS, type OptionKey, type Options, optionsSchema } from "@/core/library/options";
import { undecidedOf } from "@/core/workshop/builds/open-choices";
import { CHANGE_CAUSES, type ChangeCause } from "@/core/workshop/records/kinds/decision";
import { withoutSheets } from "@/core/workshop/sheets/sheet-takes";
import { writeOptionChange, writeUndecided } from "@/db/builds/change-options";
import { jobsOfVersion } from "@/db/house/library";
import { addRecord } from "@/db/records/records";
import { loadShop } from "@/db/shop";
import { action, body, change, is } from "../action";
import { optionChange } from "../builds/option-change";
import { previewOptions } from "../builds/options";
import { Refusal, Stale } from "../refusal";
import { withoutLocked } from "../sheets/sheet-effects";
import { openChoicesSchema, refuseStops } from "./builds";

export const optionActions = [
  action<{ options: Options }>(
    { method: "POST", path: "builds/*/options/try", role: "lead" },
    body({ options: optionsSchema }),
    (b, { ids }) => previewOptions(ids[0], b.options),
  ),
  action<{ version: number; options: Options; openChoices: OptionKey[]; who: string; why?: string; cause?: ChangeCause }>(
    { method: "POST", path: "builds/*/options", role: "lead" },
    body(
      { version: is.version, options: optionsSchema, openChoices: openChoicesSchema, who: is.name },
      { why: { type: "string", maxLength: 500 }, cause: { type: "string", enum: Object.keys(CHANGE_CAUSES) } },
    ),
    (b, { user, ids }) =>
      change(user, async (x) => {
        const shop = await loadShop(x.c);
        const build = shop.builds.find((o) => o.id === ids[0]);
        if (!build) throw new Refusal(404, "There is no such build.");
        if (build.version !== b.version) throw new Stale(build.name, {}, {}, build.version);
        refuseStops(b.options, shop.vans.find((v) => v.id === build.vanId)?.geometry);
        const keys = OPTION_KEYS.filter((k) => build.options[k] !== b.options[k]);
        const work = await optionChange(x.c, shop, build, b.options);
        const suppliers = shop.suppliers.filter((s) => !s.retired).map((s) => s.id);
        await withoutLocked(
          x.c,
          shop,
          build,
          () => work.jobs,
          () => writeOptionChange(x.c, withoutSheets(build), b.options, b.openChoices, work, suppliers),
        );
        const van = shop.vans.find((v) => v.id === build.vanId)!;
        const undecided = undecidedOf(b.openChoices, b.options, van.geometry, await jobsOfVersion(x.c, build.libraryVersion));
        await writeUndecided(
          x.c,
          work.jobs.map((j) => ({ id: j.id, undecided: undecided.get(j.code) ?? [] })),
        );
        if (!keys.length) {
          await x.event({
            kind: "build.choices",
            entity: "build",
            entityId: build.id,
            buildId: build.id,
            text: b.openChoices.length
              ? `open: ${b.openChoices.map((k) => sayChoice(k, b.options[k]).split(":")[0]).join(", ")}`
              : "no choice is open",
          });
          return { jobs: 0 };
        }
        const title = keys.map((k) => `${sayChoice(k, b.options[k])} (was ${sayChoice(k, build.options[k]).split(": ")[1]})`).join("; ");
        // A change of choices is a decision, and is kept as one.
        await addRecord(x.c, {
          id: v7(),
          buildId: build.id,
          jobId: null,
          kind: "decision",
          title,
          data: {
            who: b.who.trim(),
            cost: work.cost,
            hours: Math.round(work.minutes / 6) / 10,
            kg: Math.round(10 * (massOf(b.options, van.geometry) - massOf(build.options, van.geometry))) / 10,
            ...(b.cause ? { cause: b.cause } : {}),
            ...(b.why?.trim() ? { note: b.why.trim() } : {}),
          },
          saidBy: user.id,
          saidAt: x.now,
        });
        await x.event({
          kind: "build.options",
          entity: "build",
          entityId: build.id,
          buildId: build.id,
          text: title.slice(0, 500),
          data: { from: build.options, to: b.options },
        });
        await x.stale(`${build.name}: ${title}`.slice(0, 300));
        return { jobs: work.added.length + work.dropped.length + work.changed.length };
      }),
  ),
];
