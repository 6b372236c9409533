"use client";
// The next dry stretch of the forecast is handed out: openings are pinned into it, the rest is told to wait.

import Link from "next/link";
import { useState } from "react";
import { Button } from "../kit/button";
import { send } from "../kit/send";
import type { Act } from "../kit/use-act";

export function HandOut({ act }: { act: Act }) {
  const [done, setDone] = useState<{ pinned: string[]; left: string[] }>();
  return (
    <section aria-label="Hand it out" className="mb-3 flex flex-col gap-2 rounded-md border px-3 py-2">
      <p className="text-muted">
        Takes the next dry and light stretch of the forecast, and pins the openings that the plan has outdoors into it: roof first, then
        front and rear, then sides; of one side what can't stand covered first, then what most days of its build hang on.
      </p>
      <Button
        className="self-start"
        disabled={act.busy}
        onClick={() =>
          void act.run(
            async () => setDone(await send<{ pinned: string[]; left: string[] }>("POST", "slot/pin")),
            "Pinned; replan to see the rest move",
          )
        }
      >
        Plan by it
      </Button>
      {done && (
        <p role="status">
          In it: <b>{done.pinned.join(", ")}</b>.{done.left.length > 0 && ` For another day, with covers ready: ${done.left.join(", ")}.`}{" "}
          <Link href="/lanes" className="underline underline-offset-2">
            Replan in Lanes
          </Link>
        </p>
      )}
    </section>
  );
}
