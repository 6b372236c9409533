"use client";
// The van's drawing with its zones on a chosen day: from arrival to handover one sees it fill.

import { useMemo, useState } from "react";
import { layoutOf } from "@/core/library/layout";
import { VIEW_LABEL, type ViewName } from "@/core/van/drawing";
import { type ZoneState, zonesAt } from "@/core/workshop/state/van-zones";
import { cx } from "../../kit/cx";
import { stageOf } from "../../kit/stage";
import { DAY, day, time } from "../../kit/time";
import { VanDrawing } from "../../van/drawing";
import type { BuildView } from "../view";

const LEGEND: [ZoneState, string, React.CSSProperties][] = [
  ["bare", "bare or open", { border: "1px solid var(--line)" }],
  ["work", "in work, in its stage's colour", { background: stageOf("panels").colour }],
  ["hold", "held", { background: "repeating-linear-gradient(45deg, var(--tape-a) 0 3px, var(--tape-b) 3px 5px)" }],
  ["proof", "waits for proof", { border: "2px dashed var(--signal)", background: "var(--signal-soft)" }],
  ["closed", "closed", { background: "color-mix(in srgb, var(--green) 30%, transparent)", border: "1px solid var(--green)" }],
];

/** The slider moves by two hours. */
const STEP = DAY / 12;

const PAIRS: ViewName[][] = [
  ["plan", "left", "right"],
  ["roof", "under", "rear"],
];

export function VanPanel({ view }: { view: BuildView }) {
  const [at, setAt] = useState(Math.min(Math.max(view.now, view.span.from), view.span.to));
  const last = view.span.from + Math.ceil((view.span.to - view.span.from) / STEP) * STEP;
  const [pair, setPair] = useState(0);
  const [fitted, setFitted] = useState(false);
  const { zones, still } = useMemo(() => zonesAt(view.zoneJobs, at), [view.zoneJobs, at]);
  const layout = useMemo(() => (fitted ? layoutOf(view.options, view.van) : []), [fitted, view.options, view.van]);
  const busy = new Map<string, string[]>();
  for (const z of zones)
    if (z.state === "work" || z.state === "hold" || z.state === "proof") busy.set(z.says, [...(busy.get(z.says) ?? []), z.zone]);
  const closed = zones.filter((z) => z.state === "closed").length;
  return (
    <section aria-label="The van on a day" className="rounded-md border bg-card">
      <div className="flex flex-wrap items-end justify-center gap-x-5 gap-y-2 px-4 pt-3">
        {PAIRS[pair].map((v) => (
          <figure key={v} className="flex flex-col items-center">
            <VanDrawing van={view.van} view={v} width={v === "rear" ? 128 : 252} id={`sheet-${v}`} zones={zones} layout={layout} />
            <figcaption className="text-[0.75rem] text-muted">{VIEW_LABEL[v]}</figcaption>
          </figure>
        ))}
      </div>
      <div className="flex flex-wrap items-center gap-3 border-t px-4 py-2.5">
        <input
          type="range"
          aria-label="Day from arrival to handover"
          aria-valuetext={time(view.zone, at)}
          min={view.span.from}
          max={last}
          step={STEP}
          value={at}
          onChange={(e) => setAt(Number(e.target.value))}
          className="min-w-40 flex-1 accent-pine"
        />
        <b className="w-36 tabular-nums">{time(view.zone, at)}</b>
        <button
          type="button"
          onClick={() => setAt(view.now)}
          disabled={at === view.now || view.now < view.span.from}
          className="font-semibold underline underline-offset-2 disabled:opacity-50"
        >
          now
        </button>
        <button type="button" onClick={() => setPair(1 - pair)} className="font-semibold underline underline-offset-2">
          {pair ? "plan and sides" : "roof, below, rear"}
        </button>
        <label className="flex items-center gap-1.5">
          <input type="checkbox" checked={fitted} onChange={(e) => setFitted(e.target.checked)} className="size-4 accent-pine" />
          what it gets
        </label>
      </div>
      <div className="flex flex-wrap justify-between gap-x-6 gap-y-1 border-t px-4 py-2">
        <p role="status">
          {still && <b className="text-signal-text">Not to be moved: {still} cures. </b>}
          {busy.size
            ? [...busy].map(([says, where]) => `${where.join(", ")}: ${says}`).join(" · ")
            : closed
              ? `${closed} of ${zones.length} zones closed, nobody on it on ${day(view.zone, at)}.`
              : `Nobody on it on ${day(view.zone, at)}.`}
        </p>
        <ul className="flex flex-wrap gap-x-3 text-[0.75rem] text-muted">
          {LEGEND.map(([k, label, style]) => (
            <li key={k} className="flex items-center gap-1.5">
              <span className={cx("inline-block size-3 rounded-[2px]")} style={style} />
              {label}
            </li>
          ))}
        </ul>
      </div>
    </section>
  );
}
