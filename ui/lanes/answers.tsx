"use client";
// Two answers side by side: what is on the lanes, and what a longer search found. The lead takes one, and can go over to the other later.

import { Button } from "../kit/button";
import { send } from "../kit/send";
import { useAct } from "../kit/use-act";
import type { LanesView } from "./view";

export function Answers({ answers }: { answers: NonNullable<LanesView["answers"]> }) {
  const act = useAct();
  return (
    <section aria-label="Two answers" className="flex shrink-0 flex-wrap items-stretch gap-2 border-b bg-sunk px-4 py-2">
      <div className="min-w-60 flex-1 rounded-md border-2 border-pine bg-card px-3 py-1.5">
        <p className="text-[0.75rem] text-muted">On the lanes</p>
        <p className="font-semibold">{answers.shown}</p>
      </div>
      <div className="flex min-w-60 flex-1 items-center justify-between gap-3 rounded-md border bg-card px-3 py-1.5">
        <div>
          <p className="text-[0.75rem] text-muted">Also found</p>
          <p className="font-semibold">{answers.other}</p>
        </div>
        <Button
          disabled={act.busy}
          onClick={() =>
            void act.run(() => send("POST", "plan/other/take", { plan: answers.otherId }), "Taken; the other one is kept beside it")
          }
        >
          Take this one
        </Button>
      </div>
    </section>
  );
}
