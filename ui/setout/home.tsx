"use client";
// The first page of Set-out: what a build needs numbers for next, as questions; what is settled; and every sheet by place, stage and search.

import Link from "next/link";
import { useDeferredValue } from "react";
import { CALCULATORS, calculatorsFor, findCalculator, titleOf } from "@/core/setout/calculators";
import type { SheetState } from "@/core/workshop/sheets/needed-next";
import { count } from "@/core/workshop/state/say";
import { buttonClass } from "../kit/button";
import { cx } from "../kit/cx";
import { STAGE, StageBadge, stageOf } from "../kit/stage";
import { near } from "../kit/time";
import { useUrlText } from "../kit/use-url";
import { VanPlan } from "../van/plan";
import type { NeededView, SetOutHomeView } from "./home-view";

/** So many sheets of a job, and so many jobs, are shown before the rest is folded away. */
const SHEETS_SHOWN = 3;
const JOBS_SHOWN = 5;

const TONE: Record<SheetState, string> = {
  "not started": "text-muted",
  "filled, not locked": "text-amber-text",
  "says stop": "font-semibold text-signal-text",
  contradicted: "font-semibold text-signal-text",
  locked: "text-green-text",
};

/** Places of a van, as they are asked for. */
const PLACES = ["roof", "ceiling", "left", "right", "rear", "floor", "underside", "nose"] as const;

const asks = (name: string): string => findCalculator(name)?.asks ?? titleOf(name);
const sheetLink = (name: string, job: string | null, build: string | null): string =>
  job
    ? `/set-out?job=${encodeURIComponent(job)}&sheet=${name}`
    : build
      ? `/set-out?build=${encodeURIComponent(build)}&sheet=${name}`
      : `/set-out?sheet=${name}`;

export function SetOutHome({ view }: { view: SetOutHomeView }) {
  const { of } = view;
  const [find, setFind] = useUrlText("ask");
  const [place, setPlace] = useUrlText("place");
  const search = useDeferredValue(find).trim();
  const needed = (of?.needed ?? []).filter((n) => !place || n.zones.includes(place));
  return (
    <div className="flex flex-col lg:h-[calc(100dvh-52px)] lg:flex-row">
      <div className="min-w-0 flex-1 p-5 lg:overflow-y-auto">
        <div className="mb-4 flex flex-wrap items-center gap-2">
          <h1 className="mr-2 text-[1.375rem]">Set-out</h1>
          <nav aria-label="Build" className="flex flex-wrap gap-2">
            {view.builds.map((b) => (
              <Pick key={b.id} href={`/set-out?build=${encodeURIComponent(b.id)}`} on={b.id === of?.id}>
                {b.name}
              </Pick>
            ))}
            <Pick href="/set-out?build=none" on={!of}>
              no build
            </Pick>
          </nav>
        </div>
        {search ? (
          <Found view={view} search={search} />
        ) : of ? (
          <>
            <section aria-label="Numbers needed next">
              <h2 className="mb-2 text-[1rem]">
                Numbers needed next{place && `: ${place}`}
                {place && (
                  <button
                    type="button"
                    onClick={() => setPlace("")}
                    className="ml-3 text-[0.8125rem] font-normal underline underline-offset-2"
                  >
                    show the whole van
                  </button>
                )}
              </h2>
              {needed.length === 0 && (
                <p className="text-muted">
                  {place ? `No job on the ${place} needs numbers.` : "Every sheet that a job of this build asks for is locked."}
                </p>
              )}
              {needed.slice(0, JOBS_SHOWN).map((n) => (
                <Needed key={n.id} job={n} view={view} />
              ))}
              {needed.length > JOBS_SHOWN && (
                <details className="mt-3">
                  <summary className="cursor-pointer font-semibold">Later: {count(needed.length - JOBS_SHOWN, "job")}</summary>
                  {needed.slice(JOBS_SHOWN).map((n) => (
                    <Needed key={n.id} job={n} view={view} />
                  ))}
                </details>
              )}
            </section>
            <Settled of={of} />
          </>
        ) : (
          <p className="max-w-xl text-muted">
            A sheet without a build is kept on this machine only. Search for it, or open its stage. To have it filled from a van and kept
            with a job, choose a build above.
          </p>
        )}
      </div>
      <aside className="w-full shrink-0 border-t bg-card p-5 lg:w-[370px] lg:overflow-y-auto lg:border-t-0 lg:border-l">
        <input
          type="search"
          aria-label="Ask for a sheet"
          placeholder='Ask: "ribs", "how many mats", "damp"'
          value={find}
          onChange={(e) => setFind(e.target.value)}
          className="h-9 w-full rounded-md border bg-card px-2.5"
        />
        {of && <ByPlace of={of} place={place} onPlace={setPlace} />}
        <ByStage view={view} />
      </aside>
    </div>
  );
}

