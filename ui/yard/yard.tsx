"use client";

// The yard: what is happening now, and beside it what must be decided before the day ends.

import Link from "next/link";
import { buttonClass } from "../kit/button";
import { StageBadge } from "../kit/stage";
import { Person } from "./person";
import { YardSide } from "./side";
import { BaySpot, YardVan } from "./spot";
import type { BenchItem, YardView } from "./view";

export function Yard({ view }: { view: YardView }) {
  if (!view.builds)
    return (
      <div className="m-auto max-w-md p-8 text-center">
        <h1 className="text-[1.25rem]">The yard is empty</h1>
        <p className="mt-2 text-muted">
          Add the first build: its van, when it arrives, when it is due and what it gets. The plan follows from that.
        </p>
        <Link href="/builds/new" className={`${buttonClass("main")} mt-4`}>
          Add a build
        </Link>
      </div>
    );
  const inside = view.spots.filter((s) => s.indoor);
  const outside = view.spots.filter((s) => !s.indoor);
  return (
    <div className="flex flex-1 flex-col lg:flex-row">
      <div className="gravel min-w-0 flex-1 p-5">
        <h1 className="sr-only">Yard</h1>
        {view.implausibleDates.length > 0 && (
          <ul role="alert" className="mb-3.5 rounded-md border border-signal bg-signal-soft px-4 py-2 text-signal-text">
            {view.implausibleDates.slice(0, 8).map((s) => (
              <li key={s.text}>
                <Link href={s.href} className="underline underline-offset-2">
                  {s.text}
                </Link>
              </li>
            ))}
            {view.implausibleDates.length > 8 && <li>and {view.implausibleDates.length - 8} more</li>}
          </ul>
        )}
        <section aria-label="Workshop" className="rounded-[3px] border-4 border-ink bg-sunk p-3.5">
          <h2 className="px-1 pb-2 text-[0.8125rem] tracking-wide uppercase">Workshop{view.warm && ` · ${view.warm}`}</h2>
          <div className="grid grid-cols-1 gap-3.5 sm:grid-cols-2">
            {inside.map((s) => (
              <BaySpot key={s.id} spot={s} view={view} />
            ))}
            {inside.length === 0 && <p className="p-4 text-muted">No bay under a roof yet. Add one in Workshop.</p>}
            <section aria-label="Bench" className="px-1">
              <h2 className="pb-1.5 text-[0.8125rem] tracking-wide uppercase">Bench</h2>
              {view.bench.length === 0 && <p className="text-muted">Nothing on the bench, nothing planned for it.</p>}
              <ul className="flex flex-col gap-2">
                {view.bench.map((b) => (
                  <BenchRow key={b.jobId} item={b} />
                ))}
              </ul>
            </section>
          </div>
        </section>
        <section aria-label="Outdoors" className="mt-3.5 grid grid-cols-1 gap-3.5 sm:grid-cols-2">
          {outside.map((s) => (
            <BaySpot key={s.id} spot={s} view={view} />
          ))}
          <section aria-label="Yard" className="p-1">
            <h2 className="pb-1.5 text-[0.8125rem] tracking-wide uppercase">
              Yard · {view.yard.length} of {view.yardPlaces} places
            </h2>
            <ul className="flex flex-col gap-2.5">
              {view.yard.map((v) => (
                <YardVan key={v.buildId} van={v} view={view} />
              ))}
              {view.toCome.map((c) => (
                <li key={c.buildId}>
                  <Link href={`/builds/${c.buildId}`} className="font-bold hover:underline">
                    {c.name}
                  </Link>
                  <span className="text-muted"> · {c.detail}</span>
                </li>
              ))}
            </ul>
            {view.yard.length + view.toCome.length === 0 && <p className="text-muted">No van waits outside.</p>}
          </section>
        </section>
      </div>
      <YardSide view={view} />
    </div>
  );
}

function BenchRow({ item }: { item: BenchItem }) {
  return (
    <li>
      <Link
        href={`/builds/${item.buildId}?job=${encodeURIComponent(item.jobId)}`}
        className={`flex items-center gap-2.5 rounded-md border-[1.5px] bg-card px-2.5 py-1.5 hover:bg-sunk ${item.ready ? "border-solid border-muted" : "border-dashed border-line"}`}
      >
        {item.people.length ? (
          item.people.map((p) => <Person key={p.id} initials={p.initials} name={p.name} />)
        ) : (
          <StageBadge stage={item.stage} />
        )}
        <span className="min-w-0">
          <span className="block truncate">
            <b>{item.build}</b> · {item.name}
          </span>
          <span className="block truncate text-muted">{item.detail}</span>
        </span>
      </Link>
    </li>
  );
}
