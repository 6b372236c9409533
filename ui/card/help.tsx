"use client";
// On the fitter's phone: the second person of a job under way, who comes for the minutes that need two and is free again.

import { useState } from "react";
import { Button } from "../kit/button";
import { cx } from "../kit/cx";
import { inputClass } from "../kit/field";
import { send } from "../kit/send";
import type { Act } from "../kit/use-act";
import type { CardJob } from "./view";

export function CardHelp({ job, act }: { job: CardJob; act: Act }) {
  const { help } = job;
  const [named, setNamed] = useState("");
  if (!help) return null;
  const { here } = help;
  const set = (fitter: string, what: "come" | "free" | "undo") => send("POST", `jobs/${job.id}/help`, { fitter, act: what });
  const who = named || help.comes?.id || "";
  const name = help.others.find((o) => o.id === who)?.name ?? help.comes?.name;
  return (
    <section aria-label="Second person" className="mt-2 rounded-md border px-3 py-2 text-[0.9375rem]">
      <p className={cx(!here && "font-semibold")}>{help.says}</p>
      {here ? (
        <Button
          size="touch"
          className="mt-2 w-full"
          disabled={act.busy}
          onClick={() =>
            void act.run(
              () => set(here.id, "free"),
              `${here.name} is free again`,
              () => set(here.id, "come"),
            )
          }
        >
          {here.name} is free again
        </Button>
      ) : (
        <div className="mt-2 grid grid-cols-2 gap-2.5">
          <label>
            <span className="sr-only">Who helps</span>
            <select value={who} onChange={(e) => setNamed(e.target.value)} className={cx(inputClass, "!h-13 text-[1rem]")}>
              <option value="">Who helps</option>
              {[...help.others, ...(help.comes && !help.others.some((o) => o.id === help.comes!.id) ? [help.comes] : [])].map((o) => (
                <option key={o.id} value={o.id}>
                  {o.name}
                </option>
              ))}
            </select>
          </label>
          <Button
            size="touch"
            disabled={act.busy || !who}
            onClick={() =>
              void act.run(
                () => set(who, "come"),
                `${name} helps`,
                () => set(who, "undo"),
              )
            }
          >
            {name ? `${name} is here` : "Is here"}
          </Button>
        </div>
      )}
    </section>
  );
}