function Pick({ href, on, children }: { href: string; on: boolean; children: React.ReactNode }) {
  return (
    <Link
      href={href}
      aria-current={on ? "true" : undefined}
      className={cx("rounded-md border px-2.5 py-1", on ? "border-ink bg-ink font-semibold text-paper" : "bg-card hover:bg-sunk")}
    >
      {children}
    </Link>
  );
}

/** One line: the question, how far its sheet is, and the way to it. */
function Line({ name, note, state, href }: { name: string; note: string; state?: SheetState; href: string }) {
  return (
    <li className="flex items-center gap-x-3 border-b px-3 py-2 last:border-0 max-sm:flex-wrap">
      <span className="min-w-0 flex-1 max-sm:basis-full">
        <b>{asks(name)}</b>
        <span className="block text-[0.75rem] text-muted">{note}</span>
      </span>
      {state && <span className={cx("w-36 shrink-0", TONE[state])}>{state}</span>}
      <Link href={href} className={buttonClass()} aria-label={`Open ${titleOf(name)}${note ? `, ${note}` : ""}`}>
        Open
      </Link>
    </li>
  );
}

function Needed({ job: n, view }: { job: NeededView; view: SetOutHomeView }) {
  const when = n.under ? "under way" : n.start === null ? "not planned yet" : `by ${near(view.zone, n.start, view.now)}`;
  const line = (s: NeededView["sheets"][number]) => (
    <Line key={s.calculator} name={s.calculator} note={titleOf(s.calculator)} state={s.state} href={sheetLink(s.calculator, n.id, null)} />
  );
  return (
    <article className="mb-3" aria-label={n.name}>
      <div className="mb-1 flex flex-wrap items-center gap-x-2">
        <StageBadge stage={n.stage} />
        <h3 className="text-[0.9375rem]">{n.name}</h3>
        <span className="text-muted">{[when, n.people.join(" and ")].filter(Boolean).join(", ")}</span>
      </div>
      <ul className="overflow-hidden rounded-md border bg-card">{n.sheets.slice(0, SHEETS_SHOWN).map(line)}</ul>
      {n.sheets.length > SHEETS_SHOWN && (
        <details className="mt-1">
          <summary className="cursor-pointer text-muted">{n.sheets.length - SHEETS_SHOWN} more for this job</summary>
          <ul className="mt-1 overflow-hidden rounded-md border bg-card">{n.sheets.slice(SHEETS_SHOWN).map(line)}</ul>
        </details>
      )}
    </article>
  );
}

function Settled({ of }: { of: NonNullable<SetOutHomeView["of"]> }) {
  return (
    <section aria-label="Locked on this van" className="mt-6">
      <h2 className="mb-2 text-[1rem]">Locked on this van</h2>
      {of.done.length === 0 && <p className="text-muted">No sheet of this build is locked yet.</p>}
      <ul className="overflow-hidden rounded-md border bg-card empty:hidden">
        {of.done.map((d) => (
          <Line
            key={d.id}
            name={d.calculator}
            note={[d.jobName ?? "whole van", d.by.length ? `locked by ${d.by.join(" and ")}` : "locked"].join(", ")}
            href={sheetLink(d.calculator, d.jobId, of.id)}
          />
        ))}
      </ul>
    </section>
  );
}

