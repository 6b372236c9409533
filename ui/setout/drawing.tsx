"use client";
// A set-out drawing on the page: the same shapes as in the files, on paper, with marks where findings point and handles to move.

import { useRef, useState } from "react";
import { bounds } from "@/core/setout/drawing/svg";
import type { Handle } from "@/core/setout/engine/handles";
import type { Drawing, Layer, Shape } from "@/core/setout/engine/outcome";
import { cx } from "../kit/cx";
import type { Mark } from "./marks";

const LOOK: Record<Layer, React.SVGProps<SVGElement>> = {
  outline: { stroke: "#242a2c", strokeWidth: 2 },
  cut: { stroke: "#b8410f", strokeWidth: 3 },
  centre: { stroke: "#5c6568", strokeWidth: 1.5, strokeDasharray: "16 5 3 5" },
  dimension: { stroke: "#1f4e79", strokeWidth: 1.5 },
  text: { stroke: "none" },
};

function One({ s, grow }: { s: Shape; grow: number }) {
  const look = LOOK[s.layer] as object;
  const pen = { ...look, strokeWidth: ((look as { strokeWidth?: number }).strokeWidth ?? 0) * grow, fill: "none" };
  if (s.kind === "line") return <line x1={s.from[0]} y1={-s.from[1]} x2={s.to[0]} y2={-s.to[1]} {...pen} />;
  if (s.kind === "circle") return <circle cx={s.at[0]} cy={-s.at[1]} r={s.r} {...pen} />;
  if (s.kind === "text")
    return (
      <text x={s.at[0]} y={-s.at[1]} fontSize={s.size * grow} fill="#242a2c" className="font-sans">
        {s.text}
      </text>
    );
  const at = (deg: number) => `${s.at[0] + s.r * Math.cos((deg * Math.PI) / 180)} ${-s.at[1] - s.r * Math.sin((deg * Math.PI) / 180)}`;
  return <path d={`M ${at(s.from)} A ${s.r} ${s.r} 0 0 0 ${at(s.to)}`} {...pen} />;
}

/** What a move does: begun once, then told how far it is from where it began (mm, drawing's axes). */
export interface Moves {
  begin(): void;
  to(id: string, dx: number, dy: number): void;
}

const ARROWS: Record<string, readonly [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

function Grip({ handle, grow, moves }: { handle: Handle; grow: number; moves: Moves }) {
  const from = useRef<{ x: number; y: number; scale: number } | null>(null);
  const [held, setHeld] = useState(false);
  const { at, w, h } = handle;
  const r = 9 * grow;
  return (
    // biome-ignore lint/a11y/useSemanticElements: a button can't stand inside a drawing
    <g
      role="button"
      tabIndex={0}
      aria-label={`Move ${handle.says}: drag, or the arrow keys`}
      aria-pressed={held}
      className={cx("group outline-none print:hidden", held ? "cursor-grabbing" : "cursor-grab")}
      style={{ touchAction: "none" }}
      onPointerDown={(e) => {
        const ctm = (e.currentTarget.ownerSVGElement as SVGSVGElement).getScreenCTM();
        if (!ctm || e.button !== 0) return;
        e.currentTarget.setPointerCapture(e.pointerId);
        // The scale as it was: the drawing may grow while it is dragged.
        from.current = { x: e.clientX, y: e.clientY, scale: ctm.a };
        setHeld(true);
        moves.begin();
      }}
      onPointerMove={(e) => {
        const f = from.current;
        if (f) moves.to(handle.id, (e.clientX - f.x) / f.scale, -(e.clientY - f.y) / f.scale);
      }}
      onPointerUp={() => {
        from.current = null;
        setHeld(false);
      }}
      onPointerCancel={() => {
        if (from.current) moves.to(handle.id, 0, 0);
        from.current = null;
        setHeld(false);
      }}
      onKeyDown={(e) => {
        const d = ARROWS[e.key];
        if (!d) return;
        e.preventDefault();
        const far = handle.step * (e.shiftKey ? 10 : 1);
        moves.begin();
        moves.to(handle.id, d[0] * far, d[1] * far);
      }}
    >
      <rect
        x={at[0] - w / 2}
        y={-at[1] - h / 2}
        width={w}
        height={h}
        fill="#1f6f5c"
        fillOpacity={held ? 0.16 : 0.05}
        className="group-hover:[fill-opacity:0.12] group-focus-visible:[fill-opacity:0.18]"
      />
      <circle
        cx={at[0]}
        cy={-at[1]}
        r={r}
        fill="#fff"
        stroke="#1f6f5c"
        strokeWidth={2 * grow}
        className="group-focus-visible:[stroke-width:6]"
      />
      <path
        d={`M ${at[0] - r * 0.6} ${-at[1]} h ${r * 1.2} M ${at[0]} ${-at[1] - r * 0.6} v ${r * 1.2}`}
        stroke="#1f6f5c"
        strokeWidth={2 * grow}
      />
    </g>
  );
}

const TONE = { ok: "#2f6b3a", warn: "#8a5a00", stop: "#b3261e" } as const;

/** A finding's number where it points. */
function Pointer({ mark, grow, lit }: { mark: Mark; grow: number; lit: boolean }) {
  const [x, y] = mark.at;
  const r = (lit ? 17 : 13) * grow;
  return (
    <g pointerEvents="none">
      <circle cx={x} cy={-y} r={r} fill={TONE[mark.level]} stroke="#fff" strokeWidth={(lit ? 4 : 2) * grow} />
      <text x={x} y={-y} dy="0.36em" textAnchor="middle" fontSize={18 * grow} fontWeight="bold" fill="#fff" className="font-sans">
        {mark.n}
      </text>
    </g>
  );
}

interface Props {
  drawing: Drawing;
  handles?: readonly Handle[];
  moves?: Moves;
  marks?: readonly Mark[];
  /** The mark that the list points at just now. */
  lit?: number;
}

/** Lines and words are as thick and large as the sheet is. */
export const growOf = (b: { left: number; right: number; top: number; bottom: number }): number =>
  Math.max(1, Math.max(b.right - b.left, (b.top - b.bottom) * 1.4) / 1500);

export function DrawingView({ drawing, handles = [], moves, marks = [], lit }: Props) {
  const b = bounds(drawing.shapes);
  const [w, h] = [b.right - b.left, b.top - b.bottom];
  const grow = growOf(b);
  const margin = 60 * grow;
  return (
    <figure className="flex min-h-0 flex-1 flex-col rounded border bg-white p-3 text-[#242a2c]">
      <figcaption className="mb-1 text-[0.75rem] text-[#5c6568]">{drawing.seen}</figcaption>
      <svg
        role={moves ? "group" : "img"}
        aria-label={`Drawing: ${drawing.title}`}
        viewBox={`${b.left - margin} ${-b.top - margin} ${w + 2 * margin} ${h + 2 * margin}`}
        className="min-h-0 w-full flex-1 print:max-h-[88vh]"
      >
        {drawing.shapes.map((s, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: shapes have no name but their place in the drawing
          <One key={i} s={s} grow={grow} />
        ))}
        {moves && handles.map((x) => <Grip key={x.id} handle={x} grow={grow} moves={moves} />)}
        {marks.map((m) => (
          <Pointer key={m.n} mark={m} grow={grow} lit={lit === m.n} />
        ))}
      </svg>
    </figure>
  );
}
