"use client";
// What the build has cost so far and will cost, by stage: parts and hours.

import dynamic from "next/dynamic";
import type { Money } from "@/core/workshop/builds/money";
import { STAGE, StageBadge } from "../kit/stage";
import type { BuildView } from "./view";

// Only a lead who opens this tab pays for the picture; its place is kept free until it is there.
const StackedBars = dynamic(() => import("../kit/stacked-bars"), {
  ssr: false,
  loading: () => <div className="h-[16.5rem] rounded-md border bg-card" />,
});

export function CostPanel({ view }: { view: BuildView }) {
  const { whole, stages, rate, currency } = view.money;
  const sum = (n: number) => `${Math.round(n).toLocaleString("en-GB")}`;
  const hours = (n: number) => n.toFixed(1);
  const row = (m: Money) => (
    <>
      <td className="px-2 text-right">{sum(m.partsHere)}</td>
      <td className="px-2 text-right text-muted">{sum(m.partsOrdered)}</td>
      <td className="px-2 text-right text-muted">{sum(m.partsNeeded)}</td>
      <td className="px-2 text-right">{hours(m.hoursDone)}</td>
      <td className="px-2 text-right text-muted">{hours(m.hoursLeft)}</td>
      <td className="px-2 text-right font-bold">{sum(m.soFar)}</td>
      <td className="px-3 text-right">{sum(m.soFar + m.toCome)}</td>
    </>
  );
  return (
    <div>
      <p className="mb-3 text-[0.9375rem]">
        So far{" "}
        <b>
          {sum(whole.soFar)} {currency}
        </b>
        , in all about{" "}
        <b>
          {sum(whole.soFar + whole.toCome)} {currency}
        </b>{" "}
        at {rate} {currency} an hour.
      </p>
      {view.papers.refused.lines.length > 0 && (
        <p className="mb-3">
          Beside it, work of others that was refused ({view.papers.refused.lines.join(", ")}): {view.papers.refused.hours} h to do again,{" "}
          <b>
            {sum(view.papers.refused.price)} {currency}
          </b>{" "}
          to the client.
        </p>
      )}
      {view.changes.length > 0 && (
        <section aria-label="Changes by cause" className="mb-3">
          <h3 className="font-semibold">Changed after it was agreed</h3>
          <ul>
            {view.changes.map((c) => (
              <li key={c.cause}>
                {c.says}: {c.changes} {c.changes === 1 ? "change" : "changes"}, {c.hours} h, {c.cost.toLocaleString("en-GB")} {currency}
              </li>
            ))}
          </ul>
        </section>
      )}
      <div className="overflow-x-auto rounded-md border bg-card">
        <table className="w-full text-left tabular-nums">
          <thead className="text-[0.75rem] text-muted">
            <tr className="border-b">
              <th className="px-3 py-1.5 font-normal">stage</th>
              <th className="px-2 text-right font-normal">parts here</th>
              <th className="px-2 text-right font-normal">ordered</th>
              <th className="px-2 text-right font-normal">to order</th>
              <th className="px-2 text-right font-normal">hours worked</th>
              <th className="px-2 text-right font-normal">hours left</th>
              <th className="px-2 text-right font-normal">so far</th>
              <th className="px-3 text-right font-normal">in all</th>
            </tr>
          </thead>
          <tbody>
            {stages.map((s) => (
              <tr key={s.stage} className="border-b">
                <td className="flex items-center gap-2 px-3 py-1.5">
                  <StageBadge stage={s.stage} /> {STAGE[s.stage].name}
                </td>
                {row(s.money)}
              </tr>
            ))}
            <tr className="font-bold">
              <td className="px-3 py-1.5">all</td>
              {row(whole)}
            </tr>
          </tbody>
        </table>
      </div>
      <div className="mt-3">
        <StackedBars
          label="Cost by stage"
          unit={`in ${currency}, parts and hours`}
          parts={[
            { key: "soFar", label: "so far", fill: "var(--pine)" },
            { key: "toCome", label: "still to come", fill: "var(--pine-soft)" },
          ]}
          rows={stages.map((s) => ({ name: STAGE[s.stage].name, soFar: s.money.soFar, toCome: s.money.toCome }))}
        />
      </div>
      {whole.unpriced > 0 && (
        <p className="mt-2 text-muted">
          {whole.unpriced} part {whole.unpriced === 1 ? "line has" : "lines have"} no price and {whole.unpriced === 1 ? "is" : "are"} left
          out.
        </p>
      )}
      <p className="mt-3">
        {view.mass.sheets
          ? `Mass worked out on ${view.mass.sheets} set-out ${view.mass.sheets === 1 ? "sheet" : "sheets"}: ${view.mass.kg} kg.`
          : "No set-out sheet has worked out a mass yet."}
      </p>
      {(view.inventory.sold > 0 || view.inventory.toSell > 0) && (
        <p className="mt-1">
          From what came out: {view.inventory.sold} {currency} sold, {view.inventory.toSell} {currency} still to come.
        </p>
      )}
      <h2 className="mt-6 mb-1 text-[0.9375rem]">Decisions that cost</h2>
      <ul>
        {view.records
          .filter((r) => r.kind === "decision" && r.data.cost)
          .map((r) => (
            <li key={r.id}>
              {r.title}{" "}
              <b>
                {r.kind === "decision" && (r.data.cost! > 0 ? "+" : "")}
                {r.kind === "decision" && r.data.cost} {currency}
              </b>
            </li>
          ))}
        {!view.records.some((r) => r.kind === "decision" && r.data.cost) && <li className="text-muted">None yet.</li>}
      </ul>
    </div>
  );
}
