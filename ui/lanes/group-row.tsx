"use client";
// A row of the plan seen from a bay or from a fitter.

import { memo } from "react";
import type { Axis } from "@/core/lanes/axis";
import type { GroupRow } from "@/core/lanes/groups";
import type { Block } from "@/core/lanes/lanes";
import { loadPercent } from "@/core/lanes/load";
import { groupHeight, meets, ROW_PX as ROW } from "@/core/lanes/sight";
import { cx } from "../kit/cx";
import { day, time } from "../kit/time";
import { BlockView } from "./block";
import { LABEL_PX } from "./lane";
import type { Dragging } from "./use-drag";
import type { Preview } from "./use-pins";
import type { LanesView } from "./view";

const BLOCK = 19;
/** Per cent of a week's hours from which on it is busy, and full: a late part has then no room left to be made good. */
const BUSY = 80;
const FULL = 95;

export const GroupRowView = memo(function GroupRowView({
  row,
  axis,
  view,
  big,
  selected,
  from,
  to,
  over,
  preview,
  onSelect,
  dragging,
}: {
  row: GroupRow;
  axis: Axis;
  view: LanesView;
  big: boolean;
  selected?: string;
  /** The stretch that is drawn (px); undefined while the row is out of sight. */
  from?: number;
  to?: number;
  /** A block from another row is held over this one. */
  over: boolean;
  preview?: Preview;
  onSelect(id: string): void;
  dragging?(b: Block, row?: string): Dragging;
}) {
  const height = groupHeight(row);
  const coming = row.load.filter((w) => w.to > view.now).slice(0, 3);
  const ahead = coming.length ? `booked ${coming.map((w) => loadPercent(w) ?? "–").join(", ")} %` : undefined;
  const sight = from === undefined || to === undefined ? undefined : { from, to };
  const inSight = (a: number, z: number) => sight !== undefined && meets(axis.x(a), axis.x(z), sight.from, sight.to);
  return (
    <section
      aria-label={row.name}
      data-row={row.id}
      className={cx("relative mb-1.5 border-y bg-card", over && "outline-2 -outline-offset-2 outline-pine")}
      style={{ height }}
    >
      <div className="sticky left-0 z-[15] flex h-full flex-col justify-center border-r bg-card px-2.5" style={{ width: LABEL_PX }}>
        <p className="wide truncate text-[0.875rem]">{row.name}</p>
        <p className="line-clamp-1 text-[0.6875rem] leading-tight text-muted">{row.about}</p>
        {ahead && (
          <p className="truncate text-[0.6875rem] leading-tight" title="Booked of the open hours, this week and the next two">
            {ahead}
          </p>
        )}
      </div>
      <div className="absolute inset-y-0" style={{ left: LABEL_PX, width: axis.width }}>
        {view.days.map(
          (d, i) =>
            !d.open &&
            sight &&
            meets(axis.lefts[i], axis.lefts[i] + axis.widths[i], sight.from, sight.to) && (
              <div
                key={d.at}
                aria-hidden="true"
                className="absolute inset-y-0 bg-ink/5"
                style={{ left: axis.lefts[i], width: axis.widths[i] }}
              />
            ),
        )}
        {row.off.map((o) => (
          <div
            key={o.from}
            className="gravel absolute inset-y-0 overflow-hidden bg-sunk px-1 text-[0.6875rem] text-muted"
            title={`${time(view.zone, o.from)} to ${time(view.zone, o.to)}`}
            style={{ left: axis.x(o.from), width: Math.max(2, axis.x(o.to) - axis.x(o.from)) }}
          >
            {o.reason || "away"}
          </div>
        ))}
        {row.load.map((w) => {
          const percent = loadPercent(w);
          if (percent === undefined || percent === 0 || !inSight(w.from, w.to)) return null;
          const left = axis.x(w.from);
          const width = axis.x(w.to) - left - 3;
          return (
            <div
              key={`load ${w.from}`}
              className="absolute top-0 h-[5px] overflow-hidden bg-sunk"
              style={{ left, width }}
              title={`Week of ${day(view.zone, w.from)}: ${percent} % of the open hours are booked`}
            >
              <div
                className={cx("h-full", percent >= FULL ? "bg-signal" : percent >= BUSY ? "bg-amber" : "bg-green")}
                style={{ width: `${Math.min(100, percent)}%` }}
              />
            </div>
          );
        })}
        {row.stays.map((s) => (
          <div
            key={`${s.buildId} ${s.from}`}
            className="absolute overflow-hidden bg-kerb px-1 text-[0.6875rem] leading-[15px] whitespace-nowrap text-on-kerb"
            title={`${s.build}: ${time(view.zone, s.from)} to ${time(view.zone, s.to)}`}
            style={{ left: axis.x(s.from), width: Math.max(2, axis.x(s.to) - axis.x(s.from) - 1), bottom: 2, height: 15 }}
          >
            {s.build}
          </div>
        ))}
        {row.blocks
          .filter((b) => b.to > view.days[0].at && inSight(b.from, b.to))
          .map((b) => (
            <BlockView
              key={b.jobId}
              b={{ ...b, holdUntil: null, published: null }}
              axis={axis}
              view={view}
              top={7 + b.row * ROW}
              height={BLOCK}
              big={big}
              on={selected === b.jobId}
              prefix={b.build}
              anchor={row.id}
              preview={preview}
              onSelect={onSelect}
              {...(dragging ? { dragging } : {})}
            />
          ))}
      </div>
    </section>
  );
});
