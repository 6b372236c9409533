"use client";
// The findings of a sheet, the worst first; those that point into the drawing carry the number that stands there.

import type { Finding } from "@/core/setout/engine/outcome";
import { cx } from "../kit/cx";
import { Tick } from "../kit/tick";
import { numbered } from "./marks";

const MARK = {
  ok: [<Tick key="ok" />, "bg-green text-white", "in order"],
  warn: ["!", "bg-amber text-white", "mind"],
  stop: ["×", "bg-signal text-white", "stop"],
} as const;

export function FindingList({ list, onPoint }: { list: readonly Finding[]; onPoint?(n: number | undefined): void }) {
  return (
    <ul>
      {numbered(list).map((f) => (
        <li key={`${f.about} ${f.text}`} className="flex gap-2 border-b py-1.5">
          <span
            role="img"
            aria-label={MARK[f.level][2]}
            className={cx("grid size-5 shrink-0 place-items-center rounded text-[0.75rem] font-bold", MARK[f.level][1])}
          >
            {MARK[f.level][0]}
          </span>
          {f.n && onPoint ? (
            <button
              type="button"
              className="text-left hover:underline focus-visible:underline"
              title={`Number ${f.n} in the drawing`}
              onMouseEnter={() => onPoint(f.n)}
              onMouseLeave={() => onPoint(undefined)}
              onFocus={() => onPoint(f.n)}
              onBlur={() => onPoint(undefined)}
            >
              <b>{f.n}</b> {f.text}
            </button>
          ) : (
            <span>
              {f.n && <b>{f.n} </b>}
              {f.text}
            </span>
          )}
        </li>
      ))}
    </ul>
  );
}
