"use client";
// Which part of a scrolled plane is in sight, in coarse steps, so that only that is drawn.

import { type RefObject, useEffect, useState } from "react";

export interface Sight {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

/** Redrawn every so many pixels of scrolling, with as much again around what is in sight. */
const STEP = 320;
const AROUND = 640;

/** Until the first measure: a usual screen. */
const FIRST = { width: 1400, height: 900 };

/** `first`: from where on the plane is in sight before anything was measured, px. */
export function useVisible(ref: RefObject<HTMLElement | null>, first: number): Sight {
  const [sight, setSight] = useState<Sight>({ left: first, right: first + FIRST.width, top: 0, bottom: FIRST.height });
  useEffect(() => {
    const el = ref.current;
    if (!el) return;
    let frame = 0;
    const down = (n: number) => Math.floor(n / STEP) * STEP;
    const measure = () => {
      frame = 0;
      const next = {
        left: down(el.scrollLeft) - AROUND,
        right: down(el.scrollLeft + el.clientWidth) + STEP + AROUND,
        top: down(el.scrollTop) - AROUND,
        bottom: down(el.scrollTop + el.clientHeight) + STEP + AROUND,
      };
      setSight((s) => (s.left === next.left && s.right === next.right && s.top === next.top && s.bottom === next.bottom ? s : next));
    };
    const soon = () => {
      if (!frame) frame = requestAnimationFrame(measure);
    };
    measure();
    el.addEventListener("scroll", soon, { passive: true });
    const resize = new ResizeObserver(soon);
    resize.observe(el);
    return () => {
      el.removeEventListener("scroll", soon);
      resize.disconnect();
      cancelAnimationFrame(frame);
    };
  }, [ref]);
  return sight;
}
