"use client";
// All builds in the shop, each with its stages and its date.

import { Plus } from "lucide-react";
import Link from "next/link";
import { buttonClass } from "../kit/button";
import { cx } from "../kit/cx";
import { byNumber, byText, useListTools } from "../kit/list-tools";
import { day, local, time } from "../kit/time";
import { VanSide } from "../van/plan";
import { StageLadder } from "./ladder";
import type { BuildCard } from "./view";

export const dateWords = (d: BuildCard["date"]): string =>
  d.state === "open"
    ? "not all of it fits"
    : d.slackDays < 0
      ? `${-d.slackDays} ${d.slackDays === -1 ? "day" : "days"} over`
      : d.slackDays === 0
        ? "no day to spare"
        : `${d.slackDays} ${d.slackDays === 1 ? "day" : "days"} to spare`;

export const dateTone = (d: BuildCard["date"]): string =>
  d.state === "safe" ? "text-green-text" : d.state === "tight" ? "text-amber-text" : "text-signal-text";

export function BuildList({
  cards,
  zone,
  drafts,
}: {
  cards: BuildCard[];
  zone: string;
  drafts: { id: string; name: string; at: number }[];
}) {
  const { shown, tools } = useListTools(cards, {
    name: "builds",
    text: (c) => [c.name, c.client, c.vanName, c.where, c.purpose].join(" "),
    orders: {
      arrival: undefined,
      name: byText((c) => c.name),
      "due date": byNumber((c) => c.date.due),
      "days to spare": byNumber((c) => c.date.slackDays),
    },
    head: ["build", "client", "van", "where", "due", "planned", "days to spare", "now"],
    cells: (c) => [
      c.name,
      c.client,
      c.vanName,
      c.where,
      local(zone, c.date.due),
      c.date.finish === null ? "" : local(zone, c.date.finish),
      c.date.slackDays,
      c.now,
    ],
  });
  return (
    <div className="mx-auto w-full max-w-6xl p-5">
      <div className="mb-4 flex items-center justify-between">
        <h1 className="text-[1.375rem]">Builds</h1>
        <Link href="/builds/new" className={buttonClass("main")}>
          <Plus size={15} /> Add a build
        </Link>
      </div>
      {drafts.length > 0 && (
        <section aria-label="Being added" className="mb-4 rounded-md border border-dashed px-4 py-2.5">
          <h2 className="text-[0.8125rem]">Being added</h2>
          <ul className="flex flex-wrap gap-x-6 gap-y-1">
            {drafts.map((d) => (
              <li key={d.id}>
                <Link href={`/builds/new?draft=${d.id}`} className="font-semibold underline underline-offset-2">
                  {d.name}
                </Link>{" "}
                <span className="text-muted">left {time(zone, d.at)}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
      {cards.length === 0 && (
        <p className="text-muted">No build in the shop. Add the first one: its van, when it arrives, when it is due and what it gets.</p>
      )}
      {cards.length > 0 && tools}
      <ul className="flex flex-col gap-2.5">
        {shown.map((c) => (
          <li key={c.id}>
            <Link
              href={`/builds/${c.id}`}
              className={cx(
                "grid grid-cols-[96px_minmax(0,1fr)] items-center gap-x-5 gap-y-2 lg:grid-cols-[96px_minmax(0,1.2fr)_minmax(0,1.6fr)_130px] rounded-md border border-l-[5px] bg-card px-4 py-3 hover:border-muted",
                c.date.state === "safe" ? "!border-l-green" : c.date.state === "tight" ? "!border-l-amber" : "!border-l-signal",
              )}
            >
              <VanSide van={c.van} width={88} />
              <span className="min-w-0">
                <span className="wide block truncate text-[1rem]">{c.name}</span>
                <span className="block truncate text-muted">
                  {c.vanName} · {c.client}
                </span>
                <span className="block truncate text-muted">
                  {c.where} · {c.now}
                </span>
              </span>
              <span className="relative col-span-2 min-w-0 overflow-x-auto lg:col-span-1">
                <StageLadder stages={c.stages} />
              </span>
              <span className="col-span-2 lg:col-span-1 lg:text-right">
                <span className="block">due {day(zone, c.date.due)}</span>
                <b className={dateTone(c.date)}>{dateWords(c.date)}</b>
                {c.date.held && (
                  <span className="block text-[0.75rem] text-amber-text" title={c.date.held}>
                    date not confirmed
                  </span>
                )}
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </div>
  );
}
