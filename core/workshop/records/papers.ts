// What the papers of a build (consents, work of others, traps, metal behind cuts, taped cavities) hold up and have to say.

import type { Van } from "../../van/model";
import { marksIn } from "../bare-body/marks";
import { seatWords } from "../bare-body/seats";
import { placeWords } from "../bare-body/trap-places";
import { trapsBefore, trapWords } from "../bare-body/traps";
import { cutViewMissing, roundMissing } from "../bare-body/walk-rounds";
import { othersBefore } from "../builds/other-trades";
import { briefBefore } from "../client/brief";
import { consentBefore } from "../client/consent";
import { behindCut } from "../openings/behind-cut";
import { contentsBefore } from "../openings/box-contents";
import { bareFrameParts, framePartsBefore, framePartWords } from "../openings/frame-parts";
import { tapedBefore, throwsChips } from "../openings/hot-work";
import { layoutBefore } from "../openings/layout";
import { squareBefore } from "../openings/square";
import { batchWords } from "../planning/one-batch";
import { helperWords } from "../planning/second-hand";
import { oldPrintWords } from "../sheets/stale-prints";
import { highWords } from "../starts/above-reach";
import { reachBefore } from "../starts/reach";
import type { BuildRow, JobRow, Shop } from "../state/model";
import { cutterWords } from "../stores/cutting-tool";
import { makerWords } from "../stores/maker-times";
import { cableEndsBefore, cableEndWords } from "./cable-ends";
import { temporaryBefore } from "./temporary";
import { attendWords, benchBefore } from "./waits";

/** What a job that is not begun yet waits for, in words. */
export const papersBefore = (build: BuildRow, job: JobRow, van?: Van): string[] => [
  ...consentBefore(build, job),
  ...briefBefore(build, job),
  ...contentsBefore(build, job, van),
  ...framePartsBefore(build, job),
  ...trapsBefore(build, job),
  ...othersBefore(build, job),
  ...bareFrameParts(build, job),
  ...tapedBefore(build, job),
  ...temporaryBefore(build, job),
  ...layoutBefore(build, job),
  ...cableEndsBefore(build, job),
  ...squareBefore(build, job),
  ...benchBefore(build, job),
  ...reachBefore(build, job),
];

/** Other cuts of the van that could go with this one: one left for later is swarf, cover and a weather slot once more. */
export function sessionWords(
  build: Pick<BuildRow, "jobs">,
  job: Pick<JobRow, "id" | "irreversible" | "place" | "state" | "stage">,
): string[] {
  if (!throwsChips(job) || job.state !== "started") return [];
  const left = build.jobs
    .filter((j) => j.id !== job.id && j.stage === job.stage && throwsChips(j) && j.state === "todo")
    .map((j) => j.name);
  return left.length
    ? [`One cutting session: still uncut ${left.join(", ")}. Left for later, each is swarf, cover and weather once more`]
    : [];
}

/** Dents from taking bracing off, on the side of an opening that is set out or cut: a wish of whoever moves it by a little. */
export function dentWords(build: Pick<BuildRow, "records">, job: Pick<JobRow, "stage" | "zones" | "state" | "place">): string[] {
  if (job.stage !== "openings" || job.state === "done" || job.place !== "van") return [];
  return marksIn(build.records)
    .filter((m) => m.data.bracing && (job.zones.includes(m.data.view) || job.zones.includes("inside")))
    .map((m) => `Cut this away if you can: ${m.title}, a dent from the bracing`);
}

/** Fields of the wall with a single skin, on the sides where a job fixes something: a screw there comes out outside. */
export function singleSkinWords(van: Van | undefined, job: Pick<JobRow, "stage" | "zones" | "state" | "place">): string[] {
  if (!van || !FIXES.has(job.stage) || job.state === "done" || job.place !== "van") return [];
  const fields = van.geometry.windowFields.filter((f) => f.skin === "single" && job.zones.includes(f.side));
  return fields.length
    ? [`Single skin, no screw: ${fields.map((f) => `${f.side} ${f.fromMm} to ${f.fromMm + f.widthMm}`).join(", ")}`]
    : [];
}
const FIXES: ReadonlySet<string> = new Set(["framing", "panels", "furniture"]);

/** What its fitter has to know of them. */
export function paperWords(shop: Pick<Shop, "bays" | "vans" | "times" | "workshop" | "tools">, build: BuildRow, job: JobRow): string[] {
  const maker = makerWords(shop, job);
  const round = job.place === "van" && job.state === "todo" ? roundMissing(shop, build) : undefined;
  const cutView = cutViewMissing(build, job);
  return [
    ...(round ? [round] : []),
    ...(cutView ? [cutView] : []),
    ...behindCut(
      build,
      shop.vans.find((v) => v.id === build.vanId),
      job,
    ),
    ...cutterWords(shop, job),
    ...oldPrintWords(build, job.id),
    ...batchWords(build, job),
    ...sessionWords(build, job),
    ...dentWords(build, job),
    ...singleSkinWords(
      shop.vans.find((v) => v.id === build.vanId),
      job,
    ),
    ...trapWords(build, job),
    ...placeWords(
      build,
      shop.vans.find((v) => v.id === build.vanId),
      job,
    ),
    ...framePartWords(build, job),
    ...seatWords(build, job),
    ...cableEndWords(build, job),
    ...(maker ? [maker] : []),
    ...attendWords(build, job),
    ...helperWords(build, job),
    ...highWords(
      shop,
      shop.vans.find((v) => v.id === build.vanId),
      job,
    ),
  ];
}
