"use client";
// The plan as lanes: each build a road through time. Select a block to see why it is not earlier.

import Link from "next/link";
import { useEffect, useMemo, useRef, useState } from "react";
import { toast } from "sonner";
import { axis, ZOOMS, type ZoomName } from "@/core/lanes/axis";
import type { Block } from "@/core/lanes/lanes";
import { zoneOf } from "@/core/time/zone";
import { typing } from "../frame/use-keys";
import { buttonClass } from "../kit/button";
import { send } from "../kit/send";
import { useAct } from "../kit/use-act";
import { GroupRowView } from "./group-row";
import { LABEL_PX, LaneRow } from "./lane";
import { JobPanel } from "./panel";
import { Scale } from "./scale";
import { type Group, Toolbar } from "./toolbar";
import type { LanesView } from "./view";

export function Lanes({ view, selected }: { view: LanesView; selected?: string }) {
  const [zoom, setZoom] = useState<ZoomName>("weeks");
  const [group, setGroup] = useState<Group>("builds");
  const [jobId, setJobId] = useState<string | undefined>(selected && view.jobs[selected] ? selected : undefined);
  const scroller = useRef<HTMLDivElement>(null);
  const act = useAct();
  const a = useMemo(() => axis(view.days, ZOOMS[zoom]), [view.days, zoom]);
  const blocks = useMemo(() => view.lanes.flatMap((l) => l.blocks.map((b) => ({ ...b, lane: l.buildId }))), [view.lanes]);
  const block = blocks.find((b) => b.jobId === jobId);
  const card = jobId ? view.jobs[jobId] : undefined;

  // biome-ignore lint/correctness/useExhaustiveDependencies: goes to now when the zoom changes, not when data come in
  useEffect(() => {
    const at = block ? block.from : view.now;
    scroller.current?.scrollTo({ left: Math.max(0, a.x(at) - 220) });
  }, [zoom]);

  const show = (id: string) => {
    setJobId(id);
    requestAnimationFrame(() => {
      const el = document.getElementById(`block-${id}`);
      el?.focus({ preventScroll: true });
      el?.scrollIntoView({ block: "nearest", inline: "nearest" });
    });
  };

  /** Pins or frees a job and lets the plan flow round it; undo puts both back. */
  const pin = (b: Block, start: number | null) => {
    const c = view.jobs[b.jobId];
    const old = c.pinStart;
    if (start !== null && start < view.now) {
      toast.error(`${c.name} can't be pinned before now`);
      return;
    }
    const to = start === null ? undefined : zoneOf(view.zone).show(start);
    const set = (version: number, at: string | null | undefined) =>
      send("PATCH", `jobs/${b.jobId}/pin`, { version, ...(at ? { start: at } : {}) });
    void act.run(
      async () => {
        await set(c.version, to);
        const { pinsBroken } = await send<{ pinsBroken: { job: string; reason: string }[] }>("POST", "plan");
        const broken = pinsBroken.find((p) => p.job === b.jobId);
        if (broken && to) toast.error(broken.reason, { duration: 9000 });
      },
      to ? `${c.name} is pinned to ${to.replace("T", " ")}; the plan flows round it` : `${c.name} is free again`,
      async () => {
        await set(c.version + 1, old);
        await send("POST", "plan");
      },
    );
  };

  const onKey = (e: React.KeyboardEvent) => {
    if (typing(e.nativeEvent)) return;
    const here = block ?? blocks.find((b) => b.to > view.now);
    if (!here) return;
    const step = (n: number) => {
      const lane = blocks.filter((b) => b.lane === here.lane).sort((p, q) => p.from - q.from);
      const next = lane[lane.findIndex((b) => b.jobId === here.jobId) + n];
      if (next) show(next.jobId);
    };
    const across = (n: number) => {
      const i = view.lanes.findIndex((l) => l.buildId === here.lane) + n;
      const next = view.lanes[i]?.blocks.slice().sort((p, q) => Math.abs(p.from - here.from) - Math.abs(q.from - here.from))[0];
      if (next) show(next.jobId);
    };
    const planned = here.state === "todo" || here.state === "paused";
    const keys: Record<string, () => void> = {
      ArrowRight: () => step(1),
      ArrowLeft: () => step(-1),
      ArrowDown: () => across(1),
      ArrowUp: () => across(-1),
      w: () => show(here.jobId),
      p: () => planned && pin(here, view.jobs[here.jobId].pinStart ? null : here.from),
      "[": () => planned && pin(here, Math.max(here.from - 60, view.now)),
      "]": () => planned && pin(here, here.from + 60),
    };
    const run = keys[e.key];
    if (!run) return;
    e.preventDefault();
    run();
  };

  if (!view.lanes.length)
    return (
      <div className="m-auto max-w-md p-8 text-center">
        <h1 className="text-[20px]">No lanes yet</h1>
        <p className="mt-2 text-muted">Each build is a lane from its arrival to its flag. Add one, and its jobs are laid out here.</p>
        <Link href="/builds/new" className={`${buttonClass("main")} mt-4`}>
          Add a build
        </Link>
      </div>
    );

  return (
    <div className="flex h-[calc(100dvh-52px)] flex-col">
      <h1 className="sr-only">Lanes</h1>
      <Toolbar view={view} zoom={zoom} onZoom={setZoom} group={group} onGroup={setGroup} onShow={show} />
      <div className="flex min-h-0 flex-1">
        {/* biome-ignore lint/a11y/noStaticElementInteractions: arrow keys move between the buttons inside */}
        <div ref={scroller} onKeyDown={onKey} data-testid="lanes" className="relative min-h-0 min-w-0 flex-1 overflow-auto">
          <div className="relative" style={{ width: a.width + LABEL_PX }}>
            <Scale view={view} axis={a} zoom={zoom} />
            {group === "builds"
              ? view.lanes.map((l) => (
                  <LaneRow key={l.buildId} lane={l} axis={a} view={view} zoom={zoom} selected={jobId} onSelect={show} onPin={pin} />
                ))
              : view.groups[group].map((g) => (
                  <GroupRowView
                    key={g.id}
                    row={g}
                    axis={a}
                    view={view}
                    big={zoom === "days"}
                    selected={jobId}
                    onSelect={setJobId}
                    onPin={pin}
                  />
                ))}
            <div
              aria-hidden="true"
              data-now
              className="pointer-events-none absolute top-[30px] bottom-0 z-[12] w-[2px] bg-signal"
              style={{ left: LABEL_PX + a.x(view.now) }}
            />
          </div>
        </div>
        {card && block ? (
          <JobPanel
            key={card.id}
            card={card}
            block={block}
            view={view}
            onClose={() => setJobId(undefined)}
            onPin={(start) => pin(block, start)}
            busy={act.busy}
          />
        ) : (
          <aside className="hidden w-[290px] shrink-0 border-l bg-card p-4 text-muted xl:block">
            <p className="wide mb-1 text-[15px] text-ink">Why not earlier?</p>
            <p>
              Select a block: here stand the reasons for its start, the binding one first, what it waits for, and the stop lines before it.
            </p>
            {view.unplaced.length > 0 && (
              <div className="mt-5">
                <p className="wide mb-1 text-[15px] text-signal-text">No place in the plan</p>
                <ul className="flex flex-col gap-1.5">
                  {view.unplaced.slice(0, 12).map((u) => (
                    <li key={`${u.build} ${u.name}`}>
                      <b className="text-ink">
                        {u.build}, {u.name}
                      </b>
                      <br />
                      {u.reason}
                    </li>
                  ))}
                </ul>
              </div>
            )}
            {view.pinsBroken.length > 0 && (
              <div className="mt-5">
                <p className="wide mb-1 text-[15px] text-signal-text">Pins that can't be kept</p>
                <ul className="flex flex-col gap-1.5">
                  {view.pinsBroken.map((u) => (
                    <li key={`${u.build} ${u.name}`}>
                      <b className="text-ink">{u.build}</b>: {u.reason}
                    </li>
                  ))}
                </ul>
              </div>
            )}
          </aside>
        )}
      </div>
    </div>
  );
}
