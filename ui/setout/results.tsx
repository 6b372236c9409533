"use client";
// What a sheet comes to: its results in words, its cut list, and the files it is saved as.

import { asResult } from "@/core/setout/calculators";
import { toDxf } from "@/core/setout/drawing/dxf";
import { toSvg } from "@/core/setout/drawing/svg";
import type { Calculator } from "@/core/setout/engine/define";
import type { Outcome } from "@/core/setout/engine/outcome";
import { sayResults } from "@/core/setout/engine/say-results";
import { sayInches } from "@/core/setout/lengths";
import { Button } from "../kit/button";
import { cx } from "../kit/cx";

function save(name: string, text: string, type: string): void {
  const url = URL.createObjectURL(new Blob([text], { type }));
  const a = document.createElement("a");
  a.href = url;
  a.download = name;
  a.click();
  URL.revokeObjectURL(url);
}

export function Files({ name, outcome }: { name: string; outcome: Outcome }) {
  const csv = [
    ["name", "material", "w", "h", "t", "count"].join(","),
    ...outcome.cuts.map((c) => [c.name, c.material, c.w, c.h, c.t, c.count].join(",")),
  ].join("\n");
  return (
    <fieldset className="flex gap-1">
      <legend className="sr-only">Save as</legend>
      {outcome.drawing && (
        <>
          <Button onClick={() => save(`${name}.svg`, toSvg(outcome.drawing!), "image/svg+xml")}>SVG</Button>
          <Button onClick={() => save(`${name}.dxf`, toDxf(outcome.drawing!), "application/dxf")}>DXF</Button>
        </>
      )}
      <Button onClick={() => save(`${name}.json`, JSON.stringify(asResult(name, outcome), null, 2), "application/json")}>JSON</Button>
      {outcome.cuts.length > 0 && <Button onClick={() => save(`${name}-cuts.csv`, `${csv}\n`, "text/csv")}>CSV</Button>}
    </fieldset>
  );
}

export function Results({ sheet, results, inches }: { sheet: Calculator; results: Record<string, unknown>; inches: boolean }) {
  return (
    <dl>
      {sayResults(sheet, results, inches).map((r) => (
        <div key={r.label} className={cx("border-b py-1", !r.long && "flex justify-between gap-3")}>
          <dt className="text-muted">{r.label}</dt>
          <dd className={cx(!r.long && "font-bold", "[overflow-wrap:anywhere]")}>
            {r.lines.length > 1 ? (
              <ul>
                {r.lines.map((l) => (
                  <li key={l}>{l}</li>
                ))}
              </ul>
            ) : (
              r.lines[0]
            )}
          </dd>
        </div>
      ))}
    </dl>
  );
}

export function Cuts({ outcome, inches }: { outcome: Outcome; inches: boolean }) {
  const say = (x: number) => (inches ? sayInches(x) : String(x));
  return (
    <table className="w-full text-left">
      <caption className="mb-1 text-left font-bold">Cut list</caption>
      <thead className="text-muted">
        <tr>
          {["piece", "of", "length", "width", "thick", "count"].map((h) => (
            <th key={h} className="font-normal">
              {h}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {outcome.cuts.map((c) => (
          <tr key={c.name} className="border-t">
            <td className="py-1">{c.name}</td>
            <td>{c.material}</td>
            <td>{say(c.w)}</td>
            <td>{say(c.h)}</td>
            <td>{say(c.t)}</td>
            <td>{c.count}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
