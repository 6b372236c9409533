"use client";
// Stores: every part line by the day it is wanted, from "not ordered" to "checked", and what a slip does.

import Link from "next/link";
import { useMemo, useState } from "react";
import type { PartState } from "@/core/workshop/state/model";
import { count } from "@/core/workshop/state/say";
import { Button } from "../kit/button";
import { type Cell, saveCsv } from "../kit/csv";
import { cx } from "../kit/cx";
import { Dialog } from "../kit/dialog";
import { LongList } from "../kit/long-list";
import { unpacked } from "../kit/packed";
import { send } from "../kit/send";
import { StageBadge } from "../kit/stage";
import { day, local, near } from "../kit/time";
import { useAct } from "../kit/use-act";
import { useUrlChoice, useUrlText } from "../kit/use-url";
import { PartForm } from "./part-form";
import type { PartDetail, PartLine, StoresView } from "./view";

const STATE: Record<PartState, string> = {
  needed: "to order",
  ordered: "ordered",
  promised: "promised",
  arrived: "here, to check",
  checked: "checked",
  wrong: "came wrong",
};

/** The first thing that has to be done for a line that is not ordered: samples asked for, or the order. */
const latestOf = (l: PartLine): number | null => l.samplesBy ?? l.orderBy;
const WEEK = 7 * 1440;

const FILTERS: [string, string, (l: PartLine, now: number) => boolean][] = [
  ["open", "Not here yet", (l) => l.state !== "checked"],
  ["week", "This week", (l, now) => (latestOf(l) ?? Number.POSITIVE_INFINITY) < now + WEEK],
  ["order", "To order", (l) => l.state === "needed"],
  ["way", "On the way", (l) => l.state === "ordered" || l.state === "promised"],
  ["goods", "Goods-in", (l) => l.state === "arrived" || l.state === "wrong"],
  ["all", "All", () => true],
];
const FILTER_NAMES = FILTERS.map(([f]) => f);

/** What lines can be grouped by; those of a group keep the order of their days. */
const ORDERS: [string, string, (l: PartLine, view: StoresView) => string][] = [
  [
    "day",
    "day wanted",
    (l, view) => (l.need === null ? "no date in the plan" : l.need <= view.now ? "wanted now" : `wanted ${day(view.zone, l.need)}`),
  ],
  ["build", "build", (l) => l.build],
  ["supplier", "supplier", (l) => `from ${l.supplier}`],
  ["state", "state", (l) => STATE[l.state]],
  ["name", "name", (l) => l.name[0]?.toUpperCase() ?? ""],
];
const ORDER_NAMES = ORDERS.map(([o]) => o);

type Row = { title: string; lines: number } | PartLine;

/** Lines with the heads of their groups between them. */
function rowsOf(lines: readonly PartLine[], group: (l: PartLine) => string, sorted: boolean): Row[] {
  const groups = new Map<string, PartLine[]>();
  for (const l of lines) {
    const title = group(l);
    const mine = groups.get(title);
    if (mine) mine.push(l);
    else groups.set(title, [l]);
  }
  const titles = [...groups.keys()];
  if (sorted) titles.sort((a, b) => a.localeCompare(b));
  return titles.flatMap((title): Row[] => [{ title, lines: groups.get(title)!.length }, ...groups.get(title)!]);
}

const csvLine = (l: PartLine, zone: string): Cell[] => [
  l.name,
  l.quantity,
  l.build,
  l.job,
  l.supplier,
  STATE[l.state],
  l.need === null ? "" : local(zone, l.need),
  l.promised === null ? "" : local(zone, l.promised),
  l.shelf,
  l.note,
];
const CSV_HEAD = ["part", "quantity", "build", "job", "supplier", "state", "wanted", "promised", "shelf", "note"];

