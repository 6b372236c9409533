"use client";
// A list that may be long: only what is near the window is drawn, all of it when it is printed.

import { useWindowVirtualizer } from "@tanstack/react-virtual";
import { useEffect, useLayoutEffect, useRef, useState } from "react";
import { usePrinting } from "./use-printing";

/** Up to this many rows are drawn as they are. */
const SHORT = 100;
/** Before the browser has measured anything, so much of a window is drawn. */
const FIRST = { width: 1280, height: 900 };

interface Props {
  count: number;
  /** Height of a row that was not measured yet, in px. */
  guess: number;
  keyOf(i: number): string;
  row(i: number): React.ReactNode;
  /** Scrolled into sight when it changes. */
  show?: number;
}

export function LongList(props: Props) {
  const printing = usePrinting();
  if (props.count <= SHORT || printing)
    return (
      <ul>
        {Array.from({ length: props.count }, (_, i) => (
          <li key={props.keyOf(i)}>{props.row(i)}</li>
        ))}
      </ul>
    );
  return <Windowed {...props} />;
}

function Windowed({ count, guess, keyOf, row, show }: Props) {
  const box = useRef<HTMLUListElement>(null);
  const [top, setTop] = useState(0);
  useLayoutEffect(() => {
    const el = box.current;
    if (!el) return;
    const measure = () => setTop(el.getBoundingClientRect().top + window.scrollY);
    measure();
    window.addEventListener("resize", measure);
    return () => window.removeEventListener("resize", measure);
  }, []);
  const list = useWindowVirtualizer({
    count,
    estimateSize: () => guess,
    getItemKey: keyOf,
    overscan: 8,
    initialRect: FIRST,
    scrollMargin: top,
  });
  useEffect(() => {
    if (show !== undefined && show >= 0) list.scrollToIndex(show, { align: "center" });
  }, [show, list]);
  return (
    <ul ref={box} className="relative" style={{ height: list.getTotalSize() }}>
      {list.getVirtualItems().map((v) => (
        <li
          key={v.key}
          data-index={v.index}
          ref={list.measureElement}
          className="absolute inset-x-0 top-0"
          style={{ transform: `translateY(${v.start - list.options.scrollMargin}px)` }}
        >
          {row(v.index)}
        </li>
      ))}
    </ul>
  );
}
