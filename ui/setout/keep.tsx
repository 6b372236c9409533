"use client";
// What binds a sheet to a build: kept by whom, measured a second time, locked, opened again.

import { Lock, TriangleAlert } from "lucide-react";
import { useState } from "react";
import { Button } from "../kit/button";
import { inputClass } from "../kit/field";
import { send } from "../kit/send";
import { time } from "../kit/time";
import type { Act } from "../kit/use-act";
import { Second } from "./second";
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
      {s.prints
        .filter((p) => p.old)
        .map((p) => (
          <p key={p.at} className="rounded-md border border-amber bg-amber-soft px-3 py-2">
            Throw away the print by {p.by}, {time(zone, p.at)}: {p.old}.
          </p>
        ))}
      <p className="text-[0.75rem] text-muted">
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
        <ol className="text-[0.75rem] text-muted">
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
        void act.run(() => send("POST", `sheets/${s.id}/unlock`, { version: s.version, why }), "Open again: measure it again");
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
