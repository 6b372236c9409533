"use client";
// Stores for a fitter: where the kit of each job lies, and what is short. To be looked at.

import Link from "next/link";
import { useState } from "react";
import { StageBadge } from "../kit/stage";
import { Tick } from "../kit/tick";
import { near } from "../kit/time";
import type { KitsView } from "./kits-view";

/** So many jobs are drawn at first. */
const FIRST = 20;

export function Kits({ view }: { view: KitsView }) {
  const [find, setFind] = useState("");
  const [all, setAll] = useState(false);
  const words = find.trim().toLowerCase();
  const found = view.jobs.filter(
    (j) => !words || [j.name, j.build, ...j.lines.flatMap((l) => [l.what, l.where])].some((t) => t.toLowerCase().includes(words)),
  );
  const shown = all ? found : found.slice(0, FIRST);
  return (
    <div data-touch className="mx-auto w-full max-w-3xl p-4 text-[1.0625rem]">
      <h1 className="text-[1.375rem]">Where the kit lies</h1>
      <p className="text-[0.9375rem] text-muted">The jobs of the vans you work on, yours first.</p>
      <input
        type="search"
        aria-label="Search kits"
        placeholder="Search a job, a part or a shelf"
        value={find}
        onChange={(e) => setFind(e.target.value)}
        className="mt-3 h-12 w-full rounded-md border bg-card px-3"
      />
      {shown.map((j) => (
        <section key={j.id} aria-label={`${j.name}, ${j.build}`} className="mt-4">
          <div className="flex flex-wrap items-center gap-x-2 text-[1.0625rem]">
            <StageBadge stage={j.stage} className="!h-6 !text-[0.8125rem]" />
            <h2 className="text-[1.0625rem]">
              {j.mine ? (
                <Link href={`/card?job=${encodeURIComponent(j.id)}`} className="flex min-h-11 items-center underline underline-offset-2">
                  {j.name}
                </Link>
              ) : (
                <span className="flex min-h-11 items-center">{j.name}</span>
              )}
            </h2>
            <p className="text-[0.9375rem] text-muted">
              {j.build}
              {j.underWay ? ", under way" : j.start === null ? ", not planned yet" : `, ${near(view.zone, j.start, view.now)}`}
            </p>
          </div>
          <ul className="overflow-hidden rounded-md border bg-card">
            {j.lines.map((l) => (
              <li key={`${l.what} ${l.where}`} className="flex flex-wrap items-baseline gap-x-3 border-b px-3 py-2 last:border-0">
                <span className="min-w-0 flex-1">{l.what}</span>
                {l.short ? <b className="text-signal-text">{l.short}</b> : <Tick className="text-green" />}
                <span className="w-full text-[0.9375rem] text-muted sm:w-40 sm:text-right">{l.where}</span>
              </li>
            ))}
          </ul>
        </section>
      ))}
      {found.length === 0 && (
        <p className="mt-6 text-muted">{words ? "Nothing of that name." : "There is no kit to fetch for the vans you work on."}</p>
      )}
      {found.length > shown.length && (
        <button type="button" onClick={() => setAll(true)} className="mt-4 min-h-12 underline underline-offset-4">
          Show all {found.length} jobs
        </button>
      )}
    </div>
  );
}
