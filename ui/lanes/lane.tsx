"use client";

// One lane: the head at the left, the road with its blocks, tape, stop lines, kerb and flag.

import Link from "next/link";
import { memo } from "react";
import type { Axis, ZoomName } from "@/core/lanes/axis";
import { stageSpans } from "@/core/lanes/groups";
import type { Block, Lane } from "@/core/lanes/lanes";
import { BENCH_ROW_PX as BENCH_ROW, KERB_PX as KERB, laneShape, meets, ROW_PX as ROW } from "@/core/lanes/sight";
import { cx } from "../kit/cx";
import { stageOf } from "../kit/stage";
import { day, time } from "../kit/time";
import { VanSide } from "../van/plan";
import { BlockView } from "./block";
import type { Dragging } from "./use-drag";
import type { Preview } from "./use-pins";
import type { LanesView } from "./view";

export const LABEL_PX = 164;
const BLOCK = 19;
const BENCH = 17;

/** In a season view neighbouring stages overlap: they alternate between two rows. */
const STAGE_ROW: Record<string, number> = { strip: 0, openings: 1, insulation: 0, framing: 1, panels: 0, furniture: 1, services: 0 };

const EDGE = { late: "border-l-signal", open: "border-l-signal", tight: "border-l-amber", safe: "border-l-green" };

export const LaneRow = memo(function LaneRow({
  lane,
  axis,
  view,
  zoom,
  selected,
  from,
  to,
  preview,
  onSelect,
  dragging,
}: {
  lane: Lane;
  axis: Axis;
  view: LanesView;
  zoom: ZoomName;
  selected?: string;
  /** The stretch of the road that is drawn (px); undefined while the lane is out of sight. */
  from?: number;
  to?: number;
  preview?: Preview;
  onSelect(id: string): void;
  dragging?(b: Block): Dragging;
}) {
  const { height, top, road } = laneShape(lane, zoom);
  const sight = from === undefined || to === undefined ? undefined : { from, to };
  const inSight = (a: number, z: number) => sight !== undefined && meets(axis.x(a), axis.x(z), sight.from, sight.to);
  const d = lane.date;
  const flag = axis.x(lane.date.due);
  const end = d.finish === null ? undefined : axis.x(d.finish);
  return (
    <section aria-label={`Lane of ${lane.name}`} className="relative mb-2 border-y bg-card" style={{ height }}>
      <div
        className={cx("sticky left-0 z-[15] flex h-full flex-col border-r border-l-[5px] bg-card px-2.5 py-1.5", EDGE[d.state])}
        style={{ width: LABEL_PX }}
      >
        {view.opens.includes(lane.buildId) ? (
          <Link href={`/builds/${lane.buildId}`} title={lane.name} className="wide truncate text-[0.875rem] hover:underline">
            {lane.name}
          </Link>
        ) : (
          <span title={lane.name} className="wide truncate text-[0.875rem]">
            {lane.name}
          </span>
        )}
        <p className="truncate text-[0.75rem] text-muted" title={[lane.van, lane.client].filter(Boolean).join(", ")}>
          {[lane.van, lane.client].filter(Boolean).join(" · ")}
        </p>
        <p className="mt-1 text-[0.75rem]">due {day(view.zone, lane.date.due)}</p>
        <p
          className={cx(
            "truncate text-[0.75rem] font-bold",
            d.state === "safe" ? "text-green-text" : d.state === "tight" ? "text-amber-text" : "text-signal-text",
          )}
        >
          {d.state === "open"
            ? "not all of it fits"
            : d.state === "late"
              ? `${-d.slackDays} ${d.slackDays === -1 ? "day" : "days"} over`
              : d.slackDays === 0
                ? "no day to spare"
                : `${d.slackDays} ${d.slackDays === 1 ? "day" : "days"} to spare`}
        </p>
        <div className="mt-auto text-ink">
          <VanSide van={view.vans[lane.vanId]} width={62} />
        </div>
      </div>
      <div className="absolute inset-y-0 overflow-hidden" style={{ left: LABEL_PX, width: axis.width }}>
        {view.days.map(
          (day2, i) =>
            !day2.open &&
            sight &&
            meets(axis.lefts[i], axis.lefts[i] + axis.widths[i], sight.from, sight.to) && (
              <div
                key={day2.at}
                aria-hidden="true"
                className="absolute inset-y-0 bg-ink/5"
                style={{ left: axis.lefts[i], width: axis.widths[i] }}
              />
            ),
        )}
        <div
          aria-hidden="true"
          className="gravel absolute right-0 border-y"
          style={{ left: Math.max(0, axis.x(lane.arrives)), top, height: road }}
        />
        {lane.stays.map((s) => {
          const left = axis.x(s.from);
          const width = Math.max(2, axis.x(s.to) - left);
          const yard = s.place === "yard";
          return (
            <div key={`${s.place} ${s.from}`}>
              {!yard && <div aria-hidden="true" className="absolute border-y bg-road" style={{ left, width, top, height: road }} />}
              <div
                title={`${view.places[s.place]}: ${time(view.zone, s.from)} to ${time(view.zone, s.to)}`}
                className={cx(
                  "absolute overflow-hidden px-1 text-[0.6875rem] leading-[15px] whitespace-nowrap",
                  yard ? "text-muted" : "bg-kerb text-on-kerb",
                )}
                style={{ left, width: width - 1, top: top + road, height: KERB }}
              >
                {width > 24 ? view.places[s.place] : ""}
              </div>
            </div>
          );
        })}
        {end !== undefined && end > flag && (
          <div
            aria-hidden="true"
            className="absolute border-y-[3px] border-signal"
            style={{ left: flag, width: end - flag, top: top - 2, height: road + 4 }}
          />
        )}
        {zoom === "season" && sight
          ? stageSpans(lane).map((x) => (
              <div
                key={`${x.stage} ${x.from}`}
                title={`${stageOf(x.stage).name}: ${time(view.zone, x.from)} to ${time(view.zone, x.to)}`}
                className="wide absolute overflow-hidden rounded-[3px] px-1 text-[0.6875rem] leading-[19px]"
                style={{
                  left: axis.x(x.from),
                  width: Math.max(3, axis.x(x.to) - axis.x(x.from)),
                  top: top + 5 + (STAGE_ROW[x.stage] ?? 0) * ROW,
                  height: BLOCK,
                  background: x.done ? `color-mix(in srgb, ${stageOf(x.stage).colour} 34%, var(--card))` : stageOf(x.stage).colour,
                  color: x.done ? "var(--ink)" : stageOf(x.stage).ink,
                }}
              >
                {axis.x(x.to) - axis.x(x.from) > 20 ? stageOf(x.stage).code : ""}
              </div>
            ))
          : lane.blocks
              .filter((b) => (b.holdUntil ?? b.to) > view.days[0].at && inSight(b.from, b.holdUntil ?? b.to))
              .map((b) => (
                <BlockView
                  key={b.jobId}
                  b={b}
                  axis={axis}
                  view={view}
                  top={b.bench ? top - BENCH_ROW * (b.row + 1) - 2 : top + 5 + b.row * ROW}
                  height={b.bench ? BENCH : BLOCK}
                  big={zoom === "days"}
                  on={selected === b.jobId}
                  preview={preview}
                  onSelect={onSelect}
                  {...(dragging ? { dragging } : {})}
                />
              ))}
        {lane.stops
          .filter((s) => inSight(s.at, s.at))
          .map((s) => (
            <StopBar key={s.jobId} x={axis.x(s.at)} missing={s.missing} top={top} road={road} />
          ))}
        <Flag x={flag} top={4} height={top + road - 4} />
      </div>
    </section>
  );
});