export function Stores({ view, part }: { view: StoresView; part?: string }) {
  const act = useAct();
  const all = useMemo(() => unpacked<PartLine>(view.lines), [view.lines]);
  const asked = all.find((l) => l.id === part);
  const [filter, setFilter] = useUrlChoice("show", FILTER_NAMES, asked?.state === "checked" ? "all" : "open");
  const [order, setOrder] = useUrlChoice("by", ORDER_NAMES, "day");
  const [text, setText] = useUrlText("find");
  const [editing, setEditing] = useState<PartLine>();
  const test = FILTERS.find(([f]) => f === filter)![2];
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const lines = all.filter(
    (l) => test(l, view.now) && words.every((w) => `${l.name} ${l.build} ${l.job} ${l.supplier}`.toLowerCase().includes(w)),
  );
  // What has to be ordered or asked for within the week: one call to each supplier, the most urgent first.
  if (filter === "week") lines.sort((a, b) => latestOf(a)! - latestOf(b)!);
  const week = filter === "week" && order === "day";
  const group = ORDERS.find(([o]) => o === order)![2];
  const rows = rowsOf(lines, (l) => (week ? `from ${l.supplier}` : group(l, view)), order !== "day");
  const shown = part ? rows.findIndex((r) => "id" in r && r.id === part) : -1;
  return (
    <div className="flex flex-1 flex-col lg:flex-row">
      <div className="min-w-0 flex-1 p-5">
        <div className="mb-3 flex flex-wrap items-center gap-3 print:hidden">
          <h1 className="mr-2 text-[1.375rem]">Stores</h1>
          <fieldset aria-label="Show" className="flex max-w-full min-w-0 overflow-x-auto rounded-md border bg-card">
            {FILTERS.map(([f, label, t]) => (
              <button
                key={f}
                type="button"
                aria-pressed={filter === f}
                onClick={() => setFilter(f)}
                className={cx("h-8 px-3 whitespace-nowrap", filter === f && "bg-ink font-bold text-paper")}
              >
                {label} <span className="opacity-75">{all.filter((l) => t(l, view.now)).length}</span>
              </button>
            ))}
          </fieldset>
          <input
            value={text}
            onChange={(e) => setText(e.target.value)}
            placeholder="part, build or supplier"
            aria-label="Filter by part, build or supplier"
            className="h-8 w-48 rounded-md border bg-card px-2.5"
          />
          <label className="flex items-center gap-1.5">
            by
            <select
              aria-label="Order by"
              value={order}
              onChange={(e) => setOrder(e.target.value)}
              className="h-8 rounded-md border bg-card px-2"
            >
              {ORDERS.map(([o, label]) => (
                <option key={o} value={o}>
                  {label}
                </option>
              ))}
            </select>
          </label>
          <span className="ml-auto flex flex-wrap gap-2">
            <Button onClick={() => window.print()} disabled={lines.length === 0}>
              Print
            </Button>
            <Button
              disabled={lines.length === 0}
              onClick={() =>
                saveCsv(
                  "parts",
                  CSV_HEAD,
                  rows.flatMap((r) => ("id" in r ? [csvLine(r, view.zone)] : [])),
                )
              }
            >
              CSV
            </Button>
            <Button
              disabled={act.busy}
              onClick={() => void act.run(() => send("POST", "parts/ask"), "Suppliers asked; new dates stand in the list")}
            >
              Ask the suppliers
            </Button>
          </span>
        </div>
        <h1 className="mb-2 hidden text-[1.125rem] print:block">
          Stores: {FILTERS.find(([f]) => f === filter)![1].toLowerCase()}, {day(view.zone, view.now)}
        </h1>
        {lines.length === 0 && (
          <p className="py-6 text-muted">{all.length ? "No line of that kind." : "No parts yet: they come with the jobs of a build."}</p>
        )}
        <LongList
          count={rows.length}
          guess={56}
          keyOf={(i) => {
            const r = rows[i];
            return "id" in r ? r.id : `head ${r.title}`;
          }}
          {...(shown < 0 ? {} : { show: shown })}
          row={(i) => {
            const r = rows[i];
            return "id" in r ? (
              <Line l={r} view={view} marked={r.id === part} onEdit={() => setEditing(r)} />
            ) : (
              <h2 className="pt-3 pb-1 text-[0.8125rem]">
                {r.title} <span className="font-normal text-muted">{r.lines}</span>
              </h2>
            );
          }}
        />
      </div>
      <aside className="w-full shrink-0 border-l bg-card p-4 lg:w-[300px] print:hidden">
        <h2 className="border-b pb-2 text-[0.9375rem]">What it does to the dates</h2>
        {view.stale ? (
          <div className="py-3">
            <p>
              <b className="text-amber-text">The plan is stale:</b> {view.stale}.
            </p>
            <Button
              kind="main"
              className="mt-2 w-full"
              disabled={act.busy}
              onClick={() => void act.run(() => send("POST", "plan"), "Replanned")}
            >
              {act.busy ? "Replanning …" : "Replan and see"}
            </Button>
          </div>
        ) : view.effect.length === 0 ? (
          <p className="py-3 text-muted">
            {view.published === null
              ? "Publish a plan; from then on slips are measured against it."
              : `All handover dates are the same as in plan ${view.published}.`}
          </p>
        ) : (
          <ul className="py-1">
            {view.effect.map((e) => (
              <li key={e.build} className="border-b py-2 last:border-0">
                <b>{e.build}</b>{" "}
                <b className={e.days > 0 ? "text-signal-text" : "text-green-text"}>
                  {e.days === 0 ? "same day" : `${e.days > 0 ? "+" : "−"}${Math.abs(e.days)} ${Math.abs(e.days) === 1 ? "day" : "days"}`}
                </b>
                <span className="block text-[0.75rem] text-muted">
                  {e.from === null ? "not planned" : near(view.zone, e.from, view.now)} »{" "}
                  {e.to === null ? "does not fit" : near(view.zone, e.to, view.now)}
                </span>
              </li>
            ))}
          </ul>
        )}
        {!view.stale && view.effect.length > 0 && (
          <p className="text-muted">
            Against plan {view.published}.{" "}
            <Link href="/lanes" className="underline underline-offset-2">
              Compare with published
            </Link>
          </p>
        )}
      </aside>
      <Dialog
        open={!!editing}
        onOpenChange={(o) => !o && setEditing(undefined)}
        title={editing?.name ?? ""}
        about={editing ? `${editing.quantity} for ${editing.build}, ${editing.job} · ${editing.supplier}` : undefined}
      >
        {editing && <PartForm line={editing} view={view} onDone={() => setEditing(undefined)} />}
      </Dialog>
    </div>
  );
}

