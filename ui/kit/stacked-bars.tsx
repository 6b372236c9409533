"use client";
// Bars lying down, each made of up to three parts: for a figure per stage, skill or week. The table beside it holds the same
// numbers, so the picture is one image to a screen reader. Loaded only where it is shown.

import { Bar, BarChart, ResponsiveContainer, XAxis, YAxis } from "recharts";

export interface BarPart {
  /** The key of its number in each row. */
  key: string;
  label: string;
  /** A colour of the theme, as in `var(--pine)`. */
  fill: string;
}

export type BarRow = { name: string } & Record<string, number | string>;

/**
 * `rows` from top to bottom, `parts` from left to right; `unit` stands in the legend. Numbers below zero are drawn as none:
 * a bar has no length below nothing.
 */
export default function StackedBars({ label, rows, parts, unit }: { label: string; rows: BarRow[]; parts: BarPart[]; unit: string }) {
  const data = rows.map((r) => ({ ...r, ...Object.fromEntries(parts.map((p) => [p.key, Math.max(0, Number(r[p.key]) || 0)])) }));
  const words = { fill: "var(--ink)", fontSize: "0.75rem" };
  return (
    <figure className="rounded-md border bg-card p-3">
      <figcaption className="mb-2 flex flex-wrap items-center gap-x-4 gap-y-1">
        <b>{label}</b>
        {parts.map((p) => (
          <span key={p.key} className="flex items-center gap-1.5 text-muted">
            <span aria-hidden className="inline-block size-3 rounded-[2px] border border-pine" style={{ background: p.fill }} />
            {p.label}
          </span>
        ))}
        <span className="text-muted">{unit}</span>
      </figcaption>
      <div
        role="img"
        aria-label={`${label}, ${unit}. The table holds the same numbers.`}
        style={{ height: `${rows.length * 1.75 + 2}rem` }}
      >
        <ResponsiveContainer width="100%" height="100%">
          <BarChart
            data={data}
            layout="vertical"
            margin={{ top: 0, right: 12, bottom: 0, left: 0 }}
            barCategoryGap="22%"
            accessibilityLayer={false}
          >
            <XAxis type="number" tick={words} stroke="var(--line)" tickFormatter={(n: number) => n.toLocaleString("en-GB")} />
            <YAxis type="category" dataKey="name" width={84} tick={words} stroke="var(--line)" tickLine={false} interval={0} />
            {parts.map((p) => (
              <Bar key={p.key} dataKey={p.key} stackId="all" fill={p.fill} stroke="var(--pine)" isAnimationActive={false} />
            ))}
          </BarChart>
        </ResponsiveContainer>
      </div>
    </figure>
  );
}
