"use client";
// One build from all sides: dates, drawing, ladder, jobs, chain, log.

import Link from "next/link";
import { Tabs } from "radix-ui";
import { useEffect, useState } from "react";
import { Button, buttonClass } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { byNumber, byText, useListTools } from "../kit/list-tools";
import { send } from "../kit/send";
import { STAGE } from "../kit/stage";
import { TabPanel, useShownTab } from "../kit/tab-panel";
import { day, local, time } from "../kit/time";
import { useAct } from "../kit/use-act";
import { useUrlChoice, useUrlText } from "../kit/use-url";
import { ShellPanel } from "./bare-body/bare-body-panel";
import { Damage } from "./bare-body/damage";
import { ItemsPanel } from "./bare-body/items-panel";
import { MarksPanel } from "./bare-body/marks-panel";
import { MassLedger } from "./bare-body/mass-ledger";
import { StripLists } from "./bare-body/strip-lists";
import { ChoicesPanel } from "./choices-panel";
import { CostPanel } from "./cost-panel";
import { EditBuild } from "./edit-build";
import { JobRow } from "./job-row";
import { StageLadder } from "./ladder";
import { dateTone, dateWords } from "./list";
import { NextAndStuck } from "./next-and-stuck";
import { CutLists } from "./openings/cut-lists";
import { HolesList } from "./openings/holes-list";
import { OpeningsPanel } from "./openings/openings-panel";
import { AskedJobs } from "./planning/asked-jobs";
import { OrderPanel } from "./planning/order-panel";
import { PapersPanel } from "./records/papers-panel";
import { RecordsPanel } from "./records/records-panel";
import { WaitsPanel } from "./records/waits-panel";
import { MeasurePanel } from "./van/measure-panel";
import { VanPanel } from "./van/van-panel";
import type { BuildView } from "./view";

/** As many links of the chain are shown at first. */
const CHAIN = 10;

const TABS = [
  ["jobs", "Jobs"],
  ["openings", "Openings"],
  ["choices", "Choices"],
  ["van", "Van"],
  ["marks", "Holes and rust"],
  ["shell", "Bare body"],
  ["items", "Removed items"],
  ["papers", "Owner and other trades"],
  ["waits", "Waits"],
  ["records", "Decisions and faults"],
  ["cost", "Cost"],
] as const;

const TAB_NAMES = TABS.map(([id]) => id);