/** The state that usually comes next, offered as one tap. */
const NEXT: Partial<Record<PartState, [PartState, string]>> = {
  needed: ["ordered", "Ordered"],
  ordered: ["arrived", "Arrived"],
  promised: ["arrived", "Arrived"],
  arrived: ["checked", "Checked, complete"],
  wrong: ["ordered", "Ordered again"],
};

function Line({ l, view, marked, onEdit }: { l: PartLine; view: StoresView; marked: boolean; onEdit(): void }) {
  const act = useAct();
  const next = NEXT[l.state];
  const slip =
    l.promised !== null && l.firstPromised !== null && l.promised - l.firstPromised > 60
      ? Math.round((l.promised - l.firstPromised) / 1440)
      : 0;
  const latest = latestOf(l);
  const pressing = latest !== null && latest < view.now;
  const back = () => send("PATCH", `parts/${l.id}`, { version: l.version + 1, state: l.state });
  return (
    <div
      id={`part-${l.id}`}
      className={cx(
        "flex flex-wrap items-center gap-x-3 gap-y-1 border-x border-b bg-card px-3 py-2 border-t -mt-px md:grid md:grid-cols-[26px_minmax(0,1.3fr)_minmax(0,1.2fr)_minmax(0,1.1fr)_210px] md:gap-3",
        marked && "bg-pine-soft",
      )}
    >
      <StageBadge stage={l.stage} />
      <div className="min-w-0 flex-1">
        <p className="truncate font-semibold" title={l.name}>
          {l.name} <span className="font-normal text-muted">{l.quantity}</span>
        </p>
        <p className="truncate text-[0.75rem] text-muted" title={l.supplier}>
          {l.supplier}
        </p>
      </div>
      <Link href={`/builds/${l.buildId}?job=${encodeURIComponent(l.jobId)}`} className="min-w-0 basis-full hover:underline md:basis-auto">
        <span className="block truncate" title={l.build}>
          {l.build}
        </span>
        <span className="block truncate text-[0.75rem] text-muted" title={l.job}>
          {l.job}
        </span>
      </Link>
      <div className="min-w-0 flex-1">
        <p
          className={cx(
            l.state === "checked"
              ? "text-green-text"
              : l.state === "wrong" || l.late > 0
                ? "font-bold text-signal-text"
                : pressing
                  ? "font-bold text-amber-text"
                  : "",
          )}
        >
          {l.state === "promised" && l.promised !== null ? `promised ${day(view.zone, l.promised)}` : STATE[l.state]}
          {l.state === "checked" && l.shelf && `, shelf ${l.shelf}`}
        </p>
        <p className={cx("text-[0.75rem] text-muted", l.orderBy === null && "truncate")}>
          {l.late > 0 ? (
            `${Math.ceil(l.late / 1440)} ${Math.ceil(l.late / 1440) === 1 ? "day" : "days"} too late for plan ${view.published ?? ""}`
          ) : l.orderBy !== null ? (
            <Latest l={l} view={view} />
          ) : (
            l.note || (l.shelf && l.state !== "checked" ? `shelf ${l.shelf}` : "")
          )}
          {slip > 0 && ` · slipped ${slip} d`}
        </p>
      </div>
      <div className="flex justify-end gap-1.5 print:hidden">
        {next && (
          <Button
            disabled={act.busy}
            className="!px-2.5"
            onClick={() =>
              void act.run(
                () => send("PATCH", `parts/${l.id}`, { version: l.version, state: next[0] }),
                `${l.name}: ${STATE[next[0]]}`,
                back,
              )
            }
          >
            {next[1]}
          </Button>
        )}
        <Button kind="quiet" className="!px-2" onClick={onEdit} aria-label={`Change ${l.name} of ${l.build}`}>
          Change
        </Button>
      </div>
      {l.wake && <Wake id={l.id} wake={l.wake} />}
    </div>
  );
}

