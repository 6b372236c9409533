"use client";
// A set-out drawing on the page: the same shapes as in the files, on paper.

import { bounds } from "@/core/setout/drawing/svg";
import type { Drawing, Layer, Shape } from "@/core/setout/model";

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

export function DrawingView({ drawing }: { drawing: Drawing }) {
  const b = bounds(drawing.shapes);
  const [w, h] = [b.right - b.left, b.top - b.bottom];
  // Lines and words as thick and large as the sheet is.
  const grow = Math.max(1, Math.max(w, h * 1.4) / 1500);
  const margin = 60 * grow;
  return (
    <figure className="flex min-h-0 flex-1 flex-col rounded border bg-white p-3 text-[#242a2c]">
      <figcaption className="mb-1 text-[12px] text-[#5c6568]">{drawing.seen}</figcaption>
      <svg
        role="img"
        aria-label={`Drawing: ${drawing.title}`}
        viewBox={`${b.left - margin} ${-b.top - margin} ${w + 2 * margin} ${h + 2 * margin}`}
        className="min-h-0 w-full flex-1 print:max-h-[88vh]"
      >
        {drawing.shapes.map((s, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: shapes have no name but their place in the drawing
          <One key={i} s={s} grow={grow} />
        ))}
      </svg>
    </figure>
  );
}
