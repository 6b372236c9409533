"use client";
// Who has nothing ready to do: let go for the rest of the day, with the time booked to its cause.

import { useState } from "react";
import { LOST_TO, type LostTo } from "@/core/workshop/planning/lost-time";
import { Button } from "../kit/button";
import { Select } from "../kit/field";
import { send } from "../kit/send";
import { useAct } from "../kit/use-act";
import type { YardView } from "./view";

export function NothingReady({ view }: { view: YardView }) {
  return (
    <>
      {view.idle.length > 0 && (
        <ul aria-label="Nothing ready for">
          {view.idle.map((w) => (
            <Row key={w.fitterId} who={w} />
          ))}
        </ul>
      )}
      {view.lost && <p className="py-2 text-[0.75rem] text-muted">Lost in the last 30 days: {view.lost}.</p>}
    </>
  );
}

function Row({ who: w }: { who: YardView["idle"][number] }) {
  const act = useAct();
  const [cause, setCause] = useState<LostTo>(w.cause);
  const book = () => {
    let id = "";
    void act.run(
      async () => {
        id = (await send<{ id: string }>("POST", "lost-time", { fitterId: w.fitterId, cause })).id;
      },
      `${w.name} is free until ${w.until}; ${w.minutes} min are booked to ${LOST_TO[cause]}`,
      () => send("DELETE", `absences/${id}`),
    );
  };
  return (
    <li className="border-b py-2 last:border-0">
      <p>
        <b>{w.name}</b> has nothing ready until {w.until}, {w.minutes} min.
      </p>
      {w.why && <p className="text-[0.75rem] text-muted">{w.why}</p>}
      <div className="mt-1 flex flex-wrap items-end gap-2">
        <Select
          label={`What ${w.name}'s time is lost to`}
          name={`cause-${w.fitterId}`}
          value={cause}
          onChange={(e) => setCause(e.target.value as LostTo)}
          options={Object.entries(LOST_TO)}
        />
        <Button disabled={act.busy} onClick={book}>
          Let go, and book it
        </Button>
      </div>
    </li>
  );
}
