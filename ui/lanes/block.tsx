"use client";
// One job on the road, on the shoulder, or in a fitter's or bay's row: block, tape behind it, ghost of the published plan.

import type { Axis } from "@/core/lanes/axis";
import type { Block } from "@/core/lanes/lanes";
import { cx } from "../kit/cx";
import { stageOf } from "../kit/stage";
import { time } from "../kit/time";
import { type Dragging, useDrag } from "./use-drag";
import type { Preview } from "./use-pins";
import type { LanesView } from "./view";

/** What is done is pale, what is planned is solid; bench work is outlined. */
function blockLook(b: Block, s: ReturnType<typeof stageOf>): React.CSSProperties {
  const pale = `color-mix(in srgb, ${s.colour} ${b.bench ? 12 : 34}%, var(--card))`;
  if (b.bench) return { background: b.state === "done" ? pale : "var(--card)", border: `1.5px solid ${s.colour}`, color: "var(--ink)" };
  return b.state === "done" ? { background: pale, color: "var(--ink)" } : { background: s.colour, color: s.ink };
}

export interface BlockProps {
  b: Block;
  axis: Axis;
  view: LanesView;
  top: number;
  height: number;
  big: boolean;
  on: boolean;
  /** Said before the job's name: the build, where the row is not the build's own. */
  prefix?: string;
  /** Rows of fitters repeat a job: only one of them may carry its id. */
  anchor?: string;
  /** What a drag that is going on would do: this block may be the one held, or one that moves. */
  preview?: Preview;
  onSelect(id: string): void;
  /** Makes a planned block one that can be dragged. */
  dragging?(b: Block, row?: string): Dragging;
}

export function BlockView({ b, axis, view, top, height, big, on, prefix, anchor, preview, onSelect, dragging }: BlockProps) {
  const free = b.state === "todo" || b.state === "paused";
  const drag = useDrag(axis, axis.x(b.from), anchor, free ? dragging?.(b, anchor) : undefined);
  const held = drag.by !== undefined;
  const shift = held ? 0 : (preview?.shifts.get(b.jobId) ?? 0);
  const left = axis.x(b.from + shift);
  const width = Math.max(3, axis.x(b.to + shift) - left);
  const no = held && preview?.jobId === b.jobId && !preview.ok;
  const s = stageOf(b.stage);
  const who = b.fitters.map((f) => view.people[f] ?? f).join(" + ");
  const label = prefix ? `${prefix}: ${b.name}` : b.name;
  const text = width < 18 ? "" : big && width > 60 ? `${b.code} ${label}` : prefix && width > 70 ? prefix : s.code;
  const hold = b.holdUntil === null ? undefined : axis.x(b.holdUntil);
  const ghost = b.published;
  const shown = left + (drag.by?.x ?? 0);
  const shownTop = top + (drag.by?.y ?? 0);
  return (
    <>
      {ghost && (
        <div
          aria-hidden="true"
          className="absolute rounded-[3px] border border-dashed border-muted"
          style={{ left: axis.x(ghost.from), width: Math.max(3, axis.x(ghost.to) - axis.x(ghost.from)), top, height }}
        />
      )}
      {hold !== undefined && hold > left + width && !held && shift === 0 && (
        <div
          aria-hidden="true"
          className="tape absolute rounded-r-[2px] opacity-90"
          style={{
            left: left + width,
            width: hold - left - width,
            top: b.bench ? top + 4 : top + 2,
            height: b.bench ? height - 8 : height - 4,
          }}
        />
      )}
      <button
        type="button"
        id={anchor === undefined ? `block-${b.jobId}` : `block-${b.jobId}-${anchor}`}
        data-job={b.jobId}
        tabIndex={on || b.state === "started" ? 0 : -1}
        onClick={() => onSelect(b.jobId)}
        {...drag.handlers}
        aria-pressed={on}
        aria-label={`${b.code} ${label}, ${b.state === "done" ? "done" : b.state === "started" ? "under way" : "planned"} ${time(view.zone, b.from)} to ${time(view.zone, b.to)}${who ? `, ${who}` : ""}`}
        title={`${b.code} ${label}\n${time(view.zone, b.from)} to ${time(view.zone, b.to)}\n${view.places[b.place] ?? b.place}${who ? ` · ${who}` : ""}`}
        className={cx(
          "wide absolute scroll-mt-16 scroll-mr-8 scroll-ml-48 touch-pan-y overflow-hidden rounded-[3px] px-1 text-left text-[0.6875rem] whitespace-nowrap",
          on && "z-10 outline-2 outline-offset-1 outline-ink",
          shift !== 0 && "z-10 outline-2 outline-dashed outline-pine",
          held && "z-20 cursor-grabbing shadow-lg",
          no && "outline-2 outline-signal",
        )}
        style={{ left: shown, width, top: shownTop, height, lineHeight: `${height - (b.bench ? 3 : 0)}px`, ...blockLook(b, s) }}
      >
        {b.pinned && (
          <span aria-hidden="true" className="absolute top-0 right-0 border-[4px] border-transparent border-t-ink border-r-ink" />
        )}
        {text}
      </button>
      {held && (
        <span
          className={cx(
            "pointer-events-none absolute z-30 max-w-80 rounded px-1.5 text-[0.6875rem] leading-[17px] text-paper",
            no ? "bg-signal" : "bg-ink whitespace-nowrap",
          )}
          style={{ left: Math.max(0, shown), top: anchor === undefined ? Math.max(0, shownTop - 19) : shownTop - 19 }}
        >
          {time(view.zone, Math.round(axis.at(shown) / 15) * 15)}
          {preview?.jobId === b.jobId && ` · ${preview.text}`}
        </span>
      )}
    </>
  );
}
