"use client";
// What binds a sheet to a build: kept by whom, measured a second time from the other datum, locked, opened again.

import { Lock, TriangleAlert } from "lucide-react";
import { useState } from "react";
import { InputError } from "@/core/plan/fault";
import { parseLength } from "@/core/setout/lengths";
import { AGREE_MM, disagreements } from "@/core/setout/second";
import { Button } from "../kit/button";
import { cx } from "../kit/cx";
import { inputClass } from "../kit/field";
import { send } from "../kit/send";
import { time } from "../kit/time";
import type { Act } from "../kit/use-act";
import type { KeptSheet } from "./view";

/** How a kept sheet stands, with the second measuring under it. */
export function Kept({
  sheet: s,
  changed,
  zone,
  lead,
  act,
}: {
  sheet: KeptSheet;
  changed: boolean;
  zone: string;
  lead: boolean;
  act: Act;
}) {
  const [history, setHistory] = useState(false);
  return (
    <section aria-label="Kept sheet" className="mb-3 flex flex-col gap-2">
      {s.notices.length > 0 && (
        <div role="alert" className="rounded-md border border-signal bg-signal-soft px-3 py-2">
          <p className="flex items-center gap-2 font-bold">
            <TriangleAlert size={15} aria-hidden="true" /> The van or the choices have changed since this sheet was filled in:
          </p>
          <ul className="list-disc pl-5">
            {s.notices.map((n) => (
              <li key={n}>{n}</li>
            ))}
          </ul>
        </div>
      )}
      <p className="text-[12px] text-muted">
        {s.locked !== null ? (
          <b className="text-green-text">
            <Lock size={13} className="mr-1 inline" aria-hidden="true" />
            Locked {time(zone, s.locked)}: two measurings agree.{" "}
          </b>
        ) : (
          ""
        )}
        version {s.versions[0]?.n ?? s.version}, {s.by}, {time(zone, s.at)}
        {s.second && ` · second measuring by ${s.second.by}`}
        {s.takes && ` · ${s.locked === null ? "once locked" : "in the plan"}: ${s.takes}`}{" "}
        <button type="button" onClick={() => setHistory(!history)} className="underline underline-offset-2">
          {history ? "less" : "all versions"}
        </button>
      </p>
      {history && (
        <ol className="text-[12px] text-muted">
          {s.versions.map((v) => (
            <li key={v.n}>
              {v.n}: {v.by}, {time(zone, v.at)}
            </li>
          ))}
        </ol>
      )}
      {s.locked === null && !changed && <Second key={s.id} sheet={s} act={act} />}
      {s.locked !== null && lead && <Unlock sheet={s} act={act} />}
    </section>
  );
}

function Second({ sheet: s, act }: { sheet: KeptSheet; act: Act }) {
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
  const differ = disagreements(s.wanted, read).filter((d) => d.second !== null);
  const missing = s.wanted.filter((w) => read[w.name] === undefined).length;
  const give = async () => {
    setFault(undefined);
    let answer: { version?: number; locked?: boolean; stop?: string } = {};
    const ok = await act.run(async () => {
      answer = await send("POST", `sheets/${s.id}/second`, { version: Math.max(mine, s.version), readings: read });
    }, undefined);
    if (ok) setMine(answer.version ?? 0);
    if (ok && !answer.locked) setFault(answer.stop ?? "The two measurings differ. Measure again, or set the sheet right.");
  };
  if (!asked)
    return (
      <Button className="self-start" onClick={() => setAsked(true)}>
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
      <p className="font-semibold">{s.wanted.length ? "Second measuring, from the other datum" : "Nothing to measure twice: sign it"}</p>
      {s.wanted.map((w) => {
        const bad = differ.find((d) => d.label === w.label);
        return (
          <label key={w.name} className="flex items-center justify-between gap-3">
            <span className={cx(bad && "text-signal-text")}>
              {w.label}
              {bad && `: ${bad.second} is not what the first measuring says`}
            </span>
            <input
              aria-label={w.label}
              value={typed[w.name] ?? ""}
              onChange={(e) => setTyped({ ...typed, [w.name]: e.target.value })}
              aria-invalid={bad ? true : undefined}
              className={cx(inputClass, "!w-28")}
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
        <Button kind="main" type="submit" disabled={act.busy || !!wrong || missing > 0}>
          Compare and lock
        </Button>
        <span className="text-[12px] text-muted">{missing ? `${missing} to read` : `agree within ${AGREE_MM} mm`}</span>
      </p>
    </form>
  );
}

function Unlock({ sheet: s, act }: { sheet: KeptSheet; act: Act }) {
  const [why, setWhy] = useState<string>();
  if (why === undefined)
    return (
      <Button className="self-start" onClick={() => setWhy("")}>
        Open it again
      </Button>
    );
  return (
    <form
      className="flex gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        void act.run(() => send("POST", `sheets/${s.id}/unlock`, { version: s.version, why }), "Open again: measure it anew");
      }}
    >
      <input
        aria-label="Why is it opened again?"
        placeholder="why?"
        value={why}
        onChange={(e) => setWhy(e.target.value)}
        className={inputClass}
      />
      <Button type="submit" disabled={act.busy || !why.trim()}>
        Open
      </Button>
    </form>
  );
}
