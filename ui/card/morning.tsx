"use client";
// On the card, for the lead: work that the hour speaks against is left for the morning, with what that does to the dates.

import { useState } from "react";
import type { DateMove } from "@/core/workshop/builds/previews";
import { DateLines } from "../builds/planning/date-lines";
import { Button } from "../kit/button";
import { send } from "../kit/send";
import { wall } from "../kit/time";
import type { Act } from "../kit/use-act";
import type { CardJob } from "./view";

interface Tried {
  start: string;
  dates: DateMove[];
  /** What it was pinned to before. */
  was: string | null;
}

export function Morning({ job, act }: { job: CardJob; act: Act }) {
  const [tried, setTried] = useState<Tried>();
  const ask = (what: "try" | "pin" | "undo") =>
    send<Tried>("POST", `jobs/${job.id}/morning`, { act: what, ...(what === "undo" && tried?.was ? { was: tried.was } : {}) });
  const at = tried && wall(tried.start);
  return (
    <section aria-label="Leave it for the morning" className="mt-2 text-[0.9375rem]">
      {tried && <DateLines dates={tried.dates} />}
      <Button
        size="touch"
        className="mt-1 w-full"
        disabled={act.busy}
        onClick={() =>
          void (tried
            ? act.run(
                () => ask("pin"),
                `${job.name} is pinned to ${at}; replan to move the rest`,
                () => ask("undo"),
              )
            : act.run(async () => setTried(await ask("try"))))
        }
      >
        {tried ? `Leave it for ${at}` : "Leave it for the morning: show the new dates"}
      </Button>
    </section>
  );
}
