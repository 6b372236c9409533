"use client";
// The plan as lanes: each build a road through time. Select a block to see why it is not earlier.

import Link from "next/link";
import { useCallback, useDeferredValue, useEffect, useLayoutEffect, useMemo, useRef, useState } from "react";
import { axis, ZOOMS, type ZoomName } from "@/core/lanes/axis";
import { fill } from "@/core/lanes/groups";
import type { Block } from "@/core/lanes/lanes";
import { groupHeight, laneShape, meets, tops } from "@/core/lanes/sight";
import { zoneOf } from "@/core/time/zone";
import { inField } from "../frame/use-keys";
import { buttonClass } from "../kit/button";
import { usePrinting } from "../kit/use-printing";
import { useUrlChoice, useUrlText } from "../kit/use-url";
import { Answers } from "./answers";
import { GroupRowView } from "./group-row";
import { LABEL_PX, LaneRow } from "./lane";
import { JobPanel } from "./panel";
import { PlanOnPaper } from "./print";
import { Scale } from "./scale";
import { GROUPS, type Group, Toolbar } from "./toolbar";
import type { Dragging, Spot } from "./use-drag";
import { usePins } from "./use-pins";
import { useVisible } from "./use-visible";
import { isPinned, type LanesView, NO_PIN, type PinAt } from "./view";

/** Height of the head of the lanes. */
const SCALE_PX = 42;

const ZOOM_NAMES = Object.keys(ZOOMS) as ZoomName[];

