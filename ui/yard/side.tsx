"use client";
// Beside the floor plan: decisions with their latest moment, dates, and what could be pulled forward.

import Link from "next/link";
import type { Decision } from "@/core/workshop/builds/decisions";
import type { BuildDate } from "@/core/workshop/state/dates";
import { Button } from "../kit/button";
import { cx } from "../kit/cx";
import { send } from "../kit/send";
import { StageBadge } from "../kit/stage";
import { day, near } from "../kit/time";
import { useAct } from "../kit/use-act";
import { HowSure } from "./how-sure";
import { NothingReady } from "./nothing-ready";
import type { YardView } from "./view";

const TONE = { signal: "bg-signal text-white", ink: "bg-ink text-paper", amber: "bg-[#8a5600] text-white" };

export function Badge({ className, children }: { className: string; children: React.ReactNode }) {
  return (
    <span
      className={cx(
        "grid h-[23px] min-w-[23px] shrink-0 place-items-center self-start rounded-md px-1 text-[0.75rem] font-bold",
        className,
      )}
    >
      {children}
    </span>
  );
}

function Section({ title, aside, children }: { title: string; aside?: string; children: React.ReactNode }) {
  return (
    <section aria-label={title} className="mb-5">
      <div className="flex items-baseline justify-between gap-3 border-b pb-2">
        <h2 className="text-[0.9375rem]">{title}</h2>
        {aside && <p className="truncate text-[0.75rem] text-muted">{aside}</p>}
      </div>
      {children}
    </section>
  );
}

export function YardSide({ view }: { view: YardView }) {
  const act = useAct();
  return (
    <aside className="w-full shrink-0 border-l bg-card px-4 py-4 lg:w-[372px]">
      {view.stale && (
        <div className="mb-4 flex items-center justify-between gap-3 rounded-md border border-amber bg-amber-soft px-3 py-2">
          <p>
            <b>The plan is stale:</b> {view.stale}
          </p>
          <Button disabled={act.busy} onClick={() => void act.run(() => send("POST", "plan"), "Replanned")}>
            {act.busy ? "Replanning …" : "Replan"}
          </Button>
        </div>
      )}
      <Section title="Before the day ends" aside={view.weather}>
        {view.decisions.length === 0 && <p className="py-3 text-muted">Nothing presses today.</p>}
        <ul>
          {view.decisions.slice(0, 9).map((d) => (
            <DecisionRow key={`${d.kind} ${d.jobId ?? d.buildId} ${d.title}`} d={d} view={view} />
          ))}
        </ul>
        {view.decisions.length > 9 && (
          <details className="pt-1">
            <summary className="py-1 font-semibold">{view.decisions.length - 9} more, later or less urgent</summary>
            <ul>
              {view.decisions.slice(9).map((d) => (
                <DecisionRow key={`${d.kind} ${d.jobId ?? d.buildId} ${d.title}`} d={d} view={view} />
              ))}
            </ul>
          </details>
        )}
      </Section>
      <Section title="Dates" aside="working days to spare">
        {!view.hasPlan && <p className="py-3 text-muted">No plan yet. Replan, then the dates stand here.</p>}
        <ul>
          {view.dates.map((d) => (
            <DateRow key={d.buildId} d={d} zone={view.zone} />
          ))}
        </ul>
        {view.hasPlan && <HowSure names={Object.fromEntries(view.dates.map((d) => [d.buildId, d.name]))} />}
      </Section>
      <Section title="Free to pull forward" aside={view.forwardNote}>
        {view.forward.length === 0 && <p className="py-3 text-muted">No ready work for anybody who is free.</p>}
        <NothingReady view={view} />
        <ul>
          {view.forward.map((f) => (
            <li key={f.jobId} className="flex gap-3 border-b py-2 last:border-0">
              <StageBadge stage={f.stage} className="mt-0.5" />
              <Link href={`/builds/${f.buildId}?job=${encodeURIComponent(f.jobId)}`} className="hover:underline">
                <b>{f.title}</b> <span className="text-muted">· {f.detail}</span>
              </Link>
            </li>
          ))}
        </ul>
      </Section>
    </aside>
  );
}

function hrefOf(d: Decision): string {
  if (d.kind === "proof") return "/proof";
  if (d.kind === "choice") return `/builds/${d.buildId}?tab=choices`;
  if (d.kind === "tool") return "/workshop?tab=tools";
  if (d.kind === "remainder") return `/builds/${d.buildId}?tab=records`;
  if (d.kind === "part" || d.kind === "order") return "/stores";
  return `/builds/${d.buildId}${d.jobId ? `?job=${encodeURIComponent(d.jobId)}` : ""}`;
}

function DecisionRow({ d, view }: { d: Decision; view: YardView }) {
  const act = useAct();
  return (
    <li className="flex gap-3 border-b py-2 last:border-0">
      <Badge className={TONE[d.tone]}>{d.mark}</Badge>
      <div className="min-w-0 flex-1">
        <Link href={hrefOf(d)} className="hover:underline">
          <b>{d.who}</b>: {d.title}
        </Link>
        <p className="text-[0.75rem] text-muted" suppressHydrationWarning>
          {d.detail}
          {d.by !== null && d.kind !== "skin" && d.kind !== "order" && ` · by ${near(view.zone, d.by, view.now)}`}
        </p>
      </div>
      {d.kind === "remark" && d.refId && (
        <Button
          kind="quiet"
          disabled={act.busy}
          className="!h-7 !px-2"
          onClick={() => void act.run(() => send("POST", `remarks/${d.refId}/settle`), "Solved")}
        >
          Solved
        </Button>
      )}
    </li>
  );
}

const DATE: Record<BuildDate["state"], string> = {
  late: "bg-signal text-white",
  tight: "bg-[#8a5600] text-white",
  safe: "bg-green text-white",
  open: "bg-signal text-white",
};

function DateRow({ d, zone }: { d: BuildDate; zone: string }) {
  const mark = d.state === "open" ? "?" : d.slackDays > 0 ? `+${d.slackDays}` : d.slackDays < 0 ? `−${-d.slackDays}` : "0";
  return (
    <li className="flex gap-3 border-b py-2 last:border-0">
      <Badge className={DATE[d.state]}>{mark}</Badge>
      <Link href={`/builds/${d.buildId}`} className="min-w-0 hover:underline">
        <b>{d.name}</b> due {day(zone, d.due)}
        {d.finish !== null && d.state !== "safe" && <>, planned {day(zone, d.finish)}</>}
        {d.why && d.state !== "safe" && <span className="block text-[0.75rem] text-muted">{d.why}</span>}
      </Link>
    </li>
  );
}
