"use client";
// Dragging a block along the road, and to another row: where it would start, snapped to a quarter of an hour, and whose
// row it is over.

import { useRef, useState } from "react";
import type { Axis } from "@/core/lanes/axis";

const SNAP = 15;
const LEAST_PX = 5;

export interface Spot {
  /** Minutes; undefined where the block was moved to another row without being moved in time. */
  start?: number;
  /** The row it is over, where that is not its own. */
  row?: string;
}

export interface Dragging {
  /** What a block is over while it is dragged; undefined when the drag was called off. */
  onOver(spot: Spot | undefined): void;
  onDrop(spot: Spot): void;
}

export interface Drag {
  /** Pixels moved so far; undefined while nothing is dragged. */
  by: { x: number; y: number } | undefined;
  handlers: {
    onPointerDown(e: React.PointerEvent<HTMLElement>): void;
    onPointerMove(e: React.PointerEvent<HTMLElement>): void;
    onPointerUp(e: React.PointerEvent<HTMLElement>): void;
    onPointerCancel(): void;
    onClickCapture(e: React.MouseEvent): void;
  };
}

/** Rows carry data-row; the block itself lies on top of them. */
const rowAt = (x: number, y: number, self: HTMLElement): string | undefined => {
  for (const el of document.elementsFromPoint(x, y)) {
    if (self.contains(el)) continue;
    const row = el.closest<HTMLElement>("[data-row]");
    if (row) return row.dataset.row;
  }
  return undefined;
};

export function useDrag(axis: Axis, left: number, own: string | undefined, dragging: Dragging | undefined): Drag {
  const [by, setBy] = useState<{ x: number; y: number }>();
  // The drop may come before the last move has been drawn.
  const last = useRef<Spot>(undefined);
  const from = useRef<{ x: number; y: number }>(undefined);
  const dragged = useRef(false);
  const reset = () => {
    from.current = undefined;
    last.current = undefined;
    setBy(undefined);
  };
  return {
    by,
    handlers: {
      onPointerDown: (e) => {
        dragged.current = false;
        if (!dragging || e.button !== 0) return;
        from.current = { x: e.clientX, y: e.clientY };
        // At once: a block may be narrower than the first move.
        e.currentTarget.setPointerCapture(e.pointerId);
      },
      onPointerMove: (e) => {
        if (from.current === undefined) return;
        const x = e.clientX - from.current.x;
        const y = e.clientY - from.current.y;
        if (!dragged.current && Math.hypot(x, y) < LEAST_PX) return;
        dragged.current = true;
        const over = own === undefined ? undefined : rowAt(e.clientX, e.clientY, e.currentTarget);
        const row = over === own ? undefined : over;
        const inTime = Math.abs(x) >= LEAST_PX || row === undefined;
        last.current = { ...(inTime && { start: Math.round(axis.at(left + x) / SNAP) * SNAP }), ...(row && { row }) };
        setBy({ x: inTime ? x : 0, y: own === undefined ? 0 : y });
        dragging?.onOver(last.current);
      },
      onPointerUp: () => {
        if (dragged.current && last.current) dragging?.onDrop(last.current);
        reset();
      },
      onPointerCancel: () => {
        if (dragged.current) dragging?.onOver(undefined);
        reset();
      },
      // The click that ends a drag must not select.
      onClickCapture: (e) => {
        if (dragged.current) {
          e.preventDefault();
          e.stopPropagation();
          dragged.current = false;
        }
      },
    },
  };
}