/** By when it has to be ordered, and samples of it asked for; and what is at stake once that has passed. */
function Latest({ l, view }: { l: PartLine; view: StoresView }) {
  const by = (at: number, words: string, passed: string) => `${at < view.now ? passed : words} ${day(view.zone, at)}`;
  const said = [
    ...(l.samplesBy === null ? [] : [by(l.samplesBy, "samples by", "samples since")]),
    by(l.orderBy!, "order by", "overdue since"),
    ...(l.stake && latestOf(l)! < view.now ? [`${l.stake} ${l.stake === 1 ? "day" : "days"} late for its job`] : []),
  ];
  return said.map((text, i) => (
    <span key={text} className="mr-1 inline-block">
      {text}
      {i < said.length - 1 && ","}
    </span>
  ));
}

/** What a late part locks in its build, what goes on meanwhile, and what had better not: in figures, job by job once it is opened. */
function Wake({ id, wake }: { id: string; wake: NonNullable<PartLine["wake"]> }) {
  const [detail, setDetail] = useState<PartDetail | null>();
  const ask = () => {
    if (detail) return;
    fetch(`/api/stores/${encodeURIComponent(id)}`)
      .then((r) => (r.ok ? (r.json() as Promise<PartDetail>) : null))
      .then(setDetail)
      .catch(() => setDetail(null));
  };
  return (
    <details className="col-span-full pl-[38px] text-[0.8125rem]" onToggle={(e) => e.currentTarget.open && ask()}>
      <summary className="cursor-pointer text-muted">
        {wake.word} · {count(wake.locked, "job")} {wake.locked === 1 ? "waits" : "wait"} for it. {wake.harmless} can go on.
        {wake.trapping > 0 && ` ${wake.trapping} would cover its place.`}
      </summary>
      {detail === undefined && <p className="mt-1 text-muted">Looking it up …</p>}
      {detail === null && (
        <p role="alert" className="mt-1 text-signal-text">
          The server does not answer. Close and open this again.
        </p>
      )}
      {detail && (
        <dl className="mt-1 grid grid-cols-[90px_1fr] gap-x-3 gap-y-0.5">
          <dt className="font-semibold">Waiting</dt>
          <dd>{detail.locked.join(", ")}</dd>
          <dt className="font-semibold text-green-text">Can go on</dt>
          <dd>{detail.harmless.join(", ") || "nothing"}</dd>
          <dt className="font-semibold text-signal-text">Would cover it</dt>
          <dd>
            {detail.trapping.length === 0 && "nothing"}
            {detail.trapping.map((t) => (
              <span key={t} className="block">
                {t}
              </span>
            ))}
          </dd>
        </dl>
      )}
    </details>
  );
}
