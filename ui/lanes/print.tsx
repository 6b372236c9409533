"use client";
// The plan on paper: what is still to come, by build, bay or fitter, a line a job. And the same as a file.

import type { Block } from "@/core/lanes/lanes";
import type { Cell } from "../kit/csv";
import { stageOf } from "../kit/stage";
import { day, local, time } from "../kit/time";
import type { Group } from "./toolbar";
import type { LanesView } from "./view";

interface Line {
  b: Block;
  build: string;
}

const placeOf = (b: Block): string => (b.bench ? "bench" : b.place);

/** Lines under the heads of a grouping; what is done is left out. Each head in the order of the view, its lines by their start. */
export function planLines(view: LanesView, group: Group): { head: string; about: string; lines: Line[] }[] {
  const all = view.lanes.flatMap((l) => l.blocks.filter((b) => b.state !== "done").map((b) => ({ b, build: l.name })));
  const sorted = (list: Line[]) => [...list].sort((x, y) => x.b.from - y.b.from);
  if (group === "builds")
    return view.lanes.map((l) => ({
      head: l.name,
      about: [l.van, l.client, `due ${day(view.zone, l.date.due)}`].filter(Boolean).join(", "),
      lines: sorted(all.filter((x) => x.build === l.name && view.jobs[x.b.jobId]?.buildId === l.buildId)),
    }));
  const names = group === "bays" ? view.places : view.people;
  return Object.entries(names)
    .map(([id, head]) => ({
      head,
      about: "",
      lines: sorted(all.filter((x) => (group === "bays" ? placeOf(x.b) === id : x.b.fitters.includes(id)))),
    }))
    .filter((g) => g.lines.length > 0);
}

const whoOf = (view: LanesView, b: Block) => b.fitters.map((f) => view.people[f] ?? f).join(" + ");
const whereOf = (view: LanesView, b: Block) => view.places[placeOf(b)] ?? placeOf(b);

export const PLAN_HEAD = ["build", "code", "job", "stage", "from", "to", "place", "fitters", "state"];

export const planCells = (view: LanesView): Cell[][] =>
  planLines(view, "builds").flatMap((g) =>
    g.lines.map(({ b, build }) => [
      build,
      view.jobs[b.jobId]?.code ?? "",
      b.name,
      stageOf(b.stage).name,
      local(view.zone, b.from),
      local(view.zone, b.to),
      whereOf(view, b),
      whoOf(view, b),
      b.state,
    ]),
  );

export function PlanOnPaper({ view, group }: { view: LanesView; group: Group }) {
  return (
    <div className="bg-white p-2 text-[0.75rem] text-black">
      <h1 className="text-[1.125rem]">
        Plan by {group}
        {view.published && `, plan ${view.published.number}`}, printed {time(view.zone, view.now)}
      </h1>
      {planLines(view, group).map((g) => (
        <section key={g.head} className="mt-3">
          <h2 className="text-[0.9375rem] break-after-avoid">
            {g.head} <span className="text-[0.75rem] font-normal">{g.about}</span>
          </h2>
          <table className="w-full border-collapse">
            <thead className="text-left">
              <tr>
                {["From", "To", group === "builds" ? "Job" : "Job, build", "Place", "Who"].map((h) => (
                  <th key={h} scope="col" className="border-b border-black py-0.5 pr-2 font-semibold">
                    {h}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {g.lines.map(({ b, build }) => (
                <tr key={b.jobId} className="break-inside-avoid">
                  <td className="border-b py-0.5 pr-2 whitespace-nowrap">{time(view.zone, b.from)}</td>
                  <td className="border-b py-0.5 pr-2 whitespace-nowrap">{time(view.zone, b.to)}</td>
                  <td className="border-b py-0.5 pr-2">
                    {stageOf(b.stage).code} {b.name}
                    {group !== "builds" && `, ${build}`}
                    {b.state !== "todo" && ` (${b.state === "started" ? "under way" : "paused"})`}
                  </td>
                  <td className="border-b py-0.5 pr-2">{whereOf(view, b)}</td>
                  <td className="border-b py-0.5">{whoOf(view, b)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      ))}
    </div>
  );
}
