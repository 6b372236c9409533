"use client";
// What waits: parked things, what hides what, zones lent as a bench, who stays with what cures, how warm it was, how days were ended.

import { useState } from "react";
import { zoneOf } from "@/core/time/zone";
import type { DateMove } from "@/core/workshop/builds/previews";
import { Button } from "../../kit/button";
import { send } from "../../kit/send";
import { useAct } from "../../kit/use-act";
import { DateLines } from "../planning/date-lines";
import type { BuildView } from "../view";
import { RecordList } from "./list";

/** What something else would do to the dates. */
function Instead({ id }: { id: string }) {
  const act = useAct();
  const [dates, setDates] = useState<DateMove[]>();
  if (dates) return <div className="text-[0.8125rem]">{dates.length ? <DateLines dates={dates} /> : "no date moves"}</div>;
  return (
    <Button
      disabled={act.busy}
      onClick={() => void act.run(async () => setDates((await send<{ dates: DateMove[] }>("POST", `records/${id}/instead`, {})).dates))}
    >
      What would it do?
    </Button>
  );
}

export function WaitsPanel({ view }: { view: BuildView }) {
  const now = zoneOf(view.zone).show(view.now);
  const today = now.slice(0, 10);
  const holding = view.jobs.filter((j) => j.hold).map((j) => [j.id, j.name] as const);
  return (
    <div className="flex flex-col gap-6">
      <RecordList view={view} kind="parked">
        <ul className="mb-2 list-disc pl-5 empty:hidden">
          {view.parked.map((p) => (
            <li key={p.id} className={p.awake ? "font-semibold text-amber-text" : "text-muted"}>
              {p.title}: {p.text}
            </li>
          ))}
        </ul>
      </RecordList>
      <RecordList
        view={view}
        kind="substitute"
        jobs={view.jobs.filter((j) => j.state === "todo" && j.parts.some((p) => !p.here)).map((j) => [j.id, j.name] as const)}
        beside={(r) => <Instead id={r.id} />}
      />
      <RecordList view={view} kind="gear" />
      <RecordList view={view} kind="reach">
        <ul className="mb-2 list-disc pl-5 text-signal-text empty:hidden">
          {view.reachWrong.map((t) => (
            <li key={t}>{t}</li>
          ))}
        </ul>
        <ul className="mb-2 list-disc pl-5 text-muted empty:hidden">
          {view.reachSides.map((t) => (
            <li key={t}>{t}</li>
          ))}
        </ul>
      </RecordList>
      <RecordList view={view} kind="zonebench" />
      <RecordList view={view} kind="attend" jobs={holding} />
      <RecordList view={view} kind="reading" jobs={holding} preset={{ data: { on: today, at: now.slice(11, 16) } }} />
      <RecordList view={view} kind="dayend" preset={{ data: { on: today } }} />
    </div>
  );
}
