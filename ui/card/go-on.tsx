"use client";
// On the fitter's phone: going on although the clock of an open skin says sheet over, by name.

import { useState } from "react";
import { Button } from "../kit/button";
import { cx } from "../kit/cx";
import { inputClass } from "../kit/field";
import { send } from "../kit/send";
import type { Act } from "../kit/use-act";
import type { CardJob } from "./view";

export function GoOn({ job, act }: { job: CardJob; act: Act }) {
  const [asked, setAsked] = useState(false);
  const [who, setWho] = useState("");
  const [why, setWhy] = useState("");
  if (!job.goesOn || job.goesOn.who !== null) return null;
  if (!asked)
    return (
      <button type="button" onClick={() => setAsked(true)} className="min-h-11 text-[0.875rem] underline underline-offset-4">
        Go on against the warning
      </button>
    );
  return (
    <form
      className="mt-2 flex flex-col gap-2 rounded-md border border-signal px-3 py-2"
      onSubmit={(e) => {
        e.preventDefault();
        void act.run(
          () => send("POST", `builds/${job.buildId}/records`, { kind: "goon", title: who, jobId: job.id, data: { why } }),
          `${who} answers for it`,
        );
      }}
    >
      {(
        [
          ["Who says so", who, setWho],
          ["Why", why, setWhy],
        ] as const
      ).map(([label, value, set]) => (
        <label key={label} className="text-[0.9375rem]">
          {label}
          <input
            value={value}
            onChange={(e) => set(e.target.value)}
            required
            maxLength={120}
            className={cx(inputClass, "!h-12 text-[1rem]")}
          />
        </label>
      ))}
      <Button size="touch" type="submit" disabled={act.busy}>
        Go on
      </Button>
    </form>
  );
}
