// Actions on builds: add one, change its dates, move its van, hand it over.

import { v7 } from "uuid";
import { conflictsOf } from "@/core/library/conflicts";
import { buildNetwork } from "@/core/library/network";
import { OPTION_KEYS, type OptionKey, type Options, optionsSchema } from "@/core/library/options";
import { departureStops, departureTicks } from "@/core/workshop/builds/departure";
import { goesWithIt } from "@/core/workshop/builds/goes-with-it";
import { handoverStops } from "@/core/workshop/builds/handover";
import { undecidedOf } from "@/core/workshop/builds/open-choices";
import { notWatertight } from "@/core/workshop/openings/holes";
import { hotWorkStop } from "@/core/workshop/openings/hot-work";
import { freshJob } from "@/core/workshop/state/from-network";
import { insertBuild } from "@/db/builds/build-network";
import { openJobs, setPlace } from "@/db/builds/builds";
import { deleteDraft } from "@/db/builds/drafts";
import { currentLibrary } from "@/db/house/library";
import { toSql } from "@/db/pool";
import { loadShop } from "@/db/shop";
import { action, body, change, instant, is } from "../action";
import { type NewBuildAsk, tryBuild } from "../builds/new-build";
import { editRow } from "../edits";
import { badField, Refusal } from "../refusal";

interface NewBuild {
  name: string;
  client: string;
  purpose?: string;
  vanId: string;
  arrives: string;
  due: string;
  weight?: number;
  options: Options;
  openChoices?: OptionKey[];
  /** The draft it was written in; gone once the build is there. */
  draft?: string;
}

export const openChoicesSchema = { type: "array", uniqueItems: true, items: { type: "string", enum: OPTION_KEYS } };

/** Refuses choices that can't be built. */
export function refuseStops(options: Options, geometry?: Parameters<typeof conflictsOf>[1]): void {
  const stop = conflictsOf(options, geometry).find((k) => k.level === "stop");
  if (stop) throw badField(`options.${stop.keys[0]}`, `contradicts: ${stop.text}`);
}

const purpose = { type: "string", maxLength: 160 };
const weight = { type: "number", exclusiveMinimum: 0, maximum: 20 };

/** A short readable id: the name as letters, and enough chance behind it. */
export const slug = (name: string): string =>
  `${
    name
      .toLowerCase()
      .normalize("NFKD")
      .replace(/[^a-z0-9]+/g, "-")
      .replace(/^-+|-+$/g, "")
      .slice(0, 30) || "build"
  }-${v7().replace(/-/g, "").slice(-5)}`;

