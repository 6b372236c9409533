// What other choices would make of a build's jobs, without anything being stored.

import { buildNetwork } from "@/core/library/network";
import type { Options } from "@/core/library/options";
import { changeOptions, type OptionChange } from "@/core/workshop/builds/change-options";
import { measuredVan } from "@/core/workshop/builds/measured";
import { withoutSheets, withSheets } from "@/core/workshop/sheets/sheet-takes";
import { freshJob } from "@/core/workshop/state/from-network";
import type { BuildRow, Shop } from "@/core/workshop/state/model";
import { jobsOfVersion } from "@/db/house/library";
import { type Conn, pool } from "@/db/pool";
import { Refusal } from "../refusal";

/** What the choices would make of a build's jobs, by the library it was made with. */
export async function optionChange(c: Conn | undefined, shop: Shop, build: BuildRow, options: Options): Promise<OptionChange> {
  const van = shop.vans.find((v) => v.id === build.vanId);
  if (!van) throw new Refusal(409, "The van's template is gone, so its jobs can't be worked out again.");
  const jobs = await jobsOfVersion(c ?? pool(), build.libraryVersion);
  // A locked sheet is no change of choices: jobs are compared without what their sheets say, and planned with it.
  const change = changeOptions(
    withoutSheets(build).jobs,
    buildNetwork(options, measuredVan(van.geometry, build), jobs).map((j, seq) => freshJob(build.id, j, seq)),
  );
  return { ...change, jobs: withSheets(change.jobs, build.sheets) };
}
