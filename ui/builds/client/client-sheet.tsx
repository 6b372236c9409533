"use client";
// How a build stands, on one page for its client: to print, or to send as a PDF from the printer's dialog.

import Link from "next/link";
import type { ClientPage } from "@/core/workshop/client/client-page";
import { Button } from "../../kit/button";
import { cx } from "../../kit/cx";
import { day, time } from "../../kit/time";

export function ClientSheet({
  page,
  house,
  zone,
  now,
  back,
}: {
  page: ClientPage;
  house: string;
  zone: string;
  now: number;
  back: string;
}) {
  return (
    <div className="mx-auto w-full max-w-[190mm] p-5 print:max-w-none print:p-[4mm]">
      <div className="mb-5 flex items-center gap-3 print:hidden">
        <p className="mr-auto text-muted">One page in the client's words: no names, no money. It follows the published plan.</p>
        <Button kind="main" onClick={() => window.print()}>
          Print
        </Button>
        <Link href={back} className="underline underline-offset-2">
          Back to the sheet
        </Link>
      </div>
      <article className="rounded-md border bg-card p-7 print:border-0 print:p-0">
        <header className="flex flex-wrap items-end justify-between gap-4 border-b pb-4">
          <div>
            <h1 className="text-[1.625rem] leading-tight">{page.build}</h1>
            <p className="text-muted">
              {page.van} · {house}, {time(zone, now)}
            </p>
          </div>
          <p className="wide text-[2.125rem] leading-none text-pine-text">{page.share} %</p>
        </header>
        <section className="border-b py-4">
          <h2 className="text-[0.9375rem]">The day</h2>
          <p>
            Agreed: <b>{day(zone, page.date.due)}</b>
            {page.date.finish !== null && (
              <>
                {" "}
                · by the plan of today: <b>{day(zone, page.date.finish)}</b>
              </>
            )}
          </p>
          <p>{page.date.words}</p>
        </section>
        {page.asked.length > 0 && (
          <section className="border-b py-4">
            <h2 className="text-[0.9375rem]">What we need to know from you</h2>
            <ul className="list-disc pl-5">
              {page.asked.map((a) => (
                <li key={a.what}>
                  {a.what}: planned as {a.planned}
                  {a.by !== null && `, please tell us by ${day(zone, a.by)}`}
                </li>
              ))}
            </ul>
          </section>
        )}
        <section className="border-b py-4">
          <h2 className="mb-1 text-[0.9375rem]">How far it is</h2>
          <ul>
            {page.stages.map((s) => (
              <li key={s.name} className="grid grid-cols-[150px_1fr_auto] gap-3 border-t py-1.5 first:border-0">
                <b>{s.name}</b>
                <span className="text-muted">{s.means}</span>
                <span className={cx(s.state === "finished" ? "text-green-text" : s.state === "under way" ? "font-semibold" : "text-muted")}>
                  {s.state === "to come" ? "to come" : s.words}
                </span>
              </li>
            ))}
          </ul>
        </section>
        <div className="grid gap-6 py-4 sm:grid-cols-2">
          <section>
            <h2 className="text-[0.9375rem]">Finished in the last week</h2>
            <ul className="list-disc pl-5">
              {page.lately.map((x) => (
                <li key={x}>{x}</li>
              ))}
            </ul>
            {page.lately.length === 0 && <p className="text-muted">Nothing was finished in the last week.</p>}
            {page.rests.map((r) => (
              <p key={r.what} className="mt-1 text-muted">
                {r.what} cures until {time(zone, r.until)}: nobody works on it, and it is not forgotten.
              </p>
            ))}
          </section>
          <section>
            <h2 className="text-[0.9375rem]">What comes next</h2>
            <ul className="list-disc pl-5">
              {page.next.map((n) => (
                <li key={n.what}>
                  {n.what}, {day(zone, n.at)}
                </li>
              ))}
            </ul>
            {page.next.length === 0 && <p className="text-muted">Nothing is left to begin.</p>}
          </section>
        </div>
      </article>
    </div>
  );
}
