"use client";
// To gain a day: measures for one build, each replanned before it is shown.

import { useEffect, useRef, useState } from "react";
import { byValue, daysOf, type Gain } from "@/core/plan/gain";
import { Button } from "../kit/button";
import { cx } from "../kit/cx";
import { sendLines } from "../kit/lines";
import { percent } from "../kit/percent";

type Line = { step?: { gain: Gain; done: number; all: number }; done?: object };

const sayDays = (d: number): string => {
  const n = Math.abs(d);
  const words = n === Math.floor(n) ? String(n) : `${Math.floor(n) || ""}${{ 0.25: "¼", 0.5: "½", 0.75: "¾" }[n - Math.floor(n)] ?? ""}`;
  return `${d < 0 ? "−" : "+"}${words}`;
};

/** What it costs or gives another build: days of its planned end, and the chance of its date where that moves. */
function sayOther(o: Gain["others"][number], name: string): string {
  const days = Math.abs(o.days) < 0.5 ? "" : o.days > 0 ? ` ${sayDays(o.days)} late` : ` ${sayDays(-o.days).slice(1)} sooner`;
  const moves = o.chance && Math.abs(o.chance.after - o.chance.before) >= 0.05;
  return `${name}${days}${moves ? ` (by its date ${percent(o.chance!.after)}, ${percent(o.chance!.before)} without)` : ""}`;
}

/** What it takes, in words and in money, and by the day gained. */
function priceOf(g: Gain, currency: string): string {
  if (g.money === null) return `${g.price}, to be asked`;
  if (g.money === 0) return g.price;
  const days = daysOf(g);
  const perDay = days > 1 ? `, ${Math.round(g.money / days)} a day` : "";
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
      setWords("Each was tried by a replan. The days are those you can promise, at the chance the house promises by.");
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
                  daysOf(g) > 0 ? "bg-green text-white" : "bg-sunk text-ink",
                )}
              >
                {daysOf(g) === 0 ? "0" : sayDays(daysOf(g))}
              </span>
              <span>
                {g.text}
                <span className="block text-[0.75rem] text-muted">
                  {daysOf(g) > 0
                    ? `${priceOf(g, currency)} · ${g.moved} ${g.moved === 1 ? "job moves" : "jobs move"}`
                    : `gains nothing${g.through ? `: the chain then runs through ${g.through}` : ""}`}
                  {g.sure &&
                    ` · done by its date ${percent(g.sure.after)} of the times, ${percent(g.sure.before)} without; ${sayDays(g.days)} as planned`}
                  {g.others.length > 0 && ` · ${g.others.map((o) => sayOther(o, names[o.build] ?? o.build)).join(", ")}`}
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
