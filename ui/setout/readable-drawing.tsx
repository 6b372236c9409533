"use client";
// A set-out drawing to be read at arm's length: its words at least so large, scrolled where that is wider than the screen.

import { useState } from "react";
import { mirrored as mirror } from "@/core/setout/drawing/shapes";
import { bounds } from "@/core/setout/drawing/svg";
import type { Drawing } from "@/core/setout/engine/outcome";
import { DrawingView, growOf } from "./drawing";
import type { Mark } from "./marks";

/** Words of a drawing are this many mm high before they grow with its size. */
const WORD_MM = 24;
/** And at least this many pixels on the card. */
const READABLE_PX = 19;

export function ReadableDrawing({ drawing, mirrored, marks }: { drawing: Drawing; mirrored: boolean; marks: readonly Mark[] }) {
  const [whole, setWhole] = useState(true);
  const b = bounds(drawing.shapes);
  const shown: Drawing = mirrored
    ? { ...drawing, seen: `Mirrored: ${drawing.seen}, from the other side`, shapes: mirror(drawing.shapes, b.left + b.right) }
    : drawing;
  const at = mirrored ? marks.map((m) => ({ ...m, at: [b.left + b.right - m.at[0], m.at[1]] as [number, number] })) : marks;
  const width = Math.round(((b.right - b.left + 120 * growOf(b)) * READABLE_PX) / (WORD_MM * growOf(b)));
  return (
    <div>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls has to be reached by the keyboard */}
      <section className="overflow-auto" tabIndex={0} aria-label={`Drawing of ${drawing.title}`}>
        <div style={whole ? undefined : { width: Math.max(320, width) }}>
          <DrawingView drawing={shown} marks={at} />
        </div>
      </section>
      <button
        type="button"
        aria-pressed={!whole}
        onClick={() => setWhole(!whole)}
        className="mt-2 min-h-12 w-full rounded-md border px-3 text-[1rem] font-semibold"
      >
        {whole ? "Larger, to read from a distance" : "The whole drawing"}
      </button>
    </div>
  );
}
