"use client";
// The second measuring of a sheet, from the other datum, by another person; it locks the sheet when both agree.

import { useState } from "react";
import { InputError } from "@/core/plan/fault";
import { disagreements, type SecondReading } from "@/core/setout/engine/second";
import { parseLength } from "@/core/setout/lengths";
import { Button } from "../kit/button";
import { cx } from "../kit/cx";
import { inputClass } from "../kit/field";
import { send } from "../kit/send";
import type { Act } from "../kit/use-act";

export interface Measured {
  id: string;
  version: number;
  wanted: readonly SecondReading[];
  second: { readings: Record<string, number> } | null;
  /** Why the reader can't do it. */
  secondWhyNot: string | null;
  /** The two agree within this, mm. */
  agreeMm: number;
}

export function Second({ sheet: s, act, touch = false }: { sheet: Measured; act: Act; touch?: boolean }) {
  const size = touch ? "touch" : "desk";
  const [typed, setTyped] = useState<Record<string, string>>(() =>
    Object.fromEntries(Object.entries(s.second?.readings ?? {}).map(([k, v]) => [k, String(v)])),
  );
  const [asked, setAsked] = useState(s.second !== null);
  const [fault, setFault] = useState<string>();
  // The version after our own last answer, until the page has caught up with it.
  const [mine, setMine] = useState(0);
  const read: Record<string, number> = {};
  let wrong: string | undefined;
  for (const w of s.wanted) {
    const text = (typed[w.name] ?? "").trim();
    if (!text) continue;
    try {
      read[w.name] = parseLength(text, w.label);
    } catch (e) {
      wrong = e instanceof InputError ? `${w.label} ${e.faults[0].message}` : String(e);
    }
  }
  const differ = disagreements(s.wanted, read, s.agreeMm).filter((d) => d.second !== null);
  const missing = s.wanted.filter((w) => read[w.name] === undefined).length;
  const give = async () => {
    setFault(undefined);
    let answer: { version?: number; locked?: boolean; stop?: string } = {};
    const ok = await act.run(async () => {
      answer = await send("POST", `sheets/${s.id}/second`, { version: Math.max(mine, s.version), readings: read });
    }, undefined);
    if (ok) setMine(answer.version ?? 0);
    if (ok && !answer.locked) setFault(answer.stop ?? "The two measurements differ. Measure again, or correct the sheet.");
  };
  if (s.secondWhyNot) return <p className={touch ? "text-[0.9375rem]" : "text-muted"}>{s.secondWhyNot}</p>;
  if (!asked)
    return (
      <Button size={size} className="self-start" onClick={() => setAsked(true)}>
        {s.wanted.length ? "Measure a second time" : "Sign and lock"}
      </Button>
    );
  return (
    <form
      className="flex flex-col gap-2 rounded-md border px-3 py-2"
      onSubmit={(e) => {
        e.preventDefault();
        void give();
      }}
    >
      <p className="font-semibold">{s.wanted.length ? "Second measurement, from the other datum" : "Nothing to measure twice: sign it"}</p>
      {s.wanted.map((w) => {
        const bad = differ.find((d) => d.label === w.label);
        return (
          <label key={w.name} className="flex items-center justify-between gap-3">
            <span className={cx(bad && "text-signal-text")}>
              {w.label}
              {bad && `: ${bad.second} does not match the first measurement`}
            </span>
            <input
              aria-label={w.label}
              value={typed[w.name] ?? ""}
              onChange={(e) => setTyped({ ...typed, [w.name]: e.target.value })}
              aria-invalid={bad ? true : undefined}
              className={cx(inputClass, touch ? "!h-12 !w-32 shrink-0 text-[1.0625rem]" : "!w-28")}
              inputMode="decimal"
            />
          </label>
        );
      })}
      {(wrong || fault) && (
        <p role="alert" className="text-signal-text">
          {wrong ?? fault}
        </p>
      )}
      <p className="flex items-center gap-3">
        <Button kind="main" size={size} type="submit" disabled={act.busy || !!wrong || missing > 0}>
          Compare and lock
        </Button>
        <span className={cx(touch ? "text-[0.9375rem]" : "text-[0.75rem]", "text-muted")}>
          {missing ? `${missing} to read` : `agree within ${s.agreeMm} mm`}
        </span>
      </p>
    </form>
  );
}
