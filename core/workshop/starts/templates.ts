// Templates and jigs by number: which ones a job can be marked by, and why one in hand is not for it.

import { penetrationsIn, SIDE_WORDS, sideOf } from "../openings/holes";
import type { BuildRow, JobRow, Shop, TemplateRow } from "../state/model";
import { alike, isUnit } from "../stores/parts";

export const KIND_WORDS: Record<TemplateRow["kind"], string> = {
  template: "template",
  jig: "jig",
  pressing: "the van's own pressing",
  outline: "traced outline",
};

/** The rib bay of a jig against the one that the job's holes are listed in. */
function bayMismatch(build: Pick<BuildRow, "records">, job: Pick<JobRow, "id">, t: TemplateRow): string[] {
  const bay = /\d+/.exec(t.bay)?.[0];
  if (!bay) return [];
  return penetrationsIn(build.records)
    .filter((r) => r.jobId === job.id)
    .flatMap((r) => {
      const own = /\bbay (\d+)\b/i.exec(r.data.place)?.[1];
      return own && own !== bay ? [`it is for rib bay ${bay}, hole ${r.no} is in bay ${own}`] : [];
    })
    .slice(0, 1);
}

/** Why a template is not for this job, in words; empty when it is. */
export function templateMismatch(
  shop: Pick<Shop, "vans">,
  build: Pick<BuildRow, "vanId" | "records">,
  job: Pick<JobRow, "id" | "zones" | "parts" | "name">,
  t: TemplateRow,
): string[] {
  const van = (id: string) => shop.vans.find((v) => v.id === id)?.name ?? id;
  const side = sideOf(job);
  const units = job.parts.filter((p) => isUnit(p.name)).map((p) => p.name);
  return [
    ...(t.retired ? ["it is retired"] : []),
    ...(t.kind === "outline" ? ["it is a traced outline, not for cutting the skin"] : []),
    ...(t.vanId !== build.vanId ? [`it is for a ${van(t.vanId)}, this is a ${van(build.vanId)}`] : []),
    ...(t.side !== side ? [`it is for the ${SIDE_WORDS[t.side]}, this is the ${SIDE_WORDS[side]}`] : []),
    ...bayMismatch(build, job, t),
    ...(units.length && !units.some((u) => alike(u, t.what)) ? [`it is for ${t.what}, this is ${units.join(", ")}`] : []),
  ];
}

/** The templates that a cut can be marked by. */
export function templatesOf(shop: Shop, build: BuildRow, job: JobRow): TemplateRow[] {
  if (job.irreversible !== "cut" || job.stage !== "openings") return [];
  return shop.templates.filter((t) => templateMismatch(shop, build, job, t).length === 0);
}

/** "7, jig, bay 3, mark up" */
export const sayTemplate = (t: TemplateRow): string =>
  [t.number, KIND_WORDS[t.kind], t.bay && `bay ${t.bay}`, `mark ${t.mark}`, t.offsets].filter(Boolean).join(", ");

/** What a fitter has to know of templates: which to take, which is in hand, and outlines on file for what is cut by them. */
export function templateWords(shop: Shop, build: BuildRow, job: JobRow): string[] {
  if (job.state === "done") return [];
  const out: string[] = [];
  const held = shop.templates.find((t) => t.id === job.template?.templateId);
  if (held) out.push(`Template in hand: ${sayTemplate(held)}`);
  else {
    const fit = templatesOf(shop, build, job);
    if (fit.length) out.push(`Template to mark by: ${fit.map(sayTemplate).join("; ")}`);
  }
  const outlines = shop.templates.filter((t) => !t.retired && t.kind === "outline" && t.vanId === build.vanId && t.serves === job.code);
  for (const t of outlines) out.push(`Outline on file for this type of van: ${t.number}, ${t.what}${t.note ? `, ${t.note}` : ""}`);
  return out;
}

/** What keeps a cut from being marked: there is a template for it, and nobody has read its number off. */
export function templateMissing(shop: Shop, build: BuildRow, job: JobRow): string | undefined {
  if (job.template) return undefined;
  const fit = templatesOf(shop, build, job);
  return fit.length ? `template ${fit.map((t) => t.number).join(" or ")} is not in hand: read its number off` : undefined;
}
