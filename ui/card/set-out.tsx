"use client";
// The set-out of a job on its card: figures large enough to read at arm's length, the drawing from both sides, the second measuring.

import { Lock, TriangleAlert } from "lucide-react";
import Link from "next/link";
import { useState } from "react";
import { cx } from "../kit/cx";
import { near } from "../kit/time";
import type { Act } from "../kit/use-act";
import { FindingList } from "../setout/finding-list";
import { marksOf } from "../setout/marks";
import { ReadableDrawing } from "../setout/readable-drawing";
import { Second } from "../setout/second";
import type { SheetCard } from "../setout/sheet-card";
import type { CardJob } from "./view";

interface Props {
  job: CardJob;
  act: Act;
  zone: string;
  now: number;
}

export function CardSetOut({ job, act, zone, now }: Props) {
  const { kept, missing } = job.setOut;
  if (!kept.length && !missing.length) return null;
  const page = (calculator: string) =>
    `/set-out?build=${encodeURIComponent(job.buildId)}&job=${encodeURIComponent(job.id)}&sheet=${encodeURIComponent(calculator)}`;
  return (
    <section aria-label="Set-out" className="mt-4">
      <h3 className="text-[1.0625rem]">Set-out</h3>
      {kept.map((s) => (
        <Sheet key={s.id} s={s} page={page(s.calculator)} act={act} zone={zone} now={now} />
      ))}
      {job.state !== "done" && missing.length > 0 && (
        <details className="mt-2 rounded-md border border-dashed" open={kept.length === 0 && missing.length <= 3}>
          <summary className="flex min-h-12 cursor-pointer items-center px-3 text-[1rem]">
            {missing.length === 1 ? "1 sheet is not filled in yet" : `${missing.length} sheets are not filled in yet`}
          </summary>
          <ul className="border-t border-dashed">
            {missing.map((m) => (
              <li key={m.calculator} className="border-b border-dashed last:border-0">
                <Link href={page(m.calculator)} className="flex min-h-12 items-center px-3 py-1.5 underline underline-offset-2">
                  {m.title}
                </Link>
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}

function Sheet({ s, page, act, zone, now }: { s: SheetCard; page: string; act: Act; zone: string; now: number }) {
  const [other, setOther] = useState(false);
  const stops = s.findings.filter((f) => f.level === "stop").length;
  const both = /mirrored/.test(s.drawing?.seen ?? "");
  return (
    <details className="mt-2 overflow-hidden rounded-md border bg-card">
      <summary className="flex min-h-13 cursor-pointer flex-wrap items-center gap-x-2 px-3 py-2">
        <b className="min-w-0 flex-1">{s.title}</b>
        {s.locked !== null ? (
          <span className="flex items-center gap-1 text-[0.9375rem] font-semibold text-green-text">
            <Lock size={15} aria-hidden="true" /> locked
          </span>
        ) : (
          <span className="text-[0.9375rem] font-semibold text-amber-text">
            {s.wanted.length ? "measure a second time" : "not signed yet"}
          </span>
        )}
        {stops > 0 && <span className="w-full text-[0.9375rem] font-semibold text-signal-text">It says stop: read its findings</span>}
      </summary>
      <div className="flex flex-col gap-3 border-t px-3 py-3">
        {s.notices.length > 0 && (
          <div role="alert" className="rounded-md border border-signal bg-signal-soft px-3 py-2 text-[0.9375rem]">
            <p className="flex items-center gap-2 font-bold">
              <TriangleAlert size={17} aria-hidden="true" /> Changed since it was filled in:
            </p>
            <ul className="list-disc pl-5">
              {s.notices.map((n) => (
                <li key={n}>{n}</li>
              ))}
            </ul>
          </div>
        )}
        {s.drawing && (
          <>
            <ReadableDrawing drawing={s.drawing} mirrored={other} marks={marksOf(s.findings)} />
            {!both && (
              <button
                type="button"
                aria-pressed={other}
                onClick={() => setOther(!other)}
                className={cx("min-h-12 rounded-md border px-3 text-[1rem] font-semibold", other && "bg-pine text-on-pine")}
              >
                Seen from the other side, mirrored
              </button>
            )}
          </>
        )}
        <dl className="text-[1.25rem] leading-snug">
          {s.figures.map((r) => (
            <div key={r.label} className="border-b py-1.5 last:border-0">
              <dt className="text-[0.9375rem] text-muted">{r.label}</dt>
              {r.lines.map((l) => (
                <dd key={l} className="font-bold [overflow-wrap:anywhere]">
                  {l}
                </dd>
              ))}
            </div>
          ))}
        </dl>
        {s.cuts.length > 0 && (
          <div>
            <h4 className="text-[1rem]">Cut list, mm</h4>
            <ul className="text-[1.125rem]">
              {s.cuts.map((c) => (
                <li key={`${c.name} ${c.w} ${c.h}`} className="flex flex-wrap justify-between gap-x-3 border-b py-1.5 last:border-0">
                  <span>
                    <b>{c.count} ×</b> {c.name} <span className="text-[0.9375rem] text-muted">{c.material}</span>
                  </span>
                  <b>
                    {c.w} × {c.h} × {c.t}
                  </b>
                </li>
              ))}
            </ul>
          </div>
        )}
        {s.findings.length > 0 && <FindingList list={s.findings} />}
        <p className="text-[0.9375rem] text-muted" suppressHydrationWarning>
          Measured by {s.by}, {near(zone, s.at, now)}
          {s.second && `; a second time by ${s.second.by}`}
          {s.locked !== null && s.second === null && "; signed"}
        </p>
        {s.locked === null && <Second sheet={s} act={act} touch />}
        <Link href={page} className="flex min-h-11 items-center text-[0.9375rem] underline underline-offset-2">
          Open the sheet
        </Link>
      </div>
    </details>
  );
}
