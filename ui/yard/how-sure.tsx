"use client";
// How sure the dates are: the plan played through many times, here and now.

import { useEffect, useRef, useState } from "react";
import type { Chances } from "@/core/plan/chance";
import { Button } from "../kit/button";
import { cx } from "../kit/cx";
import { sendLines } from "../kit/lines";
import { percent } from "../kit/percent";

type Line = { step?: { played: number; all: number }; done?: { chances: Chances } };

/** "Tue 12 Jan" of a local wall time. */
const dayOf = (local: string): string =>
  new Intl.DateTimeFormat("en-GB", { weekday: "short", day: "numeric", month: "short", timeZone: "UTC" }).format(new Date(`${local}Z`));

export function HowSure({ names }: { names: Readonly<Record<string, string>> }) {
  const [found, setFound] = useState<Chances>();
  const [at, setAt] = useState<{ played: number; all: number }>();
  const [words, setWords] = useState("");
  const stop = useRef<AbortController>(null);
  useEffect(() => () => stop.current?.abort(), []);
  const start = async () => {
    stop.current = new AbortController();
    setWords("");
    setFound(undefined);
    setAt({ played: 0, all: 0 });
    try {
      await sendLines<Line>(
        "plan/chance",
        {},
        (line) => {
          if (line.step) setAt(line.step);
          if (line.done) setFound(line.done.chances);
        },
        stop.current.signal,
      );
    } catch (e) {
      setWords((e as Error).name === "AbortError" ? "Stopped." : (e as Error).message);
    }
    setAt(undefined);
  };
  return (
    <div className="py-2">
      {found && (
        <>
          {found.builds.length === 0 && <p className="py-1 text-muted">No build has a place in the plan for all of its work yet.</p>}
          <ul aria-label="How sure the dates are">
            {found.builds
              .toSorted((x, y) => x.byDue - y.byDue)
              .map((b) => (
                <li key={b.build} className="flex justify-between gap-3 border-b py-1.5 last:border-0">
                  <span className="min-w-0">
                    <b>{names[b.build] ?? b.build}</b>
                    <span className="block text-[0.75rem] text-muted">
                      half the times by {dayOf(b.half)}, {percent(found.share)} by {dayOf(b.at)}
                    </span>
                  </span>
                  <span className={cx("shrink-0 text-right", b.byDue < found.share && "text-signal-text")}>
                    <b>{percent(b.byDue)}</b>
                    <span className="block text-[0.75rem] text-muted">by its date</span>
                  </span>
                </li>
              ))}
          </ul>
          <p className="py-1 text-[0.75rem] text-muted">
            The plan played through {found.played} times with times of work between best and worst; parts, weather and people as planned.
            {found.shortened > 0 &&
              ` In ${found.shortened} of them something that has to be done in one day took longer than any day; it counts as planned there.`}
            {found.lost > 0 && ` ${found.lost} of them could not be: a ticket or a closed bay was in the way.`}
          </p>
        </>
      )}
      {words && <p className="mb-2 text-[0.75rem] text-muted">{words}</p>}
      {at ? (
        <div role="status">
          <p className="mb-1 text-muted">{at.all ? `played ${at.played} of ${at.all}` : "getting ready …"}</p>
          <Button kind="danger" onClick={() => stop.current?.abort()}>
            Stop
          </Button>
        </div>
      ) : (
        <Button onClick={() => void start()}>{found ? "Play it through again" : "How sure are these dates?"}</Button>
      )}
    </div>
  );
}