export function BuildSheet({ view, open }: { view: BuildView; open?: string }) {
  const [tab, setTab] = useUrlChoice("tab", TAB_NAMES, "jobs");
  const shownTab = useShownTab(tab);
  const [editing, setEditing] = useState(false);
  const [wholeChain, setWholeChain] = useState(false);
  const [asked, setAsked] = useUrlText("job");
  const opened = asked || undefined;
  const setOpened = (id?: string) => setAsked(id ?? "");
  const act = useAct();
  useEffect(() => {
    if (open) document.getElementById(`job-${open}`)?.scrollIntoView({ block: "center" });
  }, [open]);
  const left = view.jobs.filter((j) => j.state !== "done").length;
  const openFaults = view.records.filter((r) => r.kind === "fault" && r.closedAt === null).length;
  const badge: Record<string, number> = {
    choices: view.openChoices.length,
    records: openFaults + view.jobs.reduce((n, j) => n + j.remainders.length, 0),
    marks: view.records.filter((r) => r.kind === "mark" && r.closedAt === null && !(r.data.what === "hole" && r.data.fate === "keep"))
      .length,
    items: view.inventory.undecided,
    papers: view.records.filter((r) => (r.kind === "others" || r.kind === "consent" || r.kind === "seat") && r.closedAt === null).length,
    openings:
      Object.values(view.papers.sparks).filter((o) => o.length > 0).length +
      view.holes.filter((h) => h.openSince !== null || h.data.soak === "damp" || h.data.soak === "drip").length,
    shell:
      view.shell.filter((z) => z.id !== null && !z.accepted).length +
      view.records.filter((r) => r.kind === "circuit" && r.closedAt === null).length,
    van: view.readings.filter((r) => r.state === "unlike").length,
  };
  return (
    <div className="flex flex-1 flex-col lg:flex-row">
      <div className="min-w-0 flex-1 p-5">
        <div className="flex flex-wrap items-start justify-between gap-4">
          <div className="min-w-0">
            <h1 className="text-[1.5rem] leading-tight">{view.name}</h1>
            <p className="text-muted">
              {view.client}
              {view.purpose && ` · ${view.purpose}`} · {view.vanName} · {view.where}
              {view.worked && ` · ${view.worked}`}
            </p>
          </div>
          <div className="flex flex-wrap items-center gap-2">
            <Link href="/lanes" className={buttonClass()}>
              Show in Lanes
            </Link>
            <Link href={`/builds/${view.id}/cards`} className={buttonClass()}>
              Print job cards
            </Link>
            <Link href={`/builds/${view.id}/client`} className={buttonClass()}>
              Client page
            </Link>
            <Button onClick={() => setEditing(true)}>Edit details</Button>
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
        <div className="mt-3 mb-3">
          <StageLadder stages={view.stages} />
          <p className="mt-1.5">
            due <b>{day(view.zone, view.date.due)}</b>
            {view.date.finish !== null && (
              <>
                , planned <b>{time(view.zone, view.date.finish)}</b>
              </>
            )}{" "}
            · <b className={dateTone(view.date)}>{dateWords(view.date)}</b>
            {view.date.held && <span className="text-amber-text"> · {view.date.held}</span>}
            {view.date.why && <span className="text-muted"> · longest wait: {view.date.why}</span>}
          </p>
        </div>
        <VanPanel view={view} />
        <Tabs.Root value={tab} onValueChange={(t) => setTab(t as typeof tab)} className="mt-4">
          <Tabs.List aria-label="Parts of the sheet" className="mb-4 flex flex-wrap gap-1 border-b">
            {TABS.map(([id, label]) => (
              <Tabs.Trigger
                key={id}
                value={id}
                className="-mb-px h-9 whitespace-nowrap border-b-[3px] border-transparent px-3 text-muted hover:text-ink data-[state=active]:border-pine data-[state=active]:font-bold data-[state=active]:text-ink"
              >
                {label}
                {badge[id] ? (
                  <span className="ml-1.5 rounded-full bg-amber-soft px-1.5 text-[0.75rem] text-amber-text">{badge[id]}</span>
                ) : null}
              </Tabs.Trigger>
            ))}
          </Tabs.List>
          <TabPanel value="jobs" shown={shownTab}>
            <p className="mb-3 text-muted">{view.gets.join(" · ")}</p>
            <NextAndStuck view={view} onOpen={setOpened} />
            <AskedJobs view={view} />
            <JobList view={view} opened={opened} setOpened={setOpened} />
          </TabPanel>
          <TabPanel value="openings" shown={shownTab}>
            <OpeningsPanel view={view} />
            <HolesList view={view} />
            <CutLists view={view} />
          </TabPanel>
          <TabPanel value="choices" shown={shownTab}>
            <ChoicesPanel key={view.version} view={view} />
            <OrderPanel view={view} />
          </TabPanel>
          <TabPanel value="van" shown={shownTab}>
            <MeasurePanel view={view} />
          </TabPanel>
          <TabPanel value="marks" shown={shownTab}>
            <MarksPanel view={view} />
            <Damage view={view} />
          </TabPanel>
          <TabPanel value="shell" shown={shownTab}>
            <ShellPanel view={view} />
          </TabPanel>
          <TabPanel value="items" shown={shownTab}>
            <ItemsPanel view={view} />
            <MassLedger view={view} />
            <StripLists view={view} />
          </TabPanel>
          <TabPanel value="papers" shown={shownTab}>
            <PapersPanel view={view} />
          </TabPanel>
          <TabPanel value="waits" shown={shownTab}>
            <WaitsPanel view={view} />
          </TabPanel>
          <TabPanel value="records" shown={shownTab}>
            <RecordsPanel view={view} />
          </TabPanel>
          <TabPanel value="cost" shown={shownTab}>
            <CostPanel view={view} />
          </TabPanel>
        </Tabs.Root>
      </div>
      <aside className="w-full shrink-0 border-l bg-card p-4 lg:w-[320px]">
        <h2 className="border-b pb-2 text-[0.9375rem]">What its date hangs on</h2>
        {view.chain.length === 0 && <p className="py-2 text-muted">Nothing: all is done, or nothing is planned yet.</p>}
        <ol className="mb-2">
          {view.chain.slice(0, wholeChain ? undefined : CHAIN).map((l, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a job may stand in the chain more than once
            <li key={i} className="flex justify-between gap-3 border-b py-1.5 last:border-0">
              <span className="min-w-0">
                <b>{l.name}</b> <span className="text-muted">{l.words}</span>
              </span>
              <span className="shrink-0 text-muted">{l.said}</span>
            </li>
          ))}
        </ol>
        <p className="mb-6">
          {view.chain.length > CHAIN && (
            <button type="button" onClick={() => setWholeChain(!wholeChain)} className="font-semibold underline underline-offset-2">
              {wholeChain ? "Only the next of it" : `All ${view.chain.length} links to the handover`}
            </button>
          )}
        </p>
        <h2 className="border-b pb-2 text-[0.9375rem]">Log</h2>
        {view.log.length === 0 && <p className="py-2 text-muted">Nothing has happened yet.</p>}
        <ol>
          {view.log.map((l) => (
            <li key={l.id} className="border-b py-1.5 last:border-0">
              {l.text}
              <span className="block text-[0.75rem] text-muted">
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

const STATE_WORDS = { todo: "to do", started: "under way", paused: "paused", done: "done" } as const;

function JobList({ view, opened, setOpened }: { view: BuildView; opened?: string; setOpened(id?: string): void }) {
  const { shown, tools } = useListTools(view.jobs, {
    name: "jobs",
    text: (j) => [j.code, j.name, STAGE[j.stage]?.name, STATE_WORDS[j.state], j.who, j.place].join(" "),
    orders: { "as worked": undefined, start: byNumber((j) => j.from), name: byText((j) => j.name) },
    head: ["code", "job", "stage", "state", "from", "to", "place", "who", "likely minutes"],
    cells: (j) => [
      j.code,
      j.name,
      STAGE[j.stage]?.name ?? j.stage,
      STATE_WORDS[j.state],
      j.from === null ? "" : local(view.zone, j.from),
      j.to === null ? "" : local(view.zone, j.to),
      j.place,
      j.who,
      j.likelyMinutes,
    ],
  });
  return (
    <div className="flex flex-col gap-5">
      <div className="-mb-3">{tools}</div>
      {Object.entries(STAGE).map(([stage, look]) => {
        const jobs = shown.filter((j) => j.stage === stage);
        if (!jobs.length) return null;
        return (
          <section key={stage} aria-label={look.name}>
            <h2 className="mb-1.5 flex items-center gap-2 text-[0.9375rem]">
              <span className="inline-block h-3.5 w-1.5 rounded-sm" style={{ background: look.colour }} />
              {look.name}
              <span className="text-[0.75rem] font-normal text-muted">
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
  );
}
