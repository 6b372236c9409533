"use client";
// A build's job cards for the wall: one a page, with a code that opens the card on a phone.

import Link from "next/link";
import { useLayoutEffect, useRef, useState } from "react";
import { Button } from "../kit/button";
import { cx } from "../kit/cx";
import { STAGE, StageBadge } from "../kit/stage";
import type { PrintCard } from "./view";

export function PrintCards({ build, back, cards }: { build: string; back: string; cards: PrintCard[] }) {
  const [stage, setStage] = useState("todo");
  const shown = cards.filter((c) => (stage === "todo" ? c.state !== "done" : stage === "all" || c.stage === stage));
  return (
    <div className="mx-auto w-full max-w-[210mm] p-5 print:max-w-none print:p-0">
      <div className="mb-4 flex flex-wrap items-center gap-3 print:hidden">
        <h1 className="mr-auto text-[1.375rem]">{build}: job cards</h1>
        <label className="flex items-center gap-2">
          Which
          <select value={stage} onChange={(e) => setStage(e.target.value)} className="h-8 rounded-md border bg-card px-2">
            <option value="todo">all that is not done</option>
            <option value="all">all</option>
            {Object.entries(STAGE)
              .filter(([id]) => cards.some((c) => c.stage === id))
              .map(([id, s]) => (
                <option key={id} value={id}>
                  {s.name}
                </option>
              ))}
          </select>
        </label>
        <Button kind="main" disabled={!shown.length} onClick={() => window.print()}>
          Print {shown.length}
        </Button>
        <Link href={back} className="underline underline-offset-2">
          Back to the sheet
        </Link>
      </div>
      {shown.length === 0 && <p className="text-muted">No card is left to print: everything is done.</p>}
      {/* A card is as wide as its paper; a narrower screen moves over it. */}
      <div className="relative overflow-x-auto print:overflow-visible">
        {shown.map((c) => (
          <Card key={c.id} card={c} build={build} />
        ))}
      </div>
    </div>
  );
}

/** What an A4 page holds inside its margins of 10 mm, less a little for what a printer rounds up (px at 96 a inch). */
const PAGE_HEIGHT = (274 / 25.4) * 96;

function Card({ card: c, build }: { card: PrintCard; build: string }) {
  const paper = useRef<HTMLElement>(null);
  const [fit, setFit] = useState(1);
  // A long card is set smaller rather than run over to a page without its name and code.
  useLayoutEffect(() => {
    const height = paper.current?.scrollHeight ?? 0;
    setFit(Math.min(1, PAGE_HEIGHT / Math.max(1, height)));
  }, []);
  return (
    <article
      ref={paper}
      style={{ "--fit": fit } as React.CSSProperties}
      className="mb-5 w-[190mm] rounded-md border bg-white p-6 text-[0.8125rem] text-black break-after-page print:m-0 print:rounded-none print:border-0 print:p-0 print:[zoom:var(--fit)] last:break-after-auto"
    >
      <header className="flex items-start justify-between gap-6 border-b-2 border-black pb-3">
        <div>
          <p className="flex items-center gap-2">
            <StageBadge stage={c.stage} /> {STAGE[c.stage]?.name} · {build} · {c.van}
          </p>
          <h2 className="wide mt-1 text-[1.5rem] leading-tight">{c.name}</h2>
          <p className="mt-1">
            {c.when} · {c.place} · {c.who || c.crew}
          </p>
          <p>
            likely {c.likely}
            {c.hold && ` · ${c.hold}`}
            {c.needs.length > 0 && ` · ${c.needs.join(", ")}`}
          </p>
        </div>
        <figure className="shrink-0 text-center text-[0.6875rem]">
          {/* biome-ignore lint/performance/noImgElement: a drawing made by the server, in the page itself */}
          <img src={c.qr} alt={`Code that opens ${c.name} on a phone`} width={104} height={104} />
          <figcaption>opens the card</figcaption>
        </figure>
      </header>
      <div className="mt-4 grid grid-cols-[1.5fr_1fr] gap-6">
        <section>
          {c.questions.length > 0 && (
            <>
              <h3 className="mb-1 text-[0.8125rem]">Before you {c.deed}</h3>
              <ul className="mb-4 flex flex-col gap-1.5">
                {c.questions.map((q) => (
                  <Tick key={q} text={q} />
                ))}
              </ul>
            </>
          )}
          <h3 className="mb-1 text-[0.8125rem]">Steps</h3>
          <ol className="flex flex-col gap-1.5">
            {c.steps.map((s, i) => (
              <Tick key={s} text={`${i + 1}. ${s}`} />
            ))}
          </ol>
          {c.pieces && (
            <p className="mt-3">
              {c.pieces.name}:{" "}
              {Array.from({ length: Math.min(40, c.pieces.count) }, (_, i) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: boxes to tick, all alike
                <span key={i} className="mr-1 inline-block size-3.5 border border-black align-middle" />
              ))}
              {c.pieces.count > 40 && ` of ${c.pieces.count}`}
            </p>
          )}
        </section>
        <section className="flex flex-col gap-4">
          <Bit title="Take care" list={[...c.cautions, "The maker's sheet and local rules come first."]} strong />
          <Bit title="Kit" list={[...c.parts, ...c.kit]} />
          <Bit title="Photos" list={c.shots} tick />
          <Bit title="What was chosen means" list={c.means} />
        </section>
      </div>
      <p className="mt-6 border-t border-black pt-2">
        done by ______________________ &nbsp; on ______________ &nbsp; still to finish ______________________________
      </p>
    </article>
  );
}

const Tick = ({ text }: { text: string }) => (
  <li className="flex gap-2">
    <span className="mt-0.5 inline-block size-3.5 shrink-0 border border-black" />
    {text}
  </li>
);

function Bit({ title, list, tick, strong }: { title: string; list: string[]; tick?: boolean; strong?: boolean }) {
  if (!list.length) return null;
  return (
    <div className={cx(strong && "border-2 border-black p-2")}>
      <h3 className="mb-1 text-[0.8125rem]">{title}</h3>
      <ul className={cx("flex flex-col gap-1", !tick && "list-disc pl-4")}>
        {list.map((t) => (tick ? <Tick key={t} text={t} /> : <li key={t}>{t}</li>))}
      </ul>
    </div>
  );
}
