"use client";
// The chain of one hole as a row of ticks: the next one asked, one done again opens those behind it.

import { Check } from "lucide-react";
import { CHAIN_PHOTOS, HOLE_STEP_WORDS, nextStep, stepDone } from "@/core/workshop/openings/hole-steps";
import { HOLE_STEPS, type Penetration } from "@/core/workshop/records/kinds/hole";
import { cx } from "../../kit/cx";
import { send } from "../../kit/send";
import { near } from "../../kit/time";
import type { Act } from "../../kit/use-act";

export function HoleChain({
  hole,
  act,
  zone,
  now,
  touch,
}: {
  hole: { id: string; no: number; data: Penetration; shows?: readonly (string | null)[] };
  act: Act;
  zone: string;
  now: number;
  touch?: boolean;
}) {
  const next = nextStep(hole.data);
  const shut = hole.data.state === "closed" || hole.data.state === "tested";
  return (
    <ol aria-label={`Chain of hole ${hole.no}`} className={cx("flex flex-wrap gap-1.5", touch && "flex-col")}>
      {HOLE_STEPS.map((s) => {
        const done = hole.data.chain?.[s];
        const photo = CHAIN_PHOTOS[s];
        const past = !done && stepDone(hole.data, s);
        const lacks = done && photo && !hole.shows?.includes(photo);
        return (
          <li key={s}>
            <button
              type="button"
              aria-pressed={done !== undefined}
              disabled={act.busy || shut || (!done && s !== next)}
              title={done ? `${done.by}, ${near(zone, done.at, now)}` : past ? "passed without its tick" : HOLE_STEP_WORDS[s].why}
              onClick={() => void act.run(() => send("POST", `records/${hole.id}/hole-step`, { step: s }))}
              className={cx(
                "flex items-center gap-1.5 rounded-md border px-2 text-left disabled:cursor-default",
                touch ? "min-h-12 w-full text-[1rem]" : "h-8 text-[0.75rem]",
                past
                  ? "text-muted line-through"
                  : done
                    ? "border-green bg-green-soft text-green-text"
                    : s === next
                      ? "border-signal font-bold"
                      : "text-muted",
              )}
            >
              {done && <Check size={touch ? 17 : 13} strokeWidth={3} />}
              {HOLE_STEP_WORDS[s].label}
              {lacks && <span className="text-amber-text">photo of {photo}</span>}
            </button>
          </li>
        );
      })}
    </ol>
  );
}