/** What a search finds, with the job of this build that it would be for. */
function Found({ view, search }: { view: SetOutHomeView; search: string }) {
  const { of } = view;
  const found = calculatorsFor(search);
  return (
    <section aria-label="Found">
      <h2 className="mb-2 text-[1rem]">
        {found.length ? `${count(found.length, "sheet")} for “${search}”` : `No sheet answers “${search}”`}
      </h2>
      {!found.length && <p className="text-muted">Try another word for it: "glue", "rain", "weight", "screws".</p>}
      <ul className="overflow-hidden rounded-md border bg-card empty:hidden">
        {found.map((s) => {
          const job =
            of && (of.jobs.find((j) => !j.done && j.calculators.includes(s.name)) ?? of.jobs.find((j) => j.calculators.includes(s.name)));
          return (
            <Line
              key={s.name}
              name={s.name}
              note={[s.title, job ? job.name : of ? "whole van" : ""].filter(Boolean).join(", ")}
              href={sheetLink(s.name, job?.id ?? null, of?.id ?? null)}
            />
          );
        })}
      </ul>
    </section>
  );
}

function ByPlace({ of, place, onPlace }: { of: NonNullable<SetOutHomeView["of"]>; place: string; onPlace(p: string): void }) {
  const open = (p: string) =>
    of.needed.filter((n) => n.zones.includes(p)).reduce((sum, n) => sum + n.sheets.filter((s) => s.state !== "locked").length, 0);
  const list = PLACES.map((p) => ({ p, n: open(p) })).filter((x) => x.n > 0);
  if (!list.length) return null;
  return (
    <section aria-label="By place" className="mt-5">
      <h2 className="mb-2 text-[1rem]">By place</h2>
      <VanPlan
        van={of.van}
        width={310}
        hatchId="set-out-places"
        marks={(place ? list.filter((x) => x.p === place) : []).map(({ p, n }) => ({
          zone: p,
          kind: "work" as const,
          colour: "var(--pine)",
          label: `${p}: ${count(n, "sheet")}`,
        }))}
      />
      <div className="mt-2 flex flex-wrap gap-1.5">
        {list.map(({ p, n }) => (
          <button
            key={p}
            type="button"
            aria-pressed={p === place}
            onClick={() => onPlace(p === place ? "" : p)}
            className={cx("rounded-md border px-2 py-1", p === place ? "border-pine bg-pine text-on-pine" : "hover:bg-sunk")}
          >
            {p} {n}
          </button>
        ))}
      </div>
    </section>
  );
}

/** All sheets by the stage whose jobs ask for them; those of no stage last. Folded: nobody reads a list of fifty. */
function ByStage({ view }: { view: SetOutHomeView }) {
  const { of } = view;
  const stagesOf = (name: string): readonly string[] => view.stages[name] ?? [""];
  const stages = [...Object.keys(STAGE), ""].map((stage) => ({
    stage,
    sheets: CALCULATORS.filter((s) => stagesOf(s.name).includes(stage)),
  }));
  return (
    <section aria-label="By stage" className="mt-5">
      <h2 className="mb-2 text-[1rem]">By stage</h2>
      {stages
        .filter((x) => x.sheets.length)
        .map(({ stage, sheets }) => (
          <details key={stage} className="mb-1.5 rounded-md border">
            <summary className="flex cursor-pointer items-center gap-2 px-3 py-2">
              {stage && <StageBadge stage={stage} />}
              <b>{stage ? stageOf(stage).name : "Any stage"}</b>
              <span className="ml-auto text-muted">{sheets.length}</span>
            </summary>
            <ul className="border-t">
              {sheets.map((s) => {
                const job = of?.jobs.find((j) => j.stage === stage && j.calculators.includes(s.name) && !j.done);
                return (
                  <li key={s.name}>
                    <Link href={sheetLink(s.name, job?.id ?? null, of?.id ?? null)} className="block px-3 py-1.5 hover:bg-sunk">
                      {s.title}
                      <span className="block text-[0.75rem] text-muted">{asks(s.name)}</span>
                    </Link>
                  </li>
                );
              })}
            </ul>
          </details>
        ))}
    </section>
  );
}
