"use client";
// To gain a day: measures for one build, each replanned before it is shown.

import { useEffect, useRef, useState } from "react";
import { byValue, type Gain } from "@/core/plan/gain";
import { Button } from "../kit/button";
import { cx } from "../kit/cx";
import { sendLines } from "../kit/lines";

type Line = { step?: { gain: Gain; done: number; all: number }; done?: object };

const sayDays = (d: number): string => {
  const n = Math.abs(d);
  const words = n === Math.floor(n) ? String(n) : `${Math.floor(n) || ""}${{ 0.25: "¼", 0.5: "½", 0.75: "¾" }[n - Math.floor(n)] ?? ""}`;
  return `${d < 0 ? "−" : "+"}${words}`;
};

/** What it takes, in words and in money, and by the day gained. */
function priceOf(g: Gain, currency: string): string {
  if (g.money === null) return `${g.price}, to be asked`;
  if (g.money === 0) return g.price;
  const perDay = g.days > 1 ? `, ${Math.round(g.money / g.days)} a day` : "";
  return `${g.price}: ${g.money} ${currency}${perDay}`;
}

export function GainADay({ buildId, names, currency }: { buildId: string; names: Record<string, string>; currency: string }) {
  const [list, setList] = useState<Gain[]>([]);
  const [progress, setProgress] = useState<{ done: number; all: number }>();
  const [words, setWords] = useState("");
  const stop = useRef<AbortController>(null);
  useEffect(() => () => stop.current?.abort(), []);
  const start = async () => {
    stop.current = new AbortController();
    setList([]);
    setWords("");
    setProgress({ done: 0, all: 0 });
    try {
      await sendLines<Line>(
        "plan/gain",
        { build: buildId },
        (line) => {
          if (!line.step) return;
          const { gain, done, all } = line.step;
          setList((l) => [...l, gain].sort(byValue));
          setProgress({ done, all });
        },
        stop.current.signal,
      );
      setWords("Each was tried by a replan, against the plan on the lanes.");
    } catch (e) {
      setWords((e as Error).name === "AbortError" ? "Stopped; the rest was not tried." : (e as Error).message);
    }
    setProgress(undefined);
  };
  return (
    <>
      {list.length > 0 && (
        <ul className="mb-2 flex flex-col gap-2">
          {list.map((g) => (
            <li key={g.text} className="flex gap-2.5">
              <span
                className={cx(
                  "grid h-[21px] min-w-[27px] shrink-0 place-items-center rounded-md px-1 text-[0.75rem] font-bold",
                  g.days > 0 ? "bg-green text-white" : "bg-sunk text-ink",
                )}
              >
                {g.days === 0 ? "0" : sayDays(g.days)}
              </span>
              <span>
                {g.text}
                <span className="block text-[0.75rem] text-muted">
                  {g.days > 0
                    ? `${priceOf(g, currency)} · ${g.moved} ${g.moved === 1 ? "job moves" : "jobs move"}`
                    : `gains nothing${g.through ? `: the chain then runs through ${g.through}` : ""}`}
                  {g.others.length > 0 &&
                    ` · ${g.others.map((o) => `${names[o.build] ?? o.build} ${o.days > 0 ? `${sayDays(o.days)} late` : `${sayDays(-o.days).slice(1)} sooner`}`).join(", ")}`}
                </span>
              </span>
            </li>
          ))}
        </ul>
      )}
      {progress ? (
        <div role="status">
          <p className="mb-1 text-muted">{progress.all ? `tried ${progress.done} of ${progress.all}` : "looking for measures …"}</p>
          <Button kind="danger" onClick={() => stop.current?.abort()}>
            Stop
          </Button>
        </div>
      ) : (
        <>
          {words && <p className="mb-2 text-[0.75rem] text-muted">{words}</p>}
          <Button onClick={() => void start()}>{list.length ? "Try again" : "Try what gains a day"}</Button>
        </>
      )}
    </>
  );
}
