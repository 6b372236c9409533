"use client";
// Dragging a block along the road: where it would start, snapped to a quarter of an hour, and the drop.

import { useRef, useState } from "react";
import type { Axis } from "@/core/lanes/axis";

const SNAP = 15;
const LEAST_PX = 5;

export interface Drag {
  /** Pixels moved so far; undefined while nothing is dragged. */
  dx: number | undefined;
  handlers: {
    onPointerDown(e: React.PointerEvent<HTMLElement>): void;
    onPointerMove(e: React.PointerEvent<HTMLElement>): void;
    onPointerUp(e: React.PointerEvent<HTMLElement>): void;
    onPointerCancel(): void;
    onClickCapture(e: React.MouseEvent): void;
  };
}

export function useDrag(axis: Axis, left: number, onDrop: ((start: number) => void) | undefined): Drag {
  const [dx, setDx] = useState<number>();
  // The drop may come before the last move has been drawn.
  const last = useRef<number>(undefined);
  const from = useRef<number>(undefined);
  const dragged = useRef(false);
  const reset = () => {
    from.current = undefined;
    last.current = undefined;
    setDx(undefined);
  };
  return {
    dx,
    handlers: {
      onPointerDown: (e) => {
        dragged.current = false;
        if (!onDrop || e.button !== 0) return;
        from.current = e.clientX;
        // At once: a block may be narrower than the first move.
        e.currentTarget.setPointerCapture(e.pointerId);
      },
      onPointerMove: (e) => {
        if (from.current === undefined) return;
        const moved = e.clientX - from.current;
        if (!dragged.current && Math.abs(moved) < LEAST_PX) return;
        dragged.current = true;
        last.current = moved;
        setDx(moved);
      },
      onPointerUp: () => {
        if (dragged.current && last.current !== undefined) onDrop?.(Math.round(axis.at(left + last.current) / SNAP) * SNAP);
        reset();
      },
      onPointerCancel: reset,
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
