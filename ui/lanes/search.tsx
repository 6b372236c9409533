"use client";
// A longer search from the page: shows the best so far getting better, stops when told to and keeps it.

import { useRouter } from "next/navigation";
import { DropdownMenu as Menu } from "radix-ui";
import { useEffect, useRef, useState } from "react";
import { toast } from "sonner";
import type { Cost } from "@/core/plan/model";
import { Button } from "../kit/button";
import { refresh } from "../kit/fresh";
import { sendLines } from "../kit/lines";
import { SendError } from "../kit/send";

const LENGTHS = [5, 20, 60];

interface Running {
  seconds: number;
  began: number;
  first?: Cost;
  best?: Cost;
  steps: number;
}

type Came = "working" | "other" | "nothing";
type Line = { better?: { cost: Cost; step: number }; done?: { steps: number; came: Came } };

const CAME: Record<Came, string> = {
  working: "the best is on the lanes",
  other: "what was found stands beside the plan",
  nothing: "none was better than the plan on the lanes",
};

/** Seconds of search behind a pin, and what they are spent on: what it displaced. */
const BEHIND_A_PIN = 3;

/** `behind` counts pins: each starts a short search around what it displaced. */
/** What the parts of the cost have come to, for those who want to know where the gain is. */
const parts = (first: Cost, best: Cost): string =>
  (["late", "flow", "shunts", "churn", "overtime"] as const)
    .map((k) => [k, first[k] ?? 0, best[k] ?? 0] as const)
    .filter(([, a, b]) => a || b)
    .map(([k, a, b]) => `${k} ${Math.round(a)} » ${Math.round(b)}`)
    .join(" · ");

export function Search({ disabled, behind }: { disabled: boolean; behind: number }) {
  const router = useRouter();
  const [running, setRunning] = useState<Running>();
  const [, tick] = useState(0);
  const stop = useRef<AbortController>(null);
  const going = !!running;
  useEffect(() => {
    if (!going) return;
    const timer = setInterval(() => tick((n) => n + 1), 250);
    return () => clearInterval(timer);
  }, [going]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: once a pin
  useEffect(() => {
    if (behind > 0) void start(BEHIND_A_PIN, true);
  }, [behind]);
  const start = async (seconds: number, local = false) => {
    stop.current?.abort();
    stop.current = new AbortController();
    const mine = stop.current;
    setRunning({ seconds, began: Date.now(), steps: 0 });
    try {
      await sendLines<Line>(
        "plan/search",
        { seconds, local },
        (line) => {
          if (line.better)
            setRunning((r) => r && { ...r, first: r.first ?? line.better!.cost, best: line.better!.cost, steps: line.better!.step });
          if (line.done && !local) toast.success(`Searched ${line.done.steps} plans: ${CAME[line.done.came]}`);
        },
        mine.signal,
      );
    } catch (e) {
      if ((e as Error).name === "AbortError") {
        if (stop.current === mine) toast.success("Stopped; the best so far is kept");
      } else if (e instanceof SendError && e.status === 409) toast((e as Error).message);
      else toast.error((e as Error).message);
    }
    if (stop.current !== mine) return;
    setRunning(undefined);
    // A stopped search still stores what it has: give it the moment that takes.
    setTimeout(() => refresh(router), mine.signal.aborted ? 900 : 0);
  };
  if (!running)
    return (
      <Menu.Root modal={false}>
        <Menu.Trigger asChild>
          <Button disabled={disabled}>Improve the plan</Button>
        </Menu.Trigger>
        <Menu.Portal>
          <Menu.Content align="end" sideOffset={4} className="z-50 min-w-56 rounded-md border bg-card p-1 shadow-lg">
            <Menu.Label className="px-3 py-1 text-muted">Look for a better plan for</Menu.Label>
            {LENGTHS.map((s) => (
              <Menu.Item key={s} onSelect={() => void start(s)} className="rounded px-3 py-1.5 outline-none data-highlighted:bg-sunk">
                {s} seconds
              </Menu.Item>
            ))}
          </Menu.Content>
        </Menu.Portal>
      </Menu.Root>
    );
  const share = Math.min(1, (Date.now() - running.began) / (running.seconds * 1000));
  const gained = running.first && running.best && running.first.total > 0 ? 100 * (1 - running.best.total / running.first.total) : 0;
  return (
    <div className="flex items-center gap-2" role="status" aria-label="Searching">
      <div className="w-52 leading-tight">
        <p className="truncate text-[0.75rem]" title={running.best && running.first ? parts(running.first, running.best) : undefined}>
          {running.best ? (
            <>
              best so far <b>{gained > 0.05 ? `${gained.toFixed(1)} % better` : "as before"}</b>, {running.steps} steps
            </>
          ) : (
            "searching …"
          )}
        </p>
        {running.best && running.first && <p className="truncate text-[0.6875rem] text-muted">{parts(running.first, running.best)}</p>}
        <div
          className="mt-1 h-1.5 overflow-hidden rounded bg-sunk"
          role="progressbar"
          aria-label="Search"
          aria-valuemin={0}
          aria-valuemax={100}
          aria-valuenow={Math.round(share * 100)}
        >
          <div className="h-full bg-pine" style={{ width: `${share * 100}%` }} />
        </div>
      </div>
      <Button kind="danger" onClick={() => stop.current?.abort()}>
        Stop, keep the best
      </Button>
    </div>
  );
}
