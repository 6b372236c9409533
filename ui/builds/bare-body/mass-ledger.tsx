"use client";
// What the van weighs: as it came, what left, what goes in, and what is left for people and luggage.

import type { MassLedger as Ledger } from "@/core/workshop/builds/mass-ledger";
import { cx } from "../../kit/cx";
import { time } from "../../kit/time";
import { RecordList } from "../records/list";
import type { BuildView } from "../view";

const kg = (n: number): string => `${n.toLocaleString("en-GB", { maximumFractionDigits: 1 })} kg`;
const signed = (n: number): string => `${n < 0 ? "−" : n > 0 ? "+" : ""}${kg(Math.abs(n))}`;

export function MassLedger({ view }: { view: BuildView }) {
  const m = view.ledger;
  return (
    <section aria-label="Mass" className="mt-6">
      <h3 className="font-semibold">Mass</h3>
      <Sums view={view} m={m} />
      <RecordList view={view} kind="weighing" />
    </section>
  );
}

function Sums({ view, m }: { view: BuildView; m: Ledger }) {
  const rows: [string, string][] = [
    [`As it came, by ${m.start.from}${m.start.weighed ? "" : ": not weighed"}`, kg(m.start.kg)],
    ["Left the van", signed(-m.out)],
    ["Goes back in", signed(m.back)],
    ["Comes in by its choices, house figures", signed(m.in)],
    ["When it is ready, empty", kg(m.ready)],
    ["Gross mass of the van", kg(m.gross)],
  ];
  return (
    <div className="mb-4">
      <dl className="mt-1 max-w-xl overflow-hidden rounded-md border bg-card">
        {rows.map(([what, value]) => (
          <div key={what} className="flex justify-between gap-4 border-b px-3 py-1 tabular-nums">
            <dt className="text-muted">{what}</dt>
            <dd className="whitespace-nowrap">{value}</dd>
          </div>
        ))}
        <div className={cx("flex justify-between gap-4 px-3 py-1 font-bold tabular-nums", m.left < 0 && "text-signal-text")}>
          <dt>{m.left < 0 ? "Too heavy by" : "Left for people, water and luggage"}</dt>
          <dd className="whitespace-nowrap">{kg(Math.abs(m.left))}</dd>
        </div>
      </dl>
      {m.later.map((w) => (
        <p key={w.what} className="mt-1">
          Weighed {w.what}: {kg(w.kg)}
          {w.off !== null &&
            (w.off === 0 ? ", as by the sums" : `, ${kg(Math.abs(w.off))} ${w.off > 0 ? "more" : "less"} than by the sums`)}
          .
        </p>
      ))}
      <details className="mt-1">
        <summary className="cursor-pointer underline underline-offset-2">Line by line</summary>
        <ul className="mt-1 max-w-xl">
          {m.lines.map((l) => (
            <li key={`${l.kind} ${l.what} ${l.at}`} className="flex justify-between gap-4 tabular-nums">
              <span>
                {l.what}
                {l.at !== null && <span className="text-muted"> · {time(view.zone, l.at)}</span>}
              </span>
              <span className="whitespace-nowrap">{signed(l.kg)}</span>
            </li>
          ))}
        </ul>
      </details>
    </div>
  );
}