export const buildActions = [
  action<NewBuildAsk>(
    { method: "POST", path: "builds/try", role: "lead" },
    body({ vanId: is.id, options: optionsSchema }, { openChoices: openChoicesSchema, arrives: is.local, due: is.local }),
    (b) => tryBuild(b),
  ),
  action<NewBuild>(
    { method: "POST", path: "builds", role: "lead" },
    body(
      { name: is.name, client: is.name, vanId: is.id, arrives: is.local, due: is.local, options: optionsSchema },
      { purpose, weight, openChoices: openChoicesSchema, draft: is.id },
    ),
    (b, { user }) =>
      change(user, async (x) => {
        const arrives = instant(x, b.arrives, "arrives");
        const due = instant(x, b.due, "due");
        if (due <= arrives) throw badField("due", "has to be after the arrival");
        const shop = await loadShop(x.c);
        const van = shop.vans.find((v) => v.id === b.vanId);
        if (!van) throw badField("vanId", "is no van we know");
        refuseStops(b.options, van.geometry);
        if (shop.builds.some((o) => o.name.toLowerCase() === b.name.trim().toLowerCase()))
          throw badField("name", "is taken by another build in the shop");
        const id = slug(b.name);
        const library = await currentLibrary(x.c, x.now);
        const undecided = undecidedOf(b.openChoices ?? [], b.options, van.geometry, library.jobs);
        const jobs = buildNetwork(b.options, van.geometry, library.jobs).map((j, seq) => ({
          ...freshJob(id, j, seq),
          undecided: undecided.get(j.code) ?? [],
        }));
        await insertBuild(x.c, {
          id,
          name: b.name.trim(),
          client: b.client.trim(),
          purpose: b.purpose?.trim() ?? "",
          vanId: b.vanId,
          arrives: toSql(arrives),
          due: toSql(due),
          weight: b.weight ?? 1,
          options: b.options,
          createdAt: toSql(x.now),
          openChoices: b.openChoices ?? [],
          libraryVersion: library.number,
          jobs,
          suppliers: shop.suppliers.filter((s) => !s.retired).map((s) => s.id),
        });
        await x.event({
          kind: "build.added",
          entity: "build",
          entityId: id,
          buildId: id,
          text: `${b.name.trim()} added`,
          data: { options: b.options },
        });
        if (b.draft) await deleteDraft(x.c, b.draft, user.id);
        await x.stale(`${b.name.trim()} added`);
        return { id };
      }),
  ),
  action<{ version: number; name: string; client: string; purpose: string; arrives: string; due: string; weight: number }>(
    { method: "PATCH", path: "builds/*", role: "lead" },
    body({ version: is.version, name: is.name, client: is.name, purpose, arrives: is.local, due: is.local, weight }),
    (b, { user, ids }) =>
      change(user, async (x) => {
        const arrives = instant(x, b.arrives, "arrives");
        const due = instant(x, b.due, "due");
        if (due <= arrives) throw badField("due", "has to be after the arrival");
        const show = (v: unknown) => x.zone.show(Date.parse(`${String(v).replace(" ", "T")}Z`) / 60_000);
        await editRow(x.c, "build", b.name, ids[0], b.version, {
          name: { column: "name", value: b.name.trim() },
          client: { column: "client", value: b.client.trim() },
          purpose: { column: "purpose", value: b.purpose.trim() },
          arrives: { column: "arrives", value: toSql(arrives), mine: b.arrives, show },
          due: { column: "due", value: toSql(due), mine: b.due, show },
          weight: { column: "weight", value: b.weight },
        });
        await x.event({
          kind: "build.changed",
          entity: "build",
          entityId: ids[0],
          buildId: ids[0],
          text: `${b.name} changed: due ${b.due.replace("T", " ")}`,
        });
        await x.stale(`${b.name} changed`);
      }),
  ),
  action<{ place: string; ticks?: string[] }>(
    { method: "POST", path: "builds/*/move", role: "any" },
    body({ place: is.id }, { ticks: { type: "array", maxItems: 20, items: is.name } }),
    (b, { user, ids }) =>
      change(user, async (x) => {
        const shop = await loadShop(x.c);
        const build = shop.builds.find((o) => o.id === ids[0]);
        if (!build) throw new Refusal(404, "There is no such build.");
        const bay = shop.bays.find((o) => o.id === b.place && !o.retired);
        const name = bay?.name ?? (b.place === "yard" ? "the yard" : b.place === "off" ? "off site" : undefined);
        if (!name) throw badField("place", "is no place for a van");
        const busy = build.jobs.find((j) => j.place === "van" && j.state === "started");
        if (busy) throw new Refusal(409, `${build.name} can't be moved: ${busy.name} is under way on it.`);
        const still = build.jobs.find(
          (j) => j.place === "van" && j.hold.still && j.state === "done" && j.endedAt! + j.hold.minutes > x.now,
        );
        if (still)
          throw new Refusal(
            409,
            `${build.name} must not be moved: ${still.name} cures until ${x.zone.show(still.endedAt! + still.hold.minutes).replace("T", " ")}.`,
          );
        const sparks = b.place === build.at ? [] : hotWorkStop(shop, build, x.now);
        if (sparks.length) throw new Refusal(409, `${build.name} stays where it is: ${sparks.join("; ")}.`);
        const sheltered = bay ? bay.has.includes("indoor") : b.place === "yard" && shop.workshop.yardHas.includes("indoor");
        const wet = sheltered ? [] : notWatertight(build);
        if (wet.length) throw new Refusal(409, `${build.name} is not watertight: ${wet.join(", ")} open with no cover. Cover it first.`);
        if (b.place === "off" && build.at !== null) {
          const stops = departureStops(shop, build, x.now);
          if (stops.length) throw new Refusal(409, `${build.name} can't leave: ${stops.join("; ")}.`);
          const open = departureTicks(build).filter((t) => !b.ticks?.includes(t));
          if (open.length) throw badField("ticks", `are missing: ${open.join(", ")}`);
        }
        const other = bay && shop.builds.find((o) => o.at === b.place && o.id !== build.id);
        if (other) throw new Refusal(409, `${other.name} stands in ${name}. Move it out first.`);
        if (b.place === "yard" && build.at !== "yard" && shop.builds.filter((o) => o.at === "yard").length >= shop.workshop.yardPlaces)
          throw new Refusal(409, "The yard is full.");
        const van = shop.vans.find((v) => v.id === build.vanId);
        if (bay && van && ((bay.maxHeightMm ?? Infinity) < van.heightMm || (bay.maxLengthMm ?? Infinity) < van.lengthMm))
          throw new Refusal(409, `${name} is too small for a ${van.name}.`);
        await setPlace(x.c, build.id, b.place === "off" ? null : b.place, x.now);
        await x.event({
          kind: "van.moved",
          entity: "build",
          entityId: build.id,
          buildId: build.id,
          text: b.place === "off" ? `${build.name} left the yard: ${(b.ticks ?? []).join(", ")}` : `${build.name} moved to ${name}`,
          data: { from: build.at, to: b.place },
        });
        await x.stale(`${build.name} moved to ${name}`);
      }),
  ),
  action<{ version: number }>(
    { method: "POST", path: "builds/*/hand-over", role: "lead" },
    body({ version: is.version }),
    (b, { user, ids }) =>
      change(user, async (x) => {
        const open = await openJobs(x.c, ids[0]);
        if (open.length) throw new Refusal(409, `${open.length} ${open.length === 1 ? "job is" : "jobs are"} open, the first: ${open[0]}.`);
        const build = (await loadShop(x.c)).builds.find((o) => o.id === ids[0]);
        if (!build) throw new Refusal(404, "There is no such build.");
        const stops = handoverStops(build, x.now, x.zone);
        if (stops.length) throw new Refusal(409, `It can't be handed over yet. ${stops.join(". ")}.`);
        await editRow(x.c, "build", "The build", ids[0], b.version, {
          state: { column: "state", value: "handed-over" },
          place: { column: "at_place", value: null },
        });
        await x.event({
          kind: "build.handed-over",
          entity: "build",
          entityId: ids[0],
          buildId: ids[0],
          text: ["handed over", ...goesWithIt(build)].join("; ").slice(0, 500),
        });
        await x.stale("a build was handed over");
      }),
  ),
];