export function Lanes({ view }: { view: LanesView }) {
  const [zoomAsked, setZoom] = useUrlChoice<ZoomName>("zoom", ZOOM_NAMES, "weeks");
  const [groupAsked, setGroup] = useUrlChoice<Group>("of", GROUPS, "builds");
  // The switch shows what is asked at once; hundreds of blocks follow when they are ready.
  const zoom = useDeferredValue(zoomAsked);
  const group = useDeferredValue(groupAsked);
  const [asked, setAsked] = useUrlText("job");
  const jobId = view.jobs[asked] ? asked : undefined;
  const setJobId = useCallback((id: string | undefined) => setAsked(id ?? ""), [setAsked]);
  const scroller = useRef<HTMLDivElement>(null);
  const panel = useRef<HTMLElement>(null);
  const [over, setOver] = useState<string>();
  const [behind, setBehind] = useState(0);
  const pins = usePins(view, () => setBehind((n) => n + 1));
  const a = useMemo(() => axis(view.days, ZOOMS[zoom], view.hours), [view.days, view.hours, zoom]);
  const sight = useVisible(scroller, Math.max(0, a.x(view.now) - 220));
  const blocks = useMemo(() => view.lanes.flatMap((l) => l.blocks.map((b) => ({ ...b, lane: l.buildId }))), [view.lanes]);
  const groupRows = useMemo(() => (group === "builds" ? [] : fill(view.groups[group], view.lanes)), [view.groups, view.lanes, group]);
  const block = blocks.find((b) => b.jobId === jobId);
  const card = jobId ? view.jobs[jobId] : undefined;

  // Before anything is painted at the new zoom: nobody sees it at the old place first.
  // biome-ignore lint/correctness/useExhaustiveDependencies: goes to now when the zoom changes, not when data come in
  useLayoutEffect(() => {
    const at = block ? block.from : view.now;
    const road = (scroller.current?.clientWidth ?? 800) - LABEL_PX;
    scroller.current?.scrollTo({ left: Math.max(0, a.x(at) - Math.min(220, road / 3)) });
    if (block && group === "builds") reveal(block);
  }, [zoom]);

  /** Tops and heights of the rows shown, so that what is out of sight needs not be drawn. */
  const rows = useMemo(() => {
    const heights = group === "builds" ? view.lanes.map((l) => laneShape(l, zoom).height) : groupRows.map(groupHeight);
    const at = tops(heights, SCALE_PX, group === "builds" ? "lanes" : "groups");
    return heights.map((height, i) => ({ height, top: at[i] }));
  }, [view.lanes, groupRows, group, zoom]);
  const seen = (i: number) => meets(rows[i].top, rows[i].top + rows[i].height, sight.top, sight.bottom);

  /** Scrolls as little as it takes to have a block's lane and its start in sight. */
  const reveal = (b: { from: number; lane: string }) => {
    const box = scroller.current;
    const row = rows[view.lanes.findIndex((l) => l.buildId === b.lane)];
    if (!box || !row) return;
    const x = a.x(b.from) + LABEL_PX;
    if (x < box.scrollLeft + LABEL_PX + 24 || x > box.scrollLeft + box.clientWidth - 60) box.scrollLeft = Math.max(0, x - 320);
    const { top, height } = row;
    if (top < box.scrollTop + SCALE_PX || top + height > box.scrollTop + box.clientHeight) box.scrollTop = Math.max(0, top - SCALE_PX - 8);
  };

  const show = (id: string) => {
    setJobId(id);
    const b = blocks.find((x) => x.jobId === id);
    if (b && group === "builds") reveal(b);
    // Drawn once it is in sight.
    const focus = (tries: number) => {
      const el = document.getElementById(`block-${id}`);
      if (el) el.focus({ preventScroll: true });
      else if (tries > 0) requestAnimationFrame(() => focus(tries - 1));
    };
    requestAnimationFrame(() => focus(10));
  };

  /** Closes the panel; its block has the focus again. */
  const close = () => {
    const el = jobId && document.getElementById(`block-${jobId}`);
    setJobId(undefined);
    if (el) el.focus({ preventScroll: true });
  };

  const zone = zoneOf(view.zone);
  /** The pin that a job would have at a spot: what is not named stays as it is pinned. */
  const pinAt = (b: Block, own: string | undefined, spot: Spot): PinAt => {
    const old = view.jobs[b.jobId].pin;
    const start = spot.start === undefined ? old.start : zone.show(spot.start - (b.lead ?? 0));
    if (!spot.row) return { ...old, start };
    if (group === "bays") return { ...old, start, place: spot.row };
    // The one it is handed to comes in for the one it is taken from.
    return { ...old, start, fitters: [...old.fitters.filter((f) => f !== own && f !== spot.row), spot.row] };
  };
  const dragging = (b: Block, own?: string): Dragging => ({
    onOver: (spot) => {
      setOver(spot?.row);
      pins.look(b.jobId, spot && pinAt(b, own, spot));
    },
    onDrop: (spot) => {
      setOver(undefined);
      void pins.set(b.jobId, pinAt(b, own, spot), true);
    },
  });
  // Rows are drawn anew only when something of their own changes: what they call stays the same function.
  const latest = useRef({ show, dragging });
  useEffect(() => {
    latest.current = { show, dragging };
  });
  const onSelect = useCallback((id: string) => latest.current.show(id), []);
  const onDrag = useCallback(
    (b: Block, own?: string): Dragging => ({
      onOver: (spot) => latest.current.dragging(b, own).onOver(spot),
      onDrop: (spot) => latest.current.dragging(b, own).onDrop(spot),
    }),
    [],
  );
  const pin = (b: Block, start: number | null, checked = false) =>
    void pins.set(b.jobId, start === null ? NO_PIN : { ...view.jobs[b.jobId].pin, start: zone.show(start) }, checked);
  /** Hands a job to the bay or fitter above or below, by the keyboard. */
  const hand = (b: Block, n: number) => {
    if (group === "builds") return;
    const list = groupRows;
    const own = group === "bays" ? (b.bench ? "bench" : b.place) : (list.find((r) => b.fitters.includes(r.id))?.id ?? "");
    const to = list[list.findIndex((r) => r.id === own) + n];
    if (to) void pins.set(b.jobId, pinAt(b, own, { row: to.id }), true);
  };

  // Undo and redo go wherever the focus is, as long as nobody is typing.
  useEffect(() => {
    const onUndo = (e: KeyboardEvent) => {
      if (!view.mayChange || !(e.ctrlKey || e.metaKey) || inField(e)) return;
      const undo = e.key === "z" && !e.shiftKey;
      const redo = e.key === "y" || (e.key === "Z" && e.shiftKey);
      if (!undo && !redo) return;
      e.preventDefault();
      if (undo) pins.undo();
      else pins.redo();
    };
    window.addEventListener("keydown", onUndo);
    return () => window.removeEventListener("keydown", onUndo);
  }, [pins, view.mayChange]);

  const onKey = (e: KeyboardEvent) => {
    if (inField(e) || e.ctrlKey || e.metaKey) return;
    // Keys are the lanes' own wherever nothing else has the focus.
    const focus = document.activeElement;
    const ours = focus === document.body || focus === panel.current || scroller.current?.contains(focus);
    if (e.key === "Escape" && jobId && (ours || panel.current?.contains(focus))) {
      e.preventDefault();
      return close();
    }
    const here = block ?? blocks.find((b) => b.to > view.now);
    if (!here || !ours) return;
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
    const planned = view.mayChange && (here.state === "todo" || here.state === "paused");
    // The first arrow only shows where one is.
    const arrow = (go: () => void) => () => (block ? go() : show(here.jobId));
    const keys: Record<string, () => void> = {
      ArrowRight: arrow(() => step(1)),
      ArrowLeft: arrow(() => step(-1)),
      ArrowDown: arrow(() => across(1)),
      ArrowUp: arrow(() => across(-1)),
      w: () => {
        setJobId(here.jobId);
        requestAnimationFrame(() => panel.current?.focus());
      },
      p: () => planned && pin(here, isPinned(view.jobs[here.jobId].pin) ? null : here.from, true),
      "[": () => planned && pin(here, Math.max(here.from - 60, view.now), true),
      "]": () => planned && pin(here, here.from + 60, true),
    };
    if (e.altKey && (e.key === "ArrowUp" || e.key === "ArrowDown") && planned) {
      e.preventDefault();
      hand(here, e.key === "ArrowUp" ? -1 : 1);
      return;
    }
    const run = e.altKey ? undefined : keys[e.key];
    if (!run) return;
    e.preventDefault();
    run();
  };
  const latestKey = useRef(onKey);
  useEffect(() => {
    latestKey.current = onKey;
  });
  useEffect(() => {
    const press = (e: KeyboardEvent) => latestKey.current(e);
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  }, []);

  const printing = usePrinting();
  if (printing) return <PlanOnPaper view={view} group={group} />;
  if (!view.lanes.length)
    return (
      <div className="m-auto max-w-md p-8 text-center">
        <h1 className="text-[1.25rem]">No lanes yet</h1>
        <p className="mt-2 text-muted">
          {view.mayChange
            ? "Each build is a lane from its arrival to its flag. Add one, and its jobs are laid out here."
            : "There is no build yet."}
        </p>
        {view.mayChange && (
          <Link href="/builds/new" className={`${buttonClass("main")} mt-4`}>
            Add a build
          </Link>
        )}
      </div>
    );

  return (
    <div className="flex h-[calc(100dvh-84px)] flex-col md:h-[calc(100dvh-52px)]">
      <h1 className="sr-only">Lanes</h1>
      <Toolbar
        view={view}
        zoom={zoomAsked}
        onZoom={setZoom}
        group={groupAsked}
        onGroup={setGroup}
        onShow={show}
        pins={pins}
        behind={behind}
      />
      {view.answers && <Answers answers={view.answers} />}
      <div className="flex min-h-0 flex-1">
        <div ref={scroller} data-testid="lanes" className="relative min-h-0 min-w-0 flex-1 overflow-auto">
          <div className="relative" style={{ width: a.width + LABEL_PX }}>
            <Scale view={view} axis={a} zoom={zoom} />
            {group === "builds"
              ? view.lanes.map((l, i) => (
                  <LaneRow
                    key={l.buildId}
                    lane={l}
                    axis={a}
                    view={view}
                    zoom={zoom}
                    selected={block?.lane === l.buildId ? jobId : undefined}
                    from={seen(i) ? sight.left - LABEL_PX : undefined}
                    to={seen(i) ? sight.right - LABEL_PX : undefined}
                    preview={pins.preview}
                    onSelect={onSelect}
                    {...(view.mayChange ? { dragging: onDrag } : {})}
                  />
                ))
              : groupRows.map((g, i) => (
                  <GroupRowView
                    key={g.id}
                    row={g}
                    axis={a}
                    view={view}
                    big={zoom === "days"}
                    selected={jobId}
                    from={seen(i) ? sight.left - LABEL_PX : undefined}
                    to={seen(i) ? sight.right - LABEL_PX : undefined}
                    over={over === g.id}
                    preview={pins.preview}
                    onSelect={setJobId}
                    {...(view.mayChange ? { dragging: onDrag } : {})}
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
            at={panel}
            onClose={close}
            onPin={(start) => pin(block, start)}
            busy={pins.busy}
          />
        ) : (
          <aside className="hidden w-[290px] shrink-0 border-l bg-card p-4 text-muted xl:block">
            <p className="wide mb-1 text-[0.9375rem] text-ink">Why not earlier?</p>
            <p>Select a job to see why it does not start earlier, what it waits for, and which photos have to be approved first.</p>
            {view.unplaced.length > 0 && (
              <div className="mt-5">
                <p className="wide mb-1 text-[0.9375rem] text-signal-text">No place in the plan</p>
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
                <p className="wide mb-1 text-[0.9375rem] text-signal-text">Pins that can't be kept</p>
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
