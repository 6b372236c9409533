"use client";
// One build from all sides: dates, drawing, ladder, jobs, chain, log.

import Link from "next/link";
import { useEffect, useState } from "react";
import { Button, buttonClass } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { send } from "../kit/send";
import { STAGE } from "../kit/stage";
import { day, time } from "../kit/time";
import { useAct } from "../kit/use-act";
import { VanPlan } from "../van/plan";
import { EditBuild } from "./edit-build";
import { JobRow } from "./job-row";
import { StageLadder } from "./ladder";
import { dateTone, dateWords } from "./list";
import type { BuildView } from "./view";

export function BuildSheet({ view, open }: { view: BuildView; open?: string }) {
  const [editing, setEditing] = useState(false);
  const [opened, setOpened] = useState<string | undefined>(open);
  const act = useAct();
  useEffect(() => {
    setOpened(open);
    if (open) document.getElementById(`job-${open}`)?.scrollIntoView({ block: "center" });
  }, [open]);
  const left = view.jobs.filter((j) => j.state !== "done").length;
  return (
    <div className="flex flex-1 flex-col lg:flex-row">
      <div className="min-w-0 flex-1 p-5">
        <div className="flex flex-wrap items-start justify-between gap-4">
          <div>
            <h1 className="text-[24px] leading-tight">{view.name}</h1>
            <p className="text-muted">
              {view.client}
              {view.purpose && ` · ${view.purpose}`} · {view.vanName} · {view.where}
            </p>
            <p className="mt-1 text-muted">{view.options.join(" · ")}</p>
          </div>
          <div className="flex items-center gap-2">
            <Link href="/lanes" className={buttonClass()}>
              Its lane
            </Link>
            <Button onClick={() => setEditing(true)}>Name and dates</Button>
            {left === 0 && (
              <Button
                kind="main"
                disabled={act.busy}
                onClick={() =>
                  void act
                    .run(() => send("POST", `builds/${view.id}/hand-over`, { version: view.version }), `${view.name} is handed over`)
                    .then((ok) => ok && window.location.assign("/builds"))
                }
              >
                Hand over
              </Button>
            )}
          </div>
        </div>
        <div className="mt-4 flex flex-wrap items-center gap-6 rounded-md border bg-card px-4 py-3">
          <VanPlan van={view.van} marks={view.marks} width={210} hatchId="sheet" />
          <div className="min-w-[280px] flex-1">
            <StageLadder stages={view.stages} />
            <p className="mt-2">
              due <b>{day(view.zone, view.date.due)}</b>
              {view.date.finish !== null && (
                <>
                  , planned <b>{time(view.zone, view.date.finish)}</b>
                </>
              )}{" "}
              · <b className={dateTone(view.date)}>{dateWords(view.date)}</b>
            </p>
            {view.date.why && <p className="text-muted">longest wait: {view.date.why}</p>}
          </div>
        </div>
        <div className="mt-5 flex flex-col gap-5">
          {Object.entries(STAGE).map(([stage, look]) => {
            const jobs = view.jobs.filter((j) => j.stage === stage);
            if (!jobs.length) return null;
            return (
              <section key={stage} aria-label={look.name}>
                <h2 className="mb-1.5 flex items-center gap-2 text-[15px]">
                  <span className="inline-block h-3.5 w-1.5 rounded-sm" style={{ background: look.colour }} />
                  {look.name}
                  <span className="text-[12px] font-normal text-muted">
                    {jobs.filter((j) => j.state === "done").length} of {jobs.length} done
                  </span>
                </h2>
                <ul className="overflow-hidden rounded-md border bg-card">
                  {jobs.map((j) => (
                    <JobRow
                      key={j.id}
                      job={j}
                      view={view}
                      open={opened === j.id}
                      onToggle={() => setOpened(opened === j.id ? undefined : j.id)}
                    />
                  ))}
                </ul>
              </section>
            );
          })}
        </div>
      </div>
      <aside className="w-full shrink-0 border-l bg-card p-4 lg:w-[320px]">
        <h2 className="border-b pb-2 text-[15px]">What its date hangs on</h2>
        {view.chain.length === 0 && <p className="py-2 text-muted">Nothing: all is done, or nothing is planned yet.</p>}
        <ol className="mb-6">
          {view.chain.map((l, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a job may stand in the chain more than once
            <li key={i} className="flex justify-between gap-3 border-b py-1.5 last:border-0">
              <span className="min-w-0">
                <b>{l.name}</b> <span className="text-muted">{l.words}</span>
              </span>
              <span className="shrink-0 text-muted">{l.said}</span>
            </li>
          ))}
        </ol>
        <h2 className="border-b pb-2 text-[15px]">Log</h2>
        {view.log.length === 0 && <p className="py-2 text-muted">Nothing has happened yet.</p>}
        <ol>
          {view.log.map((l) => (
            <li key={l.id} className="border-b py-1.5 last:border-0">
              {l.text}
              <span className="block text-[12px] text-muted">
                {time(view.zone, l.at)} · {l.who}
              </span>
            </li>
          ))}
        </ol>
      </aside>
      <Dialog open={editing} onOpenChange={setEditing} title={`${view.name}: name and dates`}>
        <EditBuild view={view} onDone={() => setEditing(false)} />
      </Dialog>
    </div>
  );
}