function StopBar({ x, missing, top, road }: { x: number; missing: number; top: number; road: number }) {
  return (
    <div
      className="pointer-events-none absolute z-10"
      style={{ left: x - (missing ? 2 : 0.5), top: top - 8, height: road + 11 }}
      title={missing ? `${missing} photos before this line opens` : "photos approved"}
    >
      <div className="h-full bg-ink" style={{ width: missing ? 4 : 1 }} />
      {missing > 0 && (
        <span className="absolute -top-2 left-1/2 grid size-4 -translate-x-1/2 place-items-center rounded-full bg-ink text-[0.625rem] font-bold text-paper">
          {missing}
        </span>
      )}
    </div>
  );
}

function Flag({ x, top, height }: { x: number; top: number; height: number }) {
  return (
    <svg aria-hidden="true" className="pointer-events-none absolute z-10" style={{ left: x - 1, top }} width="18" height={height}>
      <rect x="0" y="0" width="2" height={height} fill="var(--ink)" />
      {[0, 1, 2].map((r) =>
        [0, 1, 2, 3].map((c) => (
          <rect key={`${r}${c}`} x={2 + c * 4} y={r * 3.5} width="4" height="3.5" fill={(r + c) % 2 ? "var(--card)" : "var(--ink)"} />
        )),
      )}
      <rect x="2" y="0" width="16" height="10.5" fill="none" stroke="var(--ink)" strokeWidth="0.8" />
    </svg>
  );
}
